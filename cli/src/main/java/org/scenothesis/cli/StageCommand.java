package org.scenothesis.cli;

import com.fasterxml.jackson.databind.node.ArrayNode;
import com.fasterxml.jackson.databind.node.ObjectNode;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.concurrent.Callable;
import org.jspecify.annotations.Nullable;
import org.scenothesis.core.breakdown.Breakdown;
import org.scenothesis.core.breakdown.FirstStage;
import org.scenothesis.core.breakdown.fact.Answers;
import org.scenothesis.core.breakdown.fact.Fact;
import org.scenothesis.core.breakdown.kit.OwnedKit;
import org.scenothesis.core.breakdown.plate.PlateNeed;
import org.scenothesis.core.breakdown.staging.Staged;
import org.scenothesis.core.breakdown.staging.Stagings;
import org.scenothesis.core.finding.HouseRules;
import org.scenothesis.core.finding.Judgement;
import org.scenothesis.core.picture.Bands;
import org.scenothesis.core.picture.Point;
import org.scenothesis.core.rehearsal.staged.Fault;
import org.scenothesis.core.rehearsal.staged.PredictionCheck;
import org.scenothesis.core.shot.FrameFormat;
import org.scenothesis.core.shot.Plate;
import org.scenothesis.core.shot.Shot;
import org.scenothesis.core.shot.Take;
import org.scenothesis.core.stage.Evidence;
import org.scenothesis.core.stage.HandCamera;
import org.scenothesis.core.stage.KeyLight;
import org.scenothesis.core.stage.Stage;
import org.scenothesis.core.stage.StageCamera;
import org.scenothesis.core.stage.Surface;
import org.scenothesis.core.stage.piece.Piece;
import org.scenothesis.core.stage.proof.Proved;
import org.scenothesis.core.stage.proof.SetView;
import org.scenothesis.core.stage.suggest.LampMatch;
import org.scenothesis.core.stage.suggest.Suggestion;
import org.scenothesis.core.value.Given;
import org.scenothesis.media.FootageException;
import org.scenothesis.production.kit.KitFile;
import org.scenothesis.production.match.LightTree;
import org.scenothesis.production.measure.FileLens;
import org.scenothesis.production.measure.Judge;
import org.scenothesis.production.measure.Measured;
import org.scenothesis.production.measure.Surveyor;
import org.scenothesis.production.render.ShotRenderer;
import org.scenothesis.production.stage.Rehearsing;
import org.scenothesis.production.stage.SetScene;
import org.scenothesis.production.stage.SetSheet;
import org.scenothesis.production.stage.StageTree;
import org.scenothesis.production.store.ProductionFolder;
import org.scenothesis.production.store.StoreException;
import org.scenothesis.production.words.PlanWords;
import org.scenothesis.production.words.StageWords;
import org.scenothesis.production.words.Words;
import picocli.CommandLine.Command;
import picocli.CommandLine.Mixin;
import picocli.CommandLine.Option;

@Command(name = "stage", description = "${bundle:stage-command.says-how-the-sets-of}", mixinStandardHelpOptions = true)
final class StageCommand implements Callable<Integer> {
    private static final double FULL_FRAME_MM = 36;
    private static final int LAMPS = 3;

    @Mixin
    OfShot of;

    @Option(names = "--lens-height", paramLabel = "M", description = "${bundle:stage-command.how-high-the-lens-stood}")
    @Nullable Double lens;

    @Option(names = "--view", paramLabel = "DEG", description = "${bundle:stage-command.the-angle-of-view-across}")
    @Nullable Double view;

    @Option(names = "--focal", paramLabel = "MM", description = "${bundle:stage-command.instead-of-the-view-the}")
    @Nullable Double focal;

    @Option(names = "--sensor", paramLabel = "MM", description = "${bundle:stage-command.width-of-the-sensor-that}")
    @Nullable Double sensor;

    @Option(names = "--as-noted", description = "${bundle:stage-command.instead-of-the-view-by}")
    boolean asNoted;

    @Option(names = "--horizon", paramLabel = "L[,R]", description = "${bundle:stage-command.where-the-horizon-crosses-the}")
    @Nullable String horizon;

    @Option(names = "--known", paramLabel = "M", description = "${bundle:stage-command.the-height-of-something-upright}")
    @Nullable Double known;

    @Option(names = "--foot", paramLabel = "X,Y", description = "${bundle:stage-command.where-it-stands-in-percent}")
    @Nullable String foot;

    @Option(names = "--top", paramLabel = "X,Y", description = "${bundle:stage-command.where-its-top-is}")
    @Nullable String top;

