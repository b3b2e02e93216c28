package org.scenothesis.core.shot;

/// The tape mark a plate owns: a colour and a shape that carry it everywhere.
public enum Spike {
    T("M0 0H16V6H11V16H5V6H0Z"),
    L("M0 0H6V10H16V16H0Z"),
    X("M4 0 8 4 12 0 16 4 12 8 16 12 12 16 8 12 4 16 0 12 4 8 0 4Z"),
    BARS("M1 0H6V16H1Z M10 0H15V16H10Z"),
    BOX("M0 0H16V16H0Z M5 5V11H11V5Z"),
    CHEVRON("M0 10 8 2 16 10V16L8 8 0 16Z"),
    CORNER("M0 0H16V16H10V6H0Z"),
    CROSSBAR("M5 0H11V5H16V11H11V16H5V11H0V5H5Z");

    private final String path;

    Spike(String path) {
        this.path = path;
    }

    /// Its outline in a square of 16 by 16, as an SVG path.
    public String path() {
        return path;
    }

    /// The colour of the i-th mark; they begin again when all are used.
    public static Spike number(int i) {
        return values()[Math.floorMod(i, values().length)];
    }
}
