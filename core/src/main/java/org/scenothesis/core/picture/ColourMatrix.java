package org.scenothesis.core.picture;

/// How luma and chroma were made of red, green and blue: the shares of red and blue in luma.
///
/// - Source: ITU-R BT.601, BT.709, BT.2020.
public enum ColourMatrix {
    BT601(0.299, 0.114),
    BT709(0.2126, 0.0722),
    BT2020(0.2627, 0.0593);

    private final double red;
    private final double blue;

    ColourMatrix(double red, double blue) {
        this.red = red;
        this.blue = blue;
    }

    /// Share of red in luma.
    public double red() {
        return red;
    }

    /// Share of blue in luma.
    public double blue() {
        return blue;
    }
}
