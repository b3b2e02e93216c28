package org.scenothesis.core.breakdown.method;

import java.util.List;

/// How one thing of a shot is separated, settled over all illusions that happen to it.
///
/// - `key`: the thing's name in keys; `illusions`: ids of those that happen to it. `cloth`: the screen, [Screen#NONE] where the way needs
///   none. `lock`, `light`: groups its plates belong to.
/// - `disagree`: the illusions' ways have nothing in common, so the hardest demand was followed.
public record Treatment(String thing, String key, List<String> illusions, Way way, Screen cloth, String lock, String light, Because because,
        List<Method> methods, boolean disagree, boolean overridden) {
    public Treatment {
        illusions = List.copyOf(illusions);
        methods = List.copyOf(methods);
    }
}
