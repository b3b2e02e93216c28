package org.scenothesis.core.rehearsal.trace;

/// Procedural surfaces: how much of a material's second colour shows at a place, and how the surface is bent there.
public enum Pattern {
    PLAIN,
    PLASTER,
    PLANKS,
    TILES,
    BRICKS,
    WEAVE,
    RIBS,
    CLOTH,
    CHECKS;

    /// Share of the second colour, 0 to 1, at surface coordinates (u, v) in metres, or world `y` folded into v.
    double share(double u, double v, double scale) {
        double a = u / scale;
        double b = v / scale;
        return switch (this) {
            case PLAIN -> 0;
            case CLOTH -> 0.10 * Noise.fractal(a * 40, b * 40, 3);
            case PLASTER -> 0.55 * Noise.fractal(a * 3, b * 3, 5) + 0.25 * Noise.value(a * 60, b * 60);
            case PLANKS -> planks(a, b);
            case TILES -> tiles(a, b);
            case BRICKS -> bricks(a, b);
            case WEAVE -> 0.5 + 0.25 * Math.sin(a * 700) * Math.sin(b * 700) + 0.35 * (Noise.fractal(a * 9, b * 9, 3) - 0.5);
            case RIBS -> Math.pow(0.5 + 0.5 * Math.cos(2 * Math.PI * b), 12) * 0.55 + 0.18 * Noise.fractal(a * 14, b * 5, 3);
            case CHECKS -> (Math.floor(a) + Math.floor(b)) % 2 == 0 ? 0 : 1;
        };
    }

    private static double planks(double a, double b) {
        double row = Math.floor(b);
        double along = a * 0.35 + Noise.hash((int) row, 17) * 7;
        double gap = edge(b - row, 0.025) + edge(along - Math.floor(along), 0.004);
        double tone = Noise.hash((int) row, (int) Math.floor(along));
        double grain = Noise.fractal(a * 1.2 + tone * 50, b * 22, 4);
        return Math.clamp(Math.max(gap, 0.55 * grain + 0.35 * tone), 0, 1);
    }

    private static double tiles(double a, double b) {
        double gap = Math.max(edge(a - Math.floor(a), 0.02), edge(b - Math.floor(b), 0.02));
        double tone = Noise.hash((int) Math.floor(a), (int) Math.floor(b));
        return Math.clamp(Math.max(gap, 0.3 * tone + 0.25 * Noise.fractal(a * 6 + tone * 9, b * 6, 4)), 0, 1);
    }

    private static double bricks(double a, double b) {
        double row = Math.floor(b);
        double x = a * 0.5 + (((int) row) & 1) * 0.5;
        double gap = Math.max(edge(b - row, 0.06), edge(x - Math.floor(x), 0.03));
        double tone = Noise.hash((int) Math.floor(x), (int) row);
        return Math.clamp(Math.max(gap, 0.45 * tone + 0.3 * Noise.fractal(a * 7, b * 7, 4)), 0, 1);
    }

    private static double edge(double t, double width) {
        double d = Math.min(t, 1 - t);
        return d < width ? 1 : d < 2 * width ? 2 - d / width : 0;
    }
}
