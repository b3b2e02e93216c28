package org.scenothesis.studio.stage;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.function.BooleanSupplier;
import javafx.geometry.Point2D;
import javafx.scene.control.Label;
import javafx.scene.control.ToggleButton;
import javafx.scene.control.ToggleGroup;
import javafx.scene.layout.FlowPane;
import javafx.scene.layout.Pane;
import javafx.scene.layout.Priority;
import javafx.scene.layout.VBox;
import javafx.scene.shape.Circle;
import javafx.scene.shape.Polygon;
import javafx.scene.shape.Rectangle;
import org.jspecify.annotations.Nullable;
import org.scenothesis.core.picture.DisplayPicture;
import org.scenothesis.core.picture.Point;
import org.scenothesis.core.rehearsal.device.StandIns;
import org.scenothesis.core.rehearsal.staged.Rehearsal;
import org.scenothesis.core.rehearsal.staged.SetScenery;
import org.scenothesis.core.stage.draw.Overlay;
import org.scenothesis.core.stage.piece.Camera;
import org.scenothesis.core.stage.piece.Piece;
import org.scenothesis.core.stage.proof.Question;
import org.scenothesis.core.stage.proof.SetView;
import org.scenothesis.production.words.StageWords;
import org.scenothesis.production.words.Words;
import org.scenothesis.studio.house.Session;
import org.scenothesis.studio.parts.PictureView;
import org.scenothesis.studio.parts.Text;

/// What the camera of a set will see, rough at once and then finer, with one of several things drawn over it.
final class SeenPicture extends VBox {
    private static final String PICTURE = "stage-picture";
    private static final int PASSES = 20;
    private static final int SMALL_W = 240;

    private final Session session;
    private final StageModel model;
    private final BooleanSupplier looked;
    private final PictureView picture = new PictureView("");
    private final Map<Overlay.Kind, ToggleButton> overlays = new LinkedHashMap<>();
    private final ToggleButton audience = new ToggleButton("audience");
    private Overlay.Kind kind = Overlay.Kind.ROOM;
    private @Nullable Held spot;

    /// - `looked`: whether the bench is looked at.
    SeenPicture(Session session, StageModel model, BooleanSupplier looked) {
        super(8);
        this.session = session;
        this.model = model;
        this.looked = looked;
        picture.setMinHeight(212);
        VBox.setVgrow(picture, Priority.ALWAYS);
        Rectangle clip = new Rectangle();
        clip.widthProperty().bind(picture.overlay().widthProperty());
        clip.heightProperty().bind(picture.overlay().heightProperty());
        picture.overlay().setClip(clip);
        getChildren().addAll(picture, overlayRow());
        picture.whenSized((w, h) -> refresh());
        picture.setOnMouseClicked(e -> {
            Point2D at = picture.overlay().sceneToLocal(e.getSceneX(), e.getSceneY());
            spot(at.getX(), at.getY());
        });
    }

    /// What the spot meter read at a place of the picture of a set.
    private record Held(SetView of, Point at, String words) {}

    /// Holds the spot meter to a place of the picture; the reading stays while the set does.
    private void spot(double x, double y) {
        DisplayPicture shown = picture.shown();
        Optional<SetView> view = model.looked().map(s -> s.view(model.plate()));
        if (shown == null || view.isEmpty() || audience.isSelected() || x < 0 || y < 0 || x >= shown.width() || y >= shown.height()) {
            return;
        }
        Point at = new Point(x / shown.width(), y / shown.height());
        model.ask("spot", ticket -> StandIns.of(view.get()).spot().at(at), r -> {
            spot = new Held(view.get(), at, Words.of("instruments.spot", StageWords.reading(r)));
            overlay();
        });
    }

    /// The picture itself, for words in its place.
    PictureView view() {
        return picture;
    }

    /// What is drawn over it, the next in turn.
    void next() {
        List<Overlay.Kind> all = List.copyOf(overlays.keySet());
        over(all.get((all.indexOf(kind) + 1) % all.size()));
    }

    private FlowPane overlayRow() {
        ToggleGroup group = new ToggleGroup();
        FlowPane row = new FlowPane(4, 4);
        for (Overlay.Kind k : Overlay.Kind.values()) {
            ToggleButton b = new ToggleButton(Words.of("overlay." + k.name()));
            b.getStyleClass().setAll("toggle-button", "floor-button");
            b.setToggleGroup(group);
            b.setId("overlay-" + k.name().toLowerCase(Locale.ROOT));
            b.setOnAction(e -> over(k));
            overlays.put(k, b);
            row.getChildren().add(b);
        }
        audience.getStyleClass().setAll("toggle-button", "floor-button");
        audience.setId("overlay-audience");
        audience.setToggleGroup(group);
        audience.setOnAction(e -> {
            audience.setSelected(true);
            refresh();
        });
        row.getChildren().add(audience);
        Objects.requireNonNull(overlays.get(kind)).setSelected(true);
        return row;
    }

    private void over(Overlay.Kind k) {
        boolean from = audience.isSelected();
        kind = k;
        overlays.forEach((o, b) -> b.setSelected(o == k));
        audience.setSelected(false);
        if (from) {
            refresh();
        } else {
            overlay();
        }
    }

