package org.scenothesis.studio.handover;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import javafx.geometry.Insets;
import javafx.geometry.Pos;
import javafx.scene.control.Button;
import javafx.scene.control.ComboBox;
import javafx.scene.control.Label;
import javafx.scene.control.ProgressBar;
import javafx.scene.control.TextField;
import javafx.scene.input.KeyCode;
import javafx.scene.input.KeyEvent;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;
import javafx.scene.layout.VBox;
import org.jspecify.annotations.Nullable;
import org.scenothesis.core.finding.Finding;
import org.scenothesis.core.finding.Judgement;
import org.scenothesis.core.picture.DisplayPicture;
import org.scenothesis.core.shot.Shot;
import org.scenothesis.media.decode.Footages;
import org.scenothesis.media.encode.Stills;
import org.scenothesis.media.encode.VideoFormat;
import org.scenothesis.production.measure.Stopped;
import org.scenothesis.production.render.Leftovers;
import org.scenothesis.production.render.RenderJob;
import org.scenothesis.production.render.ShotRenderer;
import org.scenothesis.production.render.Space;
import org.scenothesis.production.words.Words;
import org.scenothesis.studio.house.Bench;
import org.scenothesis.studio.house.BenchName;
import org.scenothesis.studio.house.Session;
import org.scenothesis.studio.parts.PictureView;
import org.scenothesis.studio.parts.Text;
import org.scenothesis.studio.parts.VerdictMark;

/// Renders of the shot: what will be in them, whether the findings allow it, progress, cancel, and going on later.
public final class HandOverBench extends Bench {
    private static final String LANE = "render";

    /// What can be made, with its words and the name of what is written.
    enum Kind {
        VP9("WebM video (VP9)", ".webm", VideoFormat.VP9_WEBM, null),
        MP4("MP4 video (H.264)", ".mp4", VideoFormat.H264_MP4, null),
        PRORES("Editing video (ProRes in MOV)", ".mov", VideoFormat.PRORES_MOV, null),
        FFV1("Lossless video (FFV1 in MKV)", ".mkv", VideoFormat.FFV1_MKV, null),
        AV1("Small video (AV1 in MKV)", "-av1.mkv", VideoFormat.AV1_MKV, null),
        PNG16("Stills, PNG 16 bit", "-png16", null, Stills.Format.PNG16),
        PNG8("Stills, PNG 8 bit", "-png8", null, Stills.Format.PNG8),
        EXR("Stills, EXR half float, linear", "-exr", null, Stills.Format.EXR);

        final String words;
        final String ending;
        final @Nullable VideoFormat video;
        final Stills.@Nullable Format stills;

        Kind(String words, String ending, @Nullable VideoFormat video, Stills.@Nullable Format stills) {
            this.words = words;
            this.ending = ending;
            this.video = video;
            this.stills = stills;
        }

        @Override
        public String toString() {
            return words;
        }
    }

    private final ComboBox<Kind> kind = new ComboBox<>();
    private final TextField from = new TextField();
    private final TextField to = new TextField();
    private final Label target = Text.block("", "paper-soft");
    private final Label state = Text.block("", "paper-text");
    private final ProgressBar bar = new ProgressBar(0);
    private final Button go = Text.button("Render", "paper-button", this::render);
    private final Button stop = Text.button("Stop, go on later", "paper-link", this::stop);
    private final VBox allow = new VBox(5);
    private final VBox made = new VBox(4);
    private final PictureView picture = new PictureView("Last rendered frame");

    public HandOverBench(Session session) {
        super(session, BenchName.HAND_OVER, new HBox(14));
        kind.getItems().setAll(Kind.values());
        kind.getSelectionModel().select(Kind.VP9);
        kind.setId("render-kind");
        from.setPrefWidth(70);
        to.setPrefWidth(70);
        from.setId("render-from");
        to.setId("render-to");
        go.setId("render-go");
        stop.setId("render-stop");
        bar.setMaxWidth(Double.MAX_VALUE);
        VBox paper = new VBox(10);
        paper.getStyleClass().addAll("paper", "on-paper");
        HBox range = new HBox(8, Text.of("frames", "paper-text"), from, Text.of("to", "paper-text"), to);
        range.setAlignment(Pos.CENTER_LEFT);
        HBox buttons = new HBox(8, go, stop);
        paper.getChildren().addAll(Text.of("Render the shot", "paper-title"), kind, range, target, buttons, bar, state);
        VBox left = new VBox(12, paper, Text.of("Do the findings allow it?", "heading"), allow, Text.of("Rendered before", "heading"), made);
        left.setMinWidth(400);
        left.setPrefWidth(400);
        left.setMaxWidth(420);
        HBox.setHgrow(picture, Priority.ALWAYS);
        view.setPadding(new Insets(10, 14, 12, 12));
        view.getChildren().addAll(left, picture);
        kind.setOnAction(e -> refresh());
        idle();
        session.judgement().addListener(o -> refresh());
        session.shotId().addListener(o -> {
            from.clear();
            to.clear();
            refresh();
        });
        picture.whenSized((w, h) -> preview());
    }

