/// What a staged set will do, worked out before anything is carried: a unit per question, each answering with findings, how to mend them,
/// and what they rest on that nobody told.
///
/// - Lengths in metres, illuminance in lux, differences in stops. Bodies are boxes; light is direct light with shadows, plus an even share
///   of what a room gives back.
/// - What a proof says and what the simulated camera sees are compared in the tests, and in `docs/measurements.md`.
@NullMarked
package org.scenothesis.core.stage.proof;

import org.jspecify.annotations.NullMarked;