    @Option(names = "--key", paramLabel = "SIDE,HEIGHT", description = "${bundle:stage-command.where-the-key-comes-from}")
    @Nullable String key;

    @Option(names = "--key-size", paramLabel = "DEG", description = "${bundle:stage-command.how-wide-the-key-is}")
    @Nullable Double keySize;

    @Option(names = "--key-to-fill", paramLabel = "STOPS", description = "${bundle:stage-command.how-much-stronger-the-key}")
    @Nullable Double keyToFill;

    @Option(names = "--ground", paramLabel = "NEAR,FAR", description = "${bundle:stage-command.from-where-to-where-the}")
    @Nullable String ground;

    @Option(names = "--camera", paramLabel = "GROUP", description = "${bundle:stage-command.the-set-of-this-camera}")
    @Nullable String camera;

    @Option(names = "--suggest", description = "${bundle:stage-command.looks-for-sets-that-keep}")
    boolean suggest;

    @Option(names = "--keep", description = "${bundle:stage-command.with-suggest-keeps-what-was}")
    boolean keep;

    @Option(names = "--drawing", paramLabel = "FILE", description = "${bundle:stage-command.writes-plan-and-side-view}")
    @Nullable Path drawing;

    @Option(names = "--gltf", paramLabel = "FILE", description = "${bundle:stage-command.writes-set-and-camera-in}")
    @Nullable Path gltf;

    @Option(names = "--rehearse", description = "${bundle:stage-command.films-every-plate-of-the}")
    boolean rehearse;

    @Option(names = "--width", paramLabel = "PX", defaultValue = "640",
            description = "${bundle:stage-command.with-rehearse-width-of-the} (default: ${DEFAULT-VALUE}).")
    int width;

    @Option(names = "--seconds", paramLabel = "S", defaultValue = "3",
            description = "${bundle:stage-command.with-rehearse-the-longest-roll} (default: ${DEFAULT-VALUE}).")
    double seconds;

    @Option(names = "--samples", paramLabel = "N", defaultValue = "24",
            description = "${bundle:stage-command.with-rehearse-light-paths-per} (default: ${DEFAULT-VALUE}).")
    int samples;

    @Option(names = "--fault", split = ",", paramLabel = "NAME",
            description = "${bundle:stage-command.with-rehearse-what-goes-wrong} ${COMPLETION-CANDIDATES}.")
    Set<Fault> faults = Set.of();

    @Option(names = "--compare", description = "${bundle:stage-command.measures-the-rehearsed-takes-and}")
    boolean compare;

    @Option(names = "--match-lamps", description = "${bundle:stage-command.says-which-lamp-goes-where}")
    boolean matchLamps;

    @Option(names = "--light", paramLabel = "FILE", description = "${bundle:stage-command.with-match-lamps-what-light-json}")
    @Nullable Path light;

    @Option(names = "--instruments", description = "${bundle:stage-command.holds-meters-tape-and-level}")
    boolean instruments;

    @Option(names = "--feet", description = "${bundle:stage-command.lengths-on-the-drawing-in}")
    boolean feet;

    @Option(names = "--lamps", paramLabel = "N", description = "${bundle:stage-command.with-suggest-how-many-lamps}")
    @Nullable Integer lamps;

    @Mixin
    Output output;

    @Override
    public Integer call() throws Exception {
        boolean writes = rehearse || suggest && keep || asNoted || lens != null || view != null || focal != null || horizon != null
                || known != null || tellsLight();
        return of.open(writes, (folder, s) -> {
            double aspect = aspect(folder, s);
            boolean tells = asNoted || lens != null || view != null || focal != null || horizon != null || known != null;
            Shot seen = tells ? FirstStage.staged(s, told(folder, s, aspect), aspect) : s;
            Shot now = lit(seen);
            if (!now.equals(s)) {
                folder.save(folder.production().withShot(s.id(), x -> now));
            }
            report(folder, now, aspect);
        });
    }

    /// Of the finished pictures; of the usual ones where there are none yet.
    private static double aspect(ProductionFolder folder, Shot s) {
        FrameFormat f = s.format();
        if (f != null) {
            return f.width() / (double) f.height();
        }
        try (Bands bands = Bands.sequential(); ShotRenderer r = new ShotRenderer(folder, Measured.NOTHING, new Surveyor(folder, bands)
                .contents(), bands)) {
            ShotRenderer.Format of = r.format(s);
            return of.width() / (double) of.height();
        } catch (FootageException e) {
            return 16 / 9.0;
        }
    }

