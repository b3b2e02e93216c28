package org.scenothesis.production.measure;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.function.ToDoubleFunction;
import org.jspecify.annotations.Nullable;
import org.scenothesis.core.key.Border;
import org.scenothesis.core.key.Evenness;
import org.scenothesis.core.key.Keyed;
import org.scenothesis.core.key.MatteMeasures;
import org.scenothesis.core.key.MatteMeter;
import org.scenothesis.core.key.ScreenModel;
import org.scenothesis.core.picture.Bands;
import org.scenothesis.core.picture.Morphology;
import org.scenothesis.core.picture.Plane;

/// What the keyed frames of a take measure, one after another, and where its element goes.
public final class KeyTally {
    private static final int MARGIN_PX = 12;

    private final ScreenModel model;
    private final int times;
    private final Bands bands;
    private final Plane swept;
    private final List<KeyReport.At> found = new ArrayList<>();

    /// - `times`: how many times smaller the frames are keyed than they were filmed.
    public KeyTally(ScreenModel model, int times, Bands bands) {
        this.model = model;
        this.times = times;
        this.bands = bands;
        swept = Plane.of(model.colour().width(), model.colour().height());
    }

    /// Measures one more; `before`: the matte of the frame before, for flicker; null for none.
    public void add(int frame, Keyed keyed, @Nullable Plane before) {
        for (int i = 0; i < swept.data().length; i++) {
            swept.data()[i] = Math.max(swept.data()[i], keyed.alpha().data()[i]);
        }
        found.add(new KeyReport.At(frame, MatteMeter.measure(keyed, model, before, bands).enlarged(times)));
    }

    /// What was found; `frames`: of the take. `ofCloth`: the outline round the cloth was the garbage matte. `every`: these were all.
    public KeyReport report(int frames, boolean ofCloth, boolean every) {
        double even = model.source() == ScreenModel.Source.WORN ? Double.NaN
                : Evenness.stops(model.colour(), model.hue(), Morphology.dilate(swept, MARGIN_PX, bands));
        return new KeyReport(frames, model.source(), Double.isNaN(even) ? null : even, worst(), found, times, ofCloth, every);
    }

    private MatteMeasures worst() {
        return new MatteMeasures(
                most(MatteMeasures::greyInside), most(MatteMeasures::greyOutside), most(MatteMeasures::seeThrough),
                most(MatteMeasures::edgePx), most(MatteMeasures::flicker), most(MatteMeasures::spillLeft), most(MatteMeasures::solid),
                found.stream().map(a -> a.measures().room()).filter(b -> b.px() >= 0).min(Comparator.comparingInt(Border::px))
                        .orElse(new Border(-1, Border.Side.NONE)), List.of());
    }

    private double most(ToDoubleFunction<MatteMeasures> of) {
        return found.stream().mapToDouble(a -> of.applyAsDouble(a.measures())).max().orElse(0);
    }
}
