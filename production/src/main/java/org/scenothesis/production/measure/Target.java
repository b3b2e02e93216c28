package org.scenothesis.production.measure;

import java.util.Collections;
import java.util.List;
import org.jspecify.annotations.Nullable;
import org.scenothesis.core.finding.Subject;
import org.scenothesis.core.shot.Plate;
import org.scenothesis.core.shot.Shot;
import org.scenothesis.core.shot.Take;

/// Something of a shot that a meter can measure.
///
/// - `footage`: the takes whose content the reading follows from, in an order of the meter's own. `settings`: plain data it follows from
///   beside them.
/// - `against`: what it is compared with, as a code; empty for nothing.
record Target(Shot shot, Plate plate, Take take, Subject subject, List<Take> footage, List<@Nullable Object> settings, String against) {
    Target {
        footage = List.copyOf(footage);
        settings = Collections.unmodifiableList(settings);
    }
}
