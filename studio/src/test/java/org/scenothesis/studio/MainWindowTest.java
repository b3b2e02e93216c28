package org.scenothesis.studio;

import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardCopyOption;
import java.util.Comparator;
import java.util.List;
import java.util.Set;
import java.util.function.BooleanSupplier;
import javafx.scene.Node;
import javafx.scene.Scene;
import javafx.stage.Stage;
import org.junit.jupiter.api.AfterAll;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.extension.ExtendWith;
import org.scenothesis.core.picture.Bands;
import org.scenothesis.core.rehearsal.Quality;
import org.scenothesis.demo.DemoFilming;
import org.scenothesis.media.encode.Stills;
import org.scenothesis.media.encode.VideoFormat;
import org.scenothesis.production.measure.Progress;
import org.scenothesis.studio.house.Session;
import org.testfx.framework.junit5.ApplicationExtension;

/// A window of its own for every test, over a small rehearsal of the demo shoot.
@ExtendWith(ApplicationExtension.class)
abstract class MainWindowTest {
    private static Path template;

    Path folder;
    OpenHouse house;
    Session session;
    Scene scene;

    @BeforeAll
    static void rehearse() throws Exception {
        template = Files.createTempDirectory("studio-test");
        try (var bands = Bands.allCores()) {
            var wish = new DemoFilming.Wish(160, new Quality(3, 4, 0.5, 1), Set.of("clean-1", "clean-2", "screen-only", "lamp-pass",
                    "card-ruler"), VideoFormat.MJPEG_AVI);
            DemoFilming.film(template, wish, bands, Progress.NONE);
            for (String still : List.of("maker-1", "lantern-1")) {
                // Stills stand in for the moving takes: the interface is tested here, not the renderer.
                Files.copy(template.resolve("footage/screen-only.png"), template.resolve("footage/" + still + ".png"));
            }
            String text = Files.readString(template.resolve("production.json")).replace("maker-1.mp4", "maker-1.png")
                    .replace("lantern-1.mp4", "lantern-1.png")
                    .replace("clean-1.mp4", "clean-1.avi").replace("clean-2.mp4", "clean-2.avi");
            Files.writeString(template.resolve("production.json"), text);
        }
    }

    @AfterAll
    static void tidy() throws Exception {
        try (var files = Files.walk(template)) {
            files.sorted(Comparator.reverseOrder()).forEach(p -> p.toFile().delete());
        }
    }

    /// The toolkit's extension looks for its own marks in the class of the test alone, which calls this and [#end] from there.
    void begin(Stage stage) throws Exception {
        folder = Files.createTempDirectory("studio");
        Files.createDirectories(folder.resolve("footage"));
        try (var files = Files.walk(template)) {
            for (Path p : files.filter(Files::isRegularFile).toList()) {
                Path to = folder.resolve(template.relativize(p).toString());
                Files.createDirectories(to.getParent());
                Files.copy(p, to, StandardCopyOption.REPLACE_EXISTING);
            }
        }
        house = OpenHouse.on(stage, folder);
        session = house.session();
        scene = house.scene();
        session.begin();
    }

    void end() {
        session.close();
    }

    void until(String what, BooleanSupplier holds) {
        house.until(what, holds);
    }

    void measured() {
        until("measured", () -> session.worker().idle());
    }

    String words(Node n) {
        return OpenHouse.words(n);
    }
}
