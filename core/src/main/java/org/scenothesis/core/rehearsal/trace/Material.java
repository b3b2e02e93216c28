package org.scenothesis.core.rehearsal.trace;

/// What a surface does with light.
///
/// - `albedo` (and `second`, for patterns) in [0, 1]; `emission` radiance; `gloss` share mirrored head-on; `roughness` 0 mirror to 1 dull.
public record Material(Rgb albedo, Rgb second, Pattern pattern, double scale, Rgb emission, double gloss, double roughness) {
    /// One colour that scatters light evenly.
    public static Material matte(Rgb albedo) {
        return new Material(albedo, albedo, Pattern.PLAIN, 1, Rgb.BLACK, 0, 1);
    }

    /// Two colours in a pattern whose repeat is `scale`.
    public static Material patterned(Pattern pattern, double scale, Rgb albedo, Rgb second) {
        return new Material(albedo, second, pattern, scale, Rgb.BLACK, 0, 1);
    }

    /// The same with a share of mirrored light, spread by `roughness`.
    public Material glossy(double gloss, double roughness) {
        return new Material(albedo, second, pattern, scale, emission, gloss, roughness);
    }

    /// The same giving light of its own.
    public Material glowing(Rgb emission) {
        return new Material(albedo, second, pattern, scale, emission, gloss, roughness);
    }
}
