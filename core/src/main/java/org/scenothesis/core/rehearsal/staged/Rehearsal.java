package org.scenothesis.core.rehearsal.staged;

import java.util.List;
import org.scenothesis.core.optics.Vec;
import org.scenothesis.core.picture.Bands;
import org.scenothesis.core.picture.Picture;
import org.scenothesis.core.rehearsal.Scenery;
import org.scenothesis.core.rehearsal.View;
import org.scenothesis.core.rehearsal.trace.Bvh;
import org.scenothesis.core.rehearsal.trace.Rgb;
import org.scenothesis.core.rehearsal.trace.Sampler;
import org.scenothesis.core.rehearsal.trace.Tracer;

/// A moment of a staged set, refined pass by pass: one path a pixel in the first, as many again in every further one. Not for threads;
/// passes use them.
public final class Rehearsal {
    private final Scenery all;
    private final Rgb ambient;
    private final View view;
    private final Bvh solids;
    private final Bvh none = new Bvh(List.of());
    private final double[] sums;
    private int passes;

    /// Of a set at a time, in seconds.
    public Rehearsal(SetScenery set, double seconds) {
        this(set, seconds, set.camera());
    }

    /// The same seen by another camera.
    public Rehearsal(SetScenery set, double seconds, View camera) {
        all = set.still().with(set.bodies(seconds));
        ambient = set.ambient();
        view = camera;
        solids = new Bvh(all.solids());
        sums = new double[3 * view.pose().width() * view.pose().height()];
    }

    /// How many paths each pixel has.
    public int passes() {
        return passes;
    }

    /// One path more for every pixel.
    public void refine(Bands bands) {
        int w = view.pose().width();
        Vec[] axes = view.pose().worldToCamera();
        int pass = passes;
        bands.run(view.pose().height(), (from, to, band) -> {
            Tracer tracer = new Tracer(solids, none, all.lamps(), ambient);
            Sampler sampler = new Sampler();
            for (int i = from * w; i < to * w; i++) {
                sampler.start(1, i, pass);
                double x = (i % w + sampler.next() - view.pose().principal().x()) / view.pose().focalPx();
                double y = (i / w + sampler.next() - view.pose().principal().y()) / view.pose().focalPx();
                double r = view.apertureRadiusM() * Math.sqrt(sampler.next());
                double turn = 2 * Math.PI * sampler.next();
                Vec lens = axes[0].times(r * Math.cos(turn)).plus(axes[1].times(r * Math.sin(turn)));
                Vec d = axes[0].times(x).plus(axes[1].times(y)).plus(axes[2]).times(view.focusM()).minus(lens).unit();
                double[] c = tracer.radiance(view.pose().position().plus(lens), d, sampler);
                for (int k = 0; k < 3; k++) {
                    sums[3 * i + k] += c[k];
                }
            }
        });
        passes++;
    }

    /// The picture so far, scene-linear.
    public Picture picture() {
        int w = view.pose().width();
        Picture out = Picture.of(w, view.pose().height());
        double n = Math.max(1, passes);
        for (int i = 0; i < w * view.pose().height(); i++) {
            out.r().data()[i] = (float) (sums[3 * i] / n);
            out.g().data()[i] = (float) (sums[3 * i + 1] / n);
            out.b().data()[i] = (float) (sums[3 * i + 2] / n);
        }
        return out;
    }
}
