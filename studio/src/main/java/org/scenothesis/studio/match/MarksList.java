package org.scenothesis.studio.match;

import java.util.List;
import java.util.Locale;
import java.util.function.DoubleFunction;
import java.util.function.Function;
import java.util.stream.Stream;
import javafx.scene.Node;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.VBox;
import org.scenothesis.core.match.MarkConversion;
import org.scenothesis.core.match.MarkKind;
import org.scenothesis.core.stage.Evidence;
import org.scenothesis.production.words.MatchWords;
import org.scenothesis.production.words.Words;
import org.scenothesis.studio.parts.ChoiceRow;
import org.scenothesis.studio.parts.Tape;
import org.scenothesis.studio.parts.Text;

/// The marks of a picture: edges by direction, everything else one by one, with what can be told of it and what it reads.
final class MarksList extends VBox {
    private final MarksModel model;

    MarksList(MarksModel model) {
        super(2);
        this.model = model;
    }

    void refresh() {
        getChildren().clear();
        model.proposals().offered().ifPresent(e -> {
            Button take = Text.button(Words.of("marks-list.it-is-one"), "dark-button", model.proposals()::take);
            take.setId("shadow-take");
            Button leave = Text.button(Words.of("marks-list.it-is-none"), "quiet-button", model.proposals()::leave);
            leave.setId("shadow-leave");
            getChildren().addAll(Text.block(Words.of("mark.find.shadow.found"), "small"), new HBox(6, take, leave));
        });
        List<Evidence> all = model.marks();
        if (all.isEmpty()) {
            getChildren().add(Text.block(Words.of("mark.none"), "muted", "small"));
        }
        for (MarkKind k : List.of(MarkKind.AWAY, MarkKind.ACROSS, MarkKind.UP)) {
            long many = all.stream().filter(e -> MarkKind.of(e) == k).count();
            if (many > 0) {
                Button away = Text.button("take away", "quiet-button", () -> model.removeAll(k));
                away.setId("mark-away-" + k.name().toLowerCase(Locale.ROOT));
                getChildren().add(new HBox(6,
                        wide(Text.of(Words.of("mark." + k.name()) + (many == 1 ? "" : ", " + many), "mark-word-" + k.name()
                        .toLowerCase(Locale.ROOT))), away));
            }
        }
        for (int i = 0; i < all.size(); i++) {
            if (!(all.get(i) instanceof Evidence.Edge)) {
                mark(i, all.get(i));
            }
        }
    }

    private static Label wide(Label name) {
        HBox.setHgrow(name, Priority.ALWAYS);
        name.setMaxWidth(Double.MAX_VALUE);
        return name;
    }

    private void mark(int at, Evidence e) {
        String name = Words.of("mark." + MarkKind.of(e).name());
        Button away = Text.button("take away", "quiet-button", () -> model.remove(at));
        away.setId("mark-away-" + at);
        away.setAccessibleText("take " + name + " away");
        switch (e) {
            case Evidence.Span s -> first(number(at, "metres", metres(name), s.metres(), v -> new Evidence.Span(s.from(), s.to(), v)),
                    away);
            case Evidence.Upright u ->
                    first(number(at, "metres", metres(name), u.heightM(), v -> new Evidence.Upright(u.foot(), u.top(), v)), away);
            case Evidence.Lens l -> first(number(at, "metres", new Tape.Number(name, "\u00b0", 3, 150, 0.5, 1, Words.of("mark.LENS.help")),
                    l.viewDeg(), Evidence.Lens::new), away);
            case Evidence.LensHeight l ->
                    first(number(at, "metres", new Tape.Number(name, "m", 0.01, 1000, 0.01, 2, Words.of("mark.LENS_HEIGHT.help")),
                    l.metres(), Evidence.LensHeight::new), away);
            case Evidence.Tiles t -> {
                first(wide(Text.of(name, "muted")), away);
                getChildren().addAll(
                        number(at, "tiles-across", count("across"), t.across(), v -> new Evidence.Tiles(t.nearLeft(), t.nearRight(),
                        t.farRight(), t.farLeft(), (int) Math.round(v), t.away(), t.metres())),
                        number(at, "tiles-away", count("away"), t.away(), v -> new Evidence.Tiles(t.nearLeft(), t.nearRight(),
                        t.farRight(), t.farLeft(), t.across(), (int) Math.round(v), t.metres())),
                        number(at, "metres", new Tape.Number(Words.of("mark.TILES.metres"), "m", 0, 100, 0.01, 3,
                        Words.of("mark.TILES.metres.help")), t.metres(),
                                v -> new Evidence.Tiles(t.nearLeft(), t.nearRight(), t.farRight(), t.farLeft(), t.across(), t.away(), v)));
            }
            case Evidence.Shade s -> {
                first(wide(Text.of(name, "muted")), away);
                getChildren().add(choice(at, "mark.SHADE.", Words.of("mark.SHADE.lies"), Evidence.Lies.values(), s.lies(),
                        l -> new Evidence.Shade(s.lit(), s.dark(), l)));
            }
            case Evidence.Round r -> {
                first(wide(Text.of(name, "muted")), away);
                getChildren().add(choice(at, "mark.ROUND.", Words.of("mark.ROUND.shape"), Evidence.Shape.values(), r.shape(),
                        x -> new Evidence.Round(x, r.middle(), r.edge())));
            }
            case Evidence.Tape t -> read(at, name, e, away);
            case Evidence.Staff t -> read(at, name, e, away);
            case Evidence.Edge x -> {}
            case Evidence.Horizon x -> first(wide(Text.of(name, "muted")), away);
            case Evidence.Shadow x -> first(wide(Text.of(name, "muted")), away);
            case Evidence.Grey x -> first(wide(Text.of(name, "muted")), away);
            case Evidence.Lamp x -> first(wide(Text.of(name, "muted")), away);
        }
    }

    private void first(Node what, Button away) {
        HBox.setHgrow(what, Priority.ALWAYS);
        getChildren().add(new HBox(6, what, away));
    }

    private void read(int at, String name, Evidence e, Button away) {
        Label value = Text.of(MatchWords.tape(model.camera().flatMap(c -> MarkConversion.read(e, c))), "number");
        value.setId("mark-reads-" + at);
        getChildren().add(new HBox(6, wide(Text.of(name, "muted")), value, away));
    }

    private static Tape.Number metres(String name) {
        return new Tape.Number(name, "m", 0.01, 100, 0.01, 2, Words.of("mark.metres.help"));
    }

    private static Tape.Number count(String which) {
        return new Tape.Number(Words.of("mark.TILES." + which), "", 1, 1000, 1, 0, Words.of("mark.TILES.count.help"));
    }

    private Tape number(int at, String what, Tape.Number n, double value, DoubleFunction<Evidence> of) {
        Tape t = new Tape(n, v -> {}, v -> model.told(at, of.apply(v)));
        t.field().setId("mark-" + what + "-" + at);
        t.show(value);
        return t;
    }

    private <E extends Enum<E>> ChoiceRow choice(int at, String key, String name, E[] all, E chosen, Function<E, Evidence> of) {
        ChoiceRow row = new ChoiceRow("mark-" + at, name, Stream.of(all).map(e -> Words.of(key + e.name())).toList(), word -> Stream.of(all)
                .filter(e -> Words.of(key + e.name()).equals(word)).findFirst().ifPresent(e -> model.told(at, of.apply(e))));
        row.show(Words.of(key + chosen.name()));
        return row;
    }
}
