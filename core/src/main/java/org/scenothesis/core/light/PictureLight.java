package org.scenothesis.core.light;

import io.soabase.recordbuilder.core.RecordBuilder;
import java.util.List;
import org.jspecify.annotations.Nullable;
import org.scenothesis.core.optics.Vec;
import org.scenothesis.core.perspective.Estimate;

/// The light of a picture, as far as its marks say; what they do not say is null, and `refused` says why.
///
/// - `hasKey`: whether one light throws shadows. `azimuthDeg`: where it comes from, against where the camera looks: 0 straight ahead, 90
///   right, 180 from behind the camera; `elevationDeg` above the ground. `sizeDeg`: how wide the source is.
/// - `hinted`: no shadow was marked, and the direction is only read of how something round is shaded.
/// - `keyToFillStops`: on a surface that faces the key. `key`, `fill`: the colours of both, `neutral` of every neutral thing. `sources`:
///   all that throw a marked shadow, the strongest first. `rims`: of every lamp and window that is seen.
@RecordBuilder
public record PictureLight(
        boolean hasKey, boolean hinted, @Nullable Estimate azimuthDeg, @Nullable Estimate elevationDeg, @Nullable Estimate sizeDeg,
        @Nullable Estimate keyToFillStops, List<@Nullable Neutral> neutral, @Nullable Neutral key,
        @Nullable Neutral fill, List<Source> sources, List<Rim> rims, List<Refusal> refused) implements PictureLightBuilder.With {
    /// Nothing is known, and nothing was asked.
    public static final PictureLight UNKNOWN = new PictureLight(false, false, null, null, null, null, List.of(), null, null, List.of(),
            List.of(), List.of());

    /// How far its key is from another's, as an angle in degrees; NaN where one of them is not known.
    public double apartDeg(PictureLight o) {
        Vec a = towards();
        Vec b = o.towards();
        return a == null || b == null ? Double.NaN : Math.toDegrees(Math.acos(Math.clamp(a.dot(b), -1, 1)));
    }

    private @Nullable Vec towards() {
        Estimate side = azimuthDeg;
        Estimate up = elevationDeg;
        if (side == null || up == null) {
            return null;
        }
        double a = Math.toRadians(side.value());
        double e = Math.toRadians(up.value());
        return new Vec(Math.sin(a) * Math.cos(e), Math.sin(e), Math.cos(a) * Math.cos(e));
    }

    /// One source and its share of the light that throws shadows.
    public record Source(double azimuthDeg, double elevationDeg, double share) {}

    /// What a lamp or a window that is seen gives to the outline of whoever stands before it: from where, and in which colour; null where
    /// it is nothing but clipped.
    public record Rim(double azimuthDeg, double elevationDeg, @Nullable Neutral colour) {}

    /// What is not known and why, in codes.
    public record Refusal(String what, String why) {}
}
