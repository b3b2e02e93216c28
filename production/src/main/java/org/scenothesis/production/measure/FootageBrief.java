package org.scenothesis.production.measure;

/// What is known of a take's footage without measuring; `problem` is empty, or the sentence that says why it cannot be used.
public record FootageBrief(int frames, double seconds, int width, int height, double rate, boolean still, String problem) {
    static FootageBrief broken(String problem) {
        return new FootageBrief(0, 0, 0, 0, 0, false, problem);
    }

    public boolean usable() {
        return problem.isEmpty();
    }
}
