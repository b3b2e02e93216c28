package org.scenothesis.core.breakdown.base;

/// The frame that is filmed where the shot plays: everything is filmed in it unless its illusion says otherwise.
record FilmedHere() implements Base {}
