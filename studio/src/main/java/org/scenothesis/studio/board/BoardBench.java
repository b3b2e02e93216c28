package org.scenothesis.studio.board;

import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import javafx.geometry.Insets;
import javafx.geometry.Pos;
import javafx.scene.Cursor;
import javafx.scene.Node;
import javafx.scene.control.Label;
import javafx.scene.control.OverrunStyle;
import javafx.scene.control.ScrollPane;
import javafx.scene.layout.ColumnConstraints;
import javafx.scene.layout.GridPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;
import javafx.scene.layout.StackPane;
import javafx.scene.layout.VBox;
import javafx.scene.shape.Rectangle;
import org.jspecify.annotations.Nullable;
import org.scenothesis.core.breakdown.Breakdown;
import org.scenothesis.core.breakdown.BreakdownPlan;
import org.scenothesis.core.breakdown.day.DayPlan;
import org.scenothesis.core.breakdown.day.RunningOrder;
import org.scenothesis.core.breakdown.plate.PlateKey;
import org.scenothesis.core.finding.Finding;
import org.scenothesis.core.finding.Judgement;
import org.scenothesis.core.finding.Verdict;
import org.scenothesis.core.shot.Plate;
import org.scenothesis.core.shot.Shot;
import org.scenothesis.core.shot.Spike;
import org.scenothesis.production.words.PlanWords;
import org.scenothesis.production.words.Words;
import org.scenothesis.studio.house.Bench;
import org.scenothesis.studio.house.BenchName;
import org.scenothesis.studio.house.Session;
import org.scenothesis.studio.house.Shelf;
import org.scenothesis.studio.parts.Text;
import org.scenothesis.studio.parts.VerdictMark;

/// Plates × measurements; its rows stand beside the shelf's slips and scroll with them.
public final class BoardBench extends Bench {
    private final VBox rows = new VBox();
    private final ScrollPane scroll = new ScrollPane(rows);
    private final HBox below = new HBox(16);
    private final Map<String, StackPane> holders = new LinkedHashMap<>();

    public BoardBench(Session session, Shelf shelf) {
        super(session, BenchName.BOARD, new VBox());
        GridPane heads = grid();
        heads.setMinHeight(Shelf.TOP);
        heads.setPrefHeight(Shelf.TOP);
        for (BoardModel.Column c : BoardModel.Column.values()) {
            Label head = Text.of(c.head, "column-head");
            head.setPadding(new Insets(6, 0, 0, 13));
            heads.add(head, c.ordinal(), 0);
        }
        rows.setPadding(new Insets(0, 0, 10, 0));
        scroll.setFitToWidth(true);
        scroll.setHbarPolicy(ScrollPane.ScrollBarPolicy.NEVER);
        scroll.setVbarPolicy(ScrollPane.ScrollBarPolicy.NEVER);
        follow(shelf.scroll(), scroll);
        follow(scroll, shelf.scroll());
        VBox.setVgrow(scroll, Priority.ALWAYS);
        below.setPadding(new Insets(10, 16, 12, 12));
        below.setMinHeight(164);
        below.setPrefHeight(164);
        view.getChildren().addAll(heads, scroll, below);
        scroll.vvalueProperty().addListener(o -> fill());
        scroll.viewportBoundsProperty().addListener(o -> fill());
        session.judgement().addListener(o -> refresh());
        session.production().addListener(o -> refresh());
        session.planned().addListener(o -> refresh());
        session.shotId().addListener(o -> refresh());
        session.work().addListener((o, was, is) -> {
            if (was.what().isEmpty() != is.what().isEmpty()) {
                refresh();
            }
        });
    }

    /// Keeps `other` at the same offset in pixels as `one`: their windows are of different height.
    private static void follow(ScrollPane one, ScrollPane other) {
        one.vvalueProperty().addListener(o -> {
            double offset = one.getVvalue() * hidden(one);
            double there = hidden(other);
            double wanted = there <= 0 ? 0 : Math.clamp(offset / there, 0, 1);
            if (Math.abs(other.getVvalue() * there - offset) > 0.5 && Math.abs(other.getVvalue() - wanted) * there > 0.5) {
                other.setVvalue(wanted);
            }
        });
    }

