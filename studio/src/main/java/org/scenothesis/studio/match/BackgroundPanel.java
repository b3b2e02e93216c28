package org.scenothesis.studio.match;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.function.DoubleConsumer;
import java.util.stream.Stream;
import javafx.geometry.Insets;
import javafx.geometry.Pos;
import javafx.scene.Node;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.control.ScrollPane;
import javafx.scene.layout.FlowPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.VBox;
import org.jspecify.annotations.Nullable;
import org.scenothesis.core.background.BackgroundReport.CameraWork;
import org.scenothesis.core.background.Busy;
import org.scenothesis.core.background.CameraTrack;
import org.scenothesis.core.background.Suitability;
import org.scenothesis.core.breakdown.BreakdownPlan;
import org.scenothesis.core.finding.Verdict;
import org.scenothesis.core.picture.DisplayPicture;
import org.scenothesis.core.shot.FrameFormat;
import org.scenothesis.core.shot.Permission;
import org.scenothesis.core.shot.Plate;
import org.scenothesis.core.shot.PlateRole;
import org.scenothesis.core.shot.Take;
import org.scenothesis.core.shot.Track;
import org.scenothesis.core.shot.Tracks;
import org.scenothesis.media.FileStamp;
import org.scenothesis.media.FootageException;
import org.scenothesis.media.FootageSource;
import org.scenothesis.production.match.BackgroundTake;
import org.scenothesis.production.words.MatchWords;
import org.scenothesis.production.words.Words;
import org.scenothesis.studio.house.Session;
import org.scenothesis.studio.parts.Tape;
import org.scenothesis.studio.parts.Text;
import org.scenothesis.studio.parts.VerdictMark;
import org.scenothesis.studio.watch.WatchModel;

/// Which take suits as a background, the best first and why; its camera's move handed to the layers, or its path solved.
final class BackgroundPanel extends HBox {
    private static final String LANE = "match-backgrounds";
    private static final String MOVE = Words.of("background-panel.the-cameras-move");

    private final Session session;
    private final PathPaper path;
    private final VBox rows = new VBox(12);
    private final Label said = Text.block("", "muted");
    private final Button measure;
    private final Map<String, BackgroundTake> known = new HashMap<>();
    private final Set<String> recalled = new HashSet<>();
    private final Map<String, String> failed = new HashMap<>();
    private boolean busy;
    /// Where what is laid over them goes, until it is told otherwise: well before the ground, a quarter of the picture wide.
    private Busy.Room room = new Busy.Room(0.375, 0.3, 0.25, 0.5);

    /// A take that may be a background; `key`: which bytes.
    private record Candidate(Plate plate, Take take, FootageSource source, String key) {
        String id() {
            return plate.id() + "/" + take.id();
        }

        String name() {
            return plate.takes().size() > 1 ? plate.name() + ", take " + (plate.takes().indexOf(take) + 1) : plate.name();
        }
    }

    BackgroundPanel(WatchModel watch) {
        super(16);
        session = watch.session();
        path = new PathPaper(watch);
        measure = Text.button("Measure them", "floor-button", this::measure);
        measure.setId("backgrounds-measure");
        said.setId("backgrounds-said");
        rows.setId("backgrounds");
        rows.setPadding(new Insets(4, 12, 4, 0));
        ScrollPane all = new ScrollPane(rows);
        all.setFitToWidth(true);
        VBox.setVgrow(all, Priority.ALWAYS);
        Tape wide = size("wide", room.wide(), v -> sized(v, room.high()));
        Tape high = size("high", room.high(), v -> sized(room.wide(), v));
        FlowPane bar = new FlowPane(10, 6, measure, wide, high, said);
        VBox left = new VBox(10, bar, all);
        HBox.setHgrow(left, Priority.ALWAYS);
        getChildren().addAll(left, path);
    }

    private static Tape size(String which, double share, DoubleConsumer told) {
        Tape t = new Tape(new Tape.Number(Words.of("suits.room." + which), "%", 2, 100, 1, 0, Words.of("suits.room.help")), v -> {},
                v -> told.accept(v / 100));
        t.field().setId("room-" + which);
        t.show(100 * share);
        return t;
    }

    private void sized(double wide, double high) {
        moved(new Busy.Room(Math.clamp(room.x(), 0, 1 - wide), Math.clamp(room.y(), 0, 1 - high), wide, high));
    }

