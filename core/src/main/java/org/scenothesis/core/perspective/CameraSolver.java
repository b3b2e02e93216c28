package org.scenothesis.core.perspective;

import java.util.ArrayList;
import java.util.List;
import org.jspecify.annotations.Nullable;
import org.scenothesis.core.perspective.Marks.Direction;

/// Finds the camera of a picture from its marks.
///
/// Sources: Caprile & Torre 1990, Hartley & Zisserman ch. 8 (vanishing points of square directions); here all marks are fitted at once over
/// focal length, tilt, roll, heading and lens height, and the deviations follow from the covariance. Where the lens looks and its bend are
/// asked only when the marks fit clearly better with them (Bayesian information criterion).
public final class CameraSolver {
    /// A focal length less sure than this is none.
    static final double FOCAL_SHARE = 0.06;
    static final double ANGLE_DEG = 3;
    static final double HEIGHT_SHARE = 0.15;
    /// What one more number has to explain, in squared deviations.
    private static final double PRICE = 14;
    private static final int FOR_BEND = 8;
    private static final double LARGEST_BEND = 0.4;
    private static final double SURE_BEND = 0.03;
    private static final double SURE_MIDDLE_SHARE = 0.04;
    /// Lines closer than this to parallel in the picture meet nowhere that is known.
    private static final double PARALLEL_DEG = 1.5;

    private CameraSolver() {}

    /// What the marks say.
    public static PictureCamera solve(Marks m) {
        Fitting.Fit best = new Fitting(m, false, false).solve();
        int plain = best.freed();
        boolean middle = false;
        boolean bend = false;
        boolean three = m.principal() == null && List.of(Direction.values()).stream().allMatch(d -> m.along(d).size() >= 2);
        boolean many = m.lines().size() >= FOR_BEND;
        double least = best.chi2();
        for (int kind = 1; kind <= 3; kind++) {
            boolean asksMiddle = (kind & 1) != 0;
            boolean asksBend = (kind & 2) != 0;
            if (asksMiddle && !three || asksBend && !many || best.residuals() == 0) {
                continue;
            }
            Fitting.Fit f = new Fitting(m, asksMiddle, asksBend).refined(best.theta());
            if (f != null && f.chi2() + PRICE * (f.freed() - plain) < least && believable(m, f, asksMiddle, asksBend)) {
                least = f.chi2() + PRICE * (f.freed() - plain);
                best = f;
                middle = asksMiddle;
                bend = asksBend;
            }
        }
        return read(m, best, middle, bend);
    }

    /// The same from numbers near the answer, as while a mark is dragged: quicker, with the same numbers asked as before.
    public static PictureCamera solve(Marks m, PictureCamera before) {
        Fitting.Fit f = new Fitting(m, before.principalFound(), before.bent()).refined(before.numbers().camera().theta());
        return f == null ? solve(m) : read(m, f, before.principalFound(), before.bent());
    }

    private static boolean believable(Marks m, Fitting.Fit f, boolean middle, boolean bend) {
        boolean bent = !bend || Math.abs(f.theta()[Pinhole.BEND]) < LARGEST_BEND && std(f, Pinhole.BEND) < SURE_BEND;
        double far = Math.max(std(f, Pinhole.CX), std(f, Pinhole.CY));
        return bent && (!middle || far < SURE_MIDDLE_SHARE * m.width() && Math.abs(f.theta()[Pinhole.CX] - m.width() / 2.0) < m.width()
                && Math.abs(f.theta()[Pinhole.CY] - m.height() / 2.0) < m.height());
    }

    private static double std(Fitting.Fit f, int k) {
        return Math.sqrt(Math.max(0, f.covariance()[k][k]));
    }

    private static @Nullable Estimate angle(Fitting.Fit f, int k) {
        double s = Math.toDegrees(std(f, k));
        return s <= ANGLE_DEG ? new Estimate(Math.toDegrees(f.theta()[k]), s) : null;
    }

