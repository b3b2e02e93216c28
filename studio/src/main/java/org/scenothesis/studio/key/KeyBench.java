package org.scenothesis.studio.key;

import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import javafx.geometry.Insets;
import javafx.geometry.Pos;
import javafx.scene.control.Button;
import javafx.scene.control.ToggleButton;
import javafx.scene.input.KeyEvent;
import javafx.scene.layout.FlowPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.VBox;
import org.jspecify.annotations.Nullable;
import org.scenothesis.core.picture.PlanarMap;
import org.scenothesis.core.picture.Point;
import org.scenothesis.core.shot.Keys;
import org.scenothesis.core.shot.Layer;
import org.scenothesis.core.shot.Layers;
import org.scenothesis.core.shot.Plate;
import org.scenothesis.core.shot.PlateRole;
import org.scenothesis.core.shot.Take;
import org.scenothesis.core.shot.Tracks;
import org.scenothesis.core.shot.step.Key;
import org.scenothesis.core.shot.step.KeySettings;
import org.scenothesis.core.shot.step.Outline;
import org.scenothesis.core.shot.step.Parameter;
import org.scenothesis.core.shot.step.Step;
import org.scenothesis.media.FootageSource;
import org.scenothesis.production.measure.FootageBrief;
import org.scenothesis.production.measure.Keying;
import org.scenothesis.production.words.Words;
import org.scenothesis.studio.house.Bench;
import org.scenothesis.studio.house.BenchName;
import org.scenothesis.studio.house.Session;
import org.scenothesis.studio.parts.OutlineEditor;
import org.scenothesis.studio.parts.PictureView;
import org.scenothesis.studio.parts.Sketch;
import org.scenothesis.studio.parts.Tape;
import org.scenothesis.studio.parts.Text;
import org.scenothesis.studio.parts.TimeStrip;

/// Result, matte and screen at once; the separation with its two cuts; measures; what happens over time below.
public final class KeyBench extends Bench {
    private final KeyModel model;
    private final PictureView over = new PictureView(Words.of("key-bench.over-clean-plate"));
    private final PictureView matte = new PictureView(Words.of("key-bench.matte-grey-shown"));
    private final PictureView screen = new PictureView(Words.of("key-bench.screen-in-quarter-stops"));
    private final SeparationCurve curve = new SeparationCurve();
    private final TimeStrip strip = new TimeStrip();
    private final KeyMeasures measures;
    private final NeutralMark neutral;
    private final EveryFrame every;
    private final OutlineEditor outline = new OutlineEditor(screen, this::masked);
    private final KeyLook look = new KeyLook(over, this::refresh);
    private final ToggleButton solid = new ToggleButton(Words.of("key-bench.draw-what-stays-solid"));
    private final Button keyframe = Text.button("", "floor-button", this::keyframe);
    private final Button cutKeyframe = Text.button("", "floor-button", this::cutKeyframe);
    private final Button spill = Text.button("", "floor-button", this::otherSpill);
    private final Tape choke = tape("choke");
    private final Tape softness = tape("edge-softness");
    private final Tape despill = tape("despill");

    public KeyBench(Session session) {
        super(session, BenchName.KEY, new VBox(8));
        model = new KeyModel(session);
        measures = new KeyMeasures(session);
        every = new EveryFrame(session);
        neutral = new NeutralMark(session, model, over, look, () -> layer() == null ? null : request(current()),
                v -> accept(Words.of("key-bench.despill-by-a-neutral"), changed(number("despill"), v)));
        build();
        wire();
    }

    private Tape tape(String code) {
        Parameter<?> p = number(code);
        return new Tape(Tape.number(p), v -> preview(changed(p, v)), v -> accept(Words.of("parameter." + code), changed(p, v)));
    }

