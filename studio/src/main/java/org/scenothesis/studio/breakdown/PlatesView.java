package org.scenothesis.studio.breakdown;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.function.BiConsumer;
import java.util.stream.Collectors;
import javafx.geometry.Insets;
import javafx.geometry.Pos;
import javafx.scene.Node;
import javafx.scene.control.Label;
import javafx.scene.control.Tooltip;
import javafx.scene.layout.FlowPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;
import javafx.scene.layout.VBox;
import org.jspecify.annotations.Nullable;
import org.scenothesis.core.breakdown.Breakdown;
import org.scenothesis.core.breakdown.BreakdownPlan;
import org.scenothesis.core.breakdown.compare.Influence;
import org.scenothesis.core.breakdown.day.RunningOrder;
import org.scenothesis.core.breakdown.fact.Conflict;
import org.scenothesis.core.breakdown.fact.Fact;
import org.scenothesis.core.breakdown.plate.PlateKey;
import org.scenothesis.core.breakdown.plate.PlateNeed;
import org.scenothesis.core.breakdown.sketch.PlateSketch;
import org.scenothesis.core.finding.Verdict;
import org.scenothesis.core.shot.Illusion;
import org.scenothesis.core.shot.Plate;
import org.scenothesis.core.shot.Spike;
import org.scenothesis.production.words.DifferenceWords;
import org.scenothesis.production.words.PlanWords;
import org.scenothesis.production.words.Words;
import org.scenothesis.studio.parts.Drawing;
import org.scenothesis.studio.parts.Focus;
import org.scenothesis.studio.parts.PaperSlip;
import org.scenothesis.studio.parts.SpikeMark;
import org.scenothesis.studio.parts.Text;
import org.scenothesis.studio.parts.VerdictMark;

/// The plates that follow, tied by brackets of one camera and of one light; facts that do not go together above them. A slip unfolds to all
/// that must be minded.
final class PlatesView extends PageView {
    /// Up to this many plates show their reason at once.
    private static final int ROOMY = 8;
    /// Slips shown of one lock group.
    private static final int MOST = 120;

    private static final double DRAWN = 92;
    private static final double DRAWN_SMALL = 46;

    private final Set<PlateKey> unfolded = new HashSet<>();
    private final BiConsumer<String, Fact> ask;

    /// - `ask`: opens the question about a fact of an illusion, or of the setting.
    PlatesView(BreakDownModel model, BiConsumer<String, Fact> ask) {
        super(model);
        this.ask = ask;
    }

    @Override
    void refresh() {
        BreakdownPlan plan = model.plan();
        box.getChildren().setAll(head(plan));
        plan.conflicts().forEach(c -> box.getChildren().add(conflict(c)));
        if (plan.needs().isEmpty()) {
            box.getChildren().add(Text.block(Words.of("plates-view.no-plates-follow-yet-add"), "muted"));
            return;
        }
        Map<String, List<PlateNeed>> locks = inOrder(plan).stream()
                .collect(Collectors.groupingBy(PlateNeed::lockGroup, LinkedHashMap::new, Collectors.toList()));
        Map<PlateKey, Plate> have = Breakdown.matched(model.shot(), plan);
        Map<PlateKey, Spike> spikes = new LinkedHashMap<>();
        int i = model.shot().plates().size();
        for (PlateNeed n : plan.needs()) {
            spikes.put(n.key(), have.containsKey(n.key()) ? have.get(n.key()).spike() : Spike.number(i++));
        }
        locks.forEach((lock, needs) -> box.getChildren().add(lockGroup(plan, lock, needs, have, spikes)));
        plan.declined().forEach(n -> box.getChildren().add(declined(n)));
    }

    /// As the day will roll them; what is not rolled comes first.
    private List<PlateNeed> inOrder(BreakdownPlan plan) {
        List<PlateNeed> out = new ArrayList<>(plan.needs().stream().filter(n -> !n.filmed()).toList());
        model.day().order().of(plan.shot()).stream().map(RunningOrder.Step::need).distinct().forEach(out::add);
        return out;
    }

