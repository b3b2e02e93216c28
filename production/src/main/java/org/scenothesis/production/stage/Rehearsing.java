package org.scenothesis.production.stage;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.scenothesis.core.Check;
import org.scenothesis.core.breakdown.Breakdown;
import org.scenothesis.core.breakdown.BreakdownPlan;
import org.scenothesis.core.breakdown.plate.PlateNeed;
import org.scenothesis.core.breakdown.staging.Staged;
import org.scenothesis.core.finding.HouseRules;
import org.scenothesis.core.finding.Judgement;
import org.scenothesis.core.picture.Bands;
import org.scenothesis.core.rehearsal.Filming;
import org.scenothesis.core.rehearsal.Quality;
import org.scenothesis.core.rehearsal.staged.Fault;
import org.scenothesis.core.rehearsal.staged.Prediction;
import org.scenothesis.core.rehearsal.staged.PredictionCheck;
import org.scenothesis.core.rehearsal.staged.StagedRoll;
import org.scenothesis.core.shot.Ids;
import org.scenothesis.core.shot.Illusion;
import org.scenothesis.core.shot.Plate;
import org.scenothesis.core.shot.Shot;
import org.scenothesis.core.shot.Take;
import org.scenothesis.core.stage.proof.SetView;
import org.scenothesis.media.FootageException;
import org.scenothesis.media.encode.VideoFormat;
import org.scenothesis.production.measure.FootageBrief;
import org.scenothesis.production.measure.Measured;
import org.scenothesis.production.measure.Progress;
import org.scenothesis.production.measure.Stopped;
import org.scenothesis.production.store.ProductionFolder;
import org.scenothesis.production.store.StoreException;
import org.scenothesis.production.words.PlanWords;
import org.scenothesis.production.words.Words;

/// Films the plates of a staged set with the simulated camera and gives them to the shot as takes, which are measured, keyed and layered
/// like any other.
public final class Rehearsing {
    /// What a rehearsed take is noted as, before what was made to go wrong.
    public static final String NOTE = "rehearsed";
    private static final double RATE = 24;
    private static final int QUALITY = 9;

    private Rehearsing() {}

    /// How it is filmed: width of the picture, how many seconds at most, light paths per pixel, and what shall go wrong.
    public record Wish(int widthPx, double mostSeconds, int samples, Set<Fault> faults) {
        public static final Wish USUAL = new Wish(640, 3, 24, Set.of());

        public Wish {
            Check.range("widthPx", widthPx, 64, 3840);
            Check.range("mostSeconds", mostSeconds, 0.1, 120);
            Check.range("samples", samples, 1, 4096);
            faults = Set.copyOf(faults);
        }

        /// The same with these faults.
        public Wish going(Set<Fault> wrong) {
            return new Wish(widthPx, mostSeconds, samples, wrong);
        }

        int heightPx() {
            return widthPx * 9 / 16 / 2 * 2;
        }
    }

    /// A take that was filmed, for the plate with this planned key; `footage`: what it is called in the document.
    public record Filmed(String need, String footage, Set<Fault> faults) {}

    private static SetView view(Staged s, String plate, Wish wish) {
        return new SetView(s.stage(), plate, wish.widthPx / 2 * 2, wish.heightPx());
    }

    private static StagedRoll roll(Shot shot, Staged s, PlateNeed n, Wish wish, String name, long seed) {
        double seconds = n.rollSeconds() <= 0 ? 0 : Math.min(n.rollSeconds(), wish.mostSeconds);
        // What is filmed is what happens: the roll begins with the illusion, less its handle.
        double from = shot.illusions().stream().filter(w -> n.illusions().contains(w.id())).mapToDouble(Illusion::fromSeconds).min()
                .orElse(0);
        return new StagedRoll(name, view(s, n.key().code(), wish), seconds, from, RATE, wish.faults, seed);
    }

    /// Films plates of a set; what is whole comes into the production as any other footage does, and of a rehearsal that was stopped
    /// nothing is left.
    ///
    /// @throws FootageException if a file cannot be written
    /// @throws StoreException if one cannot be brought into the production
    /// @throws Stopped if progress asks for it
    public static List<Filmed> film(ProductionFolder folder, Shot shot, Staged set, List<PlateNeed> plates, Wish wish, Bands bands,
            Progress progress) throws FootageException, StoreException {
        List<StagedRoll> rolls = new ArrayList<>();
        for (PlateNeed n : plates) {
            rolls.add(roll(shot, set, n, wish, "rehearsed-" + Ids.slug(shot.id() + "-" + n.key()), rolls.size() + 11));
        }
        int all = rolls.stream().mapToInt(StagedRoll::frames).sum();
        List<Path> made = new ArrayList<>();
        Path work = workplace();
        try {
            int done = 0;
            for (StagedRoll r : rolls) {
                int before = done;
                made.add(film(r, work, wish, bands, (k, n) -> progress.at(before + k, all)));
                done += r.frames();
            }
            List<Filmed> out = new ArrayList<>();
            for (int i = 0; i < made.size(); i++) {
                out.add(new Filmed(plates.get(i).key().code(), folder.footageFolder().bringIn(made.get(i)), wish.faults));
            }
            return out;
        } finally {
            made.forEach(f -> f.toFile().delete());
            work.toFile().delete();
        }
    }

