package org.scenothesis.studio.match;

import java.util.ArrayList;
import java.util.List;
import javafx.geometry.Insets;
import javafx.scene.control.Button;
import javafx.scene.control.ScrollPane;
import javafx.scene.layout.FlowPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.VBox;
import org.jspecify.annotations.Nullable;
import org.scenothesis.core.compare.PictureComparison;
import org.scenothesis.core.picture.Picture;
import org.scenothesis.core.shot.Plate;
import org.scenothesis.core.shot.step.Tone;
import org.scenothesis.media.Footage;
import org.scenothesis.media.FootageException;
import org.scenothesis.media.FootageSource;
import org.scenothesis.media.decode.Footages;
import org.scenothesis.production.words.MatchWords;
import org.scenothesis.production.words.Words;
import org.scenothesis.studio.house.Session;
import org.scenothesis.studio.parts.Text;
import org.scenothesis.studio.parts.VerdictMark;
import org.scenothesis.studio.watch.WatchModel;

/// Colour, sharpness and grain of every plate against the clean plate.
final class ColourPanel extends HBox {
    private static final int FRAMES = 3;

    private final Session session;
    private final VBox rows = new VBox(10);
    private @Nullable Object shown;

    /// A plate and what it differs in; null where it could not be read, and why.
    private record Row(Plate plate, @Nullable PictureComparison by, String why) {}

    private record Asked(Plate plate, FootageSource source) {}

    ColourPanel(WatchModel watch) {
        session = watch.session();
        rows.setId("match-colours");
        rows.setPadding(new Insets(4, 12, 4, 0));
        ScrollPane all = new ScrollPane(rows);
        all.setFitToWidth(true);
        VBox.setVgrow(all, Priority.ALWAYS);
        VBox left = new VBox(10, all);
        HBox.setHgrow(left, Priority.ALWAYS);
        getChildren().add(left);
    }

    /// Compares anew where there is anything new to compare.
    void refresh() {
        FootageSource clean = session.clean();
        List<Asked> asked = new ArrayList<>();
        for (Plate p : session.plates()) {
            FootageSource own = session.footage(p);
            if (own != null && !own.equals(clean)) {
                asked.add(new Asked(p, own));
            }
        }
        List<Object> now = new ArrayList<>(asked);
        now.add(String.valueOf(clean));
        if (now.equals(shown)) {
            return;
        }
        shown = now;
        if (clean == null || asked.isEmpty()) {
            rows.getChildren().setAll(Text.block(Words.of("colour.none"), "muted"));
            return;
        }
        rows.getChildren().setAll(Text.of(Words.of("colour.busy"), "muted"));
        session.worker().ask("match-compare", ticket -> {
            List<Picture> reference = frames(clean);
            List<Row> out = new ArrayList<>();
            for (Asked a : asked) {
                if (!ticket.wanted()) {
                    break;
                }
                out.add(compared(reference, a));
            }
            return out;
        }, this::show, e -> rows.getChildren().setAll(Text.block(String.valueOf(e.getMessage()), "muted")));
    }

    private List<Picture> frames(FootageSource source) throws FootageException {
        List<Picture> out = new ArrayList<>();
        int n;
        try (Footage f = Footages.open(source)) {
            n = f.info().frames();
        }
        for (int i = 0; i < Math.min(FRAMES, n); i++) {
            out.add(session.frames().frame(source, i));
        }
        return out;
    }

    private Row compared(List<Picture> reference, Asked a) {
        try {
            // From the plate to the clean plate: what it needs to be laid over it.
            return new Row(a.plate, PictureComparison.of(frames(a.source), reference, null), "");
        } catch (FootageException e) {
            return new Row(a.plate, null, e.getMessage());
        }
    }

    private void show(List<Row> all) {
        rows.getChildren().clear();
        rows.getChildren().add(Text.of("Every plate, and what brings it to the clean plate", "heading"));
        all.forEach(r -> rows.getChildren().add(row(r)));
    }

    private VBox row(Row r) {
        VBox box = new VBox(4, Text.of(r.plate.name(), "title"));
        PictureComparison c = r.by;
        if (c == null) {
            box.getChildren().add(Text.block(r.why, "muted"));
            return box;
        }
        FlowPane marks = new FlowPane(18, 4);
        for (PictureComparison.Judged d : c.judged()) {
            marks.getChildren().add(new HBox(6, new VerdictMark(d.verdict()), Text.of(MatchWords.difference(c, d))));
        }
        box.getChildren().add(marks);
        Tone t = c.tone();
        box.getChildren().add(Text.block(
                t == null ? Words.of("colour.tone.unknown") : Words.of("colour.tone", channels(t.slope()), channels(t.offset()), channels(t.power()), Words.number(t.saturation(), 2)), "muted"));
        if (t != null && session.shot().layers().stream().anyMatch(l -> l.plate().equals(r.plate.id()))) {
            Button grade = Text.button("Grade its layers so", "floor-button", () -> grade(r.plate, t));
            grade.setId("grade-" + r.plate.id());
            box.getChildren().add(grade);
        }
        return box;
    }

    private void grade(Plate plate, Tone tone) {
        long layers = session.shot().layers().stream().filter(l -> l.plate().equals(plate.id())).count();
        session.change("grade to the clean plate", s -> s.withLayers(s.layers().stream().map(l -> l.plate().equals(plate.id()) ? l.with(tone) : l).toList()));
        session.say(Words.count(layers, "layer", "layers") + " of " + plate.name() + " graded; undo takes it back.");
    }

    private static String channels(Tone.Channels c) {
        return Words.number(c.r(), 2) + " " + Words.number(c.g(), 2) + " " + Words.number(c.b(), 2);
    }
}
