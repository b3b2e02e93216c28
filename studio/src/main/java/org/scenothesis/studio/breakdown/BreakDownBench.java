package org.scenothesis.studio.breakdown;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import javafx.geometry.Insets;
import javafx.geometry.Pos;
import javafx.scene.control.Label;
import javafx.scene.control.ScrollPane;
import javafx.scene.control.ToggleButton;
import javafx.scene.control.ToggleGroup;
import javafx.scene.layout.FlowPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;
import javafx.scene.layout.VBox;
import org.scenothesis.core.breakdown.Breakdown;
import org.scenothesis.core.breakdown.BreakdownPlan;
import org.scenothesis.core.breakdown.Method;
import org.scenothesis.core.breakdown.PlateNeed;
import org.scenothesis.core.breakdown.Question;
import org.scenothesis.core.breakdown.RunningOrder;
import org.scenothesis.core.breakdown.WonderRule;
import org.scenothesis.core.shot.Plate;
import org.scenothesis.core.shot.Shot;
import org.scenothesis.core.shot.Spike;
import org.scenothesis.core.shot.Wonder;
import org.scenothesis.core.shot.WonderKind;
import org.scenothesis.production.words.Words;
import org.scenothesis.studio.house.Bench;
import org.scenothesis.studio.house.BenchName;
import org.scenothesis.studio.house.Session;
import org.scenothesis.studio.parts.SpikeMark;
import org.scenothesis.studio.parts.Tape;
import org.scenothesis.studio.parts.Text;
import org.scenothesis.studio.parts.TimeStrip;

/// The audience's view as beats and wonders, plain questions, and the plates that follow with their reasons.
public final class BreakDownBench extends Bench {
    private final TimeStrip strip = new TimeStrip();
    private final VBox questions = new VBox(10);
    private final VBox plates = new VBox(8);

    public BreakDownBench(Session session) {
        super(session, BenchName.BREAK_DOWN, new VBox(10));
        strip.setId("beats-strip");
        strip.setPrefHeight(72);
        strip.setMinHeight(72);
        strip.whenMoved(s -> session.goToFrame(s * session.rate()));
        ScrollPane left = scroll(questions);
        left.setMinWidth(330);
        left.setPrefWidth(350);
        ScrollPane right = scroll(plates);
        HBox.setHgrow(right, Priority.ALWAYS);
        HBox both = new HBox(12, left, right);
        VBox.setVgrow(both, Priority.ALWAYS);
        view.setPadding(new Insets(8, 14, 8, 12));
        view.getChildren().addAll(strip, both);
        session.production().addListener(o -> refresh());
        session.shotId().addListener(o -> refresh());
        session.seconds().addListener(o -> strip.at(session.seconds().get()));
    }

    private static ScrollPane scroll(VBox content) {
        ScrollPane s = new ScrollPane(content);
        s.setFitToWidth(true);
        s.setHbarPolicy(ScrollPane.ScrollBarPolicy.NEVER);
        return s;
    }

    @Override
    protected void refresh() {
        if (!inView()) {
            return;
        }
        Shot shot = session.shot();
        List<TimeStrip.Ribbon> ribbons = new ArrayList<>();
        for (Wonder w : shot.wonders()) {
            ribbons.add(new TimeStrip.Ribbon(w.subject() + " " + Words.of("wonder." + w.kind().name()), w.fromSeconds(), w.toSeconds(), Spike.number(ribbons.size() + 2)));
        }
        strip.show(shot.seconds(), ribbons, shot.beats());
        strip.at(session.seconds().get());
        questions.getChildren().setAll(Text.block(shot.story(), "text-chalk"));
        shot.wonders().forEach(w -> questions.getChildren().add(slip(w)));
        questions.getChildren().add(Text.button("+ Something floats", "floor-button", this::addFloats));
        BreakdownPlan plan = Breakdown.plan(shot, session.store().now().houseRules());
        fill(shot, plan);
    }

