package org.scenothesis.studio.breakdown;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.function.Consumer;
import java.util.function.DoubleConsumer;
import javafx.geometry.Insets;
import javafx.geometry.Pos;
import javafx.scene.Node;
import javafx.scene.control.Label;
import javafx.scene.control.TextField;
import javafx.scene.control.ToggleButton;
import javafx.scene.control.ToggleGroup;
import javafx.scene.layout.FlowPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;
import javafx.scene.layout.VBox;
import javafx.scene.paint.Color;
import javafx.scene.shape.Rectangle;
import org.jspecify.annotations.Nullable;
import org.scenothesis.core.breakdown.Breakdown;
import org.scenothesis.core.breakdown.fact.Fact;
import org.scenothesis.core.breakdown.fact.Question;
import org.scenothesis.core.breakdown.fact.Told;
import org.scenothesis.core.breakdown.method.ClothChoice;
import org.scenothesis.core.breakdown.method.Swatch;
import org.scenothesis.core.finding.HouseRules;
import org.scenothesis.core.shot.Beat;
import org.scenothesis.core.shot.Shot;
import org.scenothesis.core.shot.Wonder;
import org.scenothesis.production.words.PlanWords;
import org.scenothesis.production.words.Words;
import org.scenothesis.studio.parts.Focus;
import org.scenothesis.studio.parts.PaperSlip;
import org.scenothesis.studio.parts.Tape;
import org.scenothesis.studio.parts.Text;

/// What is told: the story, its beats, every wonder with its questions, and the setting. One slip lies open at a time.
final class StoryPanel {
    private static final String STORY = "story";
    private static final String SETTING = "setting";

    private final BreakDownModel model;
    private final Consumer<BreakDownBench.Page> turn;
    private final VBox slips = new VBox(8);
    private String open = "";
    private String shotId = "";

    StoryPanel(BreakDownModel model, Consumer<BreakDownBench.Page> turn) {
        this.model = model;
        this.turn = turn;
        slips.setId("telling");
        slips.setPadding(new Insets(0, 4, 10, 0));
    }

    Node node() {
        return slips;
    }

    void refresh() {
        Shot shot = model.shot();
        if (!shot.id().equals(shotId)) {
            shotId = shot.id();
            open = shot.wonders().isEmpty() ? STORY : shot.wonders().getFirst().id();
        }
        slips.getChildren().setAll(slip(STORY, shot.title(), about(shot), () -> story(shot)));
        for (Wonder w : shot.wonders()) {
            slips.getChildren().add(slip(w.id(), PlanWords.capital(PlanWords.wonder(w)), Words.time(w.fromSeconds()) + " to " + Words.time(w.toSeconds()), () -> wonder(shot, w)));
        }
        slips.getChildren().add(slip(SETTING, "The place and what is there", PlanWords.answer(Fact.LIGHT, light(shot)), () -> setting(shot)));
        var add = Text.button("+ Add what is impossible", "floor-button", () -> turn.accept(BreakDownBench.Page.READY));
        add.setId("add-wonder");
        var fresh = Text.button("+ New shot", "quiet-button", model::newShot);
        fresh.setId("new-shot");
        HBox last = new HBox(8, add, fresh);
        last.setAlignment(Pos.CENTER_LEFT);
        slips.getChildren().add(last);
    }

    private static String light(Shot shot) {
        return shot.setting().facts().getOrDefault("light", "lamps");
    }

    private static String about(Shot shot) {
        return Words.number(shot.seconds(), 1) + " s, " + shot.beats().size() + (shot.beats().size() == 1 ? " beat" : " beats");
    }

    private interface Inside {
        List<Node> nodes();
    }

    private Region slip(String id, String title, String soft, Inside inside) {
        VBox paper = new VBox(8);
        paper.getStyleClass().addAll("paper", "on-paper");
        paper.setPadding(new Insets(8, 12, 10, 12));
        boolean unfolded = open.equals(id);
        Label name = Text.block(title, "paper-text", "strong-ink");
        HBox.setHgrow(name, Priority.ALWAYS);
        name.setMaxWidth(Double.MAX_VALUE);
        Label small = Text.of(soft, "paper-soft");
        small.setMinWidth(Region.USE_PREF_SIZE);
        HBox head = new HBox(8, name, small);
        head.setAlignment(Pos.CENTER_LEFT);
        PaperSlip button = new PaperSlip("slip-head", () -> {
            open = unfolded ? "" : id;
            Focus.keeping(slips, this::refresh);
        }, head);
        button.setId("slip-of-" + id);
        button.setAccessibleText(title + (unfolded ? ", open" : ", folded"));
        paper.getChildren().add(button);
        if (unfolded) {
            paper.getChildren().addAll(inside.nodes());
        }
        return paper;
    }

