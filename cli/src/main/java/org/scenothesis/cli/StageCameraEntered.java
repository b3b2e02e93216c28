package org.scenothesis.cli;

import java.util.List;
import java.util.Optional;
import org.jspecify.annotations.Nullable;
import org.scenothesis.core.breakdown.FirstStage;
import org.scenothesis.core.breakdown.fact.Answers;
import org.scenothesis.core.breakdown.fact.Fact;
import org.scenothesis.core.shot.Shot;
import org.scenothesis.core.stage.Evidence;
import org.scenothesis.core.stage.HandCamera;
import org.scenothesis.core.stage.Stage;
import org.scenothesis.core.value.Given;
import org.scenothesis.production.measure.FileLens;
import org.scenothesis.production.store.ProductionFolder;
import org.scenothesis.production.words.Entered;
import org.scenothesis.production.words.Words;
import picocli.CommandLine.Option;

/// The camera of a set as it is entered: height, view, horizon, something of known height.
final class StageCameraEntered {
    private static final double FULL_FRAME_MM = 36;

    @Option(names = "--lens-height", paramLabel = "M", description = "${bundle:stage-command.how-high-the-lens-stood}")
    @Nullable Double lens;

    @Option(names = "--view", paramLabel = "DEG", description = "${bundle:stage-command.the-angle-of-view-across}")
    @Nullable Double view;

    @Option(names = "--focal", paramLabel = "MM", description = "${bundle:stage-command.instead-of-the-view-the}")
    @Nullable Double focal;

    @Option(names = "--sensor", paramLabel = "MM", description = "${bundle:stage-command.width-of-the-sensor-that}")
    @Nullable Double sensor;

    @Option(names = "--as-noted", description = "${bundle:stage-command.instead-of-the-view-by}")
    boolean asNoted;

    @Option(names = "--horizon", paramLabel = "L[,R]", description = "${bundle:stage-command.where-the-horizon-crosses-the}")
    @Nullable String horizon;

    @Option(names = "--known", paramLabel = "M", description = "${bundle:stage-command.the-height-of-something-upright}")
    @Nullable Double known;

    @Option(names = "--foot", paramLabel = "X,Y", description = "${bundle:stage-command.where-it-stands-in-percent}")
    @Nullable String foot;

    @Option(names = "--top", paramLabel = "X,Y", description = "${bundle:stage-command.where-its-top-is}")
    @Nullable String top;

    boolean given() {
        return asNoted || lens != null || view != null || focal != null || horizon != null || known != null;
    }

    /// The shot with the camera that was entered.
    Shot into(Shot s, ProductionFolder folder, double aspect) throws InputException {
        return given() ? FirstStage.staged(s, told(folder, s, aspect), aspect) : s;
    }

    private double sensor(Shot s) {
        Answers told = Answers.of(s.setting());
        return sensor != null ? sensor : told.given(Fact.SENSOR_MM) ? told.number(Fact.SENSOR_MM) : FULL_FRAME_MM;
    }

    private HandCamera told(ProductionFolder folder, Shot s, double aspect) throws InputException {
        return Entered.made(() -> entered(folder, s, aspect), InputException::because);
    }

    private HandCamera entered(ProductionFolder folder, Shot s, double aspect) throws InputException {
        Stage was = s.stage();
        HandCamera c = was == null ? HandCamera.FRESH : HandCamera.of(was, aspect);
        Optional<Given<Double>> noted = asNoted || c.viewDeg() instanceof Given.Assumed ? FileLens.view(s, folder) : Optional.empty();
        if (asNoted && noted.isEmpty()) {
            throw new InputException(Words.of("stage-command.the-file-of-the-lowest"));
        }
        c = c.withViewDeg(noted.orElse(c.viewDeg()));
        c = lens == null ? c : c.withLensHeightM(Given.entered(lens)).withKnown(null);
        c = view == null ? c : c.withViewDeg(Given.entered(view));
        Double mm = focal;
        if (mm != null) {
            double before = sensor(s);
            c = c.withViewDeg(Given.entered(HandCamera.viewDeg(mm, before).orElseThrow(() -> new InputException(
                    Words.of("stage-hand.lens-of-mm-before-sensor", Words.number(mm, 0), Words.number(before, 1))))));
        }
        if (horizon != null) {
            List<Double> h = NumberList.upToTwo("--horizon", horizon);
            c = c.withHorizon(Given.entered(new HandCamera.Horizon(h.getFirst() / 100, h.getLast() / 100)));
        }
        if (known != null) {
            if (foot == null || top == null) {
                throw new InputException(Words.of("stage-command.known-needs-foot-and-top"));
            }
            c = c.withKnown(new Evidence.Upright(NumberList.point("--foot", foot), NumberList.point("--top", top), known));
        }
        c.stage(was, aspect);
        return c;
    }
}
