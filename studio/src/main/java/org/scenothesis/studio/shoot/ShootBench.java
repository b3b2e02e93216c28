package org.scenothesis.studio.shoot;
import java.io.File;
import java.nio.file.Path;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import javafx.css.PseudoClass;
import javafx.geometry.Insets;
import javafx.geometry.Pos;
import javafx.scene.control.Button;
import javafx.scene.control.ContextMenu;
import javafx.scene.control.Label;
import javafx.scene.control.MenuItem;
import javafx.scene.control.ScrollPane;
import javafx.scene.control.SeparatorMenuItem;
import javafx.scene.input.DragEvent;
import javafx.scene.input.KeyEvent;
import javafx.scene.input.TransferMode;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;
import javafx.scene.layout.VBox;
import javafx.stage.DirectoryChooser;
import javafx.stage.FileChooser;
import org.jspecify.annotations.Nullable;
import org.scenothesis.core.finding.Finding;
import org.scenothesis.core.finding.Verdict;
import org.scenothesis.core.match.LockJudge;
import org.scenothesis.core.match.LockReport;
import org.scenothesis.core.picture.ColourMatrix;
import org.scenothesis.core.picture.Picture;
import org.scenothesis.core.picture.Transfer;
import org.scenothesis.core.shot.Plate;
import org.scenothesis.core.shot.Reading;
import org.scenothesis.core.shot.Take;
import org.scenothesis.media.FootageSource;
import org.scenothesis.production.measure.FootageBrief;
import org.scenothesis.production.measure.MissingFootage;
import org.scenothesis.production.measure.ShotFindings;
import org.scenothesis.production.store.StoreException;
import org.scenothesis.production.words.Words;
import org.scenothesis.studio.house.Bench;
import org.scenothesis.studio.house.BenchName;
import org.scenothesis.studio.house.Session;
import org.scenothesis.studio.parts.Comparison;
import org.scenothesis.studio.parts.ComparisonBar;
import org.scenothesis.studio.parts.PictureView;
import org.scenothesis.studio.parts.Shown;
import org.scenothesis.studio.parts.Text;
import org.scenothesis.studio.parts.TimeStrip;
import org.scenothesis.studio.parts.VerdictMark;

/// Watching takes against the clean plate, the take log, bringing footage in, and the strike list.
public final class ShootBench extends Bench {
    private static final PseudoClass CHOSEN = PseudoClass.getPseudoClass("chosen");

    private final PictureView picture = new PictureView("");
    private final TimeStrip strip = new TimeStrip();
    private final VBox takes = new VBox();
    private final VBox strike = new VBox(4);
    private final Label go = Text.block("", "paper-number");
    private final Needles needles = new Needles();
    private final ComparisonBar bar = new ComparisonBar("shoot", words(), Comparison.TAKE, this::frame);
    /// The rows of takes shown, under what their buttons depend on: a row stays while measurements come in, and with it the menu that hangs from it.
    private final Map<List<?>, Row> rows = new java.util.HashMap<>();
    private @Nullable String looked;

    public ShootBench(Session session) {
        super(session, BenchName.SHOOT, new HBox(12));
        build();
        wire();
    }

    private record Row(HBox box, Label facts) {}

    private static Map<Comparison, String> words() {
        Map<Comparison, String> words = new java.util.EnumMap<>(Comparison.class);
        words.put(Comparison.TAKE, "Take");
        words.put(Comparison.OVER, "Over clean plate");
        words.put(Comparison.DIFFERENCE, "Difference");
        words.put(Comparison.OUTLINE, "Outline");
        return words;
    }

