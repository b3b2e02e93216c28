package org.scenothesis.core.light;

import java.util.List;
import org.jspecify.annotations.Nullable;
import org.scenothesis.core.perspective.Estimate;

/// The light of a picture, as far as its marks say; what they do not say is null, and `refused` says why.
///
/// - `hasKey`: whether one light throws shadows. `azimuthDeg`: where it comes from, against where the camera looks: 0 straight ahead, 90 right, 180 from behind the camera; `elevationDeg` above the ground. `sizeDeg`: how wide the source is.
/// - `keyToFillStops`: on a surface that faces the key. `key`, `fill`: the colours of both, `neutral` of every neutral thing. `sources`: all that throw a marked shadow, the strongest first.
public record PictureLight(
        boolean hasKey, @Nullable Estimate azimuthDeg, @Nullable Estimate elevationDeg, @Nullable Estimate sizeDeg, @Nullable Estimate keyToFillStops, List<@Nullable Neutral> neutral, @Nullable Neutral key, @Nullable Neutral fill,
        List<Source> sources, List<Refusal> refused) {
    /// One source and its share of the light that throws shadows.
    public record Source(double azimuthDeg, double elevationDeg, double share) {}

    /// What is not known and why, in codes.
    public record Refusal(String what, String why) {}
}
