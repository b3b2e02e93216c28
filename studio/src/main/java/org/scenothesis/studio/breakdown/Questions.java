package org.scenothesis.studio.breakdown;

import java.util.ArrayList;
import java.util.EnumMap;
import java.util.HashSet;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Set;
import java.util.function.Consumer;
import java.util.stream.Collectors;
import javafx.geometry.Insets;
import javafx.geometry.Pos;
import javafx.scene.Node;
import javafx.scene.control.Label;
import javafx.scene.control.ToggleButton;
import javafx.scene.control.ToggleGroup;
import javafx.scene.layout.FlowPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;
import javafx.scene.layout.VBox;
import javafx.scene.paint.Color;
import javafx.scene.shape.Rectangle;
import org.scenothesis.core.breakdown.fact.Answers;
import org.scenothesis.core.breakdown.fact.Fact;
import org.scenothesis.core.breakdown.fact.Question;
import org.scenothesis.core.breakdown.fact.Topic;
import org.scenothesis.core.breakdown.method.ClothChoice;
import org.scenothesis.core.breakdown.method.Swatch;
import org.scenothesis.core.finding.HouseRules;
import org.scenothesis.production.words.PlanWords;
import org.scenothesis.production.words.Words;
import org.scenothesis.studio.parts.PaperSlip;
import org.scenothesis.studio.parts.Tape;
import org.scenothesis.studio.parts.Text;

/// The questions of a slip: few at once, the rest in groups that unfold, with how many are still assumed. An answer that is looked at says
/// what it would change.
final class Questions {
    /// Told of an answer before it is given: the fact, the answer, and whether it is still looked at.
    interface Trying {
        void on(String illusion, Fact fact, String answer, boolean now);
    }

    private final Trying trying;
    private final Runnable refold;
    private final Set<String> unfolded = new HashSet<>();

    Questions(Trying trying, Runnable refold) {
        this.trying = trying;
        this.refold = refold;
    }

    /// Unfolds the group in which a fact is asked.
    void unfold(String illusion, Fact f) {
        unfolded.add(illusion + "/" + Topic.of(f));
    }

    /// The questions of an illusion, or of the setting (`illusion` empty).
    List<Node> of(String illusion, List<Question> asked, Answers told, Consumer<Answer> answer) {
        List<Node> out = new ArrayList<>();
        long given = asked.stream().filter(q -> told.given(q.fact())).count();
        Label count = Text.block(Words.of("asked.count", given, asked.size() - given), "paper-soft");
        count.setId("asked-of-" + (illusion.isEmpty() ? "setting" : illusion));
        out.add(count);
        Map<Topic, List<Question>> topics = asked.stream()
                .collect(Collectors.groupingBy(q -> Topic.of(q.fact()), () -> new EnumMap<>(Topic.class), Collectors.toList()));
        topics.getOrDefault(Topic.FIRST, List.of()).forEach(q -> out.add(ask(illusion, q, told, answer)));
        topics.forEach((topic, of) -> {
            if (topic != Topic.FIRST) {
                out.add(group(illusion, topic, of, told, answer));
            }
        });
        return out;
    }

    /// An answer to a question.
    record Answer(Fact fact, String value) {}

    private Node group(String illusion, Topic topic, List<Question> of, Answers told, Consumer<Answer> answer) {
        String key = illusion + "/" + topic;
        boolean open = unfolded.contains(key);
        Label name = Text.of(Words.of("topic." + topic), "paper-text", "strong-ink", "topic");
        name.setMinWidth(Region.USE_PREF_SIZE);
        Label brief = Text.of(open ? "" : summary(of, told), "paper-soft");
        brief.setMinWidth(0);
        HBox head = new HBox(8, name, brief);
        head.setAlignment(Pos.BASELINE_LEFT);
        PaperSlip slip = new PaperSlip("topic-head", () -> {
            if (!unfolded.remove(key)) {
                unfolded.add(key);
            }
            refold.run();
        }, head);
        slip.setId("topic-" + (illusion.isEmpty() ? "setting" : illusion) + "-" + topic.name().toLowerCase(Locale.ROOT));
        slip.setAccessibleText(Words.of("topic." + topic) + (open ? ", open" : ", folded"));
        VBox out = new VBox(8, slip);
        if (open) {
            VBox inside = new VBox(8);
            inside.setPadding(new Insets(0, 0, 4, 10));
            of.forEach(q -> inside.getChildren().add(ask(illusion, q, told, answer)));
            out.getChildren().add(inside);
        }
        return out;
    }

