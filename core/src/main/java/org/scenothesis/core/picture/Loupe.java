package org.scenothesis.core.picture;

import org.scenothesis.core.Check;

/// A part of a picture as it is looked at: `factor` screen pixels a pixel, about a place in shares of the picture; a factor of 0 fits all
/// of it.
public record Loupe(double factor, Point at) {
    public static final Loupe ALL = new Loupe(0, new Point(0.5, 0.5));
    private static final double[] FACTORS = {0.5, 1, 2, 4, 8};

    public Loupe {
        Check.range("factor", factor, 0, 64);
    }

    /// Whether all of a picture is seen.
    public boolean all() {
        return factor == 0;
    }

    /// The next factor, larger or smaller; below the smallest all fits.
    public Loupe step(boolean larger) {
        int i = 0;
        while (i < FACTORS.length && FACTORS[i] < factor) {
            i++;
        }
        if (larger) {
            int next = all() ? 1 : Math.min(i + 1, FACTORS.length - 1);
            return new Loupe(FACTORS[next], at);
        }
        return all() || i == 0 ? ALL : new Loupe(FACTORS[i - 1], at);
    }

    /// The same about another place, within the picture.
    public Loupe moved(double x, double y) {
        return new Loupe(factor, new Point(Math.clamp(at.x() + x, 0.0, 1.0), Math.clamp(at.y() + y, 0.0, 1.0)));
    }

    /// What is seen of a picture in a room of so many pixels; each pixel stays a square of its own where it is enlarged.
    public Picture of(Picture p, int maxWidth, int maxHeight, Bands bands) {
        if (all()) {
            return p;
        }
        Picture from = factor < 1 ? Resample.scale(p.withAlpha(null), (int) Math.ceil(p.width() * factor),
                (int) Math.ceil(p.height() * factor), bands) : p;
        double k = Math.max(1, factor);
        Window seen = window(p.width(), p.height(), maxWidth, maxHeight);
        int w = seen.width;
        int h = seen.height;
        double left = seen.left;
        double top = seen.top;
        Picture out = Picture.of(w, h);
        bands.run(h, (first, last, band) -> {
            for (int y = first; y < last; y++) {
                int sy = Math.min(from.height() - 1, (int) ((top + y) / k));
                for (int x = 0; x < w; x++) {
                    int s = sy * from.width() + Math.min(from.width() - 1, (int) ((left + x) / k));
                    for (int c = 0; c < 3; c++) {
                        out.colours().get(c).data()[y * w + x] = from.colours().get(c).data()[s];
                    }
                }
            }
        });
        return out;
    }

    /// What is seen, in pixels of the screen: of the whole picture enlarged, from `left` and `top`.
    private record Window(int width, int height, double left, double top, double across, double down) {}

    private Window window(int width, int height, int maxWidth, int maxHeight) {
        double across = factor < 1 ? Math.ceil(width * factor) : width * factor;
        double down = factor < 1 ? Math.ceil(height * factor) : height * factor;
        int w = (int) Math.min(maxWidth, across);
        int h = (int) Math.min(maxHeight, down);
        return new Window(w, h, Math.clamp(at.x() * across - w / 2.0, 0.0, Math.max(0, across - w)),
                Math.clamp(at.y() * down - h / 2.0, 0.0, Math.max(0, down - h)), across, down);
    }

    /// The place in shares of the picture, `width` by `height` pixels large, that is seen at a place in shares of what is shown.
    public Point seenAt(Point shown, int width, int height, int maxWidth, int maxHeight) {
        if (all()) {
            return shown;
        }
        Window s = window(width, height, maxWidth, maxHeight);
        return new Point((s.left + shown.x() * s.width) / s.across, (s.top + shown.y() * s.height) / s.down);
    }

    /// The same of a plane.
    public Plane of(Plane p, int maxWidth, int maxHeight, Bands bands) {
        return all() ? p : of(new Picture(p, p, p, null), maxWidth, maxHeight, bands).g();
    }

    /// "fit", "200 %".
    public String words() {
        return all() ? "fit" : Math.round(factor * 100) + " %";
    }
}