    private Node head(BreakdownPlan plan) {
        List<RunningOrder.Step> steps = model.day().order().of(plan.shot());
        double minutes = steps.stream().mapToDouble(s -> s.changeMinutes() + s.job().minutes()).sum();
        String sum = plan.needs().isEmpty() ? "" : Words.of("plates-view.min-on-set-by-hand", Words.number(minutes, 0),
                Words.number(plan.handHours(), 1));
        FlowPane head = new FlowPane(12, 4, Text.of(plan.needs().size() + (plan.needs().size() == 1 ? " plate follows" : " plates follow"),
                "heading"), Text.of(sum, "muted"));
        head.setAlignment(Pos.CENTER_LEFT);
        head.setPrefWrapLength(360);
        int missing = plan.needs().isEmpty() ? 0 : model.missing().size();
        if (missing > 0) {
            var shelve = Text.button(Words.of("plates-view.put-on-the-shelf", missing, (missing == 1 ? " plate" : " plates")),
                    "floor-button", model::shelve);
            shelve.setId("shelve");
            head.getChildren().add(shelve);
        }
        return head;
    }

    private static Node conflict(Conflict c) {
        Label words = Text.block(PlanWords.conflict(c), "text-chalk");
        Label remedy = Text.block(PlanWords.remedy(c), "muted");
        VBox both = new VBox(1, words, remedy);
        HBox.setHgrow(both, Priority.ALWAYS);
        Label verdict = Text.of(Words.verdict(c.weight()), "strong");
        verdict.setMinWidth(44);
        HBox row = new HBox(8, new VerdictMark(c.weight()), verdict, both);
        row.setAlignment(Pos.TOP_LEFT);
        row.setPadding(new Insets(6, 10, 6, 10));
        row.getStyleClass().add(c.weight() == Verdict.REDO ? "conflict-redo" : "conflict-watch");
        return row;
    }

    private Node lockGroup(BreakdownPlan plan, String lock, List<PlateNeed> needs, Map<PlateKey, Plate> have, Map<PlateKey, Spike> spikes) {
        VBox slips = new VBox(5);
        boolean roomy = plan.needs().size() <= ROOMY;
        for (PlateNeed n : needs.subList(0, Math.min(MOST, needs.size()))) {
            slips.getChildren().add(plate(plan, n, have.get(n.key()), spikes.getOrDefault(n.key(), Spike.T), roomy));
        }
        if (needs.size() > MOST) {
            slips.getChildren().add(Text.block(Words.of("plates-view.and-more-of-this-camera", (needs.size() - MOST)), "muted"));
        }
        HBox.setHgrow(slips, Priority.ALWAYS);
        slips.setMinWidth(0);
        boolean borrowed = needs.stream().noneMatch(PlateNeed::filmed);
        HBox row = new HBox(6);
        row.getChildren().add(borrowed ? bracket("", "", Words.of("plates-view.pictures-that-exist-already"))
                : bracket("lock-bracket-left", lock, Words.of("plates-view.lock-group-the-camera-is", lock)));
        row.getChildren().add(slips);
        if (!borrowed) {
            row.getChildren().add(lights(needs));
        }
        return row;
    }

    private static Region bracket(String style, String word, String help) {
        Label group = Text.of(word, "number");
        VBox b = new VBox(group);
        b.setAlignment(Pos.CENTER);
        b.setMinWidth(22);
        b.setMaxWidth(22);
        if (!style.isEmpty()) {
            b.getStyleClass().add(style);
        }
        Tooltip.install(b, new Tooltip(help));
        return b;
    }

    /// The light groups of a lock group as one bracket; plates out of it by design are said in their slips.
    private static Region lights(List<PlateNeed> needs) {
        String groups = needs.stream().map(PlateNeed::lightGroup).filter(g -> !g.isEmpty()).distinct().collect(Collectors.joining(" "));
        return bracket("light-bracket", groups, Words.of("plates-view.light-group-these-plates-share", groups));
    }

