package org.scenothesis.core.shot.step;

import java.util.Map;
import org.scenothesis.core.value.Animated;

/// A step whose plain numbers can have keys: `keyed` has those that do, by the codes of their [Parameter]s. Of the others the record's own
/// number holds for all time.
public interface Keyable {
    /// The numbers that have keys, by their codes.
    Map<String, Animated<Double>> keyed();

    /// The same with other keys.
    Step withKeyed(Map<String, Animated<Double>> keyed);
}