    private List<Node> story(Shot shot) {
        TextField title = field("shot-title", shot.title(), "Title", t -> model.tell(t, shot.story(), shot.seconds()));
        TextField told = field("shot-story", shot.story(), "What does the audience see?", t -> model.tell(shot.title(), t, shot.seconds()));
        Tape length = tape("Length", "s", 0.1, 3600, 0.5, shot.seconds(), v -> model.tell(shot.title(), shot.story(), v));
        List<Node> out = new ArrayList<>(List.of(title, told));
        if (!shot.story().isBlank()) {
            out.add(Text.block(shot.story(), "paper-soft"));
        }
        length.field().setId("shot-seconds");
        out.add(length);
        for (Beat b : shot.beats()) {
            TextField name = field("beat-" + b.id(), b.name(), "Beat", t -> beat(b, new Beat(b.id(), t, b.seconds())));
            HBox.setHgrow(name, Priority.ALWAYS);
            Tape at = tape("", "s", 0, 3600, 0.1, b.seconds(), v -> beat(b, b.at(v)));
            at.setMaxWidth(116);
            at.field().setId("beat-at-" + b.id());
            HBox row = new HBox(4, name, at, Text.button("\u00d7", "paper-link", () -> beat(b, null)));
            row.setAlignment(Pos.CENTER_LEFT);
            out.add(row);
        }
        out.add(Text.block("T marks a beat at the playhead.", "paper-soft"));
        return out;
    }

    private void beat(Beat was, @Nullable Beat is) {
        model.session().change(is == null ? "take a beat away" : "change a beat", s -> {
            List<Beat> all = new ArrayList<>();
            for (Beat b : s.beats()) {
                if (!b.id().equals(was.id())) {
                    all.add(b);
                } else if (is != null) {
                    all.add(is);
                }
            }
            return s.withBeats(all);
        });
    }

    private List<Node> wonder(Shot shot, Wonder w) {
        List<Node> out = new ArrayList<>();
        TextField subject = field("subject-" + w.id(), w.subject(), "Who or what", t -> model.rename(w, t));
        HBox.setHgrow(subject, Priority.ALWAYS);
        HBox row = new HBox(4, subject, Text.button("take away", "paper-link", () -> model.remove(w)));
        row.setAlignment(Pos.CENTER_LEFT);
        out.add(row);
        Tape from = tape("from", "s", 0, 3600, 0.1, w.fromSeconds(), v -> model.between(w, v, w.toSeconds()));
        Tape to = tape("to", "s", 0, 3600, 0.1, w.toSeconds(), v -> model.between(w, w.fromSeconds(), v));
        from.field().setId("from-" + w.id());
        to.field().setId("to-" + w.id());
        HBox.setHgrow(from, Priority.ALWAYS);
        HBox.setHgrow(to, Priority.ALWAYS);
        out.add(new HBox(10, from, to));
        for (Question q : Breakdown.questions(shot, w, model.rules())) {
            out.add(ask(w.fact(q.key(), shot.setting().facts().getOrDefault(q.key(), q.otherwise())), q, a -> model.answer(w, q.fact(), a)));
        }
        return out;
    }

    private List<Node> setting(Shot shot) {
        List<Node> out = new ArrayList<>();
        for (Question q : Breakdown.questions(shot)) {
            out.add(ask(shot.setting().facts().getOrDefault(q.key(), q.otherwise()), q, a -> model.answer(q.fact(), a)));
        }
        return out;
    }

