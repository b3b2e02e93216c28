package org.scenothesis.studio.key;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.NavigableMap;
import java.util.TreeMap;
import javafx.geometry.Insets;
import javafx.geometry.Pos;
import javafx.scene.Node;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;
import javafx.scene.layout.VBox;
import org.jspecify.annotations.Nullable;
import org.scenothesis.core.finding.Finding;
import org.scenothesis.core.finding.Judgement;
import org.scenothesis.core.key.ScreenModel;
import org.scenothesis.core.shot.Layer;
import org.scenothesis.core.shot.Plate;
import org.scenothesis.core.shot.PlateRole;
import org.scenothesis.core.shot.Take;
import org.scenothesis.production.measure.FootageBrief;
import org.scenothesis.production.measure.KeyMeter;
import org.scenothesis.production.measure.KeyReport;
import org.scenothesis.production.words.Words;
import org.scenothesis.studio.house.BenchName;
import org.scenothesis.studio.house.Session;
import org.scenothesis.studio.parts.Text;
import org.scenothesis.studio.parts.VerdictMark;

/// What the matte of a plate measures, or why it does not yet, with the button that begins it.
final class KeyMeasures extends VBox {
    private final Session session;
    private List<Integer> hands = List.of();

    KeyMeasures(Session session) {
        super(3);
        this.session = session;
        getStyleClass().addAll("paper", "on-paper");
        setMinWidth(316);
        setPrefWidth(380);
        setMaxWidth(400);
        setPadding(new Insets(8, 14, 8, 14));
    }

    /// Shows the measures of a plate; `l`: the layer that keys it, null for none.
    void show(@Nullable Plate plate, @Nullable Layer l) {
        getChildren().clear();
        hands = List.of();
        if (plate == null) {
            getChildren().add(Text.of("No plate", "paper-title"));
            return;
        }
        KeyReport r = session.measured().get().key(session.shot(), plate).orElse(null);
        hands = r == null || l == null ? List.of() : frames(plate, r, l);
        getChildren().add(head(plate, r));
        if (l == null) {
            boolean element = plate.role().keyed();
            getChildren().add(Text.block(
                    element ? Words.of("key-measures.this-element-is-not-keyed") : Words.of("key-measures.this-plate-is-only-elements",
                    Words.of("role." + plate.role().name())), "paper-text"));
            if (element && plate.chosen() != null) {
                var start = Text.button(Words.of("key-measures.key-this-plate"), "paper-button", () -> begin(plate));
                start.setId("begin-key");
                getChildren().add(start);
            }
            return;
        }
        if (r == null) {
            getChildren().add(Text.block(waiting(plate), "paper-text"));
            return;
        }
        Judgement found = BenchName.KEY.of(session.judgement(plate.id()));
        found.findings().stream().sorted(Comparator.comparing(Finding::measure)).forEach(f -> getChildren().add(row(f)));
        Finding worst = found.open().stream().findFirst().orElse(null);
        String from = switch (r.source()) {
            case SCREEN_PLATE -> Words.of("key-measures.screen-colour-from-the-screen-only");
            case TAKE -> Words.of("key-measures.screen-colour-from-the-take");
            case WORN -> Words.of("key-measures.worn");
            case FRAME -> Words.of("key-measures.screen-colour-from-one-frame");
        };
        getChildren().add(Text.block(worst == null ? from : Words.sentence(worst).remedy(), "paper-soft"));
        if (r.source() == ScreenModel.Source.WORN && worst != null) {
            getChildren().add(Text.block(from, "paper-soft"));
        }
        if (r.clothOutline()) {
            getChildren().add(Text.block(Words.of("key-measures.judged-within-the-outline-round"), "paper-soft"));
        }
        if (KeyModel.solid(l).isPresent()) {
            getChildren().add(Text.block(Words.of("key-measures.measured-of-the-key-alone"), "paper-soft"));
        }
        if (r.reduced() > 1) {
            getChildren().add(Text.block(Words.of("key-measures.measured-times-reduced-the-picture", r.reduced()), "paper-soft"));
        }
    }

