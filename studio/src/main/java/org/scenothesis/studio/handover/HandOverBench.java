package org.scenothesis.studio.handover;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import javafx.geometry.Insets;
import javafx.geometry.Pos;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.control.ScrollPane;
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
import org.scenothesis.core.picture.Picture;
import org.scenothesis.core.shot.Shot;
import org.scenothesis.production.measure.Stopped;
import org.scenothesis.production.render.Leftovers;
import org.scenothesis.production.render.RenderJob;
import org.scenothesis.production.render.Share;
import org.scenothesis.production.render.ShotRenderer;
import org.scenothesis.production.render.Space;
import org.scenothesis.production.words.Words;
import org.scenothesis.studio.house.Bench;
import org.scenothesis.studio.house.BenchName;
import org.scenothesis.studio.house.Session;
import org.scenothesis.studio.parts.PictureView;
import org.scenothesis.studio.parts.Rows;
import org.scenothesis.studio.parts.Sketch;
import org.scenothesis.studio.parts.Text;
import org.scenothesis.studio.parts.TimeStrip;
import org.scenothesis.studio.parts.VerdictMark;

/// Renders of the shot: what will be in them, whether the findings allow it, progress, cancel, and going on later.
public final class HandOverBench extends Bench {
    private static final String LANE = "render";
    private static final long MEMORY_OF_ONE = 2L << 30;
    private static final String PICTURE = "handover-picture";
    /// What an element with alpha is shown on, linear.
    private static final float GROUND = 0.18f;

    private final RenderForm form;
    private final SoundForm sound;
    private final VBox allow = new VBox(5);
    private final VBox made = new VBox(4);
    private final Rows lines = new Rows(made);
    private final PictureView picture = new PictureView("Rendered");
    private final TimeStrip strip = new TimeStrip();
    private final Rendition rendition = new Rendition();
    /// What was rendered here last, of what: only then is it known to be the shot as it is.
    private @Nullable Made last;

    private record Made(Shot shot, RenderJob.Target target) {}

    public HandOverBench(Session session) {
        super(session, BenchName.HAND_OVER, new HBox(14));
        form = new RenderForm(session, this::render, this::stop, this::open);
        sound = new SoundForm(session);
        VBox left = new VBox(12, form, sound, Text.of(Words.of("hand-over-bench.do-the-findings-allow-it"), "heading"), allow,
                Text.of("Rendered before", "heading"), made);
        ScrollPane papers = new ScrollPane(left);
        papers.setFitToWidth(true);
        papers.setHbarPolicy(ScrollPane.ScrollBarPolicy.NEVER);
        papers.setMinWidth(400);
        papers.setPrefWidth(400);
        papers.setMaxWidth(420);
        strip.setMinHeight(40);
        strip.setPrefHeight(40);
        strip.whenMoved(s -> session.goToFrame(s * session.rate()));
        VBox.setVgrow(picture, Priority.ALWAYS);
        VBox right = new VBox(8, picture, strip);
        HBox.setHgrow(right, Priority.ALWAYS);
        view.setPadding(new Insets(10, 14, 12, 12));
        view.getChildren().addAll(papers, right);
        form.whenChanged(() -> {
            refresh();
            preview();
        });
        session.judgement().addListener(o -> {
            if (inView()) {
                allow();
            }
        });
        session.production().addListener(o -> shown());
        session.shotId().addListener(o -> form.show(true));
        session.seconds().addListener(o -> {
            strip.at(session.seconds().get());
            form.moment();
            preview();
        });
        picture.whenSized((w, h) -> preview());
    }

    @Override
    public boolean key(KeyEvent e) {
        if (e.getCode() != KeyCode.R) {
            return false;
        }
        if (form.ready()) {
            render();
        } else {
            // A key that does nothing says why.
            session.say(form.running() ? Words.of("hand-over-bench.render-is-running-stop-it")
                    : Words.of("hand-over-bench.nothing-is-layered-yet-add"));
        }
        return true;
    }

    @Override
    public Map<String, String> keys() {
        return Map.of("R", "render");
    }

    @Override
    public void close() {
        rendition.close();
    }

    @Override
    public void hidden() {
        session.renderer().rest(PICTURE);
    }

    @Override
    public void shown() {
        refresh();
        preview();
    }

