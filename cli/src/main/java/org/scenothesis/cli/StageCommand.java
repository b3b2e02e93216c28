package org.scenothesis.cli;

import com.fasterxml.jackson.databind.node.ObjectNode;
import java.util.List;
import java.util.concurrent.Callable;
import org.jspecify.annotations.Nullable;
import org.scenothesis.core.breakdown.Breakdown;
import org.scenothesis.core.breakdown.plate.PlateNeed;
import org.scenothesis.core.breakdown.staging.Staged;
import org.scenothesis.core.breakdown.staging.Stagings;
import org.scenothesis.core.finding.HouseRules;
import org.scenothesis.core.picture.Bands;
import org.scenothesis.core.shot.FrameFormat;
import org.scenothesis.core.shot.Shot;
import org.scenothesis.core.stage.HandCamera;
import org.scenothesis.core.stage.Stage;
import org.scenothesis.core.stage.StageCamera;
import org.scenothesis.core.stage.piece.Piece;
import org.scenothesis.core.stage.proof.Proved;
import org.scenothesis.core.value.Given;
import org.scenothesis.media.FootageException;
import org.scenothesis.production.measure.Measured;
import org.scenothesis.production.measure.Surveyor;
import org.scenothesis.production.render.ShotRenderer;
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
    @Mixin
    OfShot of;

    @Mixin
    StageCameraEntered cameraEntered;

    @Mixin
    StageLightEntered lightEntered;

    @Mixin
    StageDrawings drawings;

    @Mixin
    StageRehearsal rehearsal;

    @Mixin
    StageInstruments instruments;

    @Mixin
    StageComparison comparison;

    @Mixin
    StageLamps lamps;

    @Mixin
    StageSuggestion suggestion;

    @Option(names = "--camera", paramLabel = "GROUP", description = "${bundle:stage-command.the-set-of-this-camera}")
    @Nullable String camera;

    @Mixin
    Output output;

    @Override
    public Integer call() throws Exception {
        boolean writes = rehearsal.asked() || suggestion.writes() || cameraEntered.given() || lightEntered.given();
        return of.open(writes, (folder, s) -> {
            double aspect = aspect(folder, s);
            Shot now = lightEntered.into(cameraEntered.into(s, folder, aspect));
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
        StageJob job = new StageJob(folder, s, sets, rules, output);
        drawings.write(job);
        for (StagePart part : List.of(rehearsal, instruments, comparison, lamps, suggestion)) {
            if (part.asked()) {
                o.set(part.name(), part.of(job));
            }
        }
        output.print(o);
    }

    private List<Staged> chosen(List<Staged> all) throws InputException {
        List<Staged> of = all.stream().filter(s -> camera == null || s.group().equals(camera)).toList();
        if (camera != null && of.isEmpty()) {
            throw new InputException(Words.of("stage-command.camera-the-shot-has-no", camera, all.stream().map(Staged::group).toList()));
        }
        return of;
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
            for (Proved p : set.proved(n.key().code(), rules)) {
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
