package org.scenothesis.studio.first;

import java.io.File;
import java.nio.file.Path;
import java.time.LocalDate;
import java.time.ZoneId;
import java.util.ArrayList;
import java.util.List;
import javafx.css.PseudoClass;
import javafx.geometry.Insets;
import javafx.geometry.Pos;
import javafx.geometry.VPos;
import javafx.scene.Node;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.control.ScrollPane;
import javafx.scene.control.TextField;
import javafx.scene.control.ToggleButton;
import javafx.scene.control.ToggleGroup;
import javafx.scene.input.DragEvent;
import javafx.scene.input.KeyCode;
import javafx.scene.input.KeyEvent;
import javafx.scene.input.TransferMode;
import javafx.scene.layout.BorderPane;
import javafx.scene.layout.FlowPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;
import javafx.scene.layout.StackPane;
import javafx.scene.layout.VBox;
import org.jspecify.annotations.Nullable;
import org.scenothesis.core.shot.FrameFormat;
import org.scenothesis.core.shot.IllusionKind;
import org.scenothesis.production.begin.NewProduction;
import org.scenothesis.production.store.ProductionFolder;
import org.scenothesis.production.store.RecentProductions;
import org.scenothesis.production.words.Words;
import org.scenothesis.studio.house.Navigation;
import org.scenothesis.studio.parts.Choosers;
import org.scenothesis.studio.parts.Text;

/// Where one begins: a new production, one opened lately, the example, or an illusion to start from.
public final class FirstWindow extends BorderPane {
    private static final PseudoClass WRONG = PseudoClass.getPseudoClass("wrong");
    private static final List<IllusionKind> USUAL = List.of(
            IllusionKind.FLOATS, IllusionKind.COPIES, IllusionKind.OTHER_SIZE, IllusionKind.HIDDEN, IllusionKind.THROUGH_FRAME,
            IllusionKind.BECOMES);
    private static final double LEFT = 568;
    private static final double RIGHT = 500;

    private final Navigation doors;
    private final Glimpses glimpses;
    private final FirstModel model;
    private final TextField title = new TextField();
    private final TextField folder = new TextField();
    private final TextField width = new TextField("1920");
    private final TextField height = new TextField("1080");
    private final TextField rate = new TextField("25");
    private final ToggleButton asTold = new ToggleButton("or");
    private final Button begin = Text.button("Begin", "paper-button", () -> begin(null, List.of()));
    private final Label problem = Text.block("", "paper-soft");
    private final VBox lately = new VBox();

    /// - `parent`: where new productions are put unless said otherwise.
    public FirstWindow(Navigation doors, Glimpses glimpses, Path parent) {
        this.doors = doors;
        this.glimpses = glimpses;
        model = new FirstModel(parent);
        getStyleClass().add("first-window");
        // Side by side where there is room, else one below the other.
        FlowPane columns = new FlowPane(56, 24, left(), right());
        columns.setRowValignment(VPos.TOP);
        VBox all = new VBox(20, head(), columns);
        all.setPadding(new Insets(36, 40, 20, 40));
        all.setMaxWidth(LEFT + RIGHT + 56 + 80);
        StackPane middle = new StackPane(all);
        middle.setAlignment(Pos.TOP_CENTER);
        ScrollPane scroll = new ScrollPane(middle);
        scroll.setFitToWidth(true);
        scroll.setHbarPolicy(ScrollPane.ScrollBarPolicy.NEVER);
        setCenter(scroll);
        Label keys = Text.of(Words.of("first-window.enter-begins-ctrl-opens-folder"), "muted");
        HBox foot = new HBox(keys);
        foot.setPadding(new Insets(10, 40, 10, 40));
        foot.getStyleClass().add("first-foot");
        setBottom(foot);
        addEventFilter(KeyEvent.KEY_PRESSED, this::key);
        setOnDragOver(e -> {
            if (e.getDragboard().hasFiles()) {
                e.acceptTransferModes(TransferMode.COPY);
            }
            e.consume();
        });
        setOnDragDropped(this::dropped);
        told();
    }

    private Node head() {
        VBox words = new VBox(2, Text.of("Scenothesis", "first-title"), Text.of(Words.of("first-window.you-will-never-find-out"), "muted",
                "first-promise"));
        return words;
    }