    @Override
    public boolean key(KeyEvent e) {
        if (e.getCode() == KeyCode.R && !go.isDisabled()) {
            render();
            return true;
        }
        return false;
    }

    @Override
    public Map<String, String> keys() {
        return Map.of("R", "render");
    }

    @Override
    public void shown() {
        refresh();
        preview();
    }

    private Path path() {
        Shot s = session.shot();
        return session.folder().renders().resolve("shot-" + s.id() + kind.getValue().ending);
    }

    private int frames() {
        return Math.max(1, (int) Math.round(session.shot().seconds() * session.rate()));
    }

    @Override
    protected void refresh() {
        if (!inView()) {
            return;
        }
        if (from.getText().isEmpty()) {
            from.setText("0");
        }
        if (to.getText().isEmpty()) {
            to.setText(String.valueOf(frames() - 1));
        }
        target.setText("into " + session.folder().path().relativize(path()));
        room();
        go.setDisable(session.shot().layers().isEmpty());
        allow();
        made();
    }

    private void allow() {
        allow.getChildren().clear();
        List<Finding> open = session.judgement().get().open();
        if (session.shot().layers().isEmpty()) {
            allow.getChildren().add(Text.block("Nothing is layered yet; there is nothing to render.", "muted"));
            return;
        }
        Judgement.Known known = session.known();
        boolean redo = session.judgement().get().go() == Judgement.Answer.NO;
        allow.getChildren().add(Text.block(
                open.isEmpty() && !known.all() ? "Not known yet: " + known.measured() + " of " + known.of() + " measured; what was measured holds."
                : open.isEmpty() ? "Yes: all " + known.of() + " measurements hold." : redo ? "It can be rendered, but what is red should be mended first."
                : known.all() ? "Yes; what is to be watched is corrected by measurement." : known.measured() + " of " + known.of() + " measured; what is to be watched is corrected by measurement.",
                "strong"));
        for (Finding f : open.stream().limit(6).toList()) {
            Words.Sentence s = Words.sentence(f);
            String plate = session.shot().plate(f.plate()).map(p -> p.name()).orElse("");
            Label value = Text.of(s.value(), "number");
            value.setMinWidth(Region.USE_PREF_SIZE);
            HBox row = new HBox(8, new VerdictMark(f.verdict()), Text.of((plate.isEmpty() ? "" : plate + ": ") + s.title().toLowerCase(Locale.ROOT)), value);
            row.setAlignment(Pos.CENTER_LEFT);
            allow.getChildren().add(row);
        }
    }

    private void made() {
        made.getChildren().clear();
        try (var files = Files.list(session.folder().renders())) {
            files.filter(p -> !p.getFileName().toString().startsWith(".") && !p.toString().endsWith(".part")).sorted().limit(8).forEach(p -> made.getChildren().add(
                    Text.of(p.getFileName() + (Files.isDirectory(p) ? ", stills" : ", " + Words.number(p.toFile().length() / 1e6, 1) + " MB"), "text-chalk")));
        } catch (IOException e) {
            // No renders yet: the folder is made by the first.
        }
        if (made.getChildren().isEmpty()) {
            made.getChildren().add(Text.of("nothing yet", "muted"));
        }
        List<Leftovers.Leftover> left = stop.isDisabled() ? Leftovers.in(session.folder().renders()) : List.of();
        if (!left.isEmpty()) {
            made.getChildren().add(Text.block("Left of stopped renders, which go on from there:", "muted"));
        }
        for (Leftovers.Leftover l : left) {
            Button clear = Text.button("clear", "floor-button", () -> clear(l));
            clear.setId("clear-" + l.of());
            Label name = Text.of(l.of() + ", " + Space.size(l.bytes()), "text-chalk");
            HBox row = new HBox(8, name, clear);
            row.setAlignment(Pos.CENTER_LEFT);
            made.getChildren().add(row);
        }
    }