    @Override
    protected void refresh() {
        if (!inView()) {
            return;
        }
        form.show(false);
        sound.refresh();
        strip.show(session.shot().seconds(), List.of(), session.shot().beats());
        strip.at(session.seconds().get());
        room();
        allow();
        made();
    }

    private void allow() {
        allow.getChildren().clear();
        List<Finding> open = session.judgement().get().open();
        if (session.shot().layers().isEmpty()) {
            allow.getChildren().add(Text.block(Words.of("hand-over-bench.nothing-is-layered-yet-there"), "muted"));
            return;
        }
        Judgement.Known known = session.known();
        boolean redo = session.judgement().get().go() == Judgement.Answer.NO;
        allow.getChildren().add(Text.block(
                open.isEmpty() && !known.all() ? Words.of("hand-over-bench.not-known-yet-of-measured", known.measured(), known.of())
                : open.isEmpty() ? "Yes: all " + known.of() + " measurements hold." : redo
                ? Words.of("hand-over-bench.it-can-be-rendered-but")
                : known.all() ? Words.of("hand-over-bench.yes-what-is-to-be")
                : Words.of("hand-over-bench.of-measured-what-is-to", known.measured(), known.of()),
                "strong"));
        for (Finding f : open.stream().limit(6).toList()) {
            Words.Sentence s = Words.sentence(f);
            String plate = session.shot().plate(f.plate()).map(p -> p.name()).orElse("");
            Label value = Text.of(s.value(), "number");
            value.setMinWidth(Region.USE_PREF_SIZE);
            HBox row = new HBox(8, new VerdictMark(f.verdict()), Text.of((plate.isEmpty() ? "" : plate + ": ") + s.title()
                    .toLowerCase(Locale.ROOT)), value);
            row.setAlignment(Pos.CENTER_LEFT);
            allow.getChildren().add(row);
        }
    }

    private void made() {
        List<Rows.Row> all = new ArrayList<>();
        Path into = form.folder().orElse(session.folder().renders());
        try (var files = Files.list(into)) {
            files.filter(p -> !p.getFileName().toString().startsWith(".") && !p.toString().endsWith(".part")).sorted().limit(8)
                    .forEach(p -> {
                String words = p.getFileName() + (Files.isDirectory(p) ? ", stills" : ", " + Words.number(p.toFile().length() / 1e6, 1)
                        + " MB");
                all.add(new Rows.Row(p, words, () -> Text.of(words, "text-chalk")));
            });
        } catch (IOException e) {
            // No renders yet: the folder is made by the first.
        }
        if (all.isEmpty()) {
            all.add(new Rows.Row("none", "", () -> Text.of("nothing yet", "muted")));
        }
        List<Leftovers.Leftover> left = form.running() ? List.of() : Leftovers.in(into);
        if (!left.isEmpty()) {
            all.add(new Rows.Row("left", "", () -> Text.block(Words.of("hand-over-bench.left-of-stopped-renders-which"), "muted")));
        }
        left.forEach(l -> all.add(new Rows.Row(l, l, () -> row(l))));
        lines.show(all);
    }

    private HBox row(Leftovers.Leftover l) {
        Button clear = Text.button("clear", "floor-button", () -> clear(l));
        clear.setId("clear-" + l.of());
        HBox row = new HBox(8, Text.of(l.of() + ", " + Space.size(l.bytes()), "text-chalk"), clear);
        row.setAlignment(Pos.CENTER_LEFT);
        return row;
    }

    private void clear(Leftovers.Leftover l) {
        session.worker().ask("clear", ticket -> {
            Leftovers.clear(l);
            return l;
        }, x -> made(), e -> form.say(String.valueOf(e.getMessage())));
    }

    /// Says how much room a render will take, off the interface's thread.
    private void room() {
        Shot shot = session.shot();
        Optional<RenderJob.Target> wanted = form.target();
        var measured = session.measured().get();
        if (shot.layers().isEmpty() || wanted.isEmpty()) {
            form.tell("");
            return;
        }
        RenderJob.Target target = wanted.get();
        session.worker().ask("room", ticket -> {
            try (ShotRenderer r = new ShotRenderer(session.folder(), measured, session.surveyor().contents(), session.frames(),
                    session.bands())) {
                return new RenderJob(r, shot, target).space();
            }
        }, s -> form.tell(target.path(), s.words() + (s.enough() ? "" : ": not enough")), e -> form.tell(String.valueOf(e.getMessage())));
    }

