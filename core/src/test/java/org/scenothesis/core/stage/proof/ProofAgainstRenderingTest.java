package org.scenothesis.core.stage.proof;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import org.junit.jupiter.api.Test;
import org.scenothesis.core.finding.HouseRules;
import org.scenothesis.core.optics.CameraPose;
import org.scenothesis.core.optics.Vec;
import org.scenothesis.core.picture.Point;
import org.scenothesis.core.stage.Surroundings;
import org.scenothesis.core.stage.piece.Backdrop;
import org.scenothesis.core.stage.piece.Lamp;
import org.scenothesis.core.stage.piece.LampKind;
import org.scenothesis.core.stage.piece.Piece;
import org.scenothesis.core.stage.piece.Spot;
import org.scenothesis.core.stage.piece.Wall;
import org.scenothesis.core.value.Given;

/// What is worked out of a set against what the path tracer sees of it, over sets made by chance.
class ProofAgainstRenderingTest {
    private static final int SETS = 48;
    private static final int PATHS = 500;

    /// One set's prediction and truth.
    private record Agreement(long seed, double predicted, double seen) {}

    private static List<Point> grid(SetView v, double step) {
        List<Point> out = new ArrayList<>();
        for (double y = step / 2; y < v.heightPx(); y += step) {
            for (double x = step / 2; x < v.widthPx(); x += step) {
                out.add(new Point(x, y));
            }
        }
        return out;
    }

    @Test
    void theClothRoundTheMovementIsWhatIsSeenOfIt() throws Exception {
        List<Agreement> all = new ArrayList<>();
        for (long seed = 1; all.size() < SETS && seed < 400; seed++) {
            SetView v = new RandomSet(seed).view();
            SetView.Pair pair = v.pairs().getFirst();
            double predicted = new Coverage(v, pair).least();
            double step = 10;
            double[] least = {Double.MAX_VALUE};
            boolean[] edge = {false};
            RenderedTruth truth = new RenderedTruth(v);
            List<Point> on = new ArrayList<>();
            for (double t : new double[] {0, 0.5, 1, 1.5, 2}) {
                truth.look(t, grid(v, step), (p, owner, distance) -> {
                    if (owner == 1) {
                        on.add(p);
                        edge[0] |= p.x() < 2 * step || p.y() < 2 * step || p.x() > v.widthPx() - 2 * step || p.y() > v.heightPx()
                                - 2 * step;
                    }
                });
            }
            if (edge[0] || on.isEmpty()) {
                continue;
            }
            Sheet s = pair.sheet();
            truth.look(null, on, (p, owner, distance) -> {
                Vec at = v.eye().plus(v.pose().ray(p).times(distance));
                double before = at.minus(s.left()).dot(s.ahead());
                double up = at.y() > 0.01 ? at.y() : -before;
                boolean hit = Math.abs(before) < 0.01 || at.y() < 0.01;
                least[0] = Math.min(least[0], hit ? s.inside(new Point(at.minus(s.left()).dot(s.right()), up)) : -0.01);
            });
            all.add(new Agreement(seed, predicted, least[0]));
            // A step of the grid, as large as it is on the cloth: what is seen can only miss the outermost.
            double grain = 2 * step * (at(v, s) / v.pose().focalPx()) * 1.6;
            if (predicted >= 0 && least[0] >= 0) {
                assertThat(least[0] - predicted).as("set %d: %.3f m worked out, %.3f m seen", seed, predicted, least[0])
                        .isBetween(-0.01, grain);
            } else if (Math.abs(predicted) > grain) {
                assertThat(predicted < 0).as("set %d: %.3f m worked out, %.3f m seen", seed, predicted, least[0]).isEqualTo(least[0] < 0);
            }
        }
        assertThat(all.size()).isEqualTo(SETS);
        plot("cloth-room", "cloth round the movement, m", all, 0.5);
    }

    private static double at(SetView v, Sheet s) {
        return s.world(new Point(s.wideM() / 2, 0)).minus(v.eye()).length();
    }

