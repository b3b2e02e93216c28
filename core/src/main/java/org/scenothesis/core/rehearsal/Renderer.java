package org.scenothesis.core.rehearsal;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.function.DoubleFunction;
import org.scenothesis.core.optics.Vec;
import org.scenothesis.core.picture.Bands;
import org.scenothesis.core.picture.Picture;
import org.scenothesis.core.picture.Plane;
import org.scenothesis.core.rehearsal.trace.Bvh;
import org.scenothesis.core.rehearsal.trace.Emitter;
import org.scenothesis.core.rehearsal.trace.Rgb;
import org.scenothesis.core.rehearsal.trace.Sampler;
import org.scenothesis.core.rehearsal.trace.Tracer;

/// Renders a set, and then cheaply what changes in it under a locked camera.
///
/// Every pixel of a moving frame is the well-sampled still pixel plus the difference that the moving things make, both sides of the
/// difference followed with the same random numbers (a control variate), so untouched pixels repeat the still to the bit.
public final class Renderer {
    private static final int SLICES = 4;
    private static final int PROBES = 2;
    // Red, green, blue, coverage, depth, luminance squared.
    private static final int SUMS = 6;
    /// How far around a followed pixel that is only shaded its shade is taken from.
    private static final int AROUND = 2;
    private static final double OPTICS_SIGMA_PX = 0.42;

    private final Scenery set;
    private final Rgb ambient;
    private final View view;
    private final Quality quality;
    private final Bands bands;
    private final Bvh still;

    /// Prepares what does not move.
    public Renderer(Scenery set, Rgb ambient, View view, Quality quality, Bands bands) {
        this.set = set;
        this.ambient = ambient;
        this.view = view;
        this.quality = quality;
        this.bands = bands;
        still = new Bvh(set.solids());
    }

    /// The set alone.
    public Rendered still() {
        Frame out = new Frame();
        Bvh none = new Bvh(List.of());
        int w = view.pose().width();
        bands.run(view.pose().height(), (from, to, band) -> {
            Tracer tracer = new Tracer(still, none, set.lamps(), ambient);
            Camera camera = new Camera(view);
            for (int i = from * w; i < to * w; i++) {
                double[] sum = new double[SUMS];
                for (int s = 0; s < quality.stillSamples(); s++) {
                    follow(camera, tracer, i, s, sum);
                }
                out.set(i, sum, quality.stillSamples());
            }
        });
        return out.rendered();
    }

    /// The set with `moving(t)` on it at time `seconds`, the shutter open for the set share of a frame of `1/rate`.
    public Rendered moving(Rendered base, DoubleFunction<Scenery> moving, double seconds, double rate) {
        List<Slice> slices = new ArrayList<>();
        for (int k = 0; k < SLICES; k++) {
            Scenery more = moving.apply(seconds + (k + 0.5) / SLICES * quality.shutterShare() / rate);
            List<Emitter> lamps = new ArrayList<>(set.lamps());
            lamps.addAll(more.lamps());
            slices.add(new Slice(new Bvh(more.solids()), lamps, !more.lamps().isEmpty()));
        }
        boolean[] near = probe(slices);
        Frame out = new Frame();
        int w = view.pose().width();
        bands.run(view.pose().height(), (from, to, band) -> {
            Changed changed = new Changed(slices);
            for (int i = from * w; i < to * w; i++) {
                if (near[i]) {
                    changed.pixel(base, i, out);
                } else {
                    out.copy(base, i);
                }
            }
        });
        return out.rendered();
    }

    private record Slice(Bvh bvh, List<Emitter> lamps, boolean litBySelf) {}

    /// Marks pixels near one whose path meets a moving thing, from a coarse grid.
    private boolean[] probe(List<Slice> slices) {
        int w = view.pose().width();
        int h = view.pose().height();
        boolean[] near = new boolean[w * h];
        if (slices.stream().anyMatch(Slice::litBySelf)) {
            Arrays.fill(near, true);
            return near;
        }
        boolean[] met = new boolean[w * h];
        bands.run(h, (from, to, band) -> {
            Camera camera = new Camera(view);
            Tracer tracer = new Tracer(still, slices.get(0).bvh, set.lamps(), ambient);
            Tracer late = new Tracer(still, slices.get(SLICES - 1).bvh, set.lamps(), ambient);
            for (int y = from; y < to; y += 2) {
                for (int x = 0; x < w; x += 2) {
                    int i = y * w + x;
                    for (int s = 0; s < PROBES && !met[i]; s++) {
                        follow(camera, s % 2 == 0 ? tracer : late, i, s, new double[SUMS]);
                        met[i] = tracer.touched || late.touched;
                        tracer.touched = false;
                        late.touched = false;
                    }
                }
            }
        });
        for (int y = 0; y < h; y += 2) {
            for (int x = 0; x < w; x += 2) {
                if (met[y * w + x]) {
                    spread(near, x, y);
                }
            }
        }
        return near;
    }

