package org.scenothesis.studio.key;

import java.util.List;
import java.util.function.DoubleConsumer;
import java.util.function.Supplier;
import javafx.scene.control.ToggleButton;
import org.jspecify.annotations.Nullable;
import org.scenothesis.core.picture.Point;
import org.scenothesis.production.words.Words;
import org.scenothesis.studio.house.Session;
import org.scenothesis.studio.parts.PictureView;
import org.scenothesis.studio.parts.PointHandles;
import org.scenothesis.studio.parts.Text;

/// A mark on the keyed picture for something neutral; where it is let go, despill follows from what lies under it.
final class NeutralMark {
    private final ToggleButton button = new ToggleButton(Words.of("key-bench.neutral"));
    private final Session session;
    private final KeyModel model;
    private final KeyLook look;
    private final Supplier<KeyModel.@Nullable Request> request;
    private final DoubleConsumer despill;
    private final PointHandles handles;

    /// - `request`: what is shown now, null for nothing. `despill`: told what was found.
    NeutralMark(Session session, KeyModel model, PictureView picture, KeyLook look, Supplier<KeyModel.@Nullable Request> request,
            DoubleConsumer despill) {
        this.session = session;
        this.model = model;
        this.look = look;
        this.request = request;
        this.despill = despill;
        handles = new PointHandles(picture, "neutral-", p -> {}, this::moved);
        button.setId("key-neutral");
        button.getStyleClass().setAll("toggle-button", "floor-button");
        button.setOnAction(e -> show());
        Text.tip(button, () -> Words.of("key-bench.neutral.help"));
    }

    ToggleButton button() {
        return button;
    }

    /// Shows the mark, or takes it away.
    void turn() {
        button.setSelected(!button.isSelected());
        show();
    }

    private void show() {
        if (button.isSelected() && request.get() != null) {
            put(List.of(new Point(0.5, 0.5)));
            handles.focus();
            session.say(Words.of("key-bench.neutral.how"));
        } else {
            button.setSelected(false);
            handles.hide();
        }
    }

    private void put(List<Point> at) {
        handles.show(at, List.of(), List.of(Words.of("key-bench.neutral")));
    }

    private void moved(List<Point> shown) {
        put(shown);
        KeyModel.Request r = request.get();
        if (r == null) {
            return;
        }
        Point at = look.seenAt(shown.getFirst());
        session.worker().ask("key-neutral", ticket -> model.neutral(r, at), n -> {
            if (n.why() != null) {
                session.say(Words.of("key-bench.neutral." + n.why()));
            } else {
                despill.accept(n.despill());
                session.say(Words.of("key-bench.neutral.found", Words.signed(100 * n.lean(), 1), Words.number(n.despill(), 2)));
            }
        }, e -> session.say(String.valueOf(e.getMessage())));
    }
}