    private void build() {
        VBox.setVgrow(picture, Priority.ALWAYS);
        strip.setPrefHeight(60);
        VBox left = new VBox(8, bar, picture, strip);
        HBox.setHgrow(left, Priority.ALWAYS);
        Button bring = Text.button("Bring footage in", "floor-button", this::choose);
        bring.setId("bring-in");
        ScrollPane list = new ScrollPane(takes);
        list.setFitToWidth(true);
        list.setPrefHeight(220);
        VBox.setVgrow(list, Priority.ALWAYS);
        ScrollPane slips = new ScrollPane(strike);
        slips.setFitToWidth(true);
        slips.setHbarPolicy(ScrollPane.ScrollBarPolicy.NEVER);
        slips.getStyleClass().add("paper-scroll");
        slips.setMinHeight(60);
        slips.setPrefHeight(190);
        slips.setMaxHeight(240);
        VBox paper = new VBox(6, Text.of("Before striking the set", "paper-title"), slips, go);
        paper.getStyleClass().addAll("paper", "on-paper");
        VBox right = new VBox(10, Text.of("Takes", "heading"), list, Text.block("or drop files on the picture", "muted", "small"), bring, needles, paper);
        right.setMinWidth(330);
        right.setPrefWidth(330);
        right.setMaxWidth(330);
        view.setPadding(new Insets(8, 14, 10, 12));
        view.getChildren().addAll(left, right);
    }

    private void wire() {
        picture.whenSized((w, h) -> frame());
        strip.whenMoved(s -> session.goToFrame(s * session.rate()));
        session.seconds().addListener(o -> {
            strip.at(session.seconds().get());
            frame();
        });
        session.plateId().addListener(o -> {
            looked = null;
            refresh();
        });
        session.production().addListener(o -> refresh());
        session.measured().addListener(o -> refresh());
        session.shotId().addListener(o -> refresh());
        view.setOnDragOver(e -> {
            if (e.getDragboard().hasFiles()) {
                e.acceptTransferModes(TransferMode.COPY);
            }
            e.consume();
        });
        view.setOnDragDropped(this::dropped);
    }

    private void dropped(DragEvent e) {
        if (e.getDragboard().hasFiles()) {
            bringIn(e.getDragboard().getFiles().stream().map(File::toPath).toList());
            e.setDropCompleted(true);
        }
        e.consume();
    }

    private void choose() {
        FileChooser chooser = new FileChooser();
        chooser.setTitle("Bring footage in for " + session.plate().map(Plate::name).orElse("this plate"));
        List<File> files = chooser.showOpenMultipleDialog(view.getScene().getWindow());
        if (files != null) {
            bringIn(files.stream().map(File::toPath).toList());
        }
    }

    /// Checks, copies and lists footage as takes of the selected plate; what cannot be read is said and left out.
    public void bringIn(List<Path> files) {
        Plate plate = session.plate().orElse(null);
        if (plate == null) {
            session.say("Choose a plate on the shelf first; the footage becomes its take.");
            return;
        }
        session.worker().ask(
                "bring-in",
                ticket -> {
                    List<String> in = new java.util.ArrayList<>();
                    for (Path f : files) {
                        org.scenothesis.media.Footages.open(f).close();
                        in.add(session.folder().bringIn(f));
                    }
                    return in;
                },
                in -> {
                    session.change("bring footage in", s -> s.withPlate(plate.id(), p -> {
                        Plate q = p;
                        for (String path : in) {
                            q = q.withTakeAdded(new Take(plate.id() + "-" + (q.takes().size() + 1) + "-" + Integer.toHexString(path.hashCode()), path, false, ""));
                        }
                        return q;
                    }));
                    session.measure();
                },
                e -> session.say(String.valueOf(e.getMessage())));
    }

    @Override
    public boolean key(KeyEvent e) {
        return bar.key(e.getCode());
    }

    @Override
    public Map<String, String> keys() {
        return ComparisonBar.keys();
    }

    private Optional<Take> take() {
        Plate p = session.plate().orElse(null);
        if (p == null) {
            return Optional.empty();
        }
        return p.take(looked).or(() -> Optional.ofNullable(p.chosen()));
    }

