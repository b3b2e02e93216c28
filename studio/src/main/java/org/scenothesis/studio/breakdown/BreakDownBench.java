package org.scenothesis.studio.breakdown;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.EnumMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Objects;
import javafx.application.Platform;
import javafx.geometry.Insets;
import javafx.geometry.Pos;
import javafx.scene.control.ScrollPane;
import javafx.scene.control.ToggleButton;
import javafx.scene.control.ToggleGroup;
import javafx.scene.input.MouseEvent;
import javafx.scene.input.TransferMode;
import javafx.scene.layout.FlowPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.VBox;
import org.scenothesis.core.shot.Illusion;
import org.scenothesis.core.shot.Shot;
import org.scenothesis.core.shot.Spike;
import org.scenothesis.production.words.PlanWords;
import org.scenothesis.production.words.Words;
import org.scenothesis.studio.house.Bench;
import org.scenothesis.studio.house.BenchName;
import org.scenothesis.studio.house.Session;
import org.scenothesis.studio.parts.Focus;
import org.scenothesis.studio.parts.TimeStrip;

/// The audience's view as beats and illusions above, what is told at the left, and at the right one page at a time of what follows from it.
public final class BreakDownBench extends Bench {
    /// The pages at the right, in the order of their words.
    enum Page {
        PLATES("Plates"),
        WAYS("Ways"),
        ORDER("Order"),
        NUMBERS("Numbers"),
        COMPARE("Compare"),
        SAFETY("Cautions, kit"),
        RULES("House rules"),
        READY("Ready"),
        BOOK("Book");

        final String word;

        Page(String word) {
            this.word = word;
        }
    }

    private final BreakDownModel model;
    private final TimeStrip strip = new TimeStrip();
    private final AudienceView audience;
    private final StoryPanel telling;
    private final Map<Page, PageView> views = new EnumMap<>(Page.class);
    private final Map<Page, ToggleButton> tabs = new EnumMap<>(Page.class);
    private final ScrollPane right = new ScrollPane();
    private Page page = Page.PLATES;
    private boolean pressed;
    private boolean late;

    public BreakDownBench(Session session) {
        super(session, BenchName.BREAK_DOWN, new VBox(8));
        model = new BreakDownModel(session);
        telling = new StoryPanel(model, this::open);
        audience = new AudienceView(model);
        views.put(Page.PLATES, new PlatesView(model, telling::ask));
        views.put(Page.WAYS, new WaysView(model));
        views.put(Page.ORDER, new OrderView(model));
        views.put(Page.NUMBERS, new NumbersView(model));
        views.put(Page.COMPARE, new CompareView(model));
        views.put(Page.SAFETY, new SafetyView(model));
        views.put(Page.RULES, new RulesView(model));
        views.put(Page.READY, new ReadyView(model, telling::tell));
        views.put(Page.BOOK, new BookView(model));
        layout();
        wire();
    }

    private void layout() {
        strip.setId("beats-strip");
        ScrollPane left = scroll(new ScrollPane(telling.node()));
        left.setMinWidth(336);
        left.setPrefWidth(346);
        left.setMaxWidth(360);
        scroll(right);
        VBox.setVgrow(right, Priority.ALWAYS);
        FlowPane line = new FlowPane(4, 4);
        ToggleGroup group = new ToggleGroup();
        for (Page p : Page.values()) {
            ToggleButton b = new ToggleButton(p.word);
            b.getStyleClass().setAll("toggle-button", "floor-button");
            b.setToggleGroup(group);
            b.setId("page-" + p.name().toLowerCase(Locale.ROOT));
            b.setOnAction(e -> open(p));
            tabs.put(p, b);
            line.getChildren().add(b);
        }
        line.setAlignment(Pos.CENTER_LEFT);
        VBox paged = new VBox(8, line, right);
        paged.setMinWidth(0);
        HBox.setHgrow(paged, Priority.ALWAYS);
        VBox told = new VBox(left, telling.wouldChange());
        VBox.setVgrow(left, Priority.ALWAYS);
        told.setMinWidth(336);
        told.setPrefWidth(346);
        told.setMaxWidth(360);
        HBox both = new HBox(12, told, paged);
        VBox.setVgrow(both, Priority.ALWAYS);
        view.setPadding(new Insets(8, 14, 8, 12));
        view.getChildren().addAll(audience.node(), strip, both);
    }

