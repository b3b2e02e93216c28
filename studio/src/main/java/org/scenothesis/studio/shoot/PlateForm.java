package org.scenothesis.studio.shoot;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.function.Supplier;
import java.util.function.UnaryOperator;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import javafx.geometry.Pos;
import javafx.scene.control.MenuButton;
import javafx.scene.control.MenuItem;
import javafx.scene.control.TextField;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.VBox;
import org.scenothesis.core.shot.Layer;
import org.scenothesis.core.shot.Plate;
import org.scenothesis.core.shot.PlateRole;
import org.scenothesis.core.shot.Plates;
import org.scenothesis.core.shot.Shot;
import org.scenothesis.core.shot.Take;
import org.scenothesis.production.incoming.FileProbe;
import org.scenothesis.production.words.Words;
import org.scenothesis.studio.house.Session;
import org.scenothesis.studio.parts.ChoiceRow;
import org.scenothesis.studio.parts.Text;

/// The chosen plate as it is named and used, and what can be done about the take that is looked at: note it, give it to another plate, take
/// it away.
final class PlateForm extends VBox {
    private final Session session;
    private final Supplier<Optional<Take>> looked;
    private final TextField name = new TextField();
    private final ChoiceRow role;
    private final TextField lock = new TextField();
    private final TextField light = new TextField();
    private final TextField note = new TextField();
    private final MenuButton plate = new MenuButton("this plate");
    private final MenuButton take = new MenuButton("this take");
    private final HBox groups;
    private final HBox ofTake;

    /// - `looked`: the take that is looked at.
    PlateForm(Session session, Supplier<Optional<Take>> looked) {
        super(6);
        this.session = session;
        this.looked = looked;
        role = new ChoiceRow("role", "role", roles().map(PlateForm::word).toList(), w -> change(Words.of("plate-form.role-of-plate"),
                p -> Plates.as(p, role(w))));
        field(name, "plate-name", "its name", () -> change("name a plate", p -> name.getText().isBlank() ? p
                : p.withName(name.getText().strip())));
        field(lock, "plate-lock", "none", () -> change("camera group", p -> p.withLockGroup(lock.getText().strip())));
        field(light, "plate-light", "none", () -> change("light group", p -> p.withLightGroup(light.getText().strip())));
        field(note, "take-note", Words.of("plate-form.note-on-this-take"), this::noted);
        plate.setId("plate-more");
        take.setId("take-more");
        for (MenuButton b : List.of(plate, take)) {
            b.getStyleClass().add("floor-button");
            b.setMinWidth(110);
        }
        lock.setPrefColumnCount(3);
        light.setPrefColumnCount(3);
        HBox.setHgrow(name, Priority.ALWAYS);
        HBox.setHgrow(note, Priority.ALWAYS);
        groups = new HBox(6, Text.of("camera group", "muted"), lock, Text.of("light group", "muted"), light);
        groups.setAlignment(Pos.CENTER_LEFT);
        ofTake = new HBox(6, note, take);
        getChildren().addAll(new HBox(6, name, plate), role, groups, ofTake);
    }

    private static String word(PlateRole r) {
        return Words.of("role." + r.name());
    }

    /// What a plate can be for; the tray is none.
    private static Stream<PlateRole> roles() {
        return Stream.of(PlateRole.values()).filter(r -> r != PlateRole.UNSORTED);
    }

    private static PlateRole role(String word) {
        return Stream.of(PlateRole.values()).filter(r -> word(r).equals(word)).findFirst().orElseThrow();
    }

    private static void field(TextField f, String id, String prompt, Runnable done) {
        f.setId(id);
        f.setPromptText(prompt);
        f.setOnAction(e -> done.run());
        f.focusedProperty().addListener((o, was, is) -> {
            if (!is) {
                done.run();
            }
        });
    }