    private void spread(boolean[] near, int x, int y) {
        int w = view.pose().width();
        for (int v = Math.max(0, y - 3); v < Math.min(view.pose().height(), y + 4); v++) {
            Arrays.fill(near, v * w + Math.max(0, x - 3), v * w + Math.min(w, x + 4), true);
        }
    }

    /// Renders pixels that something moving may change; one per thread.
    private final class Changed {
        private final Camera camera = new Camera(view);
        private final Tracer bare;
        private final List<Tracer> tracers = new ArrayList<>();

        Changed(List<Slice> slices) {
            bare = new Tracer(still, new Bvh(List.of()), set.lamps(), ambient);
            for (Slice s : slices) {
                tracers.add(new Tracer(still, s.bvh, s.lamps, ambient));
            }
        }

        /// Whether any path of the first slices sees something moving there.
        private boolean seen(int i) {
            for (int s = 0; s < PROBES * SLICES; s++) {
                camera.aim(quality.seed(), i, s);
                if (tracers.get(s % SLICES).sees(camera.from, camera.towards)) {
                    return true;
                }
            }
            return false;
        }

        void pixel(Rendered base, int i, Frame out) {
            int w = view.pose().width();
            // Soft shadows are smooth: of every four pixels that are only shaded one is followed, and the others lie between.
            if ((i % w & 1) + (i / w & 1) > 0 && !seen(i)) {
                out.between(base, i);
                return;
            }
            double[] with = new double[SUMS];
            double[] without = new double[SUMS];
            int seen = 0;
            int n = quality.movingSamples();
            for (int s = 0; s < n; s++) {
                Tracer t = tracers.get(s % SLICES);
                double[] mine = new double[SUMS];
                follow(camera, t, i, s, mine);
                add(with, mine);
                if (t.owner > 0) {
                    seen++;
                }
                if (t.touched) {
                    if (seen == 0) {
                        follow(camera, bare, i, s, without);
                    }
                } else {
                    add(without, mine);
                }
                if (s == PROBES * SLICES - 1 && seen == 0) {
                    // Only shaded, not seen: the difference needs fewer paths than the thing itself.
                    out.differ(base, i, with, without, s + 1);
                    return;
                }
            }
            out.set(i, with, n);
        }
    }

    private static void add(double[] to, double[] more) {
        for (int k = 0; k < to.length; k++) {
            to[k] += more[k];
        }
    }

    private void follow(Camera camera, Tracer tracer, int pixel, int sample, double[] sum) {
        camera.aim(quality.seed(), pixel, sample);
        double[] c = tracer.radiance(camera.from, camera.towards, camera.sampler);
        sum[0] += Math.min(c[0], 12);
        sum[1] += Math.min(c[1], 12);
        sum[2] += Math.min(c[2], 12);
        sum[3] += tracer.owner > 0 ? 1 : 0;
        sum[4] += Math.min(tracer.distance, 1e4);
        double y = luma(Math.min(c[0], 12), Math.min(c[1], 12), Math.min(c[2], 12));
        sum[5] += y * y;
    }

    private static double luma(double r, double g, double b) {
        return 0.3 * r + 0.6 * g + 0.1 * b;
    }

    /// Rays through a lens: a soft pixel, a round aperture, a plane of focus.
    private static final class Camera {
        private final View view;
        private final Vec[] axes;
        private final Sampler sampler = new Sampler();
        private Vec from = Vec.ZERO;
        private Vec towards = Vec.ZERO;

        Camera(View view) {
            this.view = view;
            axes = view.pose().worldToCamera();
        }

        void aim(long seed, int pixel, int sample) {
            sampler.start(seed, pixel, sample);
            int w = view.pose().width();
            double r = OPTICS_SIGMA_PX * Math.sqrt(-2 * Math.log(1 - 0.9999 * sampler.next()));
            double phi = 2 * Math.PI * sampler.next();
            double x = (pixel % w + 0.5 + r * Math.cos(phi) - w / 2.0) / view.pose().focalPx();
            double y = (pixel / w + 0.5 + r * Math.sin(phi) - view.pose().height() / 2.0) / view.pose().focalPx();
            double rad = view.apertureRadiusM() * Math.sqrt(sampler.next());
            double turn = 2 * Math.PI * sampler.next();
            double lx = rad * Math.cos(turn);
            double ly = rad * Math.sin(turn);
            Vec d = axes[0].times(x).plus(axes[1].times(y)).plus(axes[2]);
            Vec lens = axes[0].times(lx).plus(axes[1].times(ly));
            from = view.pose().position().plus(lens);
            towards = d.times(view.focusM()).minus(lens).unit();
        }
    }