    private static double hidden(ScrollPane s) {
        return Math.max(0, s.getContent().getBoundsInLocal().getHeight() - s.getViewportBounds().getHeight());
    }

    private static GridPane grid() {
        GridPane g = new GridPane();
        for (int i = 0; i < BoardModel.Column.values().length; i++) {
            ColumnConstraints c = new ColumnConstraints();
            c.setPercentWidth(100.0 / BoardModel.Column.values().length);
            g.getColumnConstraints().add(c);
        }
        return g;
    }

    @Override
    protected void refresh() {
        if (!inView()) {
            return;
        }
        Shot shot = session.shot();
        rows.getChildren().clear();
        holders.clear();
        for (Plate p : session.plates()) {
            StackPane holder = new StackPane();
            holder.setMinHeight(Shelf.ROW);
            holder.setMaxHeight(Shelf.ROW);
            holders.put(p.id(), holder);
            rows.getChildren().add(holder);
        }
        // As tall as the shelf's line for adding a plate, so that both scroll alike.
        Region rest = new Region();
        rest.setMinHeight(34);
        rows.getChildren().add(rest);
        if (shot.plates().isEmpty()) {
            Label empty = Text.block(Words.of("board-bench.plates-appear-here-as-rows"), "muted");
            empty.setPadding(new Insets(14));
            rows.getChildren().add(empty);
        }
        below.getChildren().setAll(next(shot), order(shot));
        fill();
    }

    /// Makes the rows that are in view, and some around them; a production may have hundreds.
    private void fill() {
        double seen = scroll.getViewportBounds().getHeight();
        double height = seen > 1 ? seen : 900;
        double top = scroll.getVvalue() * hidden(scroll);
        int first = (int) (top / Shelf.ROW) - 3;
        int last = (int) ((top + height) / Shelf.ROW) + 3;
        int i = 0;
        for (Map.Entry<String, StackPane> h : holders.entrySet()) {
            if (i >= first && i <= last && h.getValue().getChildren().isEmpty()) {
                session.shot().plate(h.getKey()).ifPresent(p -> h.getValue().getChildren().add(row(session.shot(), p)));
            }
            i++;
        }
    }

    private Region row(Shot shot, Plate plate) {
        GridPane g = grid();
        for (BoardModel.Column c : BoardModel.Column.values()) {
            g.add(cell(plate, BoardModel.cell(shot, plate, c, session.judgement().get()), c), c.ordinal(), 0);
        }
        Region rule = new Region();
        rule.getStyleClass().add("row-rule");
        rule.setMinHeight(1);
        rule.setMaxHeight(1);
        VBox box = new VBox(g, rule);
        VBox.setVgrow(g, Priority.ALWAYS);
        box.setMinHeight(Shelf.ROW);
        box.setMaxHeight(Shelf.ROW);
        return box;
    }