    private void build() {
        solid.setId("key-solid");
        solid.getStyleClass().setAll("toggle-button", "floor-button");
        keyframe.setId("key-keyframe");
        spill.setId("key-spill");
        Text.tip(spill, () -> Words.of("key-bench.spill.help"));
        look.getChildren().add(every.button());
        VBox large = new VBox(8, look, over);
        HBox.setHgrow(large, Priority.ALWAYS);
        VBox.setVgrow(over, Priority.ALWAYS);
        VBox small = new VBox(8, new HBox(8, look.parts(), solid, keyframe), matte, screen);
        VBox.setVgrow(matte, Priority.ALWAYS);
        VBox.setVgrow(screen, Priority.ALWAYS);
        small.setMinWidth(340);
        small.setPrefWidth(380);
        small.setMaxWidth(400);
        HBox pictures = new HBox(10, large, small);
        VBox.setVgrow(pictures, Priority.ALWAYS);
        curve.setMinHeight(60);
        VBox.setVgrow(curve, Priority.ALWAYS);
        HBox tapes = new HBox(16, choke, softness, despill);
        cutKeyframe.setId("key-numbers-keyframe");
        Text.tip(cutKeyframe, () -> Words.of("key-bench.keyframe-of-the-numbers.help"));
        FlowPane head = new FlowPane(8, 4, Text.of(Words.of("key-bench.how-far-each-pixel-stands"), "column-head"), cutKeyframe,
                look.before(), spill,
                neutral.button());
        head.setAlignment(Pos.CENTER_LEFT);
        head.setPrefWrapLength(100);
        VBox left = new VBox(5, head, curve, tapes);
        HBox.setHgrow(left, Priority.ALWAYS);
        HBox lower = new HBox(10, left, measures);
        lower.setMinHeight(208);
        lower.setPrefHeight(208);
        strip.setMinHeight(58);
        strip.setPrefHeight(58);
        view.setPadding(new Insets(8, 14, 8, 12));
        view.getChildren().addAll(pictures, lower, strip);
    }

    private void wire() {
        over.whenSized((w, h) -> frame());
        screen.whenSized((w, h) -> frame());
        solid.setOnAction(e -> refresh());
        strip.whenMoved(s -> session.goToFrame(s * session.rate()));
        curve.whenMoved(
                (lower, v) -> preview(cut(lower, v)),
                (lower, v) -> accept(lower ? "empty cut" : "solid cut", cut(lower, v)));
        session.seconds().addListener(o -> {
            strip.at(session.seconds().get());
            numbers();
            frame();
        });
        session.plateId().addListener(o -> refresh());
        session.production().addListener(o -> refresh());
        session.measured().addListener(o -> refresh());
        session.work().addListener((o, was, is) -> {
            if (inView() && was.what().isEmpty() != is.what().isEmpty()) {
                measured();
            }
        });
    }

    @Override
    public void shown() {
        boolean keyed = session.plate().map(p -> p.role().keyed()).orElse(false);
        if (!keyed) {
            session.shot().plates().stream().filter(p -> p.role().keyed()).findFirst().ifPresent(p -> session.plateId().set(p.id()));
        }
        refresh();
    }

    @Override
    public Map<String, String> keys() {
        Map<String, String> keys = new LinkedHashMap<>();
        keys.put(Words.of("key-bench.left-right-on-cut"), Words.of("key-bench.move-it-by"));
        keys.put(Words.of("key-bench.double-click-on-the-screen"), Words.of("key-bench.new-corner-of-the-outline"));
        keys.put("Tab, arrows", Words.of("key-bench.reach-and-move-corner-of"));
        keys.put(Words.of("key-bench.insert-delete-on-corner"), Words.of("key-bench.one-more-one-less-insert"));
        keys.put("B", Words.of("key-bench.see-it-over-the-clean"));
        keys.put(Words.of("key-bench.arrows-on-the-picture"), Words.of("key-bench.closer-further-another-part"));
        keys.put("N", Words.of("key-look.next-place.help"));
        keys.put("A", Words.of("key-every.help"));
        keys.put("Shift+N", Words.of("key-measures.need-a-hand.help"));
        keys.put("U, M", Words.of("key-bench.before-despill-the-parts"));
        keys.put("G", Words.of("key-bench.neutral.help"));
        keys.put("V", Words.of("key-bench.draw-what-to-keep-or"));
        keys.put("K", Words.of("key-bench.keyframe-of-the-outline-here"));
        keys.put("Shift+K", Words.of("key-bench.keyframe-of-the-numbers"));
        return keys;
    }

    @Override
    public boolean key(KeyEvent e) {
        switch (e.getCode()) {
            case K -> {
                if (e.isShiftDown()) {
                    cutKeyframe();
                } else {
                    keyframe();
                }
            }
            case INSERT -> {
                if (drawn(layer()).isEmpty()) {
                    masked(Layers.MIDDLE);
                }
            }
            case A -> every.turn();
            case N -> {
                if (!e.isShiftDown()) {
                    return look.key(e.getCode());
                }
                measures.nextHand();
            }
            case G -> neutral.turn();
            case V -> {
                solid.setSelected(!solid.isSelected());
                refresh();
            }
            default -> {
                return look.key(e.getCode());
            }
        }
        return true;
    }

    private void otherSpill() {
        Layer l = layer();
        if (l != null) {
            Key key = key(l);
            KeySettings.Spill now = key.settings().spill();
            accept(Words.of("key-bench.spill.help"), key.with(key.settings().withSpill(
                    now == KeySettings.Spill.LIGHT ? KeySettings.Spill.LIMIT : KeySettings.Spill.LIGHT)));
        }
    }