    @Override
    protected void refresh() {
        if (!inView()) {
            return;
        }
        List<javafx.scene.Node> now = new java.util.ArrayList<>();
        Plate plate = session.plate().orElse(null);
        if (plate != null) {
            plate.takes().forEach(t -> now.add(row(plate, t)));
        }
        if (plate == null || plate.takes().isEmpty()) {
            now.add(Text.block("No take yet. Roll it, then bring the file in.", "muted"));
        }
        rows.values().removeIf(r -> !now.contains(r.box()));
        if (!takes.getChildren().equals(now)) {
            takes.getChildren().setAll(now);
        }
        strike();
        strip.show(session.shot().seconds(), ribbons(plate), session.shot().beats());
        strip.at(session.seconds().get());
        frame();
    }

    private List<TimeStrip.Ribbon> ribbons(@Nullable Plate plate) {
        Take t = take().orElse(null);
        if (plate == null || t == null) {
            return List.of();
        }
        double length = session.measured().get().brief(t).map(b -> b.still() ? session.shot().seconds() : b.seconds()).orElse(0.0);
        String needs = plate.rollSeconds() == 0 ? "" : ", needs " + Words.number(plate.rollSeconds(), 1) + " s";
        return List.of(new TimeStrip.Ribbon(plate.name() + needs, 0, Math.min(length, session.shot().seconds()), plate.spike()));
    }

    private Region row(Plate plate, Take t) {
        Optional<FootageBrief> brief = session.measured().get().brief(t);
        boolean there = brief.isEmpty() || java.nio.file.Files.exists(session.folder().footage(t));
        Row row = rows.computeIfAbsent(List.of(plate.id(), plate.takes().indexOf(t), t, brief, there), k -> drawn(plate, t, brief));
        row.facts().setText(facts(plate, t, brief));
        row.box().getChildren().set(0, new VerdictMark(verdict(plate, t, brief)));
        row.box().pseudoClassStateChanged(CHOSEN, take().filter(o -> o.id().equals(t.id())).isPresent());
        return row.box();
    }

    private Row drawn(Plate plate, Take t, Optional<FootageBrief> brief) {
        Label name = Text.of("Take " + (plate.takes().indexOf(t) + 1) + (t.circled() ? ", circled" : ""), "strong");
        Label facts = Text.block("", "muted", "small");
        VBox words = new VBox(1, name, facts);
        HBox.setHgrow(words, Priority.ALWAYS);
        words.setMinWidth(0);
        Button circle = Text.button(t.circled() ? "uncircle" : "circle", "floor-button", () -> {
            session.change("circle a take", s -> s.withPlate(plate.id(), p -> p.circling(t.id())));
            session.measure();
        });
        VBox actions = new VBox(3, circle);
        actions.setAlignment(Pos.CENTER_RIGHT);
        mends(t, brief).forEach(actions.getChildren()::add);
        circle.setId("circle-" + t.id());
        circle.setMinWidth(Region.USE_PREF_SIZE);
        HBox row = new HBox(8, new Region(), words, actions);
        row.setAlignment(Pos.CENTER_LEFT);
        row.getStyleClass().add("take-row");
        row.setId("take-" + t.id());
        row.setFocusTraversable(true);
        row.setOnMouseClicked(e -> {
            looked = t.id();
            refresh();
        });
        row.setOnKeyPressed(e -> {
            if (e.getCode() == javafx.scene.input.KeyCode.ENTER) {
                looked = t.id();
                refresh();
            }
        });
        return new Row(row, facts);
    }

    private Verdict verdict(Plate plate, Take t, Optional<FootageBrief> brief) {
        if (brief.filter(b -> !b.usable()).isPresent()) {
            return Verdict.REDO;
        }
        List<Finding> found = ShotFindings.lock(session.shot(), plate, t, session.measured().get(), session.store().now().houseRules());
        return found.isEmpty() && brief.isPresent() ? Verdict.HOLDS : LockJudge.worst(found);
    }

