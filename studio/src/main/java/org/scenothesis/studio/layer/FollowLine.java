package org.scenothesis.studio.layer;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.function.Supplier;
import javafx.geometry.Pos;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.control.ProgressBar;
import javafx.scene.input.KeyEvent;
import javafx.scene.input.MouseButton;
import javafx.scene.input.MouseEvent;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Pane;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;
import javafx.scene.layout.VBox;
import javafx.scene.shape.Circle;
import org.jspecify.annotations.Nullable;
import org.scenothesis.core.follow.Following;
import org.scenothesis.core.picture.Bands;
import org.scenothesis.core.picture.Point;
import org.scenothesis.core.shot.Layer;
import org.scenothesis.core.shot.Plate;
import org.scenothesis.core.shot.Shot;
import org.scenothesis.core.shot.Source;
import org.scenothesis.core.shot.Take;
import org.scenothesis.core.shot.Track;
import org.scenothesis.core.shot.Tracks;
import org.scenothesis.core.shot.step.PinnedCorners;
import org.scenothesis.media.FootageSource;
import org.scenothesis.production.measure.FollowTake;
import org.scenothesis.production.words.Words;
import org.scenothesis.studio.house.Session;
import org.scenothesis.studio.parts.PictureView;
import org.scenothesis.studio.parts.Rows;
import org.scenothesis.studio.parts.Text;

/// Follows what is clicked in the picture, with how far it is and a way to stop it, and lists what was followed.
final class FollowLine extends HBox {
    private static final String LANE = "follow";

    private final Session session;
    private final Supplier<@Nullable Layer> layer;
    private final Label words = new Label();
    private final ProgressBar bar = new ProgressBar(0);
    private final Button stop;
    private final VBox tracks = new VBox(4);
    private final Rows lines = new Rows(tracks);
    private final Pane over;
    private final Circle ring = new Circle(9);
    private boolean waiting;

    FollowLine(Session session, PictureView picture, Supplier<@Nullable Layer> layer) {
        super(8);
        this.session = session;
        this.layer = layer;
        stop = Text.button("stop", "floor-button", this::stop);
        stop.setId("follow-stop");
        words.setId("follow-words");
        words.getStyleClass().add("muted");
        bar.setPrefWidth(180);
        setAlignment(Pos.CENTER_LEFT);
        getChildren().addAll(words, bar, stop);
        picture.overlay().addEventFilter(MouseEvent.MOUSE_CLICKED, e -> {
            if (waiting && e.getButton() == MouseButton.PRIMARY) {
                e.consume();
                follow(List.of(new Point(e.getX() / picture.overlay().getWidth(), e.getY() / picture.overlay().getHeight())));
            }
        });
        over = picture.overlay();
        ring.setId("follow-ring");
        ring.getStyleClass().add("trail-ring");
        ring.setFocusTraversable(true);
        ring.setAccessibleText(Words.of("follow-line.the-thing-to-track"));
        ring.setMouseTransparent(true);
        ring.setOnKeyPressed(this::key);
        over.getChildren().add(ring);
        idle();
    }

    /// By keyboard: arrows carry the ring, with Shift ten times as far; Enter follows what is in it.
    private void key(KeyEvent e) {
        double step = e.isShiftDown() ? 40 : 4;
        switch (e.getCode()) {
            case LEFT -> ring.setCenterX(Math.max(0, ring.getCenterX() - step));
            case RIGHT -> ring.setCenterX(Math.min(over.getWidth(), ring.getCenterX() + step));
            case UP -> ring.setCenterY(Math.max(0, ring.getCenterY() - step));
            case DOWN -> ring.setCenterY(Math.min(over.getHeight(), ring.getCenterY() + step));
            case ENTER -> follow(List.of(new Point(ring.getCenterX() / over.getWidth(), ring.getCenterY() / over.getHeight())));
            default -> {
                return;
            }
        }
        e.consume();
    }

    /// What was followed in the shot, each with a way to take it away.
    VBox tracks() {
        return tracks;
    }

    void show() {
        Shot shot = session.shot();
        List<Rows.Row> all = new ArrayList<>();
        if (!shot.tracks().isEmpty()) {
            all.add(new Rows.Row("head", "", () -> Text.of(Words.of("follow-line.tracks-of-this-shot"), "column-head")));
        }
        shot.tracks().forEach(t -> all.add(new Rows.Row(List.of(t.id()), List.of(t.name(), t.spots().size()), () -> row(t))));
        lines.show(all);
    }

    private HBox row(Track t) {
        Region room = new Region();
        HBox.setHgrow(room, Priority.ALWAYS);
        Button away = Text.button("\u00d7", "floor-button", () -> session.change("take " + t.name() + " away",
                s -> Tracks.without(s, t.id())));
        away.setId("away-" + t.id());
        away.setAccessibleText("take " + t.name() + " away");
        HBox row = new HBox(6, Text.of(t.name(), "strong"), Text.of("found in " + t.spots().size() + " frames", "muted", "small"), room,
                away);
        row.setAlignment(Pos.CENTER_LEFT);
        return row;
    }