    /// What is told in a folded group, then that the rest is assumed.
    private static String summary(List<Question> of, Answers told) {
        List<String> given = of.stream().filter(q -> told.given(q.fact())).map(q -> value(q, told.answer(q.fact())))
                .filter(v -> !v.isBlank()).toList();
        if (!given.isEmpty()) {
            return String.join(", ", given);
        }
        return Words.of("asked.assumed") + " " + of.stream().map(q -> value(q, q.otherwise())).filter(v -> !v.isBlank()).limit(3)
                .collect(Collectors.joining(", "));
    }

    private static String value(Question q, String answer) {
        if (q.isText()) {
            return answer;
        }
        if (!q.isNumber()) {
            return q.fact().several() ? List.of(answer.strip().split("\\s+")).stream().map(a -> PlanWords.answer(q.fact(), a))
                    .collect(Collectors.joining(" and ")) : PlanWords.answer(q.fact(), answer);
        }
        double v = Double.parseDouble(answer);
        String number = Words.number(v, v == Math.rint(v) ? 0 : 2);
        return q.unit().isEmpty() ? number : number + "\u00a0" + q.unit();
    }

    private Region ask(String illusion, Question q, Answers told, Consumer<Answer> answer) {
        String now = told.given(q.fact()) ? told.answer(q.fact()) : q.otherwise();
        Label words = Text.block(PlanWords.question(q.fact()), "paper-text");
        if (q.isNumber()) {
            Tape tape = StoryPanel.tape("", q.unit(), q.fact().low(), q.fact().high(), step(q), Double.parseDouble(now),
                    v -> answer.accept(new Answer(q.fact(), String.valueOf(v))));
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
            VBox box = new VBox(3, words, StoryPanel.field("text-" + q.key(), now, "", v -> answer.accept(new Answer(q.fact(), v))));
            if (q.fact() == Fact.COLOURS && !Swatch.list(now).isEmpty()) {
                box.getChildren().add(swatches(now));
            }
            return box;
        }
        return new VBox(3, words, choices(illusion, q, now, answer));
    }

    private FlowPane choices(String illusion, Question q, String now, Consumer<Answer> answer) {
        FlowPane choices = new FlowPane(4, 4);
        ToggleGroup group = new ToggleGroup();
        List<String> held = q.fact().several() ? List.of(now.strip().split("\\s+")) : List.of(now);
        for (String a : q.answers()) {
            ToggleButton b = new ToggleButton(PlanWords.answer(q.fact(), a));
            b.setId("answer-" + q.key() + "-" + a);
            b.getStyleClass().setAll("toggle-button", "answer");
            AnswerDrawing.of(q.fact(), a).ifPresent(b::setGraphic);
            if (!q.fact().several()) {
                b.setToggleGroup(group);
            }
            b.setSelected(held.contains(a));
            String told = q.fact().several() ? toggled(q, held, a) : a;
            b.setOnAction(e -> {
                b.setSelected(List.of(told.split(" ")).contains(a));
                answer.accept(new Answer(q.fact(), told));
            });
            if (!told.equals(now)) {
                b.hoverProperty().addListener((o, was, is) -> trying.on(illusion, q.fact(), told, is));
                b.focusedProperty().addListener((o, was, is) -> trying.on(illusion, q.fact(), told, is));
            }
            choices.getChildren().add(b);
        }
        return choices;
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
        ClothChoice c = ClothChoice.of(new Answers(Map.of(Fact.COLOURS.key(), colours), Map.of()), HouseRules.DEFAULT);
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
}
