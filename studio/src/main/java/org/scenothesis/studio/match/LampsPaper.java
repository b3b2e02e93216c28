package org.scenothesis.studio.match;

import java.util.Arrays;
import java.util.Objects;
import java.util.Optional;
import javafx.scene.control.Button;
import javafx.scene.image.ImageView;
import javafx.scene.layout.VBox;
import org.jspecify.annotations.Nullable;
import org.scenothesis.core.breakdown.BreakdownPlan;
import org.scenothesis.core.breakdown.staging.Staged;
import org.scenothesis.core.breakdown.staging.Stagings;
import org.scenothesis.core.finding.HouseRules;
import org.scenothesis.core.light.PictureLight;
import org.scenothesis.core.picture.DisplayPicture;
import org.scenothesis.core.rehearsal.staged.Rehearsal;
import org.scenothesis.core.rehearsal.staged.SetScenery;
import org.scenothesis.core.shot.Shot;
import org.scenothesis.core.stage.proof.Question;
import org.scenothesis.core.stage.proof.SetView;
import org.scenothesis.core.stage.suggest.LampMatch;
import org.scenothesis.production.words.StageWords;
import org.scenothesis.production.words.Words;
import org.scenothesis.studio.house.Session;
import org.scenothesis.studio.parts.PictureView;
import org.scenothesis.studio.parts.Text;

/// Which lamp where, so that what is laid over this picture is lit as the picture is: said, drawn from above, and stood on the set with one
/// click.
final class LampsPaper extends VBox {
    private static final String PICTURE = "match-lamps-picture";
    private static final int WIDE = 280;
    private static final int PASSES = 24;
    private static final String LANE = "match-lamps";

    private final Session session;
    private final VBox lines = new VBox(6);
    private final LampSketch sketch = new LampSketch();
    private final Button stand;
    private final ImageView picture = new ImageView();
    private final VBox seen = new VBox(2);
    private @Nullable Object shown;
    private @Nullable Found found;

    private record Found(Staged set, LampMatch match, SetView view) {}

    LampsPaper(Session session) {
        super(8);
        this.session = session;
        stand = Text.button(Words.of("lamps-paper.stand-the-lamps-so"), "dark-button", this::stand);
        stand.setId("lamps-stand");
        lines.setId("lamps-lines");
        picture.setFitWidth(WIDE);
        picture.setPreserveRatio(true);
        picture.setId("lamps-picture");
        seen.getChildren().addAll(picture, Text.block(Words.of("lamps.picture"), "muted", "small"));
        getChildren().addAll(Text.of(Words.of("lamps-paper.lamps-for-the-element-over"), "heading"), lines, sketch, seen, stand);
        show(null);
    }

    /// With the colours that a picture's light has, where they are known.
    void refresh(@Nullable PictureLight light) {
        Shot shot = session.shot();
        HouseRules rules = session.production().get().houseRules();
        LampMatch.Background background = LampMatch.Background.of(light);
        BreakdownPlan plan = session.planned().get().plans().get(shot.id());
        Object now = Arrays.asList(shot, plan, rules, background);
        if (Objects.equals(now, shown)) {
            return;
        }
        shown = now;
        // What was said is of the shot as it was: it is not stood on another.
        stand.setDisable(true);
        if (plan == null) {
            session.worker().cancel(LANE);
            return;
        }
        session.worker().ask(LANE, ticket -> matched(shot, plan, rules, background), f -> show(f.orElse(null)), e -> show(null));
    }

    private static Optional<Found> matched(Shot shot, BreakdownPlan plan, HouseRules rules, LampMatch.Background background) {
        for (Staged s : Stagings.of(shot, plan, rules)) {
            Question q = s.question(s.hardest(), rules);
            Optional<Found> f = LampMatch.of(q, background).map(m -> new Found(s, m, q.view()));
            if (f.isPresent()) {
                return f;
            }
        }
        return Optional.empty();
    }

    private void show(@Nullable Found f) {
        found = f;
        lines.getChildren().clear();
        Text.shown(sketch, f != null);
        Text.shown(seen, false);
        session.worker().cancel(PICTURE);
        stand.setDisable(f == null);
        if (f == null) {
            lines.getChildren().add(Text.block(Words.of("lamps.none"), "muted", "small"));
            return;
        }
        lines.getChildren().add(Text.block(Words.of("lamps.set", f.set.setUp().name()), "muted", "small"));
        StageWords.plan(f.match).forEach(line -> lines.getChildren().add(Text.block(line, "small")));
        sketch.show(f.match);
        rehearse(f);
    }

    /// What is filmed with the lamps so, as the simulated camera sees it, to be held against the background beside it.
    private void rehearse(Found f) {
        int high = Math.max(1, WIDE * f.view.heightPx() / f.view.widthPx());
        session.worker().ask(PICTURE, ticket -> {
            Rehearsal r = new Rehearsal(SetScenery.metered(new SetView(f.match.stage(), f.view.plate(), WIDE, high)), 0);
            for (int i = 0; i < PASSES && ticket.wanted(); i++) {
                r.refine(session.bands());
            }
            return DisplayPicture.of(r.picture(), WIDE, high, session.bands());
        }, p -> {
            picture.setImage(PictureView.image(p));
            Text.shown(seen, true);
        }, e -> session.say(String.valueOf(e.getMessage())));
    }

    private void stand() {
        Found f = found;
        if (f != null) {
            session.change(Words.of("lamps-paper.lamps-like-the-backgrounds"), shot -> Stagings.kept(shot, f.set.with(f.match.stage())));
            session.say(Words.of("lamps.stood", f.set.setUp().name()));
        }
    }
}
