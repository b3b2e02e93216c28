package org.scenothesis.studio.house;

import java.util.EnumMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Objects;
import javafx.geometry.Pos;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.control.ToggleButton;
import javafx.scene.control.ToggleGroup;
import javafx.scene.control.Tooltip;
import javafx.scene.layout.HBox;
import javafx.scene.layout.VBox;
import org.scenothesis.core.breakdown.BreakdownPlan;
import org.scenothesis.core.finding.Judgement;
import org.scenothesis.core.finding.Verdict;
import org.scenothesis.core.shot.Shot;
import org.scenothesis.production.words.Words;
import org.scenothesis.studio.parts.Text;

/// The benches in working order with their worst open finding count, and which shot is open at the left.
final class BenchLine extends HBox {
    private final Session session;
    private final Map<BenchName, Label> counts = new EnumMap<>(BenchName.class);
    private final Map<BenchName, ToggleButton> tabs = new EnumMap<>(BenchName.class);
    private final Label title = Text.of("", "title");
    private final Label under = Text.of("", "muted", "small");
    private final StagedCount staged;

    BenchLine(Session session) {
        this.session = session;
        staged = new StagedCount(session, this::show);
        getStyleClass().add("bench-line");
        setMinHeight(56);
        Button shot = new Button();
        shot.setGraphic(new VBox(1, title, under));
        shot.setAlignment(Pos.CENTER_LEFT);
        shot.getStyleClass().setAll("button", "shot-box");
        shot.setId("shots");
        shot.setAccessibleText("shots");
        shot.setMaxHeight(Double.MAX_VALUE);
        shot.setMinWidth(Shelf.WIDTH);
        shot.setPrefWidth(Shelf.WIDTH);
        shot.setMaxWidth(Shelf.WIDTH);
        ShotMenu menu = new ShotMenu(session);
        shot.setOnAction(e -> menu.under(shot));
        Tooltip.install(shot, new Tooltip(Words.of("bench-line.all-shots-page-down-goes")));
        getChildren().add(shot);
        ToggleGroup group = new ToggleGroup();
        for (BenchName b : BenchName.values()) {
            getChildren().add(tab(b, group));
        }
        wire();
    }

    private ToggleButton tab(BenchName b, ToggleGroup group) {
        Label word = Text.of(b.word(), "bench-word");
        Label count = Text.of("", "bench-count");
        counts.put(b, count);
        ToggleButton t = new ToggleButton();
        t.setGraphic(new VBox(0, word, count));
        t.setAlignment(Pos.TOP_LEFT);
        t.getStyleClass().setAll("bench-tab");
        t.setToggleGroup(group);
        t.setMaxHeight(Double.MAX_VALUE);
        t.setId("bench-" + b.name().toLowerCase(Locale.ROOT));
        t.setAccessibleText(b.word());
        t.setOnAction(e -> {
            t.setSelected(true);
            session.bench().set(b);
        });
        tabs.put(b, t);
        return t;
    }

    private void wire() {
        session.bench().addListener((o, was, is) -> tab(is).setSelected(true));
        tab(session.bench().get()).setSelected(true);
        session.judgement().addListener(o -> show());
        session.planned().addListener(o -> show());
        session.production().addListener(o -> show());
        session.work().addListener((o, was, is) -> {
            if (was.what().isEmpty() != is.what().isEmpty()) {
                show();
            }
        });
        session.shotId().addListener(o -> show());
        show();
    }

    private ToggleButton tab(BenchName b) {
        return Objects.requireNonNull(tabs.get(b));
    }

    void nextShot(int by) {
        var shots = session.store().now().shots();
        if (shots.isEmpty()) {
            return;
        }
        int i = shots.stream().map(Shot::id).toList().indexOf(session.shotId().get());
        session.openShot(shots.get(Math.floorMod(i + by, shots.size())).id());
    }

    private void show() {
        Shot shot = session.shot();
        title.setText(shot.title());
        List<String> shots = session.store().now().shots().stream().map(Shot::id).toList();
        String of = shots.size() < 2 ? "" : ", " + (shots.indexOf(shot.id()) + 1) + " of " + shots.size();
        under.setText(session.store().now().title() + (shot.id().isEmpty() ? "" : " \u00b7 shot " + shot.number() + of));
        for (BenchName b : BenchName.values()) {
            Objects.requireNonNull(counts.get(b)).setText(count(b, shot));
        }
    }

    private String count(BenchName b, Shot shot) {
        if (b == BenchName.BOARD) {
            return Words.count(shot.plates().size(), "plate", "plates");
        }
        if (b == BenchName.LAYER || b == BenchName.HAND_OVER) {
            return b == BenchName.LAYER ? (shot.layers().isEmpty() ? "not begun" : Words.count(shot.layers().size(), "layer", "layers"))
                    : handOver(shot);
        }
        if (b == BenchName.STAGE) {
            return staged.words();
        }
        Judgement mine = b.of(session.judgement().get());
        for (Verdict v : new Verdict[] {Verdict.REDO, Verdict.WATCH}) {
            long n = conflicts(b, shot, v) + mine.findings().stream().filter(f -> f.verdict() == v).count();
            if (n > 0) {
                return n + " " + Words.verdict(v);
            }
        }
        if (!mine.unmeasured().isEmpty() && b == BenchName.BREAK_DOWN) {
            return mine.unmeasured().size() + " not shelved";
        }
        if (!mine.unmeasured().isEmpty()) {
            return session.work().get().what().isEmpty() ? "not measured" : "measuring";
        }
        boolean any = !mine.findings().isEmpty();
        return any || b == BenchName.BREAK_DOWN && !shot.plates().isEmpty() ? b == BenchName.BREAK_DOWN ? "settled" : "holds" : "not begun";
    }

    /// Facts that do not go together are Break down's own findings.
    private long conflicts(BenchName b, Shot shot, Verdict v) {
        BreakdownPlan plan = session.planned().get().plans().get(shot.id());
        return b != BenchName.BREAK_DOWN || plan == null ? 0 : plan.conflicts().stream().filter(c -> c.weight() == v).count();
    }

    private String handOver(Shot shot) {
        return shot.layers().isEmpty() ? "not begun" : switch (session.judgement().get().go()) {
            case NO -> "findings open";
            case YES -> "ready";
            case NOT_KNOWN -> Words.of("bench-line.not-all-known");
        };
    }
}
