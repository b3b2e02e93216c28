package org.scenothesis.studio.breakdown;

import java.util.ArrayList;
import java.util.List;
import java.util.function.Consumer;
import java.util.function.DoubleConsumer;
import java.util.stream.Collectors;
import javafx.geometry.Insets;
import javafx.geometry.Pos;
import javafx.scene.Node;
import javafx.scene.control.Label;
import javafx.scene.control.TextField;
import javafx.scene.control.ToggleButton;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;
import javafx.scene.layout.VBox;
import org.jspecify.annotations.Nullable;
import org.scenothesis.core.breakdown.Breakdown;
import org.scenothesis.core.breakdown.fact.Answers;
import org.scenothesis.core.breakdown.fact.Fact;
import org.scenothesis.core.breakdown.fact.Question;
import org.scenothesis.core.shot.Beat;
import org.scenothesis.core.shot.Illusion;
import org.scenothesis.core.shot.Shot;
import org.scenothesis.production.words.PlanWords;
import org.scenothesis.production.words.Words;
import org.scenothesis.studio.parts.Focus;
import org.scenothesis.studio.parts.PaperSlip;
import org.scenothesis.studio.parts.Tape;
import org.scenothesis.studio.parts.Text;

/// What is told: the story, its beats, every illusion with its questions, and the setting. One slip lies open at a time.
final class StoryPanel {
    private static final String STORY = "story";
    private static final String SETTING = "setting";

    /// Two lines, kept free so that nothing moves under the pointer.
    private static final double TRYING = 48;

    private final BreakDownModel model;
    private final Consumer<BreakDownBench.Page> turn;
    private final VBox slips = new VBox(8);
    private String open = "";
    private String shotId = "";
    private final Questions questions;
    private final Label wouldChange = Text.of("");
    private final VBox strip = new VBox(wouldChange);
    private String tried = "";

    StoryPanel(BreakDownModel model, Consumer<BreakDownBench.Page> turn) {
        this.model = model;
        this.turn = turn;
        questions = new Questions(this::looked, () -> Focus.keeping(slips, this::refresh));
        strip.setId("would-change");
        strip.setMinHeight(TRYING);
        strip.setMaxHeight(TRYING);
        wouldChange.setWrapText(true);
        wouldChange.setMaxHeight(TRYING);
        nothing();
        slips.setId("telling");
        slips.setPadding(new Insets(0, 4, 10, 0));
    }

    Node node() {
        return slips;
    }

    /// What an answer that is looked at would change.
    Node wouldChange() {
        return strip;
    }

    /// Opens the slip and the group in which a question is asked; `illusion` empty for the setting.
    void ask(String illusion, Fact f) {
        open = illusion.isEmpty() ? SETTING : illusion;
        questions.unfold(illusion, f);
        refresh();
        slips.lookupAll(".answer").stream().filter(n -> n instanceof ToggleButton b && b.isSelected() && String.valueOf(b.getId())
                .startsWith("answer-" + f.key() + "-")).findFirst().ifPresent(Node::requestFocus);
    }

    /// Opens the slip of an illusion that was just added, with its name in hand.
    void tell(String illusion) {
        open = illusion;
        refresh();
        Node subject = slips.lookup("#subject-" + illusion);
        if (subject != null) {
            subject.requestFocus();
        }
    }

    private void looked(String illusion, Fact f, String answer, boolean now) {
        String key = illusion + "/" + f + "/" + answer;
        if (!now) {
            if (tried.equals(key)) {
                nothing();
            }
            return;
        }
        tried = key;
        model.wouldChange(illusion, f, answer, words -> {
            if (tried.equals(key)) {
                wouldChange.setText("\u201c" + answers(f, answer) + "\u201d: " + words);
                strip.getStyleClass().setAll("would-change");
            }
        });
    }

    private void nothing() {
        tried = "";
        wouldChange.setText(Words.of("asked.try"));
        strip.getStyleClass().setAll("would-nothing");
    }

    private static String answers(Fact f, String answer) {
        return List.of(answer.split(" ")).stream().map(a -> PlanWords.answer(f, a)).collect(Collectors.joining(" and "));
    }

    void refresh() {
        nothing();
        Shot shot = model.shot();
        if (!shot.id().equals(shotId)) {
            shotId = shot.id();
            open = shot.illusions().isEmpty() ? STORY : shot.illusions().getFirst().id();
        }
        slips.getChildren().setAll(slip(STORY, shot.title(), about(shot), () -> story(shot)));
        for (Illusion w : shot.illusions()) {
            slips.getChildren().add(slip(w.id(), PlanWords.capital(PlanWords.illusion(w)), Words.time(w.fromSeconds()) + " to "
                    + Words.time(w.toSeconds()), () -> illusion(shot, w)));
        }
        slips.getChildren().add(slip(SETTING, Words.of("story-panel.the-place-and-what-is"), PlanWords.answer(Fact.LIGHT, light(shot)),
                () -> setting(shot)));
        var add = Text.button(Words.of("story-panel.add-what-is-impossible"), "floor-button", () -> turn.accept(BreakDownBench.Page.READY));
        add.setId("add-illusion");
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
        TextField told = field("shot-story", shot.story(), Words.of("story-panel.what-does-the-audience-see"),
                t -> model.tell(shot.title(), t, shot.seconds()));
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
        out.add(Text.block(Words.of("story-panel.marks-beat-at-the-playhead"), "paper-soft"));
        return out;
    }

    private void beat(Beat was, @Nullable Beat is) {
        model.session().change(is == null ? Words.of("story-panel.take-beat-away") : "change a beat", s -> {
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

    private List<Node> illusion(Shot shot, Illusion w) {
        List<Node> out = new ArrayList<>();
        TextField subject = field("subject-" + w.id(), w.subject(), Words.of("story-panel.who-or-what"), t -> model.rename(w, t));
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
        List<Question> asked = new ArrayList<>(Breakdown.questions(shot, w, model.rules()));
        // Where the base is decides more than the illusion itself, so it is asked here too.
        asked.addFirst(Question.about(Fact.BASE));
        out.addAll(questions.of(w.id(), asked, Answers.of(w, shot.setting()), a -> model.answer(w, a.fact(), a.value())));
        return out;
    }

    private List<Node> setting(Shot shot) {
        return questions.of("", Breakdown.questions(shot), Answers.of(shot.setting()), a -> model.answer(a.fact(), a.value()));
    }

    static Tape tape(String name, String unit, double low, double high, double step, double now, DoubleConsumer accept) {
        int decimals = step >= 1 ? 0 : step >= 0.1 ? 1 : 2;
        Tape t = new Tape(new Tape.Number(name, unit, low, high, step, now != Math.rint(now * Math.pow(10, decimals)) / Math.pow(10,
                decimals) ? 3 : decimals, ""), v -> {}, accept);
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