    private void moved(Busy.Room to) {
        room = to;
        refresh();
    }

    /// Whatever shows a set: what is filmed before a cloth shows none, nor do cards and light passes serve.
    private List<Candidate> candidates() {
        List<Candidate> out = new ArrayList<>();
        for (Plate p : session.plates()) {
            if (p.role().keyed() || p.role() == PlateRole.SCREEN_ONLY || p.role() == PlateRole.REFERENCE
                    || p.role() == PlateRole.LIGHT_PASS) {
                continue;
            }
            for (Take t : p.takes()) {
                FootageSource s = session.footage(t);
                if (s != null) {
                    out.add(new Candidate(p, t, s, s + "|" + FileStamp.orNone(s.path())));
                }
            }
        }
        return out;
    }

    void refresh() {
        List<Candidate> all = candidates();
        recall(all);
        path.refresh();
        measure.setDisable(all.isEmpty());
        measure.setText(busy ? "Stop" : "Measure them");
        Node owner = rows.getScene() == null ? null : rows.getScene().getFocusOwner();
        String focused = owner == null || owner.getId() == null || rows.lookup("#" + owner.getId()) != owner ? "" : owner.getId();
        show(all);
        // Whoever walks by keys stays where they are.
        Node again = focused.isEmpty() ? null : rows.lookup("#" + focused);
        if (again != null) {
            again.requestFocus();
        }
    }

    /// What was measured before, in the background; each candidate is asked for once.
    private void recall(List<Candidate> all) {
        List<Candidate> open = all.stream().filter(c -> !known.containsKey(c.key) && recalled.add(c.key)).toList();
        if (!open.isEmpty()) {
            session.worker().ask("match-backgrounds-kept-" + open.getFirst().id(), ticket -> {
                Map<String, BackgroundTake> found = new HashMap<>();
                open.forEach(c -> BackgroundTake.kept(session.surveyor().readings(), session.surveyor().contents(), c.source)
                        .ifPresent(t -> found.put(c.key, t)));
                return found;
            }, found -> {
                known.putAll(found);
                refresh();
            }, e -> {});
        }
    }

    private void show(List<Candidate> all) {
        rows.getChildren().clear();
        if (all.isEmpty()) {
            rows.getChildren().add(Text.block(Words.of("suits.none"), "muted"));
            return;
        }
        Suitability.Wanted wanted = wanted();
        List<Suitability> measured = all.stream().flatMap(c -> Stream.ofNullable(known.get(c.key))
                .map(t -> Suitability.of(c.id(), t.report(), wanted))).toList();
        for (Suitability s : Suitability.ranked(measured)) {
            Candidate c = all.stream().filter(x -> x.id().equals(s.name())).findFirst().orElseThrow();
            rows.getChildren().add(row(c, s));
        }
        all.stream().filter(c -> !known.containsKey(c.key))
                .forEach(c -> rows.getChildren()
                .add(new VBox(4, title(c, Verdict.NOT_MEASURED),
                Text.block(failed.getOrDefault(c.key, Words.of("background-panel.not-measured-yet")), "muted"))));
    }

    private Suitability.Wanted wanted() {
        FrameFormat f = session.shot().format();
        BreakdownPlan plan = session.planned().get().plans().get(session.shot().id());
        List<Permission> needed = plan == null ? List.of() : plan.permissions();
        Boolean permitted = needed.isEmpty() ? null
                : Boolean.valueOf(needed.stream().allMatch(n -> session.production().get().permissions().stream()
                .anyMatch(p -> p.id().equals(n.id()) && p.complete())));
        return new Suitability.Wanted(f == null ? 0 : f.width(), f == null ? 0 : f.height(), permitted, room);
    }

    private static HBox title(Candidate c, Verdict v) {
        HBox out = new HBox(8, new VerdictMark(v), Text.of(c.name(), "title"), Text.of(Words.verdict(v), "muted"));
        out.setAlignment(Pos.CENTER_LEFT);
        return out;
    }