    private Region left() {
        title.setId("new-title");
        folder.setId("new-folder");
        begin.setId("begin");
        title.setPromptText(Words.of("first-window.what-it-is-called"));
        title.textProperty().addListener(o -> {
            model.title(title.getText());
            told();
        });
        folder.textProperty().addListener(o -> {
            model.folder(folder.getText());
            told();
        });
        Button other = Text.button("other folder", "paper-link", this::choose);
        other.setId("new-folder-choose");
        HBox where = new HBox(4, folder, other);
        HBox.setHgrow(folder, Priority.ALWAYS);
        where.setAlignment(Pos.CENTER_LEFT);
        problem.setId("new-problem");
        HBox beginning = new HBox(10, begin, Text.of(Words.of("first-window.or-drop-clips-or-folder"), "paper-soft"));
        beginning.setAlignment(Pos.CENTER_LEFT);
        VBox paper = new VBox(9, Text.of("Begin a production", "paper-title"),
                Text.of(Words.of("first-window.folder-that-keeps-footage-plan"), "paper-soft"),
                row("called", title), row("in", where), row(Words.of("first-window.size-and-rate"), format()), problem, beginning);
        paper.getStyleClass().add("paper");
        paper.setPadding(new Insets(18, 22, 18, 22));
        Button open = Text.button("Open a folder", "floor-button", this::open);
        open.setId("open-folder");
        VBox left = new VBox(12, paper, Text.of("Lately", "heading"), lately, open);
        left.setPrefWidth(LEFT);
        left.setMinWidth(LEFT);
        left.setMaxWidth(LEFT);
        return left;
    }

    private static HBox row(String words, Node control) {
        Label l = Text.of(words, "paper-text");
        l.setMinWidth(100);
        HBox row = new HBox(8, l, control);
        row.setAlignment(Pos.CENTER_LEFT);
        HBox.setHgrow(control, Priority.ALWAYS);
        return row;
    }

    private HBox format() {
        ToggleGroup group = new ToggleGroup();
        ToggleButton footage = new ToggleButton(Words.of("first-window.as-the-first-footage"));
        footage.setId("format-footage");
        asTold.setId("format-told");
        for (ToggleButton b : List.of(footage, asTold)) {
            b.getStyleClass().setAll("answer");
            b.setToggleGroup(group);
        }
        footage.setSelected(true);
        group.selectedToggleProperty().addListener((o, was, is) -> {
            if (is == null && was != null) {
                was.setSelected(true);
            }
            told();
        });
        int i = 0;
        for (TextField f : List.of(width, height, rate)) {
            f.setId("format-" + List.of("width", "height", "rate").get(i++));
            f.setPrefColumnCount(4);
            f.setMaxWidth(52);
            f.setMinWidth(52);
            f.textProperty().addListener(o -> told());
            f.focusedProperty().addListener((o, was, is) -> {
                if (is) {
                    asTold.setSelected(true);
                }
            });
        }
        HBox row = new HBox(5, footage, asTold, width, Text.of("\u00d7", "paper-text"), height, Text.of(",", "paper-text"), rate,
                Text.of("a second", "paper-text"));
        row.getChildren().forEach(n -> ((Region) n).setMinWidth(Region.USE_PREF_SIZE));
        row.setAlignment(Pos.CENTER_LEFT);
        return row;
    }

    private Region right() {
        StackPane picture = glimpses.example((int) RIGHT, 264);
        Label tag = Text.of("an example", "picture-label");
        StackPane framed = new StackPane(picture, tag);
        framed.getStyleClass().add("picture");
        StackPane.setAlignment(tag, Pos.TOP_LEFT);
        Button look = Text.button(Words.of("first-window.open-the-example"), "floor-button", () -> doors.example(false));
        look.setId("example");
        Button back = Text.button(Words.of("first-window.put-it-back-as-it"), "quiet-button", () -> doors.example(true));
        back.setId("example-back");
        HBox buttons = new HBox(10, look, back);
        buttons.setAlignment(Pos.CENTER_LEFT);
        FlowPane illusions = new FlowPane(8, 8);
        for (IllusionKind k : USUAL) {
            Button b = Text.button(Words.of("illusion.add." + k.name()), "floor-button", () -> begin(k, List.of()));
            b.setId("begin-" + k.name());
            b.setPrefWidth(236);
            b.setAlignment(Pos.CENTER_LEFT);
            illusions.getChildren().add(b);
        }
        VBox right = new VBox(10, framed, Text.of("Lantern Works", "first-heading"),
                Text.block(Words.of("first-window.three-shots-from-telling-to"), "muted"),
                buttons, Text.of(Words.of("first-window.or-start-from-an-illusion"), "heading"), illusions);
        right.setPrefWidth(RIGHT);
        right.setMaxWidth(RIGHT);
        right.setMinWidth(RIGHT);
        return right;
    }