    private void addFloats() {
        session.change("add a wonder", s -> {
            List<Wonder> more = new ArrayList<>(s.wonders());
            more.add(new Wonder("floats-" + (more.size() + 1), WonderKind.FLOATS, "something", 0, s.seconds(), Map.of()));
            return s.withWonders(more);
        });
    }

    private Region slip(Wonder w) {
        VBox paper = new VBox(9);
        paper.getStyleClass().addAll("paper", "on-paper");
        Label title = Text.block(w.subject() + " " + Words.of("wonder." + w.kind().name()), "paper-title");
        var remove = Text.button("take away", "paper-link", () -> session.change(
                "take a wonder away", s -> s.withWonders(s.wonders().stream().filter(o -> !o.id().equals(w.id())).toList())));
        HBox head = new HBox(8, title, remove);
        HBox.setHgrow(title, Priority.ALWAYS);
        title.setMaxWidth(Double.MAX_VALUE);
        remove.setMinWidth(Region.USE_PREF_SIZE);
        paper.getChildren().add(head);
        Optional<WonderRule> rule = Breakdown.rule(w);
        if (rule.isEmpty()) {
            paper.getChildren().add(Text.block("There is no rule for this wonder yet: plan its plates by hand on the shelf.", "paper-text"));
            return paper;
        }
        for (Question q : rule.get().questions(w)) {
            paper.getChildren().add(ask(w, q));
        }
        return paper;
    }

    private Region ask(Wonder w, Question q) {
        VBox box = new VBox(3, Text.block(Words.of("ask." + q.key()), "paper-text"));
        String now = w.fact(q.key(), q.otherwise());
        if (q.isNumber()) {
            Tape tape = new Tape(
                    new Tape.Parameter("", q.unit(), 0, 1000, 0.05, 2, ""), v -> {}, v -> answer(w, q, String.valueOf(v)));
            tape.show(number(now));
            tape.setMaxWidth(130);
            box.getChildren().add(tape);
            return box;
        }
        FlowPane choices = new FlowPane(4, 4);
        ToggleGroup group = new ToggleGroup();
        for (String a : q.answers()) {
            ToggleButton b = new ToggleButton(Words.of("answer." + a));
            b.setId("answer-" + q.key() + "-" + a);
            b.getStyleClass().setAll("toggle-button", "answer");
            b.setToggleGroup(group);
            b.setSelected(a.equals(now));
            b.setOnAction(e -> {
                b.setSelected(true);
                answer(w, q, a);
            });
            choices.getChildren().add(b);
        }
        box.getChildren().add(choices);
        return box;
    }

    private static double number(String s) {
        try {
            return Double.parseDouble(s);
        } catch (NumberFormatException e) {
            return 0;
        }
    }

    private void answer(Wonder w, Question q, String value) {
        session.change("answer: " + Words.of("ask." + q.key()), s -> s.withWonder(w.id(), o -> o.withFact(q.key(), value)));
    }

    private void fill(Shot shot, BreakdownPlan plan) {
        plates.getChildren().clear();
        List<Plate> missing = Breakdown.missing(shot, plan, n -> Words.of("name." + n.role().name()));
        HBox head = new HBox(12, Text.of("Plates that follow, in running order", "heading"), Text.of("about " + Words.number(plan.minutes(), 0) + " min on set", "muted"));
        head.setAlignment(Pos.CENTER_LEFT);
        if (!missing.isEmpty()) {
            head.getChildren().add(Text.button(
                    "Put " + missing.size() + (missing.size() == 1 ? " plate" : " plates") + " on the shelf", "floor-button",
                    () -> session.change("put plates on the shelf", s -> {
                        List<Plate> all = new ArrayList<>(s.plates());
                        all.addAll(missing);
                        return s.withPlates(all);
                    })));
            head.getChildren().getLast().setId("shelve");
        }
        plates.getChildren().add(head);
        if (plan.order().isEmpty()) {
            plates.getChildren().add(Text.block("No plates follow yet. Add what is impossible at the left and answer its questions.", "muted"));
        }
        int i = 1;
        for (RunningOrder.Step s : plan.order()) {
            plates.getChildren().add(plate(shot, s, i++));
        }
        plan.methods().forEach((id, methods) -> plates.getChildren().add(methods(methods)));
        if (!plan.kit().isEmpty()) {
            plates.getChildren().add(Text.block("Kit: " + String.join(", ", plan.kit().stream().map(k -> Words.of("kit." + k)).toList()) + ".", "text-chalk"));
        }
        for (String c : plan.cautions()) {
            plates.getChildren().add(caution(Words.of("caution." + c)));
        }
        if (!plan.cautions().isEmpty()) {
            plates.getChildren().add(Text.block(Words.of("caution.local"), "muted"));
        }
    }