    private String facts(Plate plate, Take t, Optional<FootageBrief> brief) {
        if (brief.filter(b -> !b.usable()).isPresent()) {
            return brief.get().problem();
        }
        StringBuilder s = new StringBuilder();
        brief.ifPresent(b -> s.append(b.still() ? "still" : Words.number(b.seconds(), 1) + " s").append(", ").append(b.width()).append("\u00d7").append(b.height()));
        session.measured().get().lock(session.shot(), plate, t).filter(LockReport::found).ifPresent(r -> s.append(", camera ")
                .append(Words.number(r.furthest().largestShiftPx(), 2)).append(" px").append(r.bumpFrame() == null ? "" : " from frame " + r.bumpFrame()));
        session.measured().get().lockTrouble(session.shot(), plate, t).ifPresent(w -> s.append(". ").append(w));
        brief.ifPresent(b -> s.append(". ").append(reading(t, b)));
        if (!t.note().isEmpty()) {
            s.append(". ").append(t.note());
        }
        return s.toString();
    }

    private static String reading(Take t, FootageBrief b) {
        return "read as " + b.read().replace("SRGB", "sRGB").replace("BT", "BT.").toLowerCase(java.util.Locale.ROOT).replace("srgb", "sRGB").replace("bt.", "BT.")
                + (t.reading().equals(Reading.AS_FILED) ? "" : ", as told");
    }

    /// What can be done about a take beyond circling it: how it is read, a file that went, a link that leads out.
    private List<Button> mends(Take t, Optional<FootageBrief> brief) {
        if (brief.isEmpty()) {
            return List.of();
        }
        if (brief.get().usable()) {
            Button read = Text.button("read as\u2026", "floor-button", () -> {});
            read.setId("reading-" + t.id());
            read.setMinWidth(Region.USE_PREF_SIZE);
            read.setOnAction(e -> readings(t).show(read, javafx.geometry.Side.BOTTOM, 0, 0));
            return List.of(read);
        }
        Path path = session.folder().footage(t);
        if (!java.nio.file.Files.exists(path)) {
            Button find = Text.button("find it again", "floor-button", () -> findAgain(t));
            find.setId("find-" + t.id());
            find.setMinWidth(Region.USE_PREF_SIZE);
            return List.of(find);
        }
        if (session.folder().refusal(path) != null) {
            Button allow = Text.button("allow this place", "floor-button", () -> allow(path));
            allow.setId("allow-" + t.id());
            allow.setMinWidth(Region.USE_PREF_SIZE);
            return List.of(allow);
        }
        return List.of();
    }

    private void allow(Path path) {
        try {
            session.folder().grant(path);
            session.measure();
        } catch (StoreException e) {
            session.say(String.valueOf(e.getMessage()));
        }
    }

    /// The ways a take can be read: curve, matrix, range, each as the file says or as told.
    private ContextMenu readings(Take t) {
        ContextMenu menu = new ContextMenu();
        menu.getItems().add(choice("As the file says", t, Reading.AS_FILED));
        menu.getItems().add(new SeparatorMenuItem());
        for (Transfer c : Transfer.values()) {
            menu.getItems().add(choice("Curve " + Words.of("curve." + c.name()), t, t.reading().withCurve(c)));
        }
        menu.getItems().add(new SeparatorMenuItem());
        for (ColourMatrix m : ColourMatrix.values()) {
            menu.getItems().add(choice("Matrix " + m.name().replace("BT", "BT."), t, t.reading().withMatrix(m)));
        }
        menu.getItems().add(new SeparatorMenuItem());
        menu.getItems().add(choice("Full range", t, t.reading().withFullRange(true)));
        menu.getItems().add(choice("Limited range", t, t.reading().withFullRange(false)));
        return menu;
    }

    private MenuItem choice(String words, Take t, Reading as) {
        MenuItem item = new MenuItem(words + (t.reading().equals(as) ? ", now" : ""));
        item.setOnAction(e -> changeTake("read a take as told", t, q -> q.read(as)));
        return item;
    }

