package org.scenothesis.studio.house;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.function.Supplier;
import javafx.application.Platform;
import javafx.geometry.Insets;
import javafx.scene.Node;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.control.ScrollPane;
import javafx.scene.image.ImageView;
import javafx.scene.image.WritableImage;
import javafx.scene.input.DataFormat;
import javafx.scene.layout.Priority;
import javafx.scene.layout.StackPane;
import javafx.scene.layout.VBox;
import org.scenothesis.core.picture.DisplayPicture;
import org.scenothesis.core.shot.Plate;
import org.scenothesis.core.shot.PlateRole;
import org.scenothesis.core.shot.Spike;
import org.scenothesis.core.shot.Take;
import org.scenothesis.media.FootageSource;
import org.scenothesis.production.measure.FootageBrief;
import org.scenothesis.production.words.Words;
import org.scenothesis.studio.parts.PictureView;
import org.scenothesis.studio.parts.Text;

/// One slip per plate in running order; the selection everywhere, and the row header of the Board.
public final class Shelf extends VBox {
    /// What a slip is while it is dragged: the id of its plate.
    public static final DataFormat PLATE = new DataFormat("scenothesis/plate");
    public static final double WIDTH = 224;
    /// Height of a slip with the gap below it; the Board's rows keep to it.
    public static final double ROW = 84;
    public static final double TOP = 26;

    private final Session session;
    private final VBox slips = new VBox(8);
    private final ScrollPane scroll = new ScrollPane(slips);
    private final Map<String, Slip> byPlate = new HashMap<>();
    private final Map<Thumb, WritableImage> thumbs = new HashMap<>();
    private final Map<Thumb, List<StackPane>> waiting = new HashMap<>();
    private final Set<Thumb> asked = new HashSet<>();
    private final Button add = Text.button("+ Add a plate", "quiet-button", this::addPlate);
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
        add.setId("add-plate");
        scroll.setFitToWidth(true);
        scroll.setHbarPolicy(ScrollPane.ScrollBarPolicy.NEVER);
        VBox.setVgrow(scroll, Priority.ALWAYS);
        Label head = Text.of(Words.of("shelf.plates-in-running-order"), "column-head");
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
        scroll.heightProperty().addListener(o -> Platform.runLater(this::ask));
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

    /// Slips of plates that stay are kept: a click, the focus and a reader on one of them are not disturbed by a measurement.
    private void build() {
        waiting.keySet().retainAll(asked);
        waiting.values().forEach(List::clear);
        shown = session.plates().stream().map(Plate::id).toList();
        byPlate.keySet().retainAll(shown);
        List<Node> nodes = new ArrayList<>();
        for (Plate p : session.plates()) {
            Slip slip = byPlate.computeIfAbsent(p.id(), id -> new Slip(id, session.plateId()));
            slip.show(p, about(p));
            fill(slip.picture(), p);
            nodes.add(slip);
        }
        nodes.add(add);
        if (!slips.getChildren().equals(nodes)) {
            slips.getChildren().setAll(nodes);
        }
        choose();
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

    private void fill(StackPane box, Plate p) {
        FootageSource source = session.footage(p);
        Take take = p.chosen();
        if (source == null || take == null) {
            box.getChildren().setAll(Text.of(take == null ? "to film" : "unreadable", "thumb-word"));
            return;
        }
        Thumb thumb = new Thumb(source, session.measured().get().brief(take).map(FootageBrief::standing).orElse(""));
        WritableImage known = thumbs.get(thumb);
        if (known != null) {
            box.getChildren().setAll(new ImageView(known));
            return;
        }
        box.getChildren().clear();
        if (!thumb.standing.isEmpty()) {
            waiting.computeIfAbsent(thumb, q -> new ArrayList<>()).add(box);
            // Where slips lie is known once they are laid out.
            Ticker.afterDrawing(this::ask);
        }
    }

    private boolean seen(List<StackPane> boxes) {
        var window = scroll.localToScene(scroll.getBoundsInLocal());
        return boxes.stream().anyMatch(b -> b.getScene() != null && b.localToScene(b.getBoundsInLocal()).intersects(window));
    }

    /// Whether a slip in view has not got its picture yet.
    public boolean waits() {
        return waiting.values().stream().anyMatch(this::seen);
    }

    /// Asks for the pictures of the slips that are in view; the others wait until they are scrolled to.
    private void ask() {
        for (Map.Entry<Thumb, List<StackPane>> w : waiting.entrySet()) {
            Thumb thumb = w.getKey();
            if (seen(w.getValue()) && asked.add(thumb)) {
                session.worker().ask(
                        "thumbs|" + thumb, ticket ->
                        DisplayPicture.of(session.frames().small(thumb.source, 40, Slip.PICTURE_W, Slip.PICTURE_H), Slip.PICTURE_W,
                        Slip.PICTURE_H, session.bands()), s -> {
                            WritableImage image = PictureView.image(s);
                            thumbs.put(thumb, image);
                            arrived(thumb, () -> new ImageView(image));
                        }, e -> arrived(thumb, () -> Text.of("unreadable", "thumb-word")));
            }
        }
    }

    /// Several plates may show one take.
    private void arrived(Thumb path, Supplier<Node> shown) {
        asked.remove(path);
        List<StackPane> boxes = waiting.remove(path);
        if (boxes != null) {
            boxes.forEach(b -> b.getChildren().setAll(shown.get()));
        }
    }

    private void choose() {
        byPlate.forEach((id, slip) -> slip.choose(id.equals(session.plateId().get())));
    }

    private void addPlate() {
        int i = session.shot().plates().size();
        String id = "plate-" + (i + 1) + "-" + Integer.toHexString((int) (System.nanoTime() & 0xffff));
        session.change("add a plate", s -> s.withPlateAdded(
                new Plate(id, "Plate " + (i + 1), PlateRole.PRACTICAL, Spike.number(i), "A", "A", s.seconds(), List.of())));
        session.plateId().set(id);
    }

    void step(int by) {
        var ids = session.plates().stream().map(Plate::id).toList();
        if (!ids.isEmpty()) {
            int i = Math.clamp(ids.indexOf(session.plateId().get()) + by, 0, ids.size() - 1);
            session.plateId().set(ids.get(i));
            Node slip = byPlate.get(ids.get(i));
            double height = slips.getHeight() - scroll.getViewportBounds().getHeight();
            if (slip != null && height > 0) {
                scroll.setVvalue(Math.clamp((slip.getBoundsInParent().getMinY() - ROW) / height, 0, 1));
            }
        }
    }
}
