package org.scenothesis.core.stage;

import io.soabase.recordbuilder.core.RecordBuilder;

/// A camera and a light that stand for the plates of one or more shots: those share it, and what is changed in it is changed for all of
/// them.
///
/// - `id`: one of the production's; `name`: what the crew calls it.
@RecordBuilder
public record SetUp(String id, String name, Stage stage) implements SetUpBuilder.With {}