    private double sensor(Shot s) {
        Answers told = Answers.of(s.setting());
        return sensor != null ? sensor : told.given(Fact.SENSOR_MM) ? told.number(Fact.SENSOR_MM) : FULL_FRAME_MM;
    }

    private HandCamera told(ProductionFolder folder, Shot s, double aspect) throws InputException {
        Stage was = s.stage();
        try {
            HandCamera c = was == null ? HandCamera.FRESH : HandCamera.of(was, aspect);
            Optional<Given<Double>> noted = asNoted || c.viewDeg() instanceof Given.Assumed ? FileLens.view(s, folder) : Optional.empty();
            if (asNoted && noted.isEmpty()) {
                throw new InputException(Words.of("stage-command.the-file-of-the-lowest"));
            }
            c = c.withViewDeg(noted.orElse(c.viewDeg()));
            c = lens == null ? c : c.withLensHeightM(Given.entered(lens)).withKnown(null);
            c = view == null ? c : c.withViewDeg(Given.entered(view));
            c = focal == null ? c : c.withViewDeg(Given.entered(HandCamera.viewDeg(focal, sensor(s))));
            if (horizon != null) {
                List<Double> h = numbers("--horizon", horizon);
                c = c.withHorizon(Given.entered(new HandCamera.Horizon(h.getFirst() / 100, h.getLast() / 100)));
            }
            if (known != null) {
                if (foot == null || top == null) {
                    throw new InputException(Words.of("stage-command.known-needs-foot-and-top"));
                }
                c = c.withKnown(new Evidence.Upright(point("--foot", foot), point("--top", top), known));
            }
            c.stage(was, aspect);
            return c;
        } catch (IllegalArgumentException e) {
            throw new InputException(e.getMessage() + ".");
        }
    }

    private boolean tellsLight() {
        return key != null || keySize != null || keyToFill != null || ground != null;
    }

    /// With the light and the ground that were told.
    private Shot lit(Shot s) throws InputException {
        if (!tellsLight()) {
            return s;
        }
        Stage stage = s.stage();
        if (stage == null) {
            throw new InputException(Words.of("stage-command.there-is-no-set-yet"));
        }
        try {
            KeyLight l = stage.light();
            if (key != null) {
                List<Double> n = two("--key", key);
                l = l.withDirection(Given.entered(new KeyLight.Direction(0, n.getLast()).seenAt(n.getFirst(), stage.panDeg())));
            }
            l = keySize == null ? l : l.withSizeDeg(Given.entered(keySize));
            l = keyToFill == null ? l : l.withKeyToFillStops(Given.entered(keyToFill));
            List<Surface> surfaces = new ArrayList<>(stage.surfaces());
            if (ground != null) {
                List<Double> n = two("--ground", ground);
                surfaces.set(0, new Surface(stage.ground().id(), stage.ground().heightM(),
                        Given.entered(new Surface.Extent(n.getFirst(), n.getLast()))));
            }
            Stage now = stage.withLight(l).withSurfaces(surfaces);
            return s.withStage(x -> now);
        } catch (IllegalArgumentException e) {
            throw new InputException(e.getMessage() + ".");
        }
    }

    private static List<Double> two(String option, String words) throws InputException {
        String[] n = words.split(",");
        try {
            if (n.length == 2) {
                return List.of(Double.valueOf(n[0]), Double.valueOf(n[1]));
            }
        } catch (NumberFormatException e) {
            // Said below.
        }
        throw new InputException(Words.of("stage-command.two-numbers-with-comma-between", option, words));
    }

    private static Point point(String option, String words) throws InputException {
        List<Double> n = numbers(option, words);
        if (n.size() != 2) {
            throw new InputException(Words.of("stage-command.two-numbers-with-comma-between-2", option, words));
        }
        return new Point(n.getFirst() / 100, n.getLast() / 100);
    }

    private static List<Double> numbers(String option, String words) throws InputException {
        try {
            List<Double> n = List.of(words.split(",")).stream().map(Double::valueOf).toList();
            if (n.size() <= 2) {
                return n;
            }
        } catch (NumberFormatException e) {
            // Said below.
        }
        throw new InputException(Words.of("stage-command.one-or-two-numbers-with", option, words));
    }