    @Test
    void theLightOnTheClothAndTheShadowsOnItAreWhatIsRendered() throws Exception {
        List<Agreement> even = new ArrayList<>();
        List<Agreement> shade = new ArrayList<>();
        List<Agreement> outline = new ArrayList<>();
        double albedo = Backdrop.Dye.GREEN.albedo()[1];
        for (long seed = 1; even.size() < SETS && seed < 400; seed++) {
            SetView v = new RandomSet(seed).view();
            SetView.Pair pair = v.pairs().getFirst();
            LightField light = new LightField(v.lamps(), v.stage().floor().around().value());
            ClothMap map = ClothMap.of(v, pair, light);
            RenderedTruth truth = new RenderedTruth(v);
            CameraPose pose = v.pose();
            List<Block> still = v.stillBlocks(pair.sheet().piece());
            List<double[]> lit = new ArrayList<>();
            double worst = 0;
            double darkest = 0;
            int alike = 0;
            int i = 0;
            for (ClothMap.Cell c : map.cells()) {
                Vec at = pair.sheet().world(c.at());
                if (i++ % 4 != 0 || SetView.box(pair.body(), 0).cuts(v.eye(), at)) {
                    continue;
                }
                Point p = pose.project(at);
                double bare = truth.lux(null, p, PATHS, albedo);
                lit.add(new double[] {c.litLux(), bare});
                List<Block> with = new ArrayList<>(still);
                with.add(SetView.box(pair.body(), 0));
                // Of deep shadows nothing counts but that no light is left: shares, not stops.
                double dark = 1 - light.at(at, pair.sheet().normal(c.at()), with) / c.litLux();
                double seen = 1 - truth.lux(0.0, p, PATHS, albedo) / bare;
                alike += dark > 0.15 == seen > 0.15 || Math.abs(dark - seen) < 0.06 ? 1 : 0;
                if (dark > darkest) {
                    darkest = dark;
                    worst = seen;
                }
            }
            if (lit.size() < 6) {
                continue;
            }
            even.add(new Agreement(seed, spread(lit, 0), spread(lit, 1)));
            shade.add(new Agreement(seed, darkest, worst));
            outline.add(new Agreement(seed, 1, alike / (double) lit.size()));
        }
        plot("cloth-even", "evenness, stops", even, 2.5);
        plot("cloth-shadow", "light taken by the darkest shadow", shade, 1);
        System.out.printf(Locale.ENGLISH, "shadow outline: %.4f of the points alike, %.4f in the worst set%n", outline.stream()
                .mapToDouble(Agreement::seen).average().orElseThrow(), outline.stream().mapToDouble(Agreement::seen).min().orElseThrow());
        assertThat(even.size()).isEqualTo(SETS);
        assertThat(rms(even)).as("evenness").isLessThan(0.12);
        assertThat(rms(shade)).as("shadow").isLessThan(0.05);
        assertThat(outline.stream().mapToDouble(Agreement::seen).average().orElseThrow()).as("outline of shadows").isGreaterThan(0.96);
    }

    @Test
    void aBodyIsSeenWhereItIsWorkedOutToBe() throws Exception {
        List<Agreement> all = new ArrayList<>();
        for (long seed = 1; all.size() < SETS && seed < 400; seed++) {
            SetView v = new RandomSet(seed).view();
            double[] seen = {Double.MAX_VALUE, -Double.MAX_VALUE};
            new RenderedTruth(v).look(0.0, grid(v, 5), (p, owner, distance) -> {
                if (owner == 1) {
                    seen[0] = Math.min(seen[0], p.x());
                    seen[1] = Math.max(seen[1], p.x());
                }
            });
            Polygon outline = v.outline(SetView.box(v.bodies().getFirst(), 0).corners());
            if (outline.empty() || seen[1] < 0 || seen[0] < 10 || seen[1] > v.widthPx() - 10) {
                continue;
            }
            all.add(new Agreement(seed, degrees(v, outline.lowX(), outline.highX()), degrees(v, seen[0] - 2.5, seen[1] + 2.5)));
        }
        plot("view-angle", "angle under which a body is seen, degrees", all, 30);
        assertThat(all.size()).isEqualTo(SETS);
        assertThat(all).allSatisfy(a -> assertThat(a.predicted).isCloseTo(a.seen, within(0.4)));
    }

