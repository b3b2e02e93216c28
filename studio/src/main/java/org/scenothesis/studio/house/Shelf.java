package org.scenothesis.studio.house;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import javafx.css.PseudoClass;
import javafx.geometry.Insets;
import javafx.geometry.Pos;
import javafx.scene.control.Label;
import javafx.scene.control.ScrollPane;
import javafx.scene.image.ImageView;
import javafx.scene.image.PixelBuffer;
import javafx.scene.image.PixelFormat;
import javafx.scene.image.WritableImage;
import javafx.scene.input.KeyCode;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;
import javafx.scene.layout.StackPane;
import javafx.scene.layout.VBox;
import org.scenothesis.core.shot.Plate;
import org.scenothesis.core.shot.PlateRole;
import org.scenothesis.core.shot.Spike;
import org.scenothesis.core.shot.Take;
import org.scenothesis.media.FootageSource;
import org.scenothesis.production.measure.FootageBrief;
import org.scenothesis.production.words.Words;
import org.scenothesis.studio.parts.Shown;
import org.scenothesis.studio.parts.SpikeMark;
import org.scenothesis.studio.parts.Text;

/// One slip per plate in running order; the selection everywhere, and the row header of the Board.
public final class Shelf extends VBox {
    public static final double WIDTH = 224;
    /// Height of a slip with the gap below it; the Board's rows keep to it.
    public static final double ROW = 84;
    public static final double TOP = 26;
    private static final PseudoClass CHOSEN = PseudoClass.getPseudoClass("chosen");
    private static final int THUMB_W = 86;
    private static final int THUMB_H = 50;

    private final Session session;
    private final VBox slips = new VBox(8);
    private final ScrollPane scroll = new ScrollPane(slips);
    private final Map<String, Region> byPlate = new HashMap<>();
    private final Map<Thumb, WritableImage> thumbs = new HashMap<>();
    private final Map<Thumb, List<StackPane>> waiting = new HashMap<>();
    private final Set<Thumb> asked = new HashSet<>();
    private List<String> shown = List.of();

    /// A take's picture, of the file as it stood.
    private record Thumb(FootageSource source, String standing) {}

    Shelf(Session session) {
        this.session = session;
        getStyleClass().add("shelf");
        setMinWidth(WIDTH);
        setPrefWidth(WIDTH);
        setMaxWidth(WIDTH);
        slips.setPadding(new Insets(4, 8, 10, 10));
        scroll.setFitToWidth(true);
        scroll.setHbarPolicy(ScrollPane.ScrollBarPolicy.NEVER);
        VBox.setVgrow(scroll, Priority.ALWAYS);
        Label head = Text.of("Plates in running order", "column-head");
        head.setPadding(new Insets(6, 0, 0, 11));
        head.setMinHeight(TOP - 4);
        head.setPrefHeight(TOP - 4);
        getChildren().addAll(head, scroll);
        session.production().addListener(o -> build());
        session.shotId().addListener(o -> build());
        session.measured().addListener((o, was, is) -> {
            if (!was.briefs().equals(is.briefs())) {
                build();
            }
        });
        scroll.vvalueProperty().addListener(o -> ask());
        scroll.heightProperty().addListener(o -> javafx.application.Platform.runLater(this::ask));
        session.planned().addListener(o -> {
            if (!shown.equals(session.plates().stream().map(Plate::id).toList())) {
                build();
            }
        });
        session.plateId().addListener(o -> choose());
        build();
    }

    /// The scroll position, shared with the Board.
    public ScrollPane scroll() {
        return scroll;
    }

    private void build() {
        boolean focused = byPlate.values().stream().anyMatch(Region::isFocused);
        slips.getChildren().clear();
        byPlate.clear();
        waiting.keySet().retainAll(asked);
        waiting.values().forEach(List::clear);
        shown = session.plates().stream().map(Plate::id).toList();
        for (Plate p : session.plates()) {
            Region slip = slip(p);
            byPlate.put(p.id(), slip);
            slips.getChildren().add(slip);
        }
        var add = Text.button("+ Add a plate", "quiet-button", this::addPlate);
        add.setId("add-plate");
        slips.getChildren().add(add);
        choose();
        if (focused && byPlate.containsKey(session.plateId().get())) {
            byPlate.get(session.plateId().get()).requestFocus();
        }
    }