    private Optional<Outline> drawn(@Nullable Layer l) {
        return l == null ? Optional.empty() : solid.isSelected() ? KeyModel.solid(l) : Optional.of(l.garbage())
                .filter(o -> o != Outline.NONE);
    }

    /// Sets a keyframe of the outline that is drawn at the playhead, or takes it away.
    private void keyframe() {
        Layer l = layer();
        Outline o = drawn(l).orElse(null);
        if (l == null || o == null) {
            session.say(Words.of("key-bench.draw-an-outline-first-double-click"));
            return;
        }
        double at = session.seconds().get();
        Step other = Keys.at(o, at) ? Keys.without(o, at) : Keys.set(o, at);
        session.changeLayer(Words.of("key-bench.keyframe-of-the-outline"), l.id(),
                x -> x.withSteps(x.steps().stream().map(s -> s == o ? other : s).toList()));
        session.measure();
    }

    /// Sets a keyframe of the key's numbers at the playhead, or takes it away.
    private void cutKeyframe() {
        Layer l = layer();
        if (l == null) {
            return;
        }
        double at = session.seconds().get();
        Key key = key(l);
        accept(Words.of("key-bench.keyframe-of-the-numbers"), (Key) (Keys.at(key, at) ? Keys.without(key, at) : Keys.set(key, at)));
    }

    private static Key key(Layer l) {
        return l.step(Key.class).orElse(new Key(KeySettings.DEFAULT));
    }

    private @Nullable Layer layer() {
        return KeyModel.layer(session.shot(), session.plate().orElse(null)).orElse(null);
    }

    private static Parameter<?> number(String code) {
        return Key.PARAMETERS.stream().filter(p -> p.code().equals(code)).findFirst().orElseThrow();
    }

    private KeySettings current() {
        Layer l = layer();
        return l == null ? KeySettings.DEFAULT : l.key(session.seconds().get());
    }

    /// The key with another number at the playhead.
    private Key changed(Parameter<?> p, double v) {
        Layer l = layer();
        return (Key) p.with(l == null ? new Key(KeySettings.DEFAULT) : key(l), session.seconds().get(), v);
    }

    private Key cut(boolean lower, double v) {
        return changed(number(lower ? "empty-below" : "solid-above"), lower ? Math.min(v, current().solidAbove() - KeySettings.BETWEEN)
                : Math.max(v, current().emptyBelow() + KeySettings.BETWEEN));
    }

    private void preview(Key key) {
        KeyModel.Request request = request(((Key) Keys.held(key, session.seconds().get())).settings());
        if (request != null) {
            session.worker().cancel("key-picture");
            session.worker().ask("key-preview", ticket -> model.preview(request), r -> {
                over.showExpected(r.over());
                matte.show(r.matte());
            }, e -> over.say(String.valueOf(e.getMessage())));
        }
    }

    private void accept(String what, Key key) {
        Layer l = layer();
        if (l != null) {
            session.changeLayer(what, l.id(), o -> o.with(key));
            session.measure();
        }
    }

    private void masked(List<Point> drawn) {
        Layer l = layer();
        if (l != null) {
            double at = session.seconds().get();
            List<Point> points = drawn(l).map(o -> carried(drawn, carries(o).inverse())).orElse(drawn);
            boolean keeps = solid.isSelected();
            session.changeLayer(keeps ? Words.of("key-bench.what-stays-solid") : "garbage matte", l.id(), o -> keeps
                    ? KeyModel.solid(o, at, points) : KeyModel.garbage(o, at, points));
            session.measure();
        }
    }

    /// How an outline is carried along at the playhead by what it hangs on.
    private PlanarMap carries(Outline o) {
        return Tracks.carries(session.shot(), o.hung(), session.seconds().get(), aspect());
    }

    private static List<Point> carried(List<Point> corners, PlanarMap by) {
        return corners.stream().map(p -> by.map(p.x(), p.y())).toList();
    }

    /// Of the take that is keyed, its width by its height.
    private double aspect() {
        return session.plate().flatMap(p -> Optional.ofNullable(p.chosen())).flatMap(session.measured().get()::brief)
                .filter(FootageBrief::usable).map(b -> b.width() / (double) b.height()).orElse(16 / 9.0);
    }

