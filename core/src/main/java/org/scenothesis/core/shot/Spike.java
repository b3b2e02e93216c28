package org.scenothesis.core.shot;

/// The tape mark a plate owns: a colour and a shape that carry it everywhere.
public enum Spike {
    T,
    L,
    X,
    BARS,
    BOX,
    CHEVRON,
    CORNER,
    CROSSBAR;

    public static Spike number(int i) {
        return values()[Math.floorMod(i, values().length)];
    }
}