    private void idle() {
        waiting = false;
        ring.setVisible(false);
        setVisible(false);
        setManaged(false);
    }

    private void told(String sentence, boolean busy) {
        words.setText(sentence);
        bar.setVisible(busy);
        bar.setManaged(busy);
        setVisible(true);
        setManaged(true);
    }

    /// The plate whose picture is clicked: of the lowest layer that was filmed and moves.
    private @Nullable Plate plate() {
        Shot s = session.shot();
        return s.layers().stream().filter(l -> l.on() && !(l.source() instanceof Source.Below)).findFirst().flatMap(l -> s.plate(l.plate()))
                .filter(p -> p.chosen() != null).orElse(null);
    }

    /// Waits for a click; `corners`: follows the pinned corners of the chosen layer instead.
    void begin(boolean corners) {
        Plate p = plate();
        Layer l = layer.get();
        if (p == null) {
            session.say(Words.of("follow-line.add-plate-first-tracking-works"));
            return;
        }
        if (corners) {
            Optional<PinnedCorners> pin = l == null ? Optional.empty() : l.step(PinnedCorners.class);
            pin.ifPresentOrElse(x -> follow(x.at(session.seconds().get())),
                    () -> session.say(Words.of("follow-line.pin-the-layers-corners-first")));
            return;
        }
        waiting = true;
        ring.setCenterX(over.getWidth() / 2);
        ring.setCenterY(over.getHeight() / 2);
        ring.setVisible(true);
        ring.requestFocus();
        told(Words.of("follow-line.click-the-thing-to-track", p.name(), (hung(l) ? "; " + l.name() + " follows." : ".")), false);
    }

    private boolean hung(@Nullable Layer l) {
        return l != null && !LayerModel.lowest(session.shot(), l) && !(l.source() instanceof Source.Below);
    }

    /// Stops waiting or following; whether there was anything to stop.
    boolean stop() {
        boolean any = isVisible();
        session.worker().cancel(LANE);
        idle();
        return any;
    }

    private void follow(List<Point> points) {
        Plate p = plate();
        Layer l = layer.get();
        if (p == null) {
            return;
        }
        String hung = hung(l) && l != null ? l.id() : null;
        String id = Tracks.free(session.shot());
        String name = points.size() == 4 ? "corners " + (session.shot().tracks().size() + 1)
                : "point " + (session.shot().tracks().size() + 1);
        double at = Tracks.takeSeconds(session.shot(), p.id(), session.seconds().get());
        ask(p, points, at, new Following.Stretch(0, Double.MAX_VALUE), b -> {
            int seed = b.found().getFirst().frame();
            Track t = Following.track(id, name, p.id(), b.found(), seed, b.frames());
            session.change("follow " + name, s -> Following.followed(s, t, hung, b.frames().times().get(seed)));
            said(t, b);
        });
    }

    /// A track is shown by hand: it is followed anew from there.
    void mend(Track t, List<Point> places) {
        if (places.size() == 4 && !PinnedCorners.bendsOneWay(places)) {
            session.say(Words.of("follow-line.the-four-corners-must-go"));
            return;
        }
        Plate p = session.shot().plate(t.plate()).orElse(null);
        double at = Tracks.takeSeconds(session.shot(), t.plate(), session.seconds().get());
        if (p != null) {
            ask(p, places, at, Following.around(t, at), b -> {
                Track mended = Following.mended(t, b.found(), b.found().getFirst().frame(), b.frames());
                session.change("show " + t.name() + " by hand", s -> Tracks.with(s, mended));
                said(mended, b);
            });
        }
    }

    private void said(Track t, FollowTake.Both b) {
        long lost = b.found().stream().filter(f -> !f.found()).count();
        session.say(lost == 0 ? Words.of("follow-line.found-in-every-frame-that") : Words.of("follow-line.not-found-in-of-frames", lost,
                b.found().size()));
    }

    private interface Then {
        void with(FollowTake.Both found);
    }

    private void ask(Plate p, List<Point> points, double at, Following.Stretch stretch, Then then) {
        Take take = p.chosen();
        FootageSource source = take == null ? null : session.footage(take);
        if (source == null) {
            return;
        }
        waiting = false;
        ring.setVisible(false);
        bar.setProgress(0);
        told("Following in “" + p.name() + "”.", true);
        session.worker().ask(
                LANE,
                ticket -> {
                    try (Bands bands = Bands.allCores()) {
                        return FollowTake.both(source, points, at, stretch, bands, (done, of) -> {
                            session.worker().onUi(() -> bar.setProgress(of == 0 ? 0 : done / (double) of));
                            return ticket.wanted();
                        });
                    }
                },
                found -> {
                    idle();
                    then.with(found);
                },
                e -> {
                    idle();
                    session.say(String.valueOf(e.getMessage()));
                });
    }
}