    private void change(String what, UnaryOperator<Plate> how) {
        session.plate().ifPresent(p -> {
            if (!how.apply(p).equals(p)) {
                session.change(what, s -> s.withPlate(p.id(), how));
                session.measure();
            }
        });
    }

    private void noted() {
        looked.get().filter(t -> !t.note().equals(note.getText().strip()))
                .ifPresent(t -> session.change("note a take", s -> s.withTake(t.id(), q -> q.noted(note.getText().strip()))));
    }

    void refresh() {
        Plate p = session.plate().orElse(null);
        Text.shown(this, p != null);
        if (p == null) {
            return;
        }
        show(name, p.name());
        boolean plateIsOne = p.role() != PlateRole.UNSORTED;
        Text.shown(role, plateIsOne);
        Text.shown(groups, plateIsOne);
        name.setEditable(plateIsOne);
        show(lock, p.lockGroup());
        show(light, p.lightGroup());
        role.show(word(p.role()));
        plate.getItems().setAll(plateItems(session.shot(), p));
        Take t = looked.get().orElse(null);
        Text.shown(ofTake, t != null);
        if (t != null) {
            show(note, t.note());
            take.getItems().setAll(takeItems(session.shot(), p, t));
        }
    }

    /// A field that is being typed in keeps what is typed.
    private static void show(TextField f, String words) {
        if (!f.isFocused()) {
            f.setText(words);
        }
    }

    private List<MenuItem> plateItems(Shot shot, Plate p) {
        List<MenuItem> out = new ArrayList<>();
        for (Plate o : others(shot, p)) {
            out.add(Text.item("merge-" + o.id(), Words.of("plate-form.put-its-takes-to", o.name()), () -> {
                session.change(Words.of("plate-form.put-plates-together"), s -> Plates.merged(s, p.id(), o.id()));
                session.plateId().set(o.id());
            }));
        }
        out.add(Text.item("plate-away", Words.of("plate-form.take-this-plate-away"), () -> takeAway(p)));
        return out;
    }

    private void takeAway(Plate p) {
        List<Layer> users = Plates.users(session.shot(), p.id());
        if (users.isEmpty()) {
            session.change(Words.of("plate-form.take-plate-away"), s -> Plates.away(s, p.id()));
        } else {
            session.say(Words.of("plate-form.is-used-by-the-layer", p.name(), users.stream().map(Layer::name)
                    .collect(Collectors.joining(", "))));
        }
    }

    private List<MenuItem> takeItems(Shot shot, Plate p, Take t) {
        List<MenuItem> out = new ArrayList<>();
        for (Plate o : others(shot, p)) {
            out.add(Text.item("give-" + o.id(), Words.of("plate-form.it-is-take-of", o.name()), () -> {
                session.change(Words.of("plate-form.give-take-to-another-plate"), s -> Plates.takeMoved(s, t.id(), o.id()));
                given(p, o.id());
            }));
        }
        out.add(Text.item("give-apart", Words.of("plate-form.it-is-plate-of-its"), () -> {
            session.change(Words.of("plate-form.make-plate-of-take"), s -> Plates.takeApart(s, t.id(), p.role() == PlateRole.UNSORTED
                    ? PlateRole.BACKGROUND : p.role(), FileProbe.named(t.footage())));
            session.plateId().set(session.shot().plates().getLast().id());
            session.measure();
        }));
        out.add(Text.item("take-away", Words.of("plate-form.take-it-away-its-file"),
                () -> session.change(Words.of("plate-form.take-take-away"), s -> Plates.takeAway(s, t.id()))));
        return out;
    }

    /// The plate a take came from is looked at as before, unless it was a tray that is empty now.
    private void given(Plate from, String to) {
        if (session.shot().plate(from.id()).isEmpty()) {
            session.plateId().set(to);
        }
        session.measure();
    }

    private static List<Plate> others(Shot shot, Plate p) {
        return shot.plates().stream().filter(o -> !o.id().equals(p.id())).toList();
    }
}