    private static double degrees(SetView v, double from, double to) {
        CameraPose pose = v.pose();
        double half = v.widthPx() / 2.0;
        return Math.toDegrees(Math.atan((to - half) / pose.focalPx()) - Math.atan((from - half) / pose.focalPx()));
    }

    @Test
    void anEdgeOutOfFocusIsAsWideAsWorkedOut() throws Exception {
        List<Agreement> all = new ArrayList<>();
        for (long seed = 1; seed <= SETS; seed++) {
            RandomSet r = new RandomSet(seed);
            double depth = r.in(1.5, 6);
            double focus = r.in(1, 4);
            Piece board = RandomSet.piece("board", new Spot(50, depth, 0), new Wall(RandomSet.told(100), RandomSet.told(20),
                    RandomSet.told(0.9)));
            Piece lamp = RandomSet.piece("sky", new Spot(0, 0, 0), Lamp.usual(LampKind.SKY, RandomSet.told(5), Given.entered(Vec.ZERO))
                    .withOutput(RandomSet.told(Math.PI)));
            SetView v = new SetView(RandomSet.stage(new Vec(0, 5, 0), 0, 0, r.in(25, 60),
                    new Surroundings.Room(-200, 200, -5, 60, 30, 0.01), List.of(board, lamp), r.in(1.4, 4), focus), "", 1600, 900);
            double predicted = LensProof.blurPx(new Question(v, HouseRules.DEFAULT, null, null), depth);
            if (predicted < 4) {
                continue;
            }
            all.add(new Agreement(seed, predicted, new RenderedTruth(v).edgePx(predicted)));
        }
        plot("blur", "blur of an edge, px", all, 60);
        assertThat(all.size()).isGreaterThan(30);
        assertThat(all).allSatisfy(a -> assertThat(a.seen / a.predicted).isCloseTo(1, within(0.06)));
    }

    private static double rms(List<Agreement> all) {
        return Math.sqrt(all.stream().mapToDouble(a -> (a.predicted - a.seen) * (a.predicted - a.seen)).average().orElseThrow());
    }

    private static double stops(double a, double b) {
        return Math.log(a / b) / Math.log(2);
    }

    private static double spread(List<double[]> lit, int k) {
        return stops(lit.stream().mapToDouble(l -> l[k]).max().orElseThrow(), lit.stream().mapToDouble(l -> l[k]).min().orElseThrow());
    }

    /// Where a plot is wanted, every set is a dot: across what was worked out, up what was seen.
    private static void plot(String name, String title, List<Agreement> all, double most) throws Exception {
        String folder = System.getProperty("scenothesis.plots");
        double worst = all.stream().mapToDouble(a -> Math.abs(a.predicted - a.seen)).max().orElse(0);
        System.out.printf(Locale.ENGLISH, "%s: %d sets, %.4f rms, %.4f worst%n", name, all.size(), rms(all), worst);
        if (folder == null) {
            return;
        }
        StringBuilder b = new StringBuilder("<svg xmlns=\"http://www.w3.org/2000/svg\" width=\"360\" height=\"380\" "
                + "font-family=\"Barlow, sans-serif\" font-size=\"12\"><rect width=\"360\" height=\"380\" fill=\"#f1ede3\"/>");
        b.append("<path d=\"M40 20 V340 H360 M40 340 L360 20\" stroke=\"#5c5a54\" fill=\"none\"/>");
        for (Agreement a : all) {
            b.append(String.format(Locale.ENGLISH, "<circle cx=\"%.1f\" cy=\"%.1f\" r=\"3\" fill=\"#c8371f\" fill-opacity=\"0.7\"/>",
                    40 + 320 * Math.clamp(a.predicted / most, 0, 1), 340 - 320 * Math.clamp(a.seen / most, 0, 1)));
        }
        b.append(String.format(Locale.ENGLISH, "<text x=\"200\" y=\"368\" text-anchor=\"middle\">%s: worked out 0 to %.1f</text><text "
                + "x=\"16\" y=\"180\" transform=\"rotate(-90 16 180)\" text-anchor=\"middle\">seen by the path tracer</text></svg>", title,
                most));
        Files.writeString(Path.of(folder, name + ".svg"), b.toString());
    }
}
