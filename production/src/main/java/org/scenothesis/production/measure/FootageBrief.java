package org.scenothesis.production.measure;

import java.util.List;
import org.jspecify.annotations.Nullable;
import org.scenothesis.media.FootageInfo;

/// What is known of a take's footage without measuring; `problem` is empty, or the sentence that says why it cannot be used.
///
/// - `matrixAssumed`: the file names no colour matrix. `read`: how code values are read, in words. `equivalentMm`: the focal length the
///   file notes. `notes`: what was odd.
/// - `shortfall`: what it promises and does not hold.
/// - `standing`: what the file looked like from outside when it was opened, empty if it was not there.
public record FootageBrief(
        int frames, double seconds, int width, int height, double rate, boolean variable, boolean still, boolean alpha,
        boolean matrixAssumed, String read,
        @Nullable Double equivalentMm, FootageInfo.@Nullable Shortfall shortfall, List<String> notes, String standing, String problem) {
    public FootageBrief {
        notes = List.copyOf(notes);
    }

    static FootageBrief broken(String standing, String problem) {
        return new FootageBrief(0, 0, 0, 0, 0, false, false, false, false, "", null, null, List.of(), standing, problem);
    }

    public boolean usable() {
        return problem.isEmpty();
    }
}
