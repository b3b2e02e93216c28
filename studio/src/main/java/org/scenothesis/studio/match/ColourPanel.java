package org.scenothesis.studio.match;

import java.util.ArrayList;
import java.util.List;
import java.util.stream.Stream;
import javafx.geometry.Insets;
import javafx.scene.Node;
import javafx.scene.control.Button;
import javafx.scene.control.ScrollPane;
import javafx.scene.layout.FlowPane;
import javafx.scene.layout.GridPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.VBox;
import org.jspecify.annotations.Nullable;
import org.scenothesis.core.compare.Look;
import org.scenothesis.core.compare.PictureComparison;
import org.scenothesis.core.finding.Measure;
import org.scenothesis.core.finding.Verdict;
import org.scenothesis.core.light.PictureLight;
import org.scenothesis.core.shot.Plate;
import org.scenothesis.core.shot.Take;
import org.scenothesis.core.shot.step.ColourGrade;
import org.scenothesis.media.FootageSource;
import org.scenothesis.production.match.PlateLook;
import org.scenothesis.production.words.MatchWords;
import org.scenothesis.production.words.Words;
import org.scenothesis.studio.house.Session;
import org.scenothesis.studio.parts.SpikeMark;
import org.scenothesis.studio.parts.Text;
import org.scenothesis.studio.parts.VerdictMark;
import org.scenothesis.studio.watch.WatchModel;

/// Contrast, colour, softness, grain and light of all plates side by side, each held against the clean plate.
final class ColourPanel extends HBox {
    private static final List<String> COLUMNS = List.of("contrast", "colours", "softness", "grain", "light");

    private final Session session;
    private final VBox rows = new VBox(10);
    private @Nullable Object shown;

    /// A plate, its footage and how many frames that has; what would be read, so that nothing is read anew while that stays.
    private record Reads(Plate plate, FootageSource source, int frames) {
        PlateLook.Asked asked(Session session) {
            return new PlateLook.Asked(plate, frames, i -> session.frames().frame(source, i));
        }