    private static ScrollPane scroll(ScrollPane s) {
        s.setFitToWidth(true);
        s.setHbarPolicy(ScrollPane.ScrollBarPolicy.NEVER);
        return s;
    }

    private void wire() {
        view.addEventFilter(MouseEvent.MOUSE_PRESSED, e -> pressed = true);
        view.addEventFilter(MouseEvent.MOUSE_RELEASED, e -> {
            pressed = false;
            if (late) {
                late = false;
                Platform.runLater(this::refresh);
            }
        });
        strip.whenMoved(s -> session.goToFrame(s * session.rate()));
        session.production().addListener(o -> refresh());
        session.planned().addListener(o -> refresh());
        session.shotId().addListener(o -> {
            refresh();
            right.setVvalue(0);
        });
        session.seconds().addListener(o -> {
            strip.at(session.seconds().get());
            audience.at(session.seconds().get());
        });
        view.setOnDragOver(e -> {
            if (e.getDragboard().hasFiles()) {
                e.acceptTransferModes(TransferMode.COPY);
            }
        });
        view.setOnDragDropped(e -> e.getDragboard().getFiles().stream().findFirst()
                .ifPresent(f -> session.say(String.join(" ", model.bringIn(f.toPath())))));
    }

    private void open(Page p) {
        page = p;
        refresh();
        right.setVvalue(0);
    }

    @Override
    public Map<String, String> keys() {
        return Map.of("Enter, Space", Words.of("break-down-bench.unfold-the-slip-that-has"), Words.of("break-down-bench.alt-up-alt-down"),
                Words.of("break-down-bench.move-the-row-of-the"), "T", Words.of("break-down-bench.mark-beat-at-the-playhead"));
    }

    @Override
    public List<String> pages() {
        return Arrays.stream(Page.values()).map(p -> p.word).toList();
    }

    @Override
    public void turn(String name) {
        for (Page p : Page.values()) {
            if (p.name().equalsIgnoreCase(name) || p.word.equalsIgnoreCase(name)) {
                open(p);
            }
        }
    }

    @Override
    protected void refresh() {
        if (!inView()) {
            return;
        }
        if (pressed) {
            // What is under the pointer must still be there when it is released, or the click is lost.
            late = true;
            return;
        }
        Focus.keeping(view, this::build);
    }

    private void build() {
        Shot shot = session.shot();
        List<TimeStrip.Ribbon> ribbons = new ArrayList<>();
        for (Illusion w : shot.illusions()) {
            ribbons.add(new TimeStrip.Ribbon(PlanWords.illusion(w), w.fromSeconds(), w.toSeconds(), Spike.number(ribbons.size() + 2)));
        }
        double high = TimeStrip.height(ribbons.size());
        strip.setMinHeight(high);
        strip.setPrefHeight(high);
        strip.show(shot.seconds(), ribbons, shot.beats());
        strip.at(session.seconds().get());
        audience.refresh();
        // A shot of which nothing impossible is told has no plates to show: it is offered illusions instead.
        Page open = page == Page.PLATES && shot.illusions().isEmpty() ? Page.READY : page;
        tabs.forEach((p, b) -> b.setSelected(p == open));
        telling.refresh();
        PageView now = Objects.requireNonNull(views.get(open));
        views.values().stream().filter(v -> v != now).forEach(PageView::rest);
        now.refresh();
        if (right.getContent() != now.node()) {
            right.setContent(now.node());
        }
    }
}