    private static Region caution(String words) {
        javafx.scene.shape.Rectangle stripe = new javafx.scene.shape.Rectangle(5, 18);
        stripe.getStyleClass().add("cut");
        HBox box = new HBox(8, stripe, Text.block("Caution. " + words, "text-chalk"));
        box.setAlignment(Pos.CENTER_LEFT);
        return box;
    }

    private Region plate(Shot shot, RunningOrder.Step step, int number) {
        PlateNeed n = step.need();
        Optional<Plate> have = shot.plateOf(n.role());
        SpikeMark mark = new SpikeMark(have.map(Plate::spike).orElse(Spike.number(number)), 16);
        String roll = n.rollSeconds() == 0 ? "a still" : Words.number(n.rollSeconds(), 1) + " s";
        Label title = Text.of(number + ". " + have.map(Plate::name).orElse(Words.of("name." + n.role().name())), "paper-title");
        Label facts = Text.of(
                Words.of("role." + n.role().name()) + ", " + roll + " \u00b7 lock " + n.lockGroup() + (n.lightGroup().isEmpty() ? "" : " \u00b7 light " + n.lightGroup())
                        + (step.changeMinutes() > 0 ? " \u00b7 " + Math.round(step.changeMinutes()) + " min of change before" : "")
                        + (n.proposed() ? " \u00b7 proposed" : ""),
                "paper-soft");
        VBox words = new VBox(2, title, facts, Text.block(Words.of("why." + n.code()), "paper-text"), Text.block("If you skip it: " + Words.of("skip." + n.code()), "paper-soft"));
        HBox.setHgrow(words, Priority.ALWAYS);
        HBox paper = new HBox(10, bracket(n), mark, words);
        paper.getStyleClass().addAll("paper", "on-paper");
        paper.setPadding(new Insets(8, 12, 8, 8));
        return paper;
    }

    /// Plates of one lock group hang on one bracket.
    private static Region bracket(PlateNeed n) {
        Label group = Text.of(n.lockGroup(), "paper-number");
        VBox box = new VBox(group);
        box.setAlignment(Pos.CENTER);
        box.setMinWidth(22);
        box.getStyleClass().add("lock-bracket");
        javafx.scene.control.Tooltip.install(box, new javafx.scene.control.Tooltip("Lock group " + n.lockGroup() + ": the camera is not touched between these plates"));
        return box;
    }

    private static Region methods(List<Method> methods) {
        HBox box = new HBox(8);
        for (Method m : methods) {
            VBox one = new VBox(
                    2,
                    Text.of(Words.of("method." + m.code()) + (m.recommended() ? " (recommended)" : ""), "strong"),
                    Text.of(Words.number(m.setMinutes(), 0) + " min on set, " + Words.number(m.handHours(), 1) + " h by hand later", "number"),
                    Text.block(m.keyframes() + " hand frames at " + Words.number(m.minutesEach(), 0) + " min. " + Words.of("method." + m.code() + ".risk"), "muted", "small"));
            one.getStyleClass().addAll("method", m.recommended() ? "method-recommended" : "method-other");
            one.setPrefWidth(250);
            HBox.setHgrow(one, Priority.ALWAYS);
            box.getChildren().add(one);
        }
        return box;
    }
}