    private final class Frame {
        private final Picture light = Picture.of(view.pose().width(), view.pose().height());
        private final Plane coverage = Plane.of(view.pose().width(), view.pose().height());
        private final Plane variance = Plane.of(view.pose().width(), view.pose().height());
        private final boolean[] shaded = new boolean[view.pose().width() * view.pose().height()];
        private final boolean[] followed = new boolean[shaded.length];
        private final float[][] change = new float[3][shaded.length];
        private final Plane depth = Plane.of(view.pose().width(), view.pose().height());

        void set(int i, double[] sum, int n) {
            put(i, sum[0] / n, sum[1] / n, sum[2] / n);
            double mean = luma(sum[0] / n, sum[1] / n, sum[2] / n);
            variance.data()[i] = (float) (Math.max(0, sum[5] / n - mean * mean) / n);
            coverage.data()[i] = (float) (sum[3] / n);
            depth.data()[i] = (float) (sum[4] / n);
        }

        private void put(int i, double r, double g, double b) {
            light.r().data()[i] = (float) r;
            light.g().data()[i] = (float) g;
            light.b().data()[i] = (float) b;
        }

        void copy(Rendered base, int i) {
            put(i, base.light().r().data()[i], base.light().g().data()[i], base.light().b().data()[i]);
            coverage.data()[i] = base.coverage().data()[i];
            depth.data()[i] = base.depthM().data()[i];
        }

        /// Shaded as those around it.
        void between(Rendered base, int i) {
            copy(base, i);
            shaded[i] = true;
        }

        void differ(Rendered base, int i, double[] with, double[] without, int n) {
            copy(base, i);
            shaded[i] = true;
            followed[i] = true;
            for (int c = 0; c < 3; c++) {
                change[c][i] = (float) ((with[c] - without[c]) / n);
            }
        }

        /// Adds the changes of shaded pixels: few paths make them rough, and soft shadows are smooth, so the middle of those around each
        /// followed one is taken, and the mean of the nearest of these between them.
        private void shade() {
            int w = view.pose().width();
            float[][] smooth = new float[3][shaded.length];
            bands.run(view.pose().height(), (from, to, band) -> {
                float[] near = new float[(2 * AROUND + 1) * (2 * AROUND + 1)];
                for (int i = from * w; i < to * w; i++) {
                    for (int c = 0; followed[i] && c < 3; c++) {
                        smooth[c][i] = middle(change[c], i, near);
                    }
                }
            });
            bands.run(view.pose().height(), (from, to, band) -> {
                for (int i = from * w; i < to * w; i++) {
                    for (int c = 0; shaded[i] && c < 3; c++) {
                        float[] of = light.colours().get(c).data();
                        of[i] = Math.max(0, of[i] + (followed[i] ? smooth[c][i] : between(smooth[c], i)));
                    }
                }
            });
        }

        private float middle(float[] of, int i, float[] near) {
            int n = 0;
            int w = view.pose().width();
            int x = i % w;
            int y = i / w;
            for (int v = Math.max(0, y - AROUND); v <= Math.min(view.pose().height() - 1, y + AROUND); v++) {
                for (int u = Math.max(0, x - AROUND); u <= Math.min(w - 1, x + AROUND); u++) {
                    if (followed[v * w + u]) {
                        near[n++] = of[v * w + u];
                    }
                }
            }
            Arrays.sort(near, 0, n);
            // The mean of the middle third: steadier than the single middle value.
            int from = n / 3;
            int to = Math.max(from + 1, n - from);
            float sum = 0;
            for (int k = from; k < to; k++) {
                sum += near[k];
            }
            return sum / (to - from);
        }

        /// The mean of the followed pixels that touch this one; of those one farther where none does.
        private float between(float[] of, int i) {
            int w = view.pose().width();
            int x = i % w;
            int y = i / w;
            for (int far = 1; far <= AROUND; far++) {
                float sum = 0;
                int n = 0;
                for (int v = Math.max(0, y - far); v <= Math.min(view.pose().height() - 1, y + far); v++) {
                    for (int u = Math.max(0, x - far); u <= Math.min(w - 1, x + far); u++) {
                        if (followed[v * w + u]) {
                            sum += of[v * w + u];
                            n++;
                        }
                    }
                }
                if (n > 0) {
                    return sum / n;
                }
            }
            return 0;
        }

        Rendered rendered() {
            shade();
            return new Rendered(Denoise.of(light, variance, bands), coverage, depth, view);
        }
    }
}
