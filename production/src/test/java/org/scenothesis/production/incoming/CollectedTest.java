package org.scenothesis.production.incoming;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.scenothesis.core.picture.Picture;
import org.scenothesis.core.shot.Plate;
import org.scenothesis.core.shot.PlateRole;
import org.scenothesis.core.shot.Spike;
import org.scenothesis.core.shot.Take;
import org.scenothesis.media.encode.Stills;
import org.scenothesis.production.begin.NewProduction;
import org.scenothesis.production.measure.Progress;
import org.scenothesis.production.measure.Stopped;
import org.scenothesis.production.store.ProductionFolder;

class CollectedTest {
    @TempDir
    Path home;

    private Path still(String name) throws Exception {
        Path p = Files.createDirectories(home.resolve("card")).resolve(name);
        Files.createDirectories(p.getParent());
        Stills.write(p, Picture.filled(32, 18, 0.2f, 0.3f, 0.1f), Stills.Format.PNG8);
        return p;
    }

    private static Plate plate(String id, String footage) {
        return new Plate(id, id, PlateRole.CLEAN, Spike.T, "", "", 0, List.of(new Take(id + "-1", footage, true, "")));
    }

    @Test
    void whatLiesElsewhereIsCopiedAndTheRestStays() throws Exception {
        try (ProductionFolder f = new NewProduction("Paper weather", null, null).in(home.resolve("p"))) {
            String linked = f.footageFolder().linkIn(still("street.png"));
            Path sequence = still("walk/frame-1.png").getParent();
            String folder = f.footageFolder().linkIn(sequence);
            String here = f.footageFolder().bringIn(still("here.png"));
            Path away = still("away.png");
            f.grant(away);
            f.save(f.production()
                    .withShot("1", s ->
                    s.withPlates(List.of(plate("a", linked), plate("b", folder), plate("c", here), plate("d", away.toString())))));
            List<Take> takes = Collected.elsewhere(f, f.production());
            assertThat(takes).extracting(Take::id).containsExactly("a-1", "b-1", "d-1");
            assertThatThrownBy(() -> Collected.of(f, takes, (done, of) -> done < 1)).isInstanceOf(Stopped.class);
            Collected c = Collected.of(f, takes, Progress.NONE);
            f.save(c.in(f.production()));
            assertThat(Collected.elsewhere(f, f.production())).isEmpty();
            for (Plate p : f.production().shot("1").plates()) {
                Path at = f.footage(p.takes().getFirst());
                assertThat(at).startsWith(home.resolve("p"));
                assertThat(Files.isSymbolicLink(at)).isFalse();
                assertThat(f.refusal(at)).isNull();
            }
            assertThat(f.footage(f.production().shot("1").plate("b").orElseThrow().takes().getFirst()).resolve("frame-1.png"))
                    .hasSameBinaryContentAs(sequence.resolve("frame-1.png"));
            assertThat(home.resolve("p").resolve(linked)).hasSameBinaryContentAs(home.resolve("card/street.png"));
        }
    }
}
