package org.scenothesis.core.stage;

/// A camera and a light that stand for the plates of one or more shots: those share it, and what is changed in it is changed for all of them.
///
/// - `id`: one of the production's; `name`: what the crew calls it.
public record SetUp(String id, String name, Stage stage) {
    public SetUp withStage(Stage other) {
        return new SetUp(id, name, other);
    }
}
