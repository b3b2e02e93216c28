package org.scenothesis.core.breakdown.plate;

import java.util.Set;
import org.scenothesis.core.breakdown.method.Screen;

/// How the set stands while a plate is rolled; going from one state to another costs minutes.
///
/// - `camera`: the lock group, over all shots; `light`: the light in force; `clothes`: who wears what, empty for their own.
public record SetState(String camera, Screen screen, String light, String clothes, Set<Item> people, Set<Item> props, boolean card) {
    public static final SetState EMPTY = new SetState("", Screen.NONE, "", "", Set.of(), Set.of(), false);

    public SetState {
        people = Set.copyOf(people);
        props = Set.copyOf(props);
    }
}
