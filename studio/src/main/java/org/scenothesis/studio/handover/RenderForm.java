package org.scenothesis.studio.handover;

import java.nio.file.InvalidPathException;
import java.nio.file.Path;
import java.util.List;
import java.util.Optional;
import javafx.geometry.Pos;
import javafx.scene.Node;
import javafx.scene.control.Button;
import javafx.scene.control.ComboBox;
import javafx.scene.control.Label;
import javafx.scene.control.ProgressBar;
import javafx.scene.control.TextField;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.VBox;
import org.scenothesis.core.layer.Cutout;
import org.scenothesis.core.shot.Excerpt;
import org.scenothesis.core.shot.Layer;
import org.scenothesis.core.shot.Shot;
import org.scenothesis.media.encode.ExportFormat;
import org.scenothesis.media.encode.VideoFormat;
import org.scenothesis.production.render.RenderJob;
import org.scenothesis.production.words.Words;
import org.scenothesis.studio.house.Session;
import org.scenothesis.studio.parts.Choosers;
import org.scenothesis.studio.parts.ShownAs;
import org.scenothesis.studio.parts.Text;

/// What is to be rendered: the shot or a part of it, as which kind, which frames, and where to.
final class RenderForm extends VBox {
    private final Session session;
    private final ComboBox<Part> part = new ComboBox<>();
    private final ComboBox<ExportFormat> kind = new ComboBox<>();
    private final TextField from = new TextField();
    private final TextField to = new TextField();
    private final TextField into = new TextField();
    private final Label target = Text.block("", "paper-soft");
    private final Label state = Text.block("", "paper-text");
    private final ProgressBar bar = new ProgressBar(0);
    private final Button go;
    private final Button stop;
    private final Button one = Text.button(Words.of("render-form.only-the-frame-shown"), "paper-link", this::oneFrame);
    private Runnable changed = () -> {};
    private boolean showing;
    private int length;

    /// An excerpt with its words.
    private record Part(Excerpt of, String words) {
        static Part of(Shot shot, Excerpt e) {
            return new Part(e, switch (e) {
                case Excerpt.Whole w -> Words.of("render-form.the-whole-shot");
                case Excerpt.Element x -> "element: " + name(shot, x.layer());
                case Excerpt.Matte m -> "matte: " + name(shot, m.layer());
            });
        }

        private static String name(Shot shot, String layer) {
            return shot.layer(layer).map(Layer::name).orElse(layer);
        }

        @Override
        public String toString() {
            return words;
        }
    }

    RenderForm(Session session, Runnable render, Runnable halt, Runnable open) {
        this.session = session;
        go = Text.button("Render", "paper-button", render);
        stop = Text.button(Words.of("render-form.stop-go-on-later"), "paper-link", halt);
        getStyleClass().addAll("paper", "on-paper");
        setSpacing(10);
        part.setId("render-part");
        kind.setId("render-kind");
        from.setId("render-from");
        to.setId("render-to");
        into.setId("render-into");
        go.setId("render-go");
        stop.setId("render-stop");
        one.setId("render-one");
        kind.getItems().setAll(ExportFormat.all());
        kind.setConverter(new ShownAs<>(f -> Words.of("export." + f.code())));
        kind.getSelectionModel().select(VideoFormat.VP9_WEBM);
        for (ComboBox<?> c : List.of(part, kind)) {
            c.setMaxWidth(Double.MAX_VALUE);
            HBox.setHgrow(c, Priority.ALWAYS);
            c.setPrefWidth(178);
        }
        from.setPrefWidth(64);
        to.setPrefWidth(64);
        bar.setMaxWidth(Double.MAX_VALUE);
        into.setPromptText(Words.of("render-form.renders-in-the-production"));
        HBox.setHgrow(into, Priority.ALWAYS);
        Button choose = Text.button("choose…", "paper-link", this::choose);
        choose.setId("render-choose");
        Button show = Text.button("open folder", "paper-link", open);
        show.setId("render-open");
        getChildren().addAll(
                Text.of("Render", "paper-title"), row(part, kind), row(Text.of("frames", "paper-text"), from, Text.of("to", "paper-text"),
                to, one),
                row(Text.of("into", "paper-text"), into, choose), target, row(go, stop, show), bar, state);
        part.setOnAction(e -> asked());
        kind.setOnAction(e -> asked());
        into.setOnAction(e -> asked());
        into.focusedProperty().addListener((o, was, is) -> asked());
        from.textProperty().addListener(o -> asked());
        to.textProperty().addListener(o -> asked());
        say("");
        idle();
    }

    private static HBox row(Node... of) {
        HBox r = new HBox(8, of);
        r.setAlignment(Pos.CENTER_LEFT);
        return r;
    }

    private void asked() {
        if (!showing) {
            changed.run();
        }
    }

    /// Called when something else is asked for.
    void whenChanged(Runnable action) {
        changed = action;
    }

