package org.scenothesis.studio.watch;

import java.util.Locale;
import java.util.Map;
import javafx.scene.input.KeyCode;
import javafx.scene.layout.Priority;
import javafx.scene.layout.VBox;
import org.scenothesis.core.match.Comparison;
import org.scenothesis.core.shot.Plate;
import org.scenothesis.production.words.Words;
import org.scenothesis.studio.house.BenchName;
import org.scenothesis.studio.parts.ComparisonBar;
import org.scenothesis.studio.parts.PictureView;
import org.scenothesis.studio.parts.Sketch;

/// The watched take over its reference, under the row of ways to compare them.
public final class WatchedPicture {
    /// What is said where there is no take, and what its button does.
    public record Invitation(Sketch sketch, String words, String button, Runnable begin) {}

    private final WatchModel model;
    private final BenchName bench;
    private final PictureView picture = new PictureView("");
    private final ComparisonBar bar;

    public WatchedPicture(WatchModel model, BenchName bench, Map<Comparison, String> words) {
        this.model = model;
        this.bench = bench;
        bar = new ComparisonBar(bench.name().toLowerCase(Locale.ROOT), words, model.how(), model::compare);
        VBox.setVgrow(picture, Priority.ALWAYS);
    }

    public ComparisonBar bar() {
        return bar;
    }

    public PictureView view() {
        return picture;
    }

    public boolean key(KeyCode code) {
        return bar.key(code);
    }

    /// Shows what is there to be seen now.
    public void show(Invitation otherwise) {
        switch (model.sight()) {
            case WatchModel.Sight.NoTake none -> {
                model.session().worker().cancel(lane());
                picture.invite(otherwise.sketch(), otherwise.words(), otherwise.button(), otherwise.begin());
                picture.name("");
            }
            case WatchModel.Sight.NoPicture none -> {
                model.session().worker().cancel(lane());
                picture.say(none.why());
                picture.name("");
            }
            case WatchModel.Sight.Pair pair -> {
                picture.expect(name(pair.how()));
                model.picture(lane(), pair, picture.roomWidth(), picture.roomHeight(), picture::showExpected, picture::say);
            }
        }
    }

    private String lane() {
        return bench.name() + "-picture";
    }

    private String name(Comparison how) {
        String frame = model.plate().map(Plate::name).orElse("") + ", frame " + model.session().frame();
        return switch (how) {
            case REFERENCE -> "Reference";
            case DIFFERENCE -> Words.of("watched-picture.difference-grey-is-none", frame);
            case OUTLINE -> frame + ", reference outlined";
            case TAKE, OVER -> frame;
        };
    }
}