    private HBox row(Candidate c, Suitability s) {
        FlowPane reasons = new FlowPane(18, 4);
        for (Suitability.Reason r : s.reasons()) {
            reasons.getChildren().add(new HBox(6, new VerdictMark(r.verdict()), Text.of(MatchWords.reason(s, r))));
        }
        CameraWork camera = s.report().camera();
        RoomSketch sketch = new RoomSketch(c.take.id(), (double) s.report().width() / s.report().height(), s.report().busy(), room,
                s.quieter().orElse(null), this::moved);
        int high = (int) Math.round(RoomSketch.WIDE * (double) s.report().height() / s.report().width());
        session.worker().ask("match-room-" + c.id(), ticket -> DisplayPicture.of(session.frames().frame(c.source, 0), RoomSketch.WIDE,
                high, session.bands()), sketch::show, e -> session.say(String.valueOf(e.getMessage())));
        VBox out = new VBox(6, title(c, s.verdict()), reasons, Text.block(Words.of("background." + camera + ".what"), "muted"));
        HBox hands = new HBox(8);
        if (CameraTrack.usable(camera)) {
            if (laid(c)) {
                hands.getChildren().addAll(use(c, Words.of("background-panel.let-the-elements-go-along"), CameraTrack.Use.IMITATE),
                        use(c, Words.of("background-panel.take-the-move-back"), CameraTrack.Use.UNDO));
            } else {
                out.getChildren().add(Text.block(Words.of("suits.no-layer"), "muted"));
            }
        }
        if (camera != CameraWork.STILL && s.report().moves().size() > 1) {
            Button solve = Text.button(Words.of("background-panel.solve-its-camera"), "floor-button",
                    () -> path.solve(c.plate, c.source, c.name()));
            solve.setId("solve-" + c.take.id());
            hands.getChildren().add(solve);
        }
        if (!hands.getChildren().isEmpty()) {
            out.getChildren().add(hands);
        }
        HBox.setHgrow(out, Priority.ALWAYS);
        return new HBox(14, sketch, out);
    }

    private boolean laid(Candidate c) {
        return c.take.equals(c.plate.chosen()) && session.shot().layers().stream()
                .anyMatch(l -> l.source().plates().contains(c.plate.id()));
    }

    private Button use(Candidate c, String words, CameraTrack.Use use) {
        Button b = Text.button(words, "floor-button", () -> handOver(c, use));
        b.setId(use.name().toLowerCase(Locale.ROOT) + "-" + c.take.id());
        return b;
    }

    private void handOver(Candidate c, CameraTrack.Use use) {
        BackgroundTake t = known.get(c.key);
        if (t == null) {
            return;
        }
        String id = session.shot().tracks().stream().filter(x -> x.name().equals(MOVE) && x.plate().equals(c.plate.id())).findFirst()
                .map(Track::id).orElse(Tracks.free(session.shot()));
        Optional<Track> track = CameraTrack.of(t.report(), id, MOVE, c.plate.id(), i -> t.seconds().get(i));
        track.ifPresent(x -> {
            session.change(use == CameraTrack.Use.IMITATE ? Words.of("background-panel.elements-go-along-with-the")
                    : Words.of("background-panel.the-cameras-move-removed"), s -> CameraTrack.used(s, x, use));
            session.say(Words.of(use == CameraTrack.Use.IMITATE ? "suits.imitated" : "suits.undone"));
        });
    }

    private void measure() {
        if (busy) {
            session.worker().cancel(LANE);
            done("");
            return;
        }
        List<Candidate> open = candidates().stream().filter(c -> !known.containsKey(c.key)).toList();
        busy = true;
        said.setText("Measuring.");
        refresh();
        session.worker().ask(LANE, ticket -> {
            for (int k = 0; k < open.size(); k++) {
                Candidate c = open.get(k);
                int number = k + 1;
                try {
                    BackgroundTake t = BackgroundTake.kept(session.surveyor().readings(), session.surveyor().contents(), c.source,
                            session.bands(), (done, of) -> {
                        if (done % 10 == 0) {
                            session.worker().onUi(() -> said.setText("Measuring " + c.name() + " (" + number + " of " + open.size()
                                    + "), frame " + done + " of " + of + "."));
                        }
                        return ticket.wanted();
                    });
                    session.worker().onUi(() -> took(c, t, null));
                } catch (FootageException e) {
                    session.worker().onUi(() -> took(c, null, e.getMessage()));
                }
            }
            return open.size();
        }, n -> done(""), e -> done(String.valueOf(e.getMessage())));
    }

    private void took(Candidate c, @Nullable BackgroundTake t, @Nullable String why) {
        if (t != null) {
            known.put(c.key, t);
        } else if (why != null) {
            failed.put(c.key, why);
        }
        refresh();
    }

    private void done(String why) {
        busy = false;
        said.setText(why);
        refresh();
    }
}