    private Region plate(BreakdownPlan plan, PlateNeed n, @Nullable Plate have, Spike spike, boolean roomy) {
        Label name = Text.of(have == null ? PlanWords.name(n) : have.name(), "paper-text", "strong-ink");
        Label facts = Text.block(facts(n, have), "paper-soft");
        facts.setMinWidth(90);
        HBox.setHgrow(facts, Priority.ALWAYS);
        facts.setMaxWidth(Double.MAX_VALUE);
        name.setMinWidth(Region.USE_PREF_SIZE);
        HBox top = new HBox(8, new SpikeMark(spike, 14), name, facts);
        top.setAlignment(Pos.CENTER_LEFT);
        List<Node> words = new ArrayList<>(List.of(top));
        boolean open = unfolded.contains(n.key());
        if (roomy || open) {
            words.add(Text.block(PlanWords.why(plan, n), "paper-text"));
        }
        if (open) {
            words.add(Text.block(Words.of("plates-view.if-you-skip-it", PlanWords.skip(n)), "paper-soft"));
            PlanWords.notes(n).forEach(l -> words.add(Text.block(l, "paper-text")));
            words.add(Text.block("Serves " + serves(plan, n) + ".", "paper-soft"));
            words.add(hangsOn(n));
            if (n.proposed()) {
                words.add(Text.button(Words.of("plates-view.do-without-it"), "paper-link", () -> model.decline(n, true)));
            }
        }
        Drawing drawing = new Drawing(roomy || open ? DRAWN : DRAWN_SMALL);
        drawing.draw(PlateSketch.of(model.shot(), n));
        drawing.setMouseTransparent(true);
        VBox lines = new VBox(3, words.toArray(Node[]::new));
        lines.setMinWidth(0);
        HBox.setHgrow(lines, Priority.ALWAYS);
        HBox both = new HBox(10, drawing, lines);
        PaperSlip slip = new PaperSlip("plate-slip", () -> {
            if (!unfolded.remove(n.key())) {
                unfolded.add(n.key());
            }
            if (have != null) {
                model.session().plateId().set(have.id());
            }
            Focus.keeping(box, this::refresh);
        }, both);
        slip.getStyleClass().add("on-paper");
        slip.setId("need-" + n.key());
        slip.setAccessibleText(PlanWords.name(n) + ", " + PlanWords.roll(n));
        return slip;
    }

    /// From a plate to the facts it comes from: pressing one opens its question.
    private Node hangsOn(PlateNeed n) {
        VBox out = new VBox(2, Text.block(Words.of("plates-view.looking-for-what-it-hangs"), "paper-soft"));
        out.setId("hangs-on-" + n.key());
        model.causes(n, causes -> {
            out.getChildren().clear();
            if (causes.isEmpty()) {
                out.getChildren().add(Text.block(Words.of("cause.none"), "paper-soft"));
            }
            for (Influence.Cause c : causes) {
                var b = Text.button(DifferenceWords.cause(c), "paper-link", () -> ask.accept(c.illusion(), c.fact()));
                b.setId("cause-" + n.key() + "-" + c.fact().key());
                b.setWrapText(true);
                b.setPadding(Insets.EMPTY);
                b.setMinHeight(Region.USE_PREF_SIZE);
                b.setAlignment(Pos.CENTER_LEFT);
                out.getChildren().add(b);
            }
        });
        return out;
    }

    private static String facts(PlateNeed n, @Nullable Plate have) {
        String screen = PlanWords.screen(n.screen());
        return Words.of("role." + n.role().name()) + ", " + PlanWords.roll(n) + (screen.isEmpty() ? "" : ", on " + screen)
                + (n.proposed() ? " \u00b7 proposed" : "")
                + (have == null ? Words.of("plates-view.not-on-the-shelf") : "");
    }

    private String serves(BreakdownPlan plan, PlateNeed n) {
        return model.shot().illusions().stream().filter(w -> n.illusions().contains(w.id())).map((Illusion w) -> PlanWords.illusion(w))
                .collect(Collectors.joining("; "));
    }

    private Node declined(PlateNeed n) {
        Label words = Text.block("Done without " + PlanWords.name(n) + ". " + PlanWords.skip(n), "muted");
        HBox.setHgrow(words, Priority.ALWAYS);
        HBox row = new HBox(8, words, Text.button(Words.of("plates-view.take-it-back"), "floor-button", () -> model.decline(n, false)));
        row.setAlignment(Pos.CENTER_LEFT);
        return row;
    }
}