    /// Shows what the camera sees now.
    void refresh() {
        if (!looked.getAsBoolean()) {
            return;
        }
        Optional<SetView> view = model.looked().map(s -> s.view(model.plate()));
        if (view.isEmpty()) {
            return;
        }
        int w = picture.roomWidth();
        int h = picture.roomHeight();
        if (audience.isSelected()) {
            session.worker().cancel(PICTURE);
            picture.name(Words.of("audience-view.what-the-audience-sees"));
            AudiencePicture.show(picture, session.shot(), session.seconds().get());
            return;
        }
        AudiencePicture.gone(picture);
        picture.name(Words.of("seen-picture.what-will-see-rehearsed", model.piece().filter(x -> x.thing() instanceof Camera)
                .map(Piece::name).orElse("the camera"), (view.get().lamps().isEmpty() ? Words.of("seen-picture.in-work-light") : ""),
                (model.plateName().isEmpty() ? "" : " \u00b7 " + model.plateName())));
        SetView v = view.get();
        int wide = Math.max(64, Math.min(w, h * v.widthPx() / v.heightPx()));
        int high = Math.max(36, wide * v.heightPx() / v.widthPx());
        boolean dragging = model.dragging();
        double seconds = session.seconds().get();
        session.worker().ask(PICTURE, ticket -> {
            // Small and rough at once, then as large as the room and finer and finer.
            int small = Math.min(wide, SMALL_W);
            DisplayPicture last = rehearse(v, small, small * high / wide, wide, high, seconds, 2, ticket::wanted);
            if (!dragging) {
                session.worker().onUi(() -> seen(last, ticket.wanted()));
                return refined(v, wide, high, seconds, ticket::wanted);
            }
            return last;
        }, p -> seen(p, true), e -> picture.say(String.valueOf(e.getMessage())));
    }

    private void seen(DisplayPicture p, boolean wanted) {
        if (wanted && looked.getAsBoolean() && !audience.isSelected()) {
            picture.show(p);
            overlay();
        }
    }

    private DisplayPicture rehearse(SetView v, int w, int h, int wide, int high, double seconds, int passes, BooleanSupplier wanted) {
        Rehearsal r = new Rehearsal(SetScenery.metered(new SetView(v.stage(), v.plate(), w, Math.max(1, h))), seconds);
        for (int i = 0; i < passes && wanted.getAsBoolean(); i++) {
            r.refine(session.bands());
        }
        return DisplayPicture.of(r.picture(), wide, high, session.bands());
    }

    private DisplayPicture refined(SetView v, int wide, int high, double seconds, BooleanSupplier wanted) {
        Rehearsal r = new Rehearsal(SetScenery.metered(new SetView(v.stage(), v.plate(), wide, high)), seconds);
        DisplayPicture last = null;
        for (int i = 1; i <= PASSES && (wanted.getAsBoolean() || last == null); i++) {
            r.refine(session.bands());
            if (last == null || i == 2 || i % 4 == 0 || i == PASSES) {
                DisplayPicture shown = DisplayPicture.of(r.picture(), wide, high, session.bands());
                last = shown;
                session.worker().onUi(() -> seen(shown, wanted.getAsBoolean()));
            }
        }
        return Objects.requireNonNull(last);
    }

    private void overlay() {
        Optional<Question> asked = model.looked().map(x -> x.question(model.plate(), model.rules()));
        Pane over = picture.overlay();
        over.getChildren().clear();
        if (asked.isEmpty() || audience.isSelected() || picture.shown() == null) {
            return;
        }
        Overlay o = Overlay.of(asked.get(), kind);
        DisplayPicture p = picture.shown();
        double w = p.width();
        double h = p.height();
        for (Overlay.Outline line : o.outlines()) {
            Polygon poly = new Polygon();
            line.corners().forEach(c -> poly.getPoints().addAll(Math.clamp(c.x(), -4, 5) * w, Math.clamp(c.y(), -4, 5) * h));
            poly.getStyleClass().add(line.dashed() ? "seen-swept" : "seen-edge");
            poly.setMouseTransparent(true);
            over.getChildren().add(poly);
        }
        for (Overlay.Spot s : o.spots()) {
            Circle c = new Circle(s.at().x() * w, s.at().y() * h, 2 + 3 * (kind == Overlay.Kind.SHADOW ? s.strength()
                    : Math.abs(s.strength() - 0.5) * 2));
            c.getStyleClass().add(kind == Overlay.Kind.SHADOW || s.strength() < 0.5 ? "seen-dark" : "seen-bright");
            c.setMouseTransparent(true);
            over.getChildren().add(c);
        }
        List<Label> words = new ArrayList<>();
        for (Overlay.Value v : o.values()) {
            Label l = Text.of(v.unit().equals("stop") ? Words.stops(v.value()) : Words.number(v.value(), 2) + " " + v.unit(), "seen-word");
            l.setMouseTransparent(true);
            l.relocate(Math.clamp(v.at().x() * w + 5, 2, Math.max(2, w - 70)), Math.clamp(v.at().y() * h - 9, 2, Math.max(2, h - 20)));
            words.add(l);
        }
        Held held = spot;
        if (held != null && held.of.equals(asked.get().view())) {
            Label l = Text.of(held.words, "seen-word");
            l.setId("stage-spot");
            l.setMouseTransparent(true);
            l.relocate(Math.min(held.at.x() * w + 6, Math.max(2, w - 150)), Math.max(2, held.at.y() * h - 18));
            words.add(l);
        }
        over.getChildren().addAll(words);
        over.applyCss();
    }
}
