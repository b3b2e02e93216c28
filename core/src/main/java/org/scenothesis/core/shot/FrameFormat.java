package org.scenothesis.core.shot;

import org.scenothesis.core.Check;

/// The size of a shot's pictures in pixels, and how many there are in a second.
public record FrameFormat(int width, int height, double rate) {
    /// The longest side a picture may have.
    public static final int LONGEST_PX = 16_384;

    /// @throws IllegalArgumentException if a side is outside 16 to 16 384 pixels, or the rate outside 1 to 240 a second
    public FrameFormat {
        Check.range("width", width, 16, LONGEST_PX);
        Check.range("height", height, 16, LONGEST_PX);
        Check.range("rate", rate, 1, 240);
    }
}
