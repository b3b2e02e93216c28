package org.scenothesis.core.shot.step;

import io.soabase.recordbuilder.core.RecordBuilder;
import java.util.List;
import java.util.Map;
import org.scenothesis.core.Check;
import org.scenothesis.core.picture.PlanarMap;
import org.scenothesis.core.value.Animated;

/// Mirrors the layer left and right about an upright line at `about`, in shares of the picture's width.
@RecordBuilder
public record Flip(double about, Map<String, Animated<Double>> keyed) implements Step, Keyable, FlipBuilder.With {
    /// Its numbers, in the order they are shown.
    public static final List<Parameter<Flip>> PARAMETERS = List.of(
            new Parameter<>(Flip.class, "flip-about", "%", new Parameter.Span(-2000, 2000, 0.5, 1), (f, t) -> 100 * f.about(), (f, t, v) ->
            f.withAbout(v / 100)));

    public static final Flip ABOUT_THE_MIDDLE = new Flip(0.5);

    /// @throws IllegalArgumentException if `about` lies more than 20 pictures away
    public Flip {
        keyed = Parameter.checked(PARAMETERS, keyed);
        Check.range("about", about, -20, 20);
    }

    /// Without keys by code.
    public Flip(double about) {
        this(about, Map.of());
    }

    @Override
    public Flip withKeyed(Map<String, Animated<Double>> other) {
        return new Flip(about, other);
    }

    /// Where each point goes in a picture so many pixels wide.
    public PlanarMap motion(int width) {
        return new PlanarMap(-1, 0, 2 * about * width, 0, 1, 0, 0, 0, 1);
    }
}