    private static PictureCamera read(Marks m, Fitting.Fit f, boolean middle, boolean bend) {
        List<PictureCamera.Refusal> no = new ArrayList<>();
        boolean nothing = f.residuals() == 0;
        double value = Math.exp(f.theta()[Pinhole.FOCAL]);
        Estimate focal = nothing || std(f, Pinhole.FOCAL) > FOCAL_SHARE ? null : new Estimate(value, value * std(f, Pinhole.FOCAL));
        if (m.focalPx() != null) {
            focal = Estimate.exact(m.focalPx());
        } else if (focal == null) {
            no.add(new PictureCamera.Refusal("focal", nothing ? "nothing" : why(m)));
        }
        Estimate tilt = nothing ? null : angle(f, Pinhole.TILT);
        Estimate roll = nothing ? null : angle(f, Pinhole.ROLL);
        if (tilt == null) {
            no.add(new PictureCamera.Refusal("tilt", nothing ? "nothing" : level(m) == 0 && m.horizon() == null ? "no-level" : "unsure"));
        }
        if (roll == null) {
            no.add(new PictureCamera.Refusal("roll", nothing ? "nothing" : "unsure"));
        }
        Estimate heading = nothing || !m.level() ? null : angle(f, Pinhole.HEADING);
        double high = Math.exp(f.theta()[Pinhole.HEIGHT]);
        double off = std(f, Pinhole.HEIGHT);
        Estimate lens = null;
        if (m.lensHeightM() != null) {
            lens = Estimate.exact(m.lensHeightM());
        } else if (m.known().isEmpty()) {
            no.add(new PictureCamera.Refusal("lens-height", "no-length"));
        } else if (focal == null || tilt == null || off > HEIGHT_SHARE) {
            no.add(new PictureCamera.Refusal("lens-height", focal == null ? "no-focal" : "unsure"));
        } else {
            lens = new Estimate(high, high * off);
        }
        Pinhole c = new Pinhole(f.theta());
        int lines = 0;
        double sum = 0;
        for (Direction d : Direction.values()) {
            for (Marks.Line l : m.along(d)) {
                sum += c.off(l) * c.off(l);
                lines++;
            }
        }
        // A line leaves over what both its ends do together.
        return new PictureCamera(m, focal, tilt, roll, heading, lens, middle, bend, lines == 0 ? 0 : Math.sqrt(sum / lines / 2), lines, no,
                new PictureCamera.Numbers(c, f.covariance()));
    }

    /// How many level directions have two edges.
    private static int level(Marks m) {
        return (m.along(Direction.X).size() >= 2 ? 1 : 0) + (m.along(Direction.Z).size() >= 2 ? 1 : 0);
    }

    private static boolean parallel(Marks m, Direction d) {
        List<Marks.Line> all = m.along(d);
        double most = 0;
        for (Marks.Line a : all) {
            for (Marks.Line b : all) {
                double t = Math.abs(Math.toDegrees(Math.atan2(a.to().y() - a.from().y(), a.to().x() - a.from().x())
                        - Math.atan2(b.to().y() - b.from().y(), b.to().x() - b.from().x()))) % 180;
                // What a hand is off turns short edges more.
                most = Math.max(most, Math.min(t, 180 - t) - Math.toDegrees(3 * Fitting.HAND_PX * (1 / a.px() + 1 / b.px())));
            }
        }
        return most < PARALLEL_DEG;
    }

    /// Why the focal length is not known: what is missing is named by what helps most.
    private static String why(Marks m) {
        long meeting = List.of(Direction.values()).stream().filter(d -> m.along(d).size() >= 2 && !parallel(m, d)).count();
        if (level(m) == 0) {
            return m.along(Direction.Y).size() >= 2 ? "verticals-only" : "no-level";
        }
        if (meeting == 0) {
            return "near-parallel";
        }
        if (meeting == 1 && level(m) == 2) {
            return "one-point";
        }
        return meeting == 1 ? m.along(Direction.Y).size() >= 2 ? "level-verticals" : "one-vanishing-point" : "unsure";
    }
}
