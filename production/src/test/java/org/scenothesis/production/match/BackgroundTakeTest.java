package org.scenothesis.production.match;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatExceptionOfType;

import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardCopyOption;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.scenothesis.core.finding.HouseRules;
import org.scenothesis.core.picture.Bands;
import org.scenothesis.core.picture.Picture;
import org.scenothesis.core.shot.Production;
import org.scenothesis.media.FootageException;
import org.scenothesis.media.FootageSource;
import org.scenothesis.media.encode.Stills;
import org.scenothesis.production.measure.Progress;
import org.scenothesis.production.measure.Stopped;
import org.scenothesis.production.measure.Surveyor;
import org.scenothesis.production.store.ProductionFolder;
import org.scenothesis.testkit.DriftingClip;

class BackgroundTakeTest {
    @TempDir
    Path home;

    @Test
    void whatWasMeasuredIsThereAgainUntilTheFileIsAnother() throws Exception {
        Path clip = home.resolve("street.mp4");
        DriftingClip.write(clip, 8);
        FootageSource source = FootageSource.of(clip);
        try (ProductionFolder folder = ProductionFolder.create(home.resolve("p"),
                new Production("Lantern Works", List.of(), HouseRules.DEFAULT)); Bands bands = Bands.allCores()) {
            Surveyor s = new Surveyor(folder, bands);
            assertThat(BackgroundTake.kept(s.readings(), s.contents(), source)).as("nobody measured it").isEmpty();
            BackgroundTake measured = BackgroundTake.kept(s.readings(), s.contents(), source, bands, Progress.NONE);
            assertThat(measured.report().moves()).hasSize(8);
            Surveyor later = new Surveyor(folder, bands);
            assertThat(BackgroundTake.kept(later.readings(), later.contents(), source)).as("found again, with all that is not a number")
                    .contains(measured);
            Stills.write(home.resolve("other.png"), Picture.filled(64, 48, 0.2f, 0.2f, 0.2f), Stills.Format.PNG8);
            Files.copy(home.resolve("other.png"), clip, StandardCopyOption.REPLACE_EXISTING);
            assertThat(BackgroundTake.kept(later.readings(), later.contents(), source)).isEmpty();
        }
    }

    @Test
    void whatIsStoppedOrGoneKeepsNothing() throws Exception {
        Path clip = home.resolve("street.mp4");
        DriftingClip.write(clip, 8);
        try (ProductionFolder folder = ProductionFolder.create(home.resolve("p"),
                new Production("Lantern Works", List.of(), HouseRules.DEFAULT)); Bands bands = Bands.allCores()) {
            Surveyor s = new Surveyor(folder, bands);
            FootageSource source = FootageSource.of(clip);
            assertThatExceptionOfType(Stopped.class)
                    .isThrownBy(() -> BackgroundTake.kept(s.readings(), s.contents(), source, bands, (done, of) -> done < 3));
            assertThat(BackgroundTake.kept(s.readings(), s.contents(), source)).isEmpty();
            FootageSource gone = FootageSource.of(home.resolve("gone.mp4"));
            assertThatExceptionOfType(FootageException.class)
                    .isThrownBy(() -> BackgroundTake.kept(s.readings(), s.contents(), gone, bands, Progress.NONE))
                    .withMessageContaining("gone.mp4");
        }
    }
}