    /// What is to be seen anew each time it is shown.
    public void shown() {
        List<Node> rows = new ArrayList<>();
        for (RecentProductions.Entry e : RecentProductions.all()) {
            if (rows.size() < 4) {
                rows.add(row(e));
            }
        }
        lately.getChildren().setAll(rows.isEmpty() ? List.of(Text.block(Words.of("first-window.nothing-was-opened-yet-what"), "muted"))
                : rows);
        told();
        title.requestFocus();
    }

    private Node row(RecentProductions.Entry e) {
        Label name = Text.of(e.title(), "strong");
        Label about = Text.of(e.there() ? e.folder().toString() : Words.of("first-window.not-there-any-more", e.folder()), "muted",
                "small");
        VBox words = new VBox(2, name, about);
        words.setMinWidth(0);
        HBox.setHgrow(words, Priority.ALWAYS);
        StackPane picture = e.there() ? glimpses.of(e.folder(), name, about) : Glimpses.none();
        Label when = Text.of(FirstModel.when(e.opened(), LocalDate.now(), ZoneId.systemDefault()), "muted");
        when.setMinWidth(Region.USE_PREF_SIZE);
        HBox box = new HBox(14, picture, words, when);
        box.setAlignment(Pos.CENTER_LEFT);
        Button row = new Button();
        row.setGraphic(box);
        row.getStyleClass().setAll("button", "finding-row");
        row.setMaxWidth(Double.MAX_VALUE);
        box.setPrefWidth(LEFT - 24);
        row.setAccessibleText("open " + name.getText());
        row.setId("lately-" + e.folder().getFileName());
        row.setOnAction(a -> {
            if (e.there()) {
                doors.open(e.folder());
            } else {
                RecentProductions.forget(e.folder());
                shown();
            }
        });
        return row;
    }

    private void key(KeyEvent e) {
        if (e.isShortcutDown() && e.getCode() == KeyCode.O) {
            open();
        } else if (e.isShortcutDown() && e.getCode() == KeyCode.D) {
            doors.example(false);
        } else if (e.isShortcutDown() && e.getCode() == KeyCode.N) {
            title.requestFocus();
        } else if (e.getCode() == KeyCode.ESCAPE) {
            doors.back();
        } else if (e.getCode() == KeyCode.ENTER && e.getTarget() instanceof TextField) {
            begin(null, List.of());
        } else {
            return;
        }
        e.consume();
    }

    /// A production would be begun in this folder.
    public void propose(Path there) {
        folder.setText(there.toString());
    }

    /// A sentence about something that went wrong, under the form.
    public void say(String sentence) {
        problem.setText(sentence);
    }

    private void told() {
        folder.setPromptText(model.folder().toString());
        String wrong = wrong();
        problem.setText(wrong == null ? "" : wrong);
        folder.pseudoClassStateChanged(WRONG, model.problem() != null);
        begin.setDisable(wrong != null);
    }

    private @Nullable String wrong() {
        String refused = model.problem();
        if (refused != null) {
            return refused;
        }
        return asTold.isSelected() && told(width, height, rate) == null
                ? Words.of("first-window.size-and-rate-whole-pixels", FrameFormat.LONGEST_PX) : null;
    }

    private static @Nullable FrameFormat told(TextField w, TextField h, TextField r) {
        return FirstModel.format(w.getText(), h.getText(), r.getText()).orElse(null);
    }

    private void begin(@Nullable IllusionKind illusion, List<Path> footage) {
        if (wrong() == null) {
            doors.begin(new NewProduction(model.title(), asTold.isSelected() ? told(width, height, rate) : null, illusion), model.folder(),
                    footage);
        }
    }

    private void choose() {
        Choosers.folder(this, Words.of("first-window.folder-of-the-production")).ifPresent(f -> folder.setText(f.toString()));
    }

    private void open() {
        Choosers.folder(this, Words.of("first-window.open-production-or-folder-to")).ifPresent(this::opened);
    }

    private void opened(Path there) {
        if (ProductionFolder.lies(there)) {
            doors.open(there);
        } else {
            propose(there);
        }
    }

    /// A dropped production is opened; anything else is footage of a new one.
    private void dropped(DragEvent e) {
        List<Path> files = e.getDragboard().hasFiles() ? e.getDragboard().getFiles().stream().map(File::toPath).toList() : List.of();
        if (files.size() == 1 && ProductionFolder.lies(files.getFirst())) {
            doors.open(files.getFirst());
        } else if (!files.isEmpty()) {
            begin(null, files);
        }
        e.setDropCompleted(!files.isEmpty());
        e.consume();
    }
}
