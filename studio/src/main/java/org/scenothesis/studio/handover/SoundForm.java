package org.scenothesis.studio.handover;

import java.io.IOException;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.function.BiFunction;
import java.util.function.Function;
import javafx.scene.control.ComboBox;
import javafx.scene.control.Label;
import javafx.scene.layout.GridPane;
import javafx.scene.layout.VBox;
import org.scenothesis.core.shot.Plate;
import org.scenothesis.core.shot.Shot;
import org.scenothesis.core.shot.Sound;
import org.scenothesis.core.shot.SoundSource;
import org.scenothesis.core.shot.Take;
import org.scenothesis.core.value.Animated;
import org.scenothesis.media.FootageException;
import org.scenothesis.production.render.ShotSound;
import org.scenothesis.production.words.Words;
import org.scenothesis.studio.house.Session;
import org.scenothesis.studio.parts.Choosers;
import org.scenothesis.studio.parts.Tape;
import org.scenothesis.studio.parts.Text;

/// What is heard of the shot: where from, when, how loud, and how it comes and goes.
final class SoundForm extends VBox {
    private static final String FILE = "a file…";

    private final Session session;
    private final ComboBox<Choice> from = new ComboBox<>();
    private final Label remark = Text.block("", "paper-soft");
    private final List<Row> rows = new ArrayList<>();
    private boolean showing;

    /// Where from, with its words; the last stands for a file that is still to be chosen.
    private record Choice(SoundSource heard, String words) {
        @Override
        public String toString() {
            return words;
        }
    }

    private record Row(Tape tape, Function<Sound, Double> value) {}

    SoundForm(Session session) {
        this.session = session;
        getStyleClass().addAll("paper", "on-paper");
        setSpacing(8);
        from.setId("sound-from");
        from.setMaxWidth(Double.MAX_VALUE);
        from.setOnAction(e -> chosen());
        GridPane numbers = new GridPane(18, 6);
        row(numbers, 0, new Tape.Number("begins", "s", -Animated.LONGEST_S, Animated.LONGEST_S, 0.1, 2,
                Words.of("sound-form.when-in-the-shot-the")), Sound::atSeconds, Sound::withAtSeconds);
        row(numbers, 1, new Tape.Number("level", "dB", -Sound.MOST_DB, Sound.MOST_DB, 1, 1,
                Words.of("sound-form.louder-or-softer-than-it")), Sound::levelDb, Sound::withLevelDb);
        row(numbers, 2, new Tape.Number("fade in", "s", 0, Animated.LONGEST_S, 0.1, 2, Words.of("sound-form.how-long-it-takes-to")),
                Sound::fadeInSeconds, Sound::withFadeInSeconds);
        row(numbers, 3, new Tape.Number("fade out", "s", 0, Animated.LONGEST_S, 0.1, 2, Words.of("sound-form.how-long-it-takes-to-2")),
                Sound::fadeOutSeconds, Sound::withFadeOutSeconds);
        getChildren().addAll(Text.of("Sound", "paper-title"), from, numbers, remark);
    }

    private void row(GridPane into, int i, Tape.Number number, Function<Sound, Double> value, BiFunction<Sound, Double, Sound> with) {
        Tape t = new Tape(number, v -> {}, v -> change(number.name(), s -> with.apply(s, v)));
        t.field().setId("sound-" + number.name().replace(' ', '-'));
        t.setPrefWidth(175);
        rows.add(new Row(t, value));
        into.add(t, i % 2, i / 2);
    }

    private void change(String what, Function<Sound, Sound> how) {
        session.change("sound, " + what, s -> s.withSound(how.apply(s.sound())));
    }

    /// Shows what is so now; which takes have sound is found out in the background.
    void refresh() {
        Shot shot = session.shot();
        rows.forEach(r -> r.tape.show(r.value.apply(shot.sound())));
        session.worker().ask("sound-choices", ticket -> Map.entry(choices(shot), told(shot)), found -> {
            showing = true;
            if (!from.getItems().equals(found.getKey())) {
                from.getItems().setAll(found.getKey());
            }
            from.getItems().stream().filter(c -> c.heard.equals(shot.sound().of()) && !c.words.equals(FILE)).findFirst()
                    .ifPresent(from.getSelectionModel()::select);
            showing = false;
            remark.setText(found.getValue());
            remark.setManaged(!found.getValue().isEmpty());
        }, e -> remark.setText(String.valueOf(e.getMessage())));
    }

    private String told(Shot shot) throws IOException {
        try {
            ShotSound s = ShotSound.of(session.folder(), shot);
            boolean asFilmed = shot.sound().of() instanceof SoundSource.AsFilmed;
            return !s.why().isEmpty() ? "Silent: " + s.why() + "." : s.track() != null ? asFilmed ? "Heard: " + s.from() + "." : ""
                    : asFilmed ? Words.of("sound-form.nothing-was-filmed-with-sound") : "";
        } catch (FootageException e) {
            return String.valueOf(e.getMessage());
        }
    }

    private List<Choice> choices(Shot shot) {
        List<Choice> out = new ArrayList<>(List.of(new Choice(new SoundSource.AsFilmed(), Words.of("sound-form.as-filmed-of-the-lowest")),
                new Choice(new SoundSource.Silent(), "silence")));
        for (Take t : ShotSound.takes(session.folder(), shot)) {
            Plate p = shot.plates().stream().filter(x -> x.take(t.id()).isPresent()).findFirst().orElseThrow();
            out.add(new Choice(new SoundSource.OfTake(t.id()), p.name() + ", take " + (p.takes().indexOf(t) + 1)));
        }
        SoundSource now = shot.sound().of();
        if (out.stream().noneMatch(c -> c.heard.equals(now))) {
            out.add(new Choice(now, now instanceof SoundSource.OfFile f ? String.valueOf(Path.of(f.path()).getFileName()) : now.word()));
        }
        out.add(new Choice(now, FILE));
        return out;
    }

    private void chosen() {
        Choice c = from.getValue();
        if (showing || c == null) {
            return;
        }
        if (c.words.equals(FILE)) {
            Choosers.files(this, Words.of("sound-form.file-with-sound")).stream().findFirst().ifPresentOrElse(this::file, this::refresh);
        } else if (!c.heard.equals(session.shot().sound().of())) {
            change("from", s -> s.withOf(c.heard));
        }
    }

    /// Hears a file from now on.
    void file(Path file) {
        session.worker().ask("sound-file", ticket -> ShotSound.file(session.folder(), file), heard -> change("from", s -> s.withOf(heard)),
                e -> remark.setText(String.valueOf(e.getMessage())));
    }
}
