package org.scenothesis.studio.key;

import java.util.function.UnaryOperator;
import javafx.scene.control.Button;
import org.jspecify.annotations.Nullable;
import org.scenothesis.core.shot.Layer;
import org.scenothesis.core.shot.Plate;
import org.scenothesis.core.shot.Shot;
import org.scenothesis.production.measure.KeyReport;
import org.scenothesis.production.measure.Measured;
import org.scenothesis.production.words.Words;
import org.scenothesis.studio.house.LatestTask;
import org.scenothesis.studio.house.Session;
import org.scenothesis.studio.parts.Text;

/// The button that measures the key of every frame of a take: says how far that has come, and stops it.
///
/// What is keyed otherwise meanwhile is not measured on: the answer would be of a key that is no more.
final class EveryFrame {
    private static final String LANE = "key-every";

    /// What is measured now, and how far it has come.
    private record Running(String plate, Layer layer, int at, int of) {}

    private final Session session;
    private final Button button = Text.button("", "floor-button", this::turn);
    private @Nullable Plate plate;
    private @Nullable Layer layer;
    private @Nullable KeyReport report;
    private @Nullable Running running;

    EveryFrame(Session session) {
        this.session = session;
        button.setId("key-every");
        Text.tip(button, () -> Words.of("key-every.help"));
    }

    Button button() {
        return button;
    }

    /// Shows it for a plate; `l`: the layer that keys it, `r`: what was measured of it, both null for none.
    void show(@Nullable Plate p, @Nullable Layer l, @Nullable KeyReport r) {
        plate = p;
        layer = l;
        report = r;
        Running now = running;
        if (now != null && !session.shot().keyOf(now.plate).filter(now.layer::equals).isPresent()) {
            stop();
        }
        words();
    }

    private void words() {
        Running now = here();
        KeyReport r = report;
        boolean all = now == null && r != null && r.everyFrame();
        button.setText(now != null ? Words.of("key-every.stop", now.at, now.of) : Words.of(all ? "key-every.done" : "key-every.begin"));
        button.setDisable(now == null && (r == null || all || layer == null));
    }

    /// What runs for the plate that is looked at; null where that is another, or nothing is measured.
    private @Nullable Running here() {
        Running now = running;
        return now != null && plate != null && now.plate.equals(plate.id()) ? now : null;
    }

    /// Begins, or stops what goes on; begun for another plate, it is not measured on for the one before.
    void turn() {
        Plate p = plate;
        Layer l = layer;
        if (here() != null) {
            stop();
            words();
        } else if (p != null && l != null && report != null && !report.everyFrame()) {
            begin(p, l);
        }
    }

    private void stop() {
        session.worker().cancel(LANE);
        running = null;
    }

    private void begin(Plate p, Layer l) {
        Shot shot = session.shot();
        Measured measured = session.measured().get();
        running = new Running(p.id(), l, 0, report == null ? 0 : report.frames());
        LatestTask<Running> told = new LatestTask<>(session.worker(), now -> {
            running = now;
            words();
        });
        session.worker().ask(LANE, ticket -> session.surveyor().keyEveryFrame(shot, p, measured, (at, of) -> {
            told.tell(new Running(p.id(), l, at, of), ticket);
            session.worker().betweenSteps(ticket);
            return ticket.wanted();
        }), this::done, e -> {
            running = null;
            words();
            session.say(String.valueOf(e.getMessage()));
        });
        words();
    }

    private void done(UnaryOperator<Measured> with) {
        running = null;
        session.measured().set(with.apply(session.measured().get()));
        words();
        // A survey that was under way does not know of it yet.
        session.measure();
    }
}