    private Region cell(Plate plate, BoardModel.Cell c, BoardModel.Column column) {
        Label words = Text.of(c.words(), "number");
        words.setWrapText(true);
        words.setTextOverrun(OverrunStyle.ELLIPSIS);
        Label verdict = Text.of(c.verdict() != Verdict.NOT_MEASURED ? Words.verdict(c.verdict()) : c.finding() != null
                && !Double.isNaN(c.finding().value()) ? "first look" : "", "muted", "small");
        HBox head = new HBox(6, new VerdictMark(c.verdict()), verdict);
        head.setAlignment(Pos.CENTER_LEFT);
        VBox box = new VBox(5, head, words);
        box.getStyleClass().add("board-cell");
        if (c.verdict() == Verdict.REDO) {
            box.getStyleClass().add("cell-redo");
        } else if (c.verdict() == Verdict.NOT_MEASURED) {
            box.getStyleClass().add("cell-none");
        }
        box.setMinHeight(Shelf.ROW - 1);
        box.setPrefHeight(Shelf.ROW - 1);
        box.setId(id(plate, column));
        box.setAccessibleText(plate.name() + ", " + column.head + ": " + c.words() + ", " + Words.verdict(c.verdict()));
        Finding f = c.finding();
        Runnable mend = () -> {
            session.plateId().set(plate.id());
            if (f != null) {
                session.bench().set(BenchName.of(f));
            }
        };
        box.setOnMouseClicked(e -> mend.run());
        box.setFocusTraversable(true);
        box.setOnKeyPressed(e -> {
            switch (e.getCode()) {
                case ENTER, SPACE -> mend.run();
                case LEFT -> walk(plate, column, 0, -1);
                case RIGHT -> walk(plate, column, 0, 1);
                case UP -> walk(plate, column, -1, 0);
                case DOWN -> walk(plate, column, 1, 0);
                default -> {
                    return;
                }
            }
            e.consume();
        });
        if (f != null) {
            box.setCursor(Cursor.HAND);
            Text.tip(box, () -> {
                Words.Sentence s = Words.sentence(f);
                return s.title() + " " + s.value() + ", " + s.limit() + "\n" + s.meaning();
            });
        }
        return box;
    }

    /// Gives the keys to another cell, so many rows below and columns to the right; at an edge they stay.
    private void walk(Plate plate, BoardModel.Column column, int rows, int columns) {
        List<Plate> all = session.plates();
        int row = Math.clamp(all.indexOf(plate) + rows, 0, all.size() - 1);
        BoardModel.Column to = BoardModel.Column.values()[Math.clamp(column.ordinal() + columns, 0, BoardModel.Column.values().length - 1)];
        Node there = view.lookup("#" + id(all.get(row), to));
        if (there != null) {
            there.requestFocus();
        }
    }

    private static String id(Plate plate, BoardModel.Column column) {
        return "cell-" + plate.id() + "-" + column.name().toLowerCase(Locale.ROOT);
    }

    private Region next(Shot shot) {
        VBox paper = new VBox(5);
        paper.getStyleClass().addAll("paper", "on-paper");
        HBox.setHgrow(paper, Priority.ALWAYS);
        paper.setMinWidth(380);
        paper.setPrefWidth(580);
        Optional<Finding> next = session.judgement().get().open().stream().findFirst();
        if (shot.plates().isEmpty()) {
            paper.getChildren().addAll(
                    Text.of(Words.of("board-bench.this-shot-has-no-plates"), "paper-title"),
                    Text.block(Words.of("board-bench.tell-break-down-what-the"), "paper-text"),
                    buttons(Text.button(Words.of("board-bench.break-it-down"), "paper-button", () -> session.bench()
                    .set(BenchName.BREAK_DOWN))));
        } else if (next.isEmpty()) {
            Judgement.Known known = session.known();
            boolean measuring = !session.work().get().what().isEmpty();
            paper.getChildren().addAll(
                    Text.of(known.all() ? "Everything holds" : measuring ? Words.of("board-bench.measuring-the-plates")
                    : Words.of("board-bench.not-everything-is-known"), "paper-title"),
                    Text.block(known.all()
                            ? Words.of("board-bench.all-measurements-are-made-strike", known.of())
                            : Words.of("board-bench.of-measured-what-was-measured", known.measured(), known.of(), unknown(shot)),
                            "paper-text"),
                    buttons(Text.button(known.all() ? Words.of("board-bench.go-to-hand-over")
                    : Words.of("board-bench.see-what-is-missing"), "paper-button", () -> {
                        session.bench().set(known.all() ? BenchName.HAND_OVER : session.judgement().get().unmeasured().stream().findFirst()
                                .map(BenchName::of).orElse(BenchName.SHOOT));
                    })));
        } else {
            paper.getChildren().addAll(advice(shot, next.get()));
        }
        return paper;
    }