    private Node head(Plate plate, @Nullable KeyReport r) {
        // Whose they are is said by shelf and strip; beside the button there is no room for a long name.
        Label title = Text.of(r == null ? plate.name() : Words.of(r.everyFrame() ? "key-measures.worst-of-every" : "key-measures.worst-of",
                Words.frames(r.samples().size())), "paper-title");
        HBox.setHgrow(title, Priority.ALWAYS);
        title.setMaxWidth(Double.MAX_VALUE);
        HBox head = new HBox(8, title);
        if (!hands.isEmpty()) {
            Button next = Text.button(Words.of("key-measures.need-a-hand", Words.frames(hands.size())), "paper-button", this::nextHand);
            next.setId("next-hand");
            next.setMinWidth(Region.USE_PREF_SIZE);
            Text.tip(next, () -> Words.of("key-measures.need-a-hand.help"));
            head.getChildren().add(next);
        }
        head.setAlignment(Pos.CENTER_LEFT);
        return head;
    }

    /// The frames of the shot that show those of the take which need a hand, in order.
    List<Integer> hands() {
        return hands;
    }

    /// Goes to the next frame that needs a hand.
    void nextHand() {
        hands.stream().filter(f -> f > session.frame()).findFirst().or(() -> hands.stream().findFirst()).ifPresent(session::goToFrame);
    }

    private List<Integer> frames(Plate plate, KeyReport r, Layer l) {
        Take take = plate.chosen();
        FootageBrief brief = take == null ? null : session.measured().get().brief(take).orElse(null);
        if (brief == null) {
            return List.of();
        }
        NavigableMap<Double, Integer> shown = new TreeMap<>();
        double rate = session.rate();
        for (int f = 0; f < session.shot().seconds() * rate; f++) {
            shown.putIfAbsent(l.time().at(f / rate), f);
        }
        return shown.isEmpty() ? List.of() : r.needHand(KeyMeter.edge(session.shot()), session.production().get().houseRules()).stream()
                .map(h -> nearest(shown, h.frame() / brief.rate())).distinct().sorted().toList();
    }

    /// What is shown at a time of the take, or closest to it.
    private static int nearest(NavigableMap<Double, Integer> shown, double seconds) {
        Map.Entry<Double, Integer> before = shown.floorEntry(seconds + 1e-6);
        Map.Entry<Double, Integer> after = shown.ceilingEntry(seconds);
        boolean first = after == null || before != null && seconds - before.getKey() <= after.getKey() - seconds;
        return (first ? before : after).getValue();
    }

    /// Why there is no measurement: it is being made, it failed, or there is nothing to measure.
    private String waiting(Plate plate) {
        Take take = plate.chosen();
        if (take == null) {
            return Words.of("key-measures.this-plate-has-no-take");
        }
        String problem = session.problem(take);
        FootageBrief brief = session.measured().get().brief(take).orElse(null);
        return !problem.isEmpty() ? problem
                : session.measured().get().keyTrouble(session.shot(), plate).orElse(
                        brief != null && brief.alpha() ? Words.of("key-measures.this-take-has-its-own")
                        : session.work().get().what().isEmpty() ? Words.of("key-measures.the-matte-is-not-measured")
                        : Words.of("key-measures.measuring-the-matte"));
    }

    private static Node row(Finding f) {
        Words.Sentence s = Words.sentence(f);
        Label name = Text.of(s.title(), "paper-text");
        HBox.setHgrow(name, Priority.ALWAYS);
        name.setMaxWidth(Double.MAX_VALUE);
        HBox row = new HBox(8, new VerdictMark(f.verdict()), name, Text.of(Words.verdict(f.verdict()), "paper-soft"), value(s.value()));
        row.setAlignment(Pos.CENTER_LEFT);
        return row;
    }

    private static Label value(String words) {
        Label l = Text.of(words, "paper-number");
        l.setMinWidth(72);
        l.setAlignment(Pos.CENTER_RIGHT);
        return l;
    }

    private void begin(Plate plate) {
        session.change("key a plate", s -> {
            List<Layer> more = new ArrayList<>(s.layers());
            if (more.isEmpty()) {
                s.plateOf(PlateRole.CLEAN).ifPresent(c -> more.add(Layer.of("base", c.name(), c.id())));
            }
            more.add(Layer.element("element-" + plate.id(), plate.name(), plate.id(), s.somewhere()));
            return s.withLayers(more);
        });
        session.measure();
    }
}
