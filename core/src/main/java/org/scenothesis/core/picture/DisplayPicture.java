package org.scenothesis.core.picture;

import java.nio.IntBuffer;

/// A picture ready for the screen: opaque ARGB code values at the size it will be shown.
public record DisplayPicture(int width, int height, int[] argb) {
    private static final CodeCurve CURVE = new CodeCurve();

    /// Scales a scene-linear picture to fit into `maxWidth × maxHeight` and encodes it for the screen.
    public static DisplayPicture of(Picture p, int maxWidth, int maxHeight, Bands bands) {
        int[] size = fit(p.width(), p.height(), maxWidth, maxHeight);
        return encode(Resample.scale(p.withAlpha(null), size[0], size[1], bands), bands);
    }

    /// Shows a plane as grey: 0 black, 1 white, no curve.
    public static DisplayPicture grey(Plane p, int maxWidth, int maxHeight, Bands bands) {
        int[] size = fit(p.width(), p.height(), maxWidth, maxHeight);
        Plane s = Resample.scale(p, size[0], size[1], bands);
        int[] out = new int[size[0] * size[1]];
        for (int i = 0; i < out.length; i++) {
            int v = (int) (Math.clamp(s.data()[i], 0f, 1f) * 255 + 0.5f);
            out[i] = 0xff000000 | v << 16 | v << 8 | v;
        }
        return new DisplayPicture(size[0], size[1], out);
    }

    private static int[] fit(int w, int h, int maxWidth, int maxHeight) {
        double k = Math.min(maxWidth / (double) w, maxHeight / (double) h);
        return new int[] {Math.max(1, (int) Math.round(w * k)), Math.max(1, (int) Math.round(h * k))};
    }

    private static DisplayPicture encode(Picture p, Bands bands) {
        int[] out = new int[p.width() * p.height()];
        float[] r = p.r().data();
        float[] g = p.g().data();
        float[] b = p.b().data();
        bands.run(p.height(), (from, to, band) -> {
            for (int i = from * p.width(); i < to * p.width(); i++) {
                out[i] = 0xff000000 | CURVE.code8(r[i]) << 16 | CURVE.code8(g[i]) << 8 | CURVE.code8(b[i]);
            }
        });
        return new DisplayPicture(p.width(), p.height(), out);
    }

    /// The pixels as the screen takes them, row by row, not copied.
    public IntBuffer buffer() {
        return IntBuffer.wrap(argb);
    }
}
