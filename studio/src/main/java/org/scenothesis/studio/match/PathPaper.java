package org.scenothesis.studio.match;

import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.layout.VBox;
import org.jspecify.annotations.Nullable;
import org.scenothesis.core.cameratrack.MovingCamera;
import org.scenothesis.core.cameratrack.MovingCamera.Does;
import org.scenothesis.core.match.MarkConversion;
import org.scenothesis.core.perspective.Estimate;
import org.scenothesis.core.perspective.Marks;
import org.scenothesis.core.shot.Plate;
import org.scenothesis.media.Footage;
import org.scenothesis.media.FootageSource;
import org.scenothesis.media.decode.Footages;
import org.scenothesis.production.match.CameraOfStill;
import org.scenothesis.production.match.MovingScene;
import org.scenothesis.production.match.MovingTake;
import org.scenothesis.production.words.MatchWords;
import org.scenothesis.production.words.Words;
import org.scenothesis.studio.house.Session;
import org.scenothesis.studio.parts.Choosers;
import org.scenothesis.studio.parts.Text;
import org.scenothesis.studio.watch.WatchModel;

/// The solved camera of a take: what it does, how sure that is, its way from above, and a file for other programs.
final class PathPaper extends VBox {
    private static final String LANE = "match-path";
    private static final double WIDE = 330;

    private final Session session;
    private final VBox numbers = new VBox(6);
    private final PathSketch sketch = new PathSketch();
    private final Label said = Text.block("", "muted");
    private final Button stop;
    private final Button write;
    private @Nullable Solved solved;

    private record Solved(String shot, FootageSource source, String name, MovingCamera camera) {}

    PathPaper(WatchModel watch) {
        super(10);
        session = watch.session();
        numbers.getStyleClass().addAll("paper", "on-paper");
        numbers.setId("path-paper");
        stop = Text.button("Stop", "floor-button", this::stop);
        stop.setId("path-stop");
        write = Text.button(Words.of("path-paper.write-it-for-other-programs"), "floor-button", this::write);
        write.setId("path-write");
        setMinWidth(WIDE);
        setPrefWidth(WIDE);
        setMaxWidth(WIDE);
        getChildren().addAll(numbers, sketch, write, stop, said);
        Text.shown(stop, false);
    }

    void refresh() {
        if (solved != null && !solved.shot.equals(session.shot().id())) {
            // What was said of another shot is none of this one.
            solved = null;
            said.setText("");
        }
        Solved s = solved;
        numbers.getChildren().clear();
        write.setDisable(s == null || s.camera.placed() == 0);
        Text.shown(sketch, s != null && s.camera.does() == Does.TRAVELS);
        sketch.show(s == null ? null : s.camera);
        if (s == null) {
            numbers.getChildren().addAll(Text.block(Words.of("path-paper.camera-of-take"), "paper-title"),
                    Text.block(Words.of("path.none"), "paper-soft"));
            return;
        }
        MovingCamera c = s.camera;
        numbers.getChildren().addAll(Text.block("Camera of " + s.name, "paper-title"),
                Text.block("It " + Words.of("moving." + c.does()) + ".", "paper-text"));
        Estimate f = c.focalPx();
        numbers.getChildren()
                .add(Text.block(f == null ? Words.of("path-paper.focal-length-not-known") : "focal length " + Words.number(f.value(), 0)
                + " px" + (f.std() > 0 ? " \u00b1 " + Words.number(100 * f.share(), 1) + " %" : ", entered"), "paper-soft"));
        if (c.does() == Does.TRAVELS) {
            numbers.getChildren().add(Text.block(
                    Words.of("path-paper.of-placed-by-px-left", c.placed(), Words.frames(c.frames().size()),
                    Words.count(c.places().size(), "point", "points"), Words.number(c.residualPx(), 2)), "paper-soft"));
            numbers.getChildren()
                    .add(Text.block(c.scaleKnown() ? Words.of("path-paper.its-way-is-long", Words.number(c.length(), 2),
                    Words.number(100 * c.scaleShare(), 1)) : Words.of("path-paper.how-long-its-way-is"), "paper-soft"));
        }
        c.refused().forEach(r -> numbers.getChildren().add(Text.block(MatchWords.why(r), "paper-soft")));
    }

    /// Follows the points of a take and solves its camera, with what is marked in the plate's first frame.
    void solve(Plate plate, FootageSource source, String name) {
        String shot = session.shot().id();
        said.setText("Following points.");
        Text.shown(stop, true);
        session.worker().ask(LANE, ticket -> {
            Marks bare = CameraOfStill.bare(source);
            Marks marks = MarkConversion.camera(plate.marks(), bare.width(), bare.height());
            int[] last = {-1};
            return MovingTake.solve(source, marks, (done, of) -> {
                int percent = of == 0 ? 0 : (int) (100L * done / of);
                if (percent != last[0]) {
                    last[0] = percent;
                    session.worker().onUi(() -> said.setText("Solving, " + percent + " %."));
                }
                return ticket.wanted();
            });
        }, c -> {
            solved = new Solved(shot, source, name, c);
            ended("");
        }, e -> ended(String.valueOf(e.getMessage())));
    }

    private void stop() {
        session.worker().cancel(LANE);
        ended("");
    }

    private void ended(String why) {
        said.setText(why);
        Text.shown(stop, false);
        refresh();
    }

    private void write() {
        Solved s = solved;
        if (s == null) {
            return;
        }
        Choosers.save(this, Words.of("path-paper.the-camera-as-it-moves"), "camera.glb")
                .ifPresent(to -> session.worker().ask("match-path-write", ticket -> {
            try (Footage f = Footages.open(s.source)) {
                MovingScene.write(s.camera, f.info()::secondsAt, to);
            }
            return to;
        }, done -> said.setText("written: " + done.getFileName()), e -> said.setText(String.valueOf(e.getMessage()))));
    }
}