    private void changeTake(String what, Take t, java.util.function.UnaryOperator<Take> how) {
        session.change(what, s -> s.withPlates(s.plates().stream().map(p -> p.withTakes(p.takes().stream().map(q -> q.id().equals(t.id()) ? how.apply(q) : q).toList())).toList()));
        session.measure();
    }

    private void findAgain(Take t) {
        DirectoryChooser chooser = new DirectoryChooser();
        chooser.setTitle("Where may " + t.footage() + " be?");
        File under = chooser.showDialog(view.getScene().getWindow());
        if (under != null) {
            findAgain(t, under.toPath());
        }
    }

    /// Looks for a take's file by name and content under a folder; found outside, it is brought in.
    public void findAgain(Take t, Path under) {
        session.worker().ask("find", ticket -> {
            Path found = new MissingFootage(session.folder(), session.surveyor().contents()).find(t, under).orElse(null);
            return found == null ? "" : session.folder().bringIn(found);
        }, at -> {
            if (at.isEmpty()) {
                session.say("No file of this name with the same content is under " + under + ".");
            } else {
                changeTake("find a take's file again", t, q -> q.found(at));
            }
        }, e -> session.say(String.valueOf(e.getMessage())));
    }

    private void strike() {
        strike.getChildren().clear();
        List<Verdict> all = new java.util.ArrayList<>();
        for (Plate p : session.plates()) {
            Verdict v = LockJudge.worst(session.findings(p.id()));
            all.add(v);
            Label name = Text.of(p.name(), "paper-text");
            HBox.setHgrow(name, Priority.ALWAYS);
            name.setMaxWidth(Double.MAX_VALUE);
            HBox row = new HBox(8, new VerdictMark(v), name, Text.of(p.chosen() == null ? "to film" : Words.verdict(v), "paper-soft"));
            row.setAlignment(Pos.CENTER_LEFT);
            strike.getChildren().add(row);
        }
        Verdict whole = Verdict.of(all);
        ShotFindings.Known known = session.known();
        go.setText(all.isEmpty() ? "No plates are planned."
                : whole == Verdict.HOLDS || whole == Verdict.WATCH && known.all() ? "Go: every plate is there, all " + known.of() + " measurements made."
                : whole == Verdict.REDO ? "No go yet: film again, or find again, what is red." : "No go yet: " + known.measured() + " of " + known.of() + " measured.");
    }

    private void frame() {
        if (!inView()) {
            return;
        }
        Take t = take().orElse(null);
        Plate plate = session.plate().orElse(null);
        FootageSource path = t == null ? null : session.footage(t);
        if (t == null || path == null || plate == null) {
            picture.say(t == null ? "Nothing to show: this plate has no take." : session.problem(t));
            picture.name("");
            needles.show(null);
            return;
        }
        FootageSource proved = session.reference(plate, t);
        FootageSource reference = proved == null ? path : proved;
        Comparison how = bar.mode();
        double at = session.seconds().get();
        int w = picture.roomWidth();
        int h = picture.roomHeight();
        session.worker().ask(
                "shoot-picture",
                ticket -> {
                    Picture p = session.frames().at(path, at);
                    Picture shown = how == Comparison.TAKE ? p : how.of(p, session.frames().frame(reference, 0), session.bands());
                    return Shown.of(shown, w, h, session.bands());
                },
                picture::show,
                e -> picture.say(String.valueOf(e.getMessage())));
        picture.name(session.plate().map(Plate::name).orElse("") + ", frame " + session.frame() + (how == Comparison.REFERENCE ? ", clean plate" : ""));
        needles.show(session.measured().get().lock(session.shot(), plate, t).map(this::sample).orElse(null));
    }

    private LockReport.@Nullable Sample sample(LockReport r) {
        int frame = session.frame();
        return r.series().stream().filter(x -> x.frame() == frame).findFirst().orElse(null);
    }
}