    private static Path workplace() throws FootageException {
        try {
            return Files.createTempDirectory("scenothesis-rehearsal");
        } catch (IOException e) {
            throw new FootageException(Path.of(System.getProperty("java.io.tmpdir")),
                    Words.of("rehearsing.no-place-for-a-rehearsal-can"), e);
        }
    }

    private static Path film(StagedRoll staged, Path folder, Wish wish, Bands bands, Progress progress) throws FootageException {
        Filming filming = new Filming(staged.ambient(), new Quality(wish.samples, Math.max(4, wish.samples / 3), 0.5, 1), bands);
        return new RollFile(folder, staged.view().widthPx(), staged.view().heightPx(), VideoFormat.H264_MP4, QUALITY)
                .film(staged.roll(), filming, progress);
    }

    /// The shot with what was filmed as takes of its plates; plates it lacks are made.
    public static Shot taken(Shot shot, BreakdownPlan plan, List<Filmed> filmed) {
        Shot out = shot;
        for (Filmed f : filmed) {
            Optional<PlateNeed> need = plan.need(f.need);
            if (need.isPresent() && !Breakdown.matched(out, plan).containsKey(need.get().key())) {
                for (Plate p : Breakdown.missing(out, plan, PlanWords::name)) {
                    out = p.need().equals(f.need) ? out.withPlateAdded(p) : out;
                }
            }
            Plate plate = need.isPresent() ? Breakdown.matched(out, plan).get(need.get().key()) : null;
            if (plate == null) {
                continue;
            }
            Set<String> ids = new HashSet<>(out.plates().stream().flatMap(p -> p.takes().stream()).map(Take::id).toList());
            String id = f.footage.substring(f.footage.lastIndexOf('/') + 1, f.footage.lastIndexOf('.'));
            while (!ids.add(id)) {
                id += "-2";
            }
            Take take = new Take(id, f.footage, false, note(f.faults));
            out = out.withPlate(plate.id(), p -> p.withTakeAdded(take));
        }
        return out;
    }

    private static String note(Set<Fault> faults) {
        return Stream.concat(Stream.of(NOTE), faults.stream().sorted().map(Fault::code)).collect(Collectors.joining(", "));
    }

    /// What was made to go wrong in a take, by its note; nothing said where it was not rehearsed.
    public static Optional<Set<Fault>> faults(Take take) {
        List<String> said = List.of(take.note().split(", "));
        return said.contains(NOTE) ? Optional.of(Stream.of(Fault.values()).filter(f -> said.contains(f.code()))
                .collect(Collectors.toSet())) : Optional.empty();
    }

    /// The shot with nothing filmed but what was rehearsed: of every plate the newest take.
    public static Shot alone(Shot shot) {
        return shot.withPlates(shot.plates().stream()
                .map(p -> p.withTakes(p.takes().reversed().stream().filter(t -> faults(t).isPresent()).limit(1).toList())).toList());
    }

    /// What was foretold of a plate that was rehearsed on a set beside what was measured of its take; nothing where it was not rehearsed or
    /// cannot be read. Foretold of the set as it stands now.
    public static List<PredictionCheck> compared(Staged set, PlateNeed need, Plate plate, Take take, Measured m, Judgement of,
            HouseRules rules) {
        Set<Fault> faults = faults(take).orElse(null);
        FootageBrief brief = m.brief(take).filter(FootageBrief::usable).orElse(null);
        if (faults == null || brief == null) {
            return List.of();
        }
        // The roll says itself that it is too short.
        double seconds = brief.still() ? 0 : Math.min(600, brief.seconds() * (faults.contains(Fault.SHORT) ? 2 : 1));
        StagedRoll roll = new StagedRoll(take.id(), new SetView(set.stage(), need.key().code(), brief.width(), brief.height()), seconds, 0,
                brief.still() ? RATE : Math.clamp(brief.rate(), 1, 240), faults, 1);
        List<Prediction> foretold = Prediction.of(roll, set.with(roll.faultyStage()).proved(need.key().code(), rules, false), plate.role()
                .keyed(), plate.rollSeconds(), rules);
        return PredictionCheck.of(foretold, of.of(plate.id()).findings());
    }
}