    private void render() {
        Optional<RenderJob.Target> wanted = form.wanted();
        if (wanted.isEmpty()) {
            return;
        }
        RenderJob.Target target = wanted.get();
        Shot shot = session.shot();
        var measured = session.measured().get();
        form.busy();
        form.say(session.worker().longWorkRuns() ? Words.of("work.waits") : "");
        session.worker().ask(LANE, ticket -> {
            long start = System.nanoTime();
            Path into = Objects.requireNonNull(target.path().getParent());
            if (!into.startsWith(session.folder().path())) {
                // A folder typed or chosen here is one to write to; it, and not what it lies in.
                Files.createDirectories(into);
                session.folder().grantForNow(into);
            }
            session.folder().forResult(target.path());
            Files.createDirectories(into);
            try (ShotRenderer r = new ShotRenderer(session.folder(), measured, session.surveyor().contents(), session.frames(),
                    session.bands())) {
                return new RenderJob(r, shot, target, new Share(atOnce(), () -> session.worker().betweenSteps(ticket))).run((done, of) -> {
                    session.worker().onUi(() -> progress(done, of, start));
                    return ticket.wanted();
                });
            }
        }, done -> {
            form.say("Done: " + target.path().getFileName() + "."
                    + (done.removed() > 0 ? Words.of("hand-over-bench.removed-of-an-earlier-render", Words.frames(done.removed())) : "")
                    + (done.older() > 0 ? Words.of("hand-over-bench.of-an-earlier-version-lie", Words.frames(done.older())) : ""));
            form.idle();
            last = new Made(shot, target);
            made();
            preview();
        }, e -> {
            form.say(e instanceof Stopped ? "Stopped." : e instanceof IOException io
                    ? Words.of("hand-over-bench.the-folder-cannot-be-made", io.getMessage()) : String.valueOf(e.getMessage()));
            form.idle();
        });
    }

    /// How many frames are made at once: the window stays small, unless it was given much memory.
    private static int atOnce() {
        return (int) Math.max(1, Runtime.getRuntime().maxMemory() / MEMORY_OF_ONE);
    }

    private void progress(int done, int of, long start) {
        double left = done < 2 ? Double.NaN : (System.nanoTime() - start) / 1e9 / done * (of - done);
        form.progress(of == 0 ? 0 : done / (double) of, done + " of " + of + " frames"
                + (Double.isNaN(left) ? "" : ", about " + Math.round(left) + " s left"));
    }

    private void stop() {
        session.worker().cancel(LANE);
        form.idle();
        form.say(Words.of("hand-over-bench.stopped-finished-frames-are-kept"));
    }

    private void open() {
        form.folder().ifPresent(f -> session.worker().ask("open", ticket -> FolderOpener.open(f), form::say,
                e -> form.say(String.valueOf(e.getMessage()))));
    }

    /// Shows what was rendered, if it has the frames that are asked for, else the shot as it will be.
    private void preview() {
        if (!inView()) {
            return;
        }
        Shot shot = session.shot();
        if (shot.layers().isEmpty()) {
            picture.name("");
            picture.invite(Sketch.FILM, Words.of("hand-over-bench.the-finished-shot-is-rendered"), Words.of("hand-over-bench.go-to-layer"),
                    () -> session.bench().set(BenchName.LAYER));
            return;
        }
        Optional<RenderJob.Target> asked = form.target();
        boolean current = asked.isPresent() && new Made(shot, asked.get()).equals(last);
        RenderJob.Target sample = form.sample();
        var measured = session.measured().get();
        double seconds = session.seconds().get();
        int index = session.frame();
        int w = picture.roomWidth();
        int h = picture.roomHeight();
        session.worker().ask(PICTURE, ticket -> {
            Optional<Picture> made = asked.isEmpty() ? Optional.empty() : rendition.frame(asked.get(), index);
            Picture p = made.isPresent() ? made.get() : sample.picture(session.renderer().of(measured), shot, seconds);
            return new Seen(DisplayPicture.of(p.onGrey(GROUND), w, h, session.bands()), made.isPresent());
        }, s -> {
            picture.name(!s.rendered ? Words.of("hand-over-bench.as-it-will-be-not") : current ? "Rendered"
                    : Words.of("hand-over-bench.rendered-earlier-the-shot-may"));
            picture.show(s.picture);
        }, e -> picture.say(String.valueOf(e.getMessage())));
    }

    private record Seen(DisplayPicture picture, boolean rendered) {}
}