    private void report(ProductionFolder folder, Shot s, double aspect) throws StoreException, FootageException, InputException {
        HouseRules rules = folder.production().houseRules();
        Stage stage = s.stage();
        ObjectNode o = Output.object();
        o.put("staged", stage != null);
        if (stage != null) {
            HandCamera c = HandCamera.of(stage, aspect);
            StageCamera.Aim a = stage.camera().aim().value();
            put(o, "lens_height_m", c.lensHeightM().value(), c.lensHeightM());
            put(o, "view_deg", c.viewDeg().value(), c.viewDeg());
            put(o, "tilt_deg", a.tiltDeg(), c.horizon());
            put(o, "roll_deg", a.rollDeg(), c.horizon());
            put(o, "light_side_deg", stage.light().direction().value().asSeen(stage.panDeg()), stage.light().direction());
            put(o, "light_height_deg", stage.light().direction().value().elevationDeg(), stage.light().direction());
            put(o, "light_size_deg", stage.light().sizeDeg().value(), stage.light().sizeDeg());
            put(o, "key_to_fill_stops", stage.light().keyToFillStops().value(), stage.light().keyToFillStops());
            put(o, "ground_near_m", stage.groundExtent().nearM(), stage.ground().extent());
            put(o, "ground_far_m", stage.groundExtent().farM(), stage.ground().extent());
        } else {
            output.say(Words.of("stage-command.the-set-is-not-staged"));
        }
        List<Staged> sets = chosen(Stagings.of(s, Breakdown.plan(s, rules), rules));
        if (!sets.isEmpty()) {
            o.set("camera", StageTree.camera(sets.getFirst().stage()));
        }
        o.set("setups", StageTree.setUps(sets));
        o.set("findings", StageTree.findings(sets, rules));
        sets.forEach(set -> say(set, rules));
        written(folder, s, sets, rules);
        if (rehearse) {
            o.set("rehearsed", rehearsed(folder, s, sets, rules));
        }
        if (instruments) {
            o.set("instruments", read(sets));
        }
        if (compare) {
            o.set("compared", compared(folder, folder.production().shot(s.id()), sets, rules));
        }
        if (matchLamps) {
            o.set("lamp_plan", lampPlan(sets, rules));
        }
        if (suggest) {
            o.set("suggestion", suggested(folder, s, sets, rules));
        }
        output.print(o);
    }

    private ArrayNode rehearsed(ProductionFolder folder, Shot shot, List<Staged> sets, HouseRules rules) throws StoreException,
            FootageException, InputException {
        ArrayNode out = Output.object().arrayNode();
        Rehearsing.Wish wish;
        try {
            wish = new Rehearsing.Wish(width, seconds, samples, faults);
        } catch (IllegalArgumentException e) {
            throw new InputException(e.getMessage() + ".");
        }
        try (Bands bands = Bands.allCores()) {
            for (Staged set : sets) {
                List<Rehearsing.Filmed> filmed = Rehearsing.film(folder, shot, set, set.needs(), wish, bands,
                        output.progress("rehearsing " + set.setUp().name()));
                Shot now = folder.production().shot(shot.id());
                folder.save(folder.production().withShot(shot.id(), x -> Rehearsing.taken(now, Breakdown.plan(shot, rules), filmed)));
                filmed.forEach(f -> {
                    out.addObject().put("plate", f.need()).put("file", folder.path().resolve(f.footage()).toString());
                    output.say("rehearsed: " + f.footage());
                });
            }
        }
        return out;
    }

    private ArrayNode lampPlan(List<Staged> sets, HouseRules rules) throws StoreException {
        ArrayNode out = Output.object().arrayNode();
        Path told = light;
        LampMatch.Background background = told == null ? LampMatch.Background.PLAIN : LightTree.read(told);
        for (Staged set : sets) {
            LampMatch.of(set.question(set.hardest(), rules), background).ifPresent(m -> {
                out.add(StageTree.lamps(set.group(), m));
                output.say("");
                output.say(Words.of("stage-command.lamps-like-the-backgrounds", set.setUp().name()));
                StageWords.plan(m).forEach(line -> output.say("  " + line));
            });
        }
        if (out.isEmpty()) {
            output.say(Words.of("lamps.none"));
        }
        return out;
    }

    private ArrayNode read(List<Staged> sets) {
        ArrayNode out = Output.object().arrayNode();
        for (Staged set : sets) {
            SetView view = set.view(set.hardest());
            output.say("");
            output.say(set.setUp().name() + ". " + StageWords.level(view));
            view.bodies().forEach(b -> output.say("  " + b.name() + ". " + StageWords.instruments(view, b)));
            out.add(StageTree.instruments(set.group(), view));
        }
        return out;
    }

