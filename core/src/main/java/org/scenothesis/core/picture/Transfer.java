package org.scenothesis.core.picture;

/// The curves between code values in [0, 1] and linear light, 1 being diffuse white.
///
/// - Source: IEC 61966-2-1 (sRGB), ITU-R BT.709-6 (inverse of the camera curve), ITU-R BT.1886 (gamma 2.4), ITU-T H.273 (the 100:1
///   logarithm), ITU-R BT.2100 (PQ, HLG).
/// - PQ is read as the light of the display with diffuse white at 203 cd/m² (ITU-R BT.2408); HLG as the light of the scene with diffuse
///   white at code 0.75 (the same report).
/// - Exact piecewise curves, never a plain power.
public enum Transfer {
    SRGB,
    BT709,
    LINEAR,
    GAMMA24,
    LOG100,
    PQ,
    HLG;

    private static final double PQ_WHITE = 203.0 / 10_000;
    private static final double HLG_A = 0.17883277;
    private static final double HLG_B = 0.28466892;
    private static final double HLG_C = 0.55991073;
    /// Scene light of HLG code 0.75, of a peak of 1.
    private static final double HLG_WHITE = (Math.exp((0.75 - HLG_C) / HLG_A) + HLG_B) / 12;

    /// Code value to linear light; values below 0 are mirrored, values above 1 continue the curve.
    public double toLinear(double code) {
        if (code < 0) {
            return -toLinear(-code);
        }
        return switch (this) {
            case SRGB -> code <= 0.04045 ? code / 12.92 : Math.pow((code + 0.055) / 1.055, 2.4);
            case BT709 -> code < 0.081 ? code / 4.5 : Math.pow((code + 0.099) / 1.099, 1 / 0.45);
            case LINEAR -> code;
            case GAMMA24 -> Math.pow(code, 2.4);
            case LOG100 -> code <= 0 ? 0 : Math.pow(10, 2 * (code - 1));
            case PQ -> pq(Math.min(code, 1.5)) / PQ_WHITE;
            case HLG -> (code <= 0.5 ? code * code / 3 : (Math.exp((code - HLG_C) / HLG_A) + HLG_B) / 12) / HLG_WHITE;
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
            case GAMMA24 -> Math.pow(linear, 1 / 2.4);
            case LOG100 -> linear < 0.01 ? 0 : 1 + Math.log10(linear) / 2;
            case PQ -> ofPq(Math.min(1, linear * PQ_WHITE));
            case HLG -> {
                double e = linear * HLG_WHITE;
                yield e <= 1.0 / 12 ? Math.sqrt(3 * e) : HLG_A * Math.log(12 * e - HLG_B) + HLG_C;
            }
        };
    }

    private static double pq(double code) {
        double p = Math.pow(code, 32 / 2523.0);
        return Math.pow(Math.max(0, p - 0.8359375) / (18.8515625 - 18.6875 * p), 16384 / 2610.0);
    }

    private static double ofPq(double light) {
        double p = Math.pow(light, 2610 / 16384.0);
        return Math.pow((0.8359375 + 18.8515625 * p) / (1 + 18.6875 * p), 2523 / 32.0);
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