    private static Region ask(String now, Question q, Consumer<String> answer) {
        Label words = Text.block(PlanWords.question(q.fact()), "paper-text");
        if (q.isNumber()) {
            Tape tape = tape("", q.unit(), q.fact().low(), q.fact().high(), step(q), number(now, q), v -> answer.accept(String.valueOf(v)));
            tape.field().setId("number-" + q.key());
            tape.setMinWidth(118);
            tape.setMaxWidth(126);
            HBox.setHgrow(words, Priority.ALWAYS);
            words.setMaxWidth(Double.MAX_VALUE);
            HBox row = new HBox(6, words, tape);
            row.setAlignment(Pos.CENTER_LEFT);
            return row;
        }
        if (q.isText()) {
            VBox box = new VBox(3, words, field("text-" + q.key(), now, "", answer));
            if (q.fact() == Fact.COLOURS && !Swatch.list(now).isEmpty()) {
                box.getChildren().add(swatches(now));
            }
            return box;
        }
        FlowPane choices = new FlowPane(4, 4);
        ToggleGroup group = new ToggleGroup();
        List<String> held = q.fact().several() ? List.of(now.strip().split("\\s+")) : List.of(now);
        for (String a : q.answers()) {
            ToggleButton b = new ToggleButton(PlanWords.answer(q.fact(), a));
            b.setId("answer-" + q.key() + "-" + a);
            b.getStyleClass().setAll("toggle-button", "answer");
            if (!q.fact().several()) {
                b.setToggleGroup(group);
            }
            b.setSelected(held.contains(a));
            b.setOnAction(e -> {
                String told = q.fact().several() ? toggled(q, held, a) : a;
                b.setSelected(List.of(told.split(" ")).contains(a));
                answer.accept(told);
            });
            choices.getChildren().add(b);
        }
        return new VBox(3, words, choices);
    }

    /// The answers that hold when one more is pressed; the last one stays.
    private static String toggled(Question q, List<String> held, String pressed) {
        List<String> out = q.answers().stream().filter(a -> held.contains(a) != a.equals(pressed)).toList();
        return out.isEmpty() ? pressed : String.join(" ", out);
    }

    /// The colours told, and how far the nearest of them lies from each cloth.
    private static Region swatches(String colours) {
        HBox row = new HBox(3);
        row.setAlignment(Pos.CENTER_LEFT);
        for (String hex : colours.split("[,;\\s]+")) {
            if (!Swatch.list(hex).isEmpty()) {
                Rectangle r = new Rectangle(16, 16, Color.web(hex.startsWith("#") ? hex : "#" + hex));
                r.getStyleClass().add("swatch");
                row.getChildren().add(r);
            }
        }
        ClothChoice c = ClothChoice.of(new Told(Map.of(Fact.COLOURS.key(), colours), Map.of()), HouseRules.DEFAULT);
        Label apart = Text.block("  from green " + apart(c.greenApart()) + ", from blue " + apart(c.blueApart()), "paper-soft");
        apart.setId("cloth-apart");
        row.getChildren().add(apart);
        return row;
    }

    private static String apart(double v) {
        return Words.number(v, 2) + " " + Words.verdict(ClothChoice.verdict(v));
    }

    private static double step(Question q) {
        return q.unit().isEmpty() || q.unit().equals("px") || q.unit().equals("%") ? 1 : q.fact().high() > 100 ? 0.5 : 0.05;
    }

    private static double number(String now, Question q) {
        return Double.parseDouble(q.fact().accepts(now) ? now : q.otherwise());
    }

    static Tape tape(String name, String unit, double low, double high, double step, double now, DoubleConsumer accept) {
        int decimals = step >= 1 ? 0 : step >= 0.1 ? 1 : 2;
        Tape t = new Tape(new Tape.Number(name, unit, low, high, step, now != Math.rint(now * Math.pow(10, decimals)) / Math.pow(10, decimals) ? 3 : decimals, ""), v -> {}, accept);
        t.show(now);
        return t;
    }

    /// A line of text that is accepted with Enter or by leaving it.
    static TextField field(String id, String now, String prompt, Consumer<String> accept) {
        TextField f = new TextField(now);
        f.setId(id);
        f.setPromptText(prompt);
        f.setAccessibleText(prompt);
        Runnable done = () -> {
            if (!f.getText().equals(now)) {
                accept.accept(f.getText());
            }
        };
        f.setOnAction(e -> done.run());
        f.focusedProperty().addListener((o, was, is) -> {
            if (was && !is) {
                done.run();
            }
        });
        return f;
    }
}
