package org.scenothesis.core.picture;

/// The curves between code values in [0, 1] and scene-linear light.
///
/// - Source: IEC 61966-2-1 (sRGB), ITU-R BT.709-6 (inverse of the camera curve), SMPTE ST 2084 is not handled.
/// - Exact piecewise curves, never a plain power.
public enum Transfer {
    SRGB,
    BT709,
    LINEAR;

    /// Code value to linear light; values below 0 are mirrored, values above 1 continue the curve.
    public double toLinear(double code) {
        if (code < 0) {
            return -toLinear(-code);
        }
        return switch (this) {
            case SRGB -> code <= 0.04045 ? code / 12.92 : Math.pow((code + 0.055) / 1.055, 2.4);
            case BT709 -> code < 0.081 ? code / 4.5 : Math.pow((code + 0.099) / 1.099, 1 / 0.45);
            case LINEAR -> code;
        };
    }

    /// Linear light to code value, inverse of [#toLinear].
    public double toCode(double linear) {
        if (linear < 0) {
            return -toCode(-linear);
        }
        return switch (this) {
            case SRGB -> linear <= 0.0031308 ? linear * 12.92 : 1.055 * Math.pow(linear, 1 / 2.4) - 0.055;
            case BT709 -> linear < 0.018 ? linear * 4.5 : 1.099 * Math.pow(linear, 0.45) - 0.099;
            case LINEAR -> linear;
        };
    }

    /// Linear value of every 16-bit code, index 65535 being code 1.
    public float[] table16() {
        float[] t = new float[65536];
        for (int i = 0; i < t.length; i++) {
            t[i] = (float) toLinear(i / 65535.0);
        }
        return t;
    }
}