    /// Why the first of what is not known is not.
    private String unknown(Shot shot) {
        return session.judgement().get().unmeasured().stream().filter(f -> !f.note().isEmpty()).findFirst()
                .map(f -> shot.plate(f.plate()).map(p -> p.name() + ": ").orElse("") + f.note()).orElse("");
    }

    private List<Node> advice(Shot shot, Finding f) {
        Words.Sentence s = Words.sentence(f);
        String plate = shot.plate(f.plate()).map(Plate::name).orElse(f.plate());
        HBox head = new HBox(8, new VerdictMark(f.verdict()), Text.of(plate + ": " + s.title().toLowerCase(Locale.ROOT) + " " + s.value(),
                "paper-title"));
        head.setAlignment(Pos.CENTER_LEFT);
        BenchName where = BenchName.of(f);
        return List.of(
                head,
                Text.block(s.meaning() + " " + s.remedy(), "paper-text"),
                Text.block(s.price().isEmpty() ? "" : "Price: " + s.price() + ".", "paper-soft"),
                buttons(
                        Text.button(Words.of("board-bench.mend-it-in", where.word()), "paper-button", () -> {
                            session.plateId().set(f.plate());
                            session.bench().set(where);
                        }),
                        Text.button(Words.of("board-bench.see-the-plate"), "paper-link", () -> {
                            session.plateId().set(f.plate());
                            session.bench().set(BenchName.SHOOT);
                        })));
    }

    private static HBox buttons(Node... nodes) {
        HBox box = new HBox(8, nodes);
        box.setPadding(new Insets(4, 0, 0, 0));
        return box;
    }

    /// The planned day of this shot as a bar of minutes in the plates' own colours.
    private Region order(Shot shot) {
        DayPlan day = session.planned().get();
        BreakdownPlan plan = day.plans().get(shot.id());
        List<RunningOrder.Step> steps = plan == null ? List.of() : day.order().of(shot.id());
        double minutes = steps.stream().mapToDouble(s -> s.changeMinutes() + s.job().minutes()).sum();
        VBox box = new VBox(6);
        box.setMinWidth(330);
        box.setPrefWidth(400);
        box.setMaxWidth(460);
        box.getChildren().add(
                Text.of("Running order" + (steps.isEmpty() ? "" : Words.of("board-bench.about-min-on-set", Words.number(minutes, 0))),
                "column-head"));
        if (steps.isEmpty()) {
            box.getChildren().add(Text.block(Words.of("board-bench.break-down-has-no-illusion"), "muted"));
            return box;
        }
        HBox bar = new HBox(1);
        VBox names = new VBox(1);
        double scale = 330 / Math.max(1, minutes);
        Map<PlateKey, Plate> have = Breakdown.matched(shot, Objects.requireNonNull(plan));
        int i = 0;
        for (RunningOrder.Step s : steps) {
            if (s.changeMinutes() > 0) {
                bar.getChildren().add(block(s.changeMinutes() * scale, null));
            }
            Plate plate = have.get(s.need().key());
            bar.getChildren().add(block(s.job().minutes() * scale, plate == null ? Spike.number(i) : plate.spike()));
            names.getChildren().add(Text.of(
                    String.format(Locale.ENGLISH, "%s  %s%s", PlanWords.clock(day.clock(s)), plate == null ? PlanWords.name(s.job())
                    : plate.name() + PlanWords.part(s.job()),
                            s.changeMinutes() > 0 ? Words.of("board-bench.after-min-of-change", Math.round(s.changeMinutes())) : ""),
                    "small"));
            i++;
        }
        ScrollPane list = new ScrollPane(names);
        list.setFitToWidth(true);
        list.setHbarPolicy(ScrollPane.ScrollBarPolicy.NEVER);
        VBox.setVgrow(list, Priority.ALWAYS);
        box.getChildren().addAll(bar, list);
        return box;
    }

    private static Region block(double width, @Nullable Spike spike) {
        Rectangle r = new Rectangle(Math.max(3, width), 14);
        r.getStyleClass().add(spike == null ? "plot-solid" : "spike-" + spike.ordinal());
        return new StackPane(r);
    }
}
