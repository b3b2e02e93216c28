package org.scenothesis.studio.house;

/// What is played again and again: from one moment of the shot to another, in seconds; without marks all of it, once.
public record Loop(double from, double to) {
    public static final Loop NONE = new Loop(0, Double.MAX_VALUE);
    private static final double SAME_S = 1e-6;

    /// Whether there is any mark.
    public boolean marked() {
        return !equals(NONE);
    }

    /// Beginning at a moment; where it began there already, at the beginning again.
    Loop begun(double seconds) {
        double at = Math.abs(seconds - from) < SAME_S ? 0 : seconds;
        return new Loop(at, to > at + SAME_S ? to : Double.MAX_VALUE);
    }

    /// Ending at a moment; where it ended there already, at the end again.
    Loop ended(double seconds) {
        double at = Math.abs(seconds - to) < SAME_S ? Double.MAX_VALUE : seconds;
        return new Loop(from < at - SAME_S ? from : 0, at);
    }

    /// Whether a moment lies behind its end, or at the end of a shot of so many seconds.
    boolean over(double seconds, double shot) {
        return seconds >= Math.min(to, shot);
    }

    /// Where to go on from when play begins at a moment: there, or at its beginning if that lies outside.
    double start(double seconds, double shot, double frame) {
        return seconds < from - SAME_S || over(seconds + 1.5 * frame, shot) ? from : seconds;
    }
}