        /// Name and steps of a plate do not change what it looks like.
        List<Object> of() {
            return List.of(plate.id(), plate.name(), plate.marks(), source, frames);
        }
    }

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
        Reads reference = null;
        List<Reads> others = new ArrayList<>();
        List<PlateLook> unread = new ArrayList<>();
        for (Plate p : session.plates()) {
            FootageSource own = session.footage(p);
            Take take = p.chosen();
            int frames = take == null ? 0 : session.measured().get().brief(take).map(b -> Math.max(1, b.frames())).orElse(0);
            if (own == null && take != null) {
                unread.add(PlateLook.unread(p, session.problem(take)));
            }
            if (own != null && frames > 0) {
                Reads r = new Reads(p, own, frames);
                if (own.equals(clean) && reference == null) {
                    reference = r;
                } else if (!own.equals(clean)) {
                    others.add(r);
                }
            }
        }
        List<Object> now = new ArrayList<>(others.stream().map(Reads::of).toList());
        now.add(unread);
        now.add(reference == null ? "" : reference.of());
        now.add(session.shot().layers().stream().map(l -> l.plate()).toList());
        if (now.equals(shown)) {
            return;
        }
        shown = now;
        if (reference == null || others.isEmpty()) {
            session.worker().cancel("match-compare");
            rows.getChildren().setAll(Text.block(Words.of("colour.none"), "muted"));
            return;
        }
        rows.getChildren().setAll(Text.of(Words.of("colour.busy"), "muted"));
        PlateLook.Asked first = reference.asked(session);
        List<PlateLook.Asked> rest = others.stream().map(r -> r.asked(session)).toList();
        session.worker().ask("match-compare", ticket -> PlateLook.of(first, rest),
                looks -> show(Stream.concat(looks.stream(), unread.stream()).toList()), e -> rows.getChildren()
                .setAll(Text.block(String.valueOf(e.getMessage()), "muted")));
    }

    private void show(List<PlateLook> all) {
        rows.getChildren().clear();
        GridPane grid = new GridPane(14, 8);
        for (int i = 0; i < COLUMNS.size(); i++) {
            grid.add(Text.of(Words.of("look." + COLUMNS.get(i)), "muted", "small"), i + 1, 0);
        }
        int y = 1;
        for (PlateLook p : all) {
            y = row(grid, y, p, all.getFirst());
        }
        rows.getChildren().addAll(Text.of(Words.of("look.heading"), "heading"), grid, Text.block(Words.of("look.hint"), "muted", "small"));
    }

    private int row(GridPane grid, int y, PlateLook p, PlateLook clean) {
        Plate plate = p.plate();
        VBox name = new VBox(2, new HBox(8, new SpikeMark(plate.spike(), 16), Text.of(plate.name(), "title")),
                Text.block(p.against() == null && p.look() != null ? Words.of("look.reference") : Words.of("role." + plate.role().name()),
                "muted", "small"));
        name.setMinWidth(130);
        name.setMaxWidth(150);
        grid.add(name, 0, y);
        Look l = p.look();
        if (l == null) {
            grid.add(Text.block(p.why(), "muted"), 1, y, COLUMNS.size(), 1);
            return y + 1;
        }
        grid.add(cell(LookStrips.contrast(l), MatchWords.span(l), p, "contrast", "black"), 1, y);
        grid.add(cell(LookStrips.colours(l), "", p), 2, y);
        grid.add(cell(LookStrips.softness(l), MatchWords.softness(l), p, "sharpness"), 3, y);
        grid.add(cell(LookStrips.grain(l), MatchWords.grain(l), p, "grain"), 4, y);
        grid.add(light(p.light(), clean.light(), p == clean), 5, y);
        if (p.against() == null) {
            return y + 1;
        }
        grid.add(tone(p, p.against().tone()), 0, y + 1, COLUMNS.size() + 1, 1);
        return y + 2;
    }

    /// A strip, what it says, and how far that is from the clean plate's.
    private static VBox cell(Node strip, String words, PlateLook p, String... judged) {
        VBox out = new VBox(2, strip, Text.block(words, "small"));
        out.setPrefWidth(LookStrips.WIDE);
        out.setMaxWidth(LookStrips.WIDE);
        PictureComparison c = p.against();
        for (String what : judged) {
            if (c != null) {
                c.judged().stream().filter(d -> d.what().equals(what))
                        .forEach(d -> out.getChildren()
                        .add(new HBox(5, new VerdictMark(d.verdict()), Text.block(MatchWords.difference(c, d), "muted", "small"))));
            }
        }
        return out;
    }

    private VBox light(@Nullable PictureLight l, @Nullable PictureLight clean, boolean reference) {
        VBox out = new VBox(2, Text.block(l == null ? Words.of("look.light.none") : MatchWords.direction(l), "small"));
        if (l != null && l.keyToFillStops() != null) {
            out.getChildren().add(Text.of(Words.of("look.fill", Words.stops(l.keyToFillStops().value())), "small"));
        }
        out.setMinWidth(LookStrips.WIDE);
        double apart = l == null || clean == null || reference ? Double.NaN : l.apartDeg(clean);
        if (!Double.isNaN(apart)) {
            Verdict v = session.production().get().houseRules().limit(Measure.LAMP_SIDE).judge(apart);
            out.getChildren().add(new HBox(5, new VerdictMark(v), Text.of(Words.of("look.apart", Words.number(apart, 0)), "muted",
                    "small")));
        }
        return out;
    }

    private FlowPane tone(PlateLook p, @Nullable ColourGrade t) {
        FlowPane out = new FlowPane(12, 4, Text.block(
                t == null ? Words.of("colour.tone.unknown") : Words.of("colour.tone", channels(t.slope()), channels(t.offset()),
                channels(t.power()), Words.number(t.saturation(), 2)), "muted", "small"));
        out.setPadding(new Insets(0, 0, 14, 0));
        if (session.shot().layers().stream().anyMatch(l -> l.plate().equals(p.plate().id()))) {
            if (t != null) {
                out.getChildren().add(button("grade-", Words.of("colour-panel.grade-its-layers-so"), p.plate(), t));
            }
            ColourGrade neutral = p.byNeutral();
            if (neutral != null) {
                out.getChildren().add(button("neutral-", Words.of("colour-panel.grade-them-by-what-is"), p.plate(), neutral));
            }
        }
        return out;
    }

    private Button button(String id, String words, Plate plate, ColourGrade t) {
        Button b = Text.button(words, "floor-button", () -> grade(plate, t));
        b.setId(id + plate.id());
        b.getStyleClass().add("tight");
        return b;
    }

    private void grade(Plate plate, ColourGrade tone) {
        long layers = session.shot().layers().stream().filter(l -> l.plate().equals(plate.id())).count();
        session.change(Words.of("colour-panel.grade-to-the-clean-plate"),
                s -> s.withLayers(s.layers().stream().map(l -> l.plate().equals(plate.id()) ? l.with(tone) : l).toList()));
        session.say(Words.of("colour-panel.of-graded-undo-takes-it", Words.count(layers, "layer", "layers"), plate.name()));
    }

    private static String channels(ColourGrade.Channels c) {
        return Words.number(c.r(), 2) + " " + Words.number(c.g(), 2) + " " + Words.number(c.b(), 2);
    }
}