    private void clear(Leftovers.Leftover l) {
        session.worker().ask("clear", ticket -> {
            Leftovers.clear(l);
            return l;
        }, x -> made(), e -> state.setText(String.valueOf(e.getMessage())));
    }

    /// Says how much room a render will take, off the interface's thread.
    private void room() {
        Shot shot = session.shot();
        Kind k = kind.getValue();
        Path path = path();
        var measured = session.measured().get();
        if (shot.layers().isEmpty()) {
            return;
        }
        int n = frames();
        session.worker().ask("room", ticket -> {
            try (ShotRenderer r = new ShotRenderer(session.folder(), measured, session.surveyor().contents(), session.frames(), session.bands())) {
                return new RenderJob(r, shot, new RenderJob.Target(path, k.stills, k.video, 0, n - 1)).space();
            }
        }, s -> target.setText("into " + session.folder().path().relativize(path()) + ", " + s.words() + (s.enough() ? "" : ": not enough")), e -> target.setText(String.valueOf(e.getMessage())));
    }

    private void idle() {
        stop.setDisable(true);
        bar.setVisible(false);
        bar.setManaged(false);
    }

    private void render() {
        int a;
        int b;
        try {
            a = Integer.parseInt(from.getText().strip());
            b = Integer.parseInt(to.getText().strip());
        } catch (NumberFormatException e) {
            state.setText("Frames are whole numbers, from 0 to " + (frames() - 1) + ".");
            return;
        }
        if (a < 0 || b < a || b >= frames()) {
            state.setText("The shot has frames 0 to " + (frames() - 1) + ".");
            return;
        }
        Kind k = kind.getValue();
        Shot shot = session.shot();
        Path path = path();
        var measured = session.measured().get();
        stop.setDisable(false);
        go.setDisable(true);
        bar.setVisible(true);
        bar.setManaged(true);
        bar.setProgress(0);
        long start = System.nanoTime();
        session.worker().ask(LANE, ticket -> {
            session.folder().forResult(path);
            Files.createDirectories(session.folder().renders());
            try (ShotRenderer r = new ShotRenderer(session.folder(), measured, session.surveyor().contents(), session.frames(), session.bands())) {
                return new RenderJob(r, shot, new RenderJob.Target(path, k.stills, k.video, a, b)).run((done, of) -> {
                    session.worker().onUi(() -> progress(done, of, start));
                    return ticket.wanted();
                });
            }
        }, done -> {
            state.setText("Done: " + path.getFileName() + "." + (done.soundLeftOut() ? " The sound was left out: this kind of file cannot hold it; MKV can." : "")
                    + (done.removed() > 0 ? " Removed " + Words.frames(done.removed()) + " of an earlier render behind the end of this one." : "")
                    + (done.older() > 0 ? " " + Words.frames(done.older()) + " of an earlier version lie there still." : ""));
            idle();
            go.setDisable(false);
            made();
            preview();
        }, e -> {
            state.setText(e instanceof Stopped ? "Stopped." : String.valueOf(e.getMessage()));
            idle();
            go.setDisable(false);
        });
    }

    private void progress(int done, int of, long start) {
        bar.setProgress(of == 0 ? 0 : done / (double) of);
        double left = done < 2 ? Double.NaN : (System.nanoTime() - start) / 1e9 / done * (of - done);
        if (!stop.isDisabled()) {
            state.setText(done + " of " + of + " frames" + (Double.isNaN(left) ? "" : ", about " + Math.round(left) + " s left"));
        }
    }

    private void stop() {
        session.worker().cancel(LANE);
        idle();
        go.setDisable(false);
        state.setText("Stopped. Finished frames are kept; Render goes on from there.");
    }

    private void preview() {
        if (!inView()) {
            return;
        }
        Path p = path();
        if (!Files.exists(p)) {
            picture.say("Not rendered yet in this format.");
            return;
        }
        int w = picture.roomWidth();
        int h = picture.roomHeight();
        session.worker().ask("handover-picture", ticket -> {
            try (var f = Footages.open(p)) {
                return DisplayPicture.of(f.frame(f.info().frames() - 1), w, h, session.bands());
            }
        }, picture::show, e -> picture.say(String.valueOf(e.getMessage())));
    }
}