    private ArrayNode compared(ProductionFolder folder, Shot filmed, List<Staged> sets, HouseRules rules) {
        Shot shot = Rehearsing.alone(filmed);
        ArrayNode out = Output.object().arrayNode();
        try (Bands bands = Bands.allCores()) {
            Measured m = new Surveyor(folder, bands).survey(shot, List.of(), Measured.NOTHING, output.progress("measure"), told -> {});
            Judgement all = new Judge(folder).of(shot, m, rules);
            Map<String, Plate> plates = Breakdown.matched(shot, Breakdown.plan(shot, rules));
            for (Staged set : sets) {
                for (PlateNeed n : set.needs()) {
                    Plate plate = plates.get(n.key());
                    Take take = plate == null ? null : plate.chosen();
                    List<PredictionCheck> found = plate == null || take == null ? List.of()
                            : Rehearsing.compared(set, n, plate, take, m, all, rules);
                    if (plate != null && take != null && !found.isEmpty()) {
                        out.add(StageTree.compared(plate, take, found));
                        output.say("");
                        output.say(plate.name() + ", " + take.note());
                        found.forEach(c -> output.say(String.format("  %-26s %-12s %-12s %s", Words.title(c.measure()),
                                StageWords.foretold(c), StageWords.measured(c), StageWords.why(c))));
                    }
                }
            }
        }
        return out;
    }

    private void written(ProductionFolder folder, Shot shot, List<Staged> sets, HouseRules rules) throws StoreException, InputException {
        if (drawing == null && gltf == null) {
            return;
        }
        Staged set = sets.stream().filter(x -> x.stage().floor().staged()).findFirst()
                .orElseThrow(() -> new InputException(Words.of("stage-command.nothing-is-staged-in-this")));
        if (drawing != null) {
            Outputs.apart(drawing, folder.path().resolve(ProductionFolder.FILE));
            new SetSheet(set, set.hardest(), shot.number() + ", " + shot.title() + ": " + set.setUp().name(), feet).write(drawing, rules);
            output.say("written: " + drawing);
        }
        if (gltf != null) {
            Outputs.apart(gltf, folder.path().resolve(ProductionFolder.FILE));
            SetScene.write(set.view(set.hardest()), gltf);
            output.say("written: " + gltf);
        }
    }

    private List<Staged> chosen(List<Staged> all) throws InputException {
        List<Staged> of = all.stream().filter(s -> camera == null || s.group().equals(camera)).toList();
        if (camera != null && of.isEmpty()) {
            throw new InputException(Words.of("stage-command.camera-the-shot-has-no", camera, all.stream().map(Staged::group).toList()));
        }
        return of;
    }

    private ArrayNode suggested(ProductionFolder folder, Shot shot, List<Staged> sets, HouseRules rules) throws StoreException {
        ArrayNode out = Output.object().arrayNode();
        Shot kept = shot;
        OwnedKit kit = lamps == null ? KitFile.read(KitFile.home()) : OwnedKit.NOTHING;
        for (Staged set : sets) {
            Suggestion found = set.suggested(set.hardest(), rules, Stagings.means(shot, lamps == null ? LAMPS : lamps, kit), () -> true);
            Staged then = set.with(found.stage());
            kept = Stagings.kept(kept, then);
            out.add(StageTree.suggestion(then, set.hardest(), found));
            output.say("");
            output.say(set.setUp().name() + ", " + StageWords.suggested(found));
            found.unmet().forEach(p -> output.say("    " + StageWords.verdict(p) + "  " + StageWords.line(p)));
        }
        if (keep) {
            Shot all = kept;
            folder.save(folder.production().withShot(shot.id(), x -> all));
        }
        return out;
    }

    private void say(Staged set, HouseRules rules) {
        output.say("");
        output.say(set.setUp().name() + (set.byHand() ? "" : Words.of("stage-command.as-the-plan-has-it")));
        for (Piece p : set.stage().floor().pieces()) {
            output.say("  " + p.name() + ", " + StageWords.thing(p.thing()) + ", " + StageWords.length(p.at().x(), false) + " across, "
                    + StageWords.length(p.at().z(), false) + " away");
        }
        for (PlateNeed n : set.needs()) {
            output.say("  " + PlanWords.name(n));
            for (Proved p : set.proved(n.key(), rules)) {
                output.say(String.format("    %-22s %s", StageWords.verdict(p), StageWords.line(p)));
                if (!StageWords.remedy(p).isEmpty()) {
                    output.say("                           " + StageWords.remedy(p));
                }
            }
        }
    }

    private void put(ObjectNode o, String name, double v, Given<?> from) {
        String origin = Words.origin(from);
        o.putObject(name).put("value", v).put("origin", origin);
        output.say(name.replace('_', ' ') + " " + Words.number(v, 2) + ", " + origin);
    }
}