    private Region slip(Plate p) {
        Label name = Text.of(p.name(), "slip-name");
        Label kind = Text.block(about(p), "slip-kind");
        kind.setMaxHeight(34);
        kind.setMinHeight(0);
        VBox words = new VBox(1, name, kind);
        HBox.setHgrow(words, Priority.ALWAYS);
        words.setMinWidth(0);
        SpikeMark mark = new SpikeMark(p.spike(), 15);
        StackPane right = new StackPane(words, mark);
        right.getStyleClass().add("on-paper");
        StackPane.setAlignment(mark, Pos.BOTTOM_RIGHT);
        HBox.setHgrow(right, Priority.ALWAYS);
        right.setMinWidth(0);
        HBox slip = new HBox(8, thumb(p), right);
        slip.setAlignment(Pos.CENTER_LEFT);
        slip.getStyleClass().add("slip");
        slip.setId("slip-" + p.id());
        slip.setMinHeight(ROW - 8);
        slip.setPrefHeight(ROW - 8);
        slip.setMaxHeight(ROW - 8);
        slip.setFocusTraversable(true);
        slip.setAccessibleText(p.name() + ", " + about(p));
        slip.setOnMouseClicked(e -> {
            session.plateId().set(p.id());
            slip.requestFocus();
        });
        slip.setOnKeyPressed(e -> {
            if (e.getCode() == KeyCode.ENTER) {
                session.plateId().set(p.id());
            }
        });
        Text.tip(slip, () -> p.name() + " \u00b7 " + about(p));
        return slip;
    }

    private String about(Plate p) {
        String role = Words.of("role.short." + p.role().name());
        Take t = p.chosen();
        if (t == null) {
            return role + ", no take";
        }
        int number = p.takes().indexOf(t) + 1;
        String length = session.measured().get().brief(t).filter(FootageBrief::usable)
                .map(b -> b.still() ? "still" : Words.number(b.seconds(), 1) + " s").orElse("");
        return role + (length.isEmpty() ? "" : ", " + length) + (p.takes().size() > 1 ? " \u00b7 take " + number : "");
    }

    private Region thumb(Plate p) {
        StackPane box = new StackPane();
        box.getStyleClass().add("thumb-empty");
        box.setMinSize(THUMB_W, THUMB_H);
        box.setPrefSize(THUMB_W, THUMB_H);
        box.setMaxSize(THUMB_W, THUMB_H);
        FootageSource source = session.footage(p);
        Take take = p.chosen();
        if (source == null || take == null) {
            box.getChildren().add(Text.of(take == null ? "to film" : "unreadable", "thumb-word"));
            return box;
        }
        Thumb thumb = new Thumb(source, session.measured().get().brief(take).map(FootageBrief::standing).orElse(""));
        WritableImage known = thumbs.get(thumb);
        if (known != null) {
            box.getChildren().add(new ImageView(known));
        } else if (!thumb.standing.isEmpty()) {
            waiting.computeIfAbsent(thumb, q -> new ArrayList<>()).add(box);
            javafx.application.Platform.runLater(this::ask);
        }
        return box;
    }

    /// Asks for the pictures of the slips that are in view; the others wait until they are scrolled to.
    private void ask() {
        var window = scroll.localToScene(scroll.getBoundsInLocal());
        for (Map.Entry<Thumb, List<StackPane>> w : waiting.entrySet()) {
            boolean seen = w.getValue().stream().anyMatch(b -> b.getScene() != null && b.localToScene(b.getBoundsInLocal()).intersects(window));
            Thumb thumb = w.getKey();
            if (seen && asked.add(thumb)) {
                session.worker().ask(
                        "thumbs|" + thumb, ticket -> Shown.of(session.frames().small(thumb.source, 40, THUMB_W, THUMB_H), THUMB_W, THUMB_H, session.bands()), s -> {
                            WritableImage image = new WritableImage(new PixelBuffer<>(s.width(), s.height(), s.buffer(), PixelFormat.getIntArgbPreInstance()));
                            thumbs.put(thumb, image);
                            arrived(thumb, () -> new ImageView(image));
                        }, e -> arrived(thumb, () -> Text.of("unreadable", "thumb-word")));
            }
        }
    }

    /// Several plates may show one take.
    private void arrived(Thumb path, java.util.function.Supplier<javafx.scene.Node> shown) {
        asked.remove(path);
        List<StackPane> boxes = waiting.remove(path);
        if (boxes != null) {
            boxes.forEach(b -> b.getChildren().setAll(shown.get()));
        }
    }

    private void choose() {
        byPlate.forEach((id, slip) -> slip.pseudoClassStateChanged(CHOSEN, id.equals(session.plateId().get())));
    }

    private void addPlate() {
        int i = session.shot().plates().size();
        String id = "plate-" + (i + 1) + "-" + Integer.toHexString((int) (System.nanoTime() & 0xffff));
        session.change("add a plate", s -> s.withPlateAdded(
                new Plate(id, "Plate " + (i + 1), PlateRole.PRACTICAL, Spike.number(i), "A", "A", s.seconds(), java.util.List.of())));
        session.plateId().set(id);
    }

    void step(int by) {
        var ids = session.plates().stream().map(Plate::id).toList();
        if (!ids.isEmpty()) {
            int i = Math.clamp(ids.indexOf(session.plateId().get()) + by, 0, ids.size() - 1);
            session.plateId().set(ids.get(i));
            Region slip = byPlate.get(ids.get(i));
            double height = slips.getHeight() - scroll.getViewportBounds().getHeight();
            if (height > 0) {
                scroll.setVvalue(Math.clamp((slip.getBoundsInParent().getMinY() - ROW) / height, 0, 1));
            }
        }
    }
}
