package org.scenothesis.cli;

import java.util.ArrayList;
import java.util.List;
import org.jspecify.annotations.Nullable;
import org.scenothesis.core.shot.Shot;
import org.scenothesis.core.stage.KeyLight;
import org.scenothesis.core.stage.Stage;
import org.scenothesis.core.stage.Surface;
import org.scenothesis.core.value.Given;
import org.scenothesis.production.words.Entered;
import org.scenothesis.production.words.Words;
import picocli.CommandLine.Option;

/// The key of a set and its ground as they are entered.
final class StageLightEntered {
    @Option(names = "--key", paramLabel = "SIDE,HEIGHT", description = "${bundle:stage-command.where-the-key-comes-from}")
    @Nullable String key;

    @Option(names = "--key-size", paramLabel = "DEG", description = "${bundle:stage-command.how-wide-the-key-is}")
    @Nullable Double keySize;

    @Option(names = "--key-to-fill", paramLabel = "STOPS", description = "${bundle:stage-command.how-much-stronger-the-key}")
    @Nullable Double keyToFill;

    @Option(names = "--ground", paramLabel = "NEAR,FAR", description = "${bundle:stage-command.from-where-to-where-the}")
    @Nullable String ground;

    boolean given() {
        return key != null || keySize != null || keyToFill != null || ground != null;
    }

    /// The shot with the light and the ground that were entered.
    Shot into(Shot s) throws InputException {
        if (!given()) {
            return s;
        }
        Stage stage = s.stage();
        if (stage == null) {
            throw new InputException(Words.of("stage-command.there-is-no-set-yet"));
        }
        return Entered.made(() -> entered(s, stage), InputException::because);
    }

    private Shot entered(Shot s, Stage stage) throws InputException {
        KeyLight l = stage.light();
        if (key != null) {
            List<Double> n = NumberList.two("--key", key);
            l = l.withDirection(Given.entered(new KeyLight.Direction(0, n.getLast()).seenAt(n.getFirst(), stage.panDeg())));
        }
        l = keySize == null ? l : l.withSizeDeg(Given.entered(keySize));
        l = keyToFill == null ? l : l.withKeyToFillStops(Given.entered(keyToFill));
        List<Surface> surfaces = new ArrayList<>(stage.surfaces());
        if (ground != null) {
            List<Double> n = NumberList.two("--ground", ground);
            surfaces.set(0, new Surface(stage.ground().id(), stage.ground().heightM(),
                    Given.entered(new Surface.Extent(n.getFirst(), n.getLast()))));
        }
        Stage now = stage.withLight(l).withSurfaces(surfaces);
        return s.withStage(x -> now);
    }
}