    /// Shows what there is of the session's shot; `fresh`: it is another shot than before.
    void show(boolean fresh) {
        Shot shot = session.shot();
        Excerpt had = excerpt();
        showing = true;
        List<Part> parts = Excerpt.of(shot).stream().map(e -> Part.of(shot, e)).toList();
        if (!part.getItems().equals(parts)) {
            part.getItems().setAll(parts);
            part.getSelectionModel().select(parts.stream().filter(p -> p.of.equals(had)).findFirst().orElse(parts.getFirst()));
        }
        // As long as the end was that of the shot it stays so.
        boolean toTheEnd = to.getText().isEmpty() || to.getText().equals(String.valueOf(length - 1));
        if (fresh || from.getText().isEmpty()) {
            from.setText("0");
        }
        length = frames();
        if (fresh || toTheEnd) {
            to.setText(String.valueOf(length - 1));
        }
        go.setDisable(shot.layers().isEmpty() || running());
        moment();
        showing = false;
    }

    /// Another frame is shown.
    void moment() {
        one.setText("only frame " + shown());
    }

    int frames() {
        return Math.max(1, (int) Math.round(session.shot().seconds() * session.rate()));
    }

    private int shown() {
        return Math.clamp(Math.round(session.seconds().get() * session.rate()), 0, frames() - 1);
    }

    private void oneFrame() {
        from.setText(String.valueOf(shown()));
        to.setText(String.valueOf(shown()));
    }

    private Excerpt excerpt() {
        Part p = part.getValue();
        return p == null ? Excerpt.WHOLE : p.of;
    }

    /// The folder that was told; that of the production's renders if nothing was. Empty for what is no path.
    Optional<Path> folder() {
        String told = into.getText().strip();
        try {
            Path p = Path.of(told.startsWith("~/") ? System.getProperty("user.home") + told.substring(1) : told);
            return Optional.of(told.isEmpty() ? session.folder().renders() : session.folder().path().resolve(p).normalize());
        } catch (InvalidPathException e) {
            return Optional.empty();
        }
    }

    /// What is asked for; empty after saying what is wrong with it.
    Optional<RenderJob.Target> wanted() {
        Optional<int[]> range = range();
        if (range.isEmpty()) {
            say(Words.of("render-form.the-shot-has-frames-to", (frames() - 1)));
            return Optional.empty();
        }
        if (folder().isEmpty()) {
            say(Words.of("render-form.is-no-folders-name-write", into.getText().strip()));
            return Optional.empty();
        }
        return target();
    }

    /// What is asked for; empty where frames or folder cannot be.
    Optional<RenderJob.Target> target() {
        return range().flatMap(r -> folder().map(f -> target(f, r[0], r[1])));
    }

    /// The frame that is shown, of what and as what is asked for.
    RenderJob.Target sample() {
        return target(session.folder().renders(), shown(), shown());
    }

    private RenderJob.Target target(Path folder, int first, int last) {
        ExportFormat f = kind.getValue();
        String name = "shot-" + session.shot().id() + stem();
        String named = f.still() && first == last ? String.format("%s-frame-%06d.%s", name, first, f.extension()) : name + f.ending();
        return new RenderJob.Target(folder.resolve(named), f, first, last, excerpt());
    }

    private String stem() {
        return excerpt() instanceof Excerpt.Whole ? "" : "-" + excerpt().word().replace(':', '-');
    }

    private Optional<int[]> range() {
        try {
            int a = Integer.parseInt(from.getText().strip());
            int b = Integer.parseInt(to.getText().strip());
            return a < 0 || b < a || b >= frames() ? Optional.empty() : Optional.of(new int[] {a, b});
        } catch (NumberFormatException e) {
            return Optional.empty();
        }
    }

    /// What should be known of what is asked for before it is rendered; empty for nothing.
    private String remark() {
        if (!(excerpt() instanceof Excerpt.Element e)) {
            return excerpt() instanceof Excerpt.Matte ? Words.of("render-form.grey-its-code-values-are") : "";
        }
        Optional<Layer> l = session.shot().layer(e.layer());
        return l.filter(Cutout::light).isPresent() ? Words.of("render-form.it-is-light-on-black") : kind.getValue().alpha()
                ? Words.of("render-form.with-alpha-straight") : Words.of("render-form.this-kind-has-no-alpha");
    }

    /// - `room`: how much it takes on the disk.
    void tell(Path path, String room) {
        Path home = session.folder().path();
        target.setText((path.startsWith(home) ? home.relativize(path) : path) + ", " + room + remark());
    }

    void tell(String problem) {
        target.setText(problem);
    }

    void say(String words) {
        state.setText(words);
        state.setManaged(!words.isEmpty());
    }

    void progress(double share, String words) {
        bar.setProgress(share);
        if (running()) {
            say(words);
        }
    }

    boolean running() {
        return !stop.isDisabled();
    }

    void busy() {
        run(true);
        bar.setProgress(0);
    }

    void idle() {
        run(false);
    }

    private void run(boolean on) {
        stop.setDisable(!on);
        go.setDisable(on);
        bar.setVisible(on);
        bar.setManaged(on);
    }

    boolean ready() {
        return !go.isDisabled();
    }

    private void choose() {
        Choosers.folder(this, Words.of("render-form.folder-for-renders")).ifPresent(f -> {
            into.setText(f.toString());
            asked();
        });
    }
}
