package org.scenothesis.studio.stage;

import java.nio.file.Path;
import java.util.Locale;
import java.util.Set;
import org.scenothesis.core.breakdown.BreakdownPlan;
import org.scenothesis.core.breakdown.staging.Stagings;
import org.scenothesis.core.finding.HouseRules;
import org.scenothesis.core.rehearsal.staged.Fault;
import org.scenothesis.core.shot.Shot;
import org.scenothesis.core.stage.piece.Lamp;
import org.scenothesis.production.kit.KitFile;
import org.scenothesis.production.stage.Rehearsing;
import org.scenothesis.production.stage.SetScene;
import org.scenothesis.production.stage.SetSheet;
import org.scenothesis.production.words.StageWords;
import org.scenothesis.production.words.Words;
import org.scenothesis.studio.house.Session;

/// What takes a while on Stage: looking for a better set, filming a rehearsal, writing a page.
final class StageWork {
    private static final int LAMPS = 3;
    private static final double LEAST_SHARE = 0.02;
    private static final String LOOKING = "stage-suggest";
    private static final String FILMING = "stage-rehearse";

    private final Session session;
    private final StageModel model;
    private boolean looking;
    private boolean filming;
    private double share;
    private boolean waits;
    private long begun;
    private Runnable moved = () -> {};

    StageWork(StageModel model) {
        this.model = model;
        session = model.session();
    }

    boolean looking() {
        return looking;
    }

    boolean filming() {
        return filming;
    }

    /// How far the rehearsal is, in [0, 1].
    double share() {
        return share;
    }

    /// About how long the rehearsal will go on, in words; empty while nothing can be said of it.
    String left() {
        if (!filming || share < LEAST_SHARE) {
            return filming && waits ? Words.of("work.waits") : "";
        }
        double spent = (System.nanoTime() - begun) / 1e9;
        double seconds = spent * (1 - share) / share;
        return seconds < 60 ? Words.number(Math.ceil(seconds), 0) + " s left" : Words.number(Math.ceil(seconds / 60), 0) + " min left";
    }

    /// Looks for a set that keeps all limits; what is found is kept and the set before is kept beside to compare.
    void suggest() {
        if (looking) {
            session.worker().cancel(LOOKING);
            looking = false;
            model.tell();
            return;
        }
        model.now().ifPresent(s -> {
            looking = true;
            String of = model.plate();
            HouseRules rules = model.rules();
            int lamps = Math.max(LAMPS, (int) s.stage().floor().pieces().stream().filter(p -> p.thing() instanceof Lamp).count());
            Shot shot = session.shot();
            session.worker().ask(LOOKING, ticket -> s.suggested(of, rules, Stagings.means(shot, lamps, KitFile.read(KitFile.home())),
                    ticket::wanted), found -> {
                looking = false;
                session.say(model.suggested(s, found.stage()) ? "Suggested: " + StageWords.suggested(found) + "."
                        : Words.of("stage-work.the-set-was-changed-meanwhile"));
            }, e -> {
                looking = false;
                session.say(Words.of("stage-work.no-set-could-be-suggested", e.getMessage()));
                model.tell();
            });
            model.tell();
        });
    }

    /// Films the plates of the set with the simulated camera, as takes.
    void rehearse(Set<Fault> faults) {
        if (filming) {
            session.worker().cancel(FILMING);
            filming = false;
            session.say(Words.of("stage-work.the-rehearsal-was-stopped"));
            model.tell();
            return;
        }
        if (!session.folder().writable()) {
            session.say(Words.of("stage-work.this-production-is-open-elsewhere"));
            return;
        }
        model.now().filter(s -> !s.needs().isEmpty()).ifPresent(s -> {
            filming = true;
            share = 0;
            begun = System.nanoTime();
            waits = session.worker().longWorkRuns();
            Shot shot = session.shot();
            BreakdownPlan plan = model.plan();
            Rehearsing.Wish wish = Rehearsing.Wish.USUAL.going(faults);
            session.worker().ask(FILMING, ticket -> Rehearsing.film(session.folder(), shot, s, s.needs(), wish, session.bands(),
                    (done, of) -> {
                session.worker().onUi(() -> progress(of == 0 ? 0 : done / (double) of, ticket.wanted()));
                session.worker().letLook(ticket);
                return ticket.wanted();
            }), filmed -> {
                filming = false;
                session.store().apply(Words.of("stage-work.rehearse-the-plates"), p -> p.withShot(shot.id(), x -> plan == null ? x
                        : Rehearsing.taken(x, plan, filmed)));
                session.say(Words.of("stage-work.rehearsed-they-lie-with-the", Words.count(filmed.size(), "plate", "plates")));
                session.measure();
                model.tell();
            }, e -> {
                filming = false;
                session.say(String.valueOf(e.getMessage()));
                model.tell();
            });
            model.tell();
        });
    }

    private void progress(double now, boolean wanted) {
        if (wanted && now - share > 0.01) {
            if (waits) {
                waits = false;
                begun = System.nanoTime();
            }
            share = now;
            moved.run();
        }
    }

    /// Called while a rehearsal goes on.
    void whenFilmed(Runnable action) {
        moved = action;
    }

    /// Writes plan and side view, or the set in three dimensions, as the ending says.
    void write(Path file) {
        model.now().ifPresent(s -> {
            String of = model.plate();
            String title = session.shot().number() + ", " + session.shot().title() + ": " + s.setUp().name();
            HouseRules rules = model.rules();
            boolean inFeet = model.feet();
            String name = String.valueOf(file.getFileName()).toLowerCase(Locale.ROOT);
            session.worker().ask("stage-write", ticket -> {
                if (name.endsWith(".glb") || name.endsWith(".gltf")) {
                    SetScene.write(s.view(of), file);
                } else {
                    new SetSheet(s, of, title, inFeet).write(file, rules);
                }
                return file;
            }, f -> session.say("Written: " + f), e -> session.say(String.valueOf(e.getMessage())));
        });
    }
}