    @Override
    protected void refresh() {
        if (!inView()) {
            return;
        }
        numbers();
        Plate plate = session.plate().orElse(null);
        Layer l = layer();
        double at = session.seconds().get();
        outline.show(drawn(l).map(o -> carried(o.at(at), carries(o))).orElse(List.of()));
        boolean here = drawn(l).filter(o -> Keys.at(o, at)).isPresent();
        keyframe.setText(here ? "keyframe \u2212" : "keyframe +");
        strip.show(session.shot().seconds(), plate == null ? List.of()
                : List.of(new TimeStrip.Ribbon(plate.name(), 0, session.shot().seconds(), plate.spike())), session.shot().beats());
        strip.at(session.seconds().get());
        measured();
        frame();
    }

    /// What was measured, and the frames that need a hand, on the strip.
    private void measured() {
        Plate plate = session.plate().orElse(null);
        Layer l = layer();
        measures.show(plate, l);
        strip.redo(measures.hands().stream().map(f -> f / session.rate()).toList());
        every.show(plate, l, plate == null ? null : session.measured().get().key(session.shot(), plate).orElse(null));
    }

    private void numbers() {
        KeySettings s = current();
        Layer l = layer();
        curve.cuts(s);
        choke.show(s.chokePx());
        softness.show(s.softnessPx());
        despill.show(s.despill());
        spill.setText(Words.of("key-bench.spill." + s.spill()));
        spill.setDisable(l == null);
        cutKeyframe.setDisable(l == null);
        boolean here = l != null && Keys.at(key(l), session.seconds().get());
        cutKeyframe.setText(Words.of("key-bench.keyframe-of-the-numbers") + (here ? " \u2212" : " +"));
    }

    /// What is seen behind the element: without a clean plate it is grey.
    private String ground() {
        boolean none = look.ground() == KeyModel.Ground.CLEAN && session.clean() == null;
        return none ? Words.of("key-bench.grey-without-clean-plate") : look.ground().words;
    }

    /// What to compute; null where nothing can be keyed.
    private KeyModel.@Nullable Request request(KeySettings s) {
        Plate plate = session.plate().orElse(null);
        FootageSource path = session.footage(plate);
        if (plate == null || path == null || !plate.role().keyed()) {
            return null;
        }
        Layer l = layer();
        var room = new KeyModel.Room(over.roomWidth(), over.roomHeight(), screen.roomWidth(),
                Math.min(matte.roomHeight(), screen.roomHeight()));
        double seconds = session.seconds().get();
        List<Outline> kept = l == null ? List.of() : KeyModel.solid(l)
                .map(o -> Outline.of(Tracks.shape(session.shot(), o, seconds, aspect()), o.softnessPx()).withCounts(Outline.Counts.ALSO))
                .stream().toList();
        return new KeyModel.Request(session.shot(), plate, s, l == null ? List.of()
                : Tracks.shape(session.shot(), l.garbage(), seconds, aspect()), path, seconds, l == null ? seconds : l.time().at(seconds),
                room, new KeyModel.View(look.ground(), look.part(), kept, look.beforeDespill(), look.parts().isSelected()));
    }

    private void frame() {
        if (!inView()) {
            return;
        }
        session.worker().cancel("key-preview");
        KeyModel.Request request = request(current());
        if (request == null) {
            session.worker().cancel("key-picture");
            PlateRole role = session.plate().map(Plate::role).orElse(null);
            Take take = session.plate().map(Plate::chosen).orElse(null);
            if (role == null || !role.keyed() || take == null) {
                over.invite(Sketch.KEY, role != null && role.keyed() ? Words.of("key-bench.this-plate-has-no-take")
                        : Words.of("key-bench.what-was-filmed-before-cloth"),
                        Words.of("key-bench.bring-footage-in-on-shoot"), () -> session.bench().set(BenchName.SHOOT));
            } else {
                over.say(session.problem(take));
            }
            matte.say("");
            screen.say("");
            return;
        }
        if (over.shown() == null) {
            over.say("Keying frame " + session.frame() + ".");
        }
        over.expect(Words.of(look.beforeDespill() ? "key-bench.shown-before-despill" : "key-bench.shown", ground(), session.frame()));
        matte.name(look.parts().isSelected() ? Words.of("key-bench.the-parts-of-the-matte") : Words.of("key-bench.matte-grey-shown"));
        session.worker().ask("key-picture", ticket -> model.compute(request), r -> {
            over.show(r.over());
            matte.show(r.matte());
            screen.show(r.screen());
            curve.show(r.counts(), r.measures().edgePx());
            List<Point> round = r.proposed();
            look.of(r.width(), r.height(), r.places());
            if (round != null && layer() != null && !solid.isSelected()) {
                outline.show(round);
            }
        }, e -> {
            over.say(String.valueOf(e.getMessage()));
            matte.say("");
            screen.say("");
        });
    }
}
