package org.scenothesis.core.shot.step;

/// Undoes the camera's shift that the lock check measured, each stretch between bumps by its own.
public record LockCorrection() implements Step {}
