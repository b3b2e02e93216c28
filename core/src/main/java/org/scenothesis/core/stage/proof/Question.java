package org.scenothesis.core.stage.proof;

import java.util.ArrayList;
import java.util.List;
import java.util.stream.Stream;
import org.jspecify.annotations.Nullable;
import org.scenothesis.core.Check;
import org.scenothesis.core.finding.Finding;
import org.scenothesis.core.finding.HouseRules;
import org.scenothesis.core.finding.Measure;
import org.scenothesis.core.finding.Subject;
import org.scenothesis.core.finding.Verdict;
import org.scenothesis.core.stage.KeyLight;
import org.scenothesis.core.stage.LensSetting;
import org.scenothesis.core.stage.StageCamera;
import org.scenothesis.core.stage.piece.Piece;
import org.scenothesis.core.value.Given;

/// A set as one plate is filmed on it, with all that its proofs are asked against.
///
/// - `wanted`: how its bodies have to be seen, null where nobody knows. `background`: the light they are laid over, and the direction its
///   camera looks in; null where it is not known.
/// - `crop`: how much larger the picture is than what is left of it in the end, for a camera that is pushed or made unsteady later; 1 keeps
///   all.
/// - `fixes`: whether ways to mend are looked for, which takes longer than judging.
public record Question(SetView view, HouseRules rules, LightField light, @Nullable Sight wanted, @Nullable Lit background, double crop,
        boolean fixes) {
    public Question {
        Check.range("crop", crop, 1, 10);
    }

    /// Seen from so far away by a lens so high above the floor that a body stands on, and `asideDeg` right of straight ahead.
    public record Sight(double awayM, double lensM, double asideDeg) {}

    /// A light, as a camera that looks along `panDeg` sees it.
    public record Lit(KeyLight light, double panDeg) {}

    /// With ways to mend, lit by the lamps that are in view.
    public Question(SetView view, HouseRules rules, @Nullable Sight wanted, @Nullable Lit background, double crop) {
        this(view, rules, new LightField(view.lamps(), view.stage().floor().around().value()), wanted, background, crop, true);
    }

    /// The same of a picture that is shown whole.
    public Question(SetView view, HouseRules rules, @Nullable Sight wanted, @Nullable Lit background) {
        this(view, rules, wanted, background, 1);
    }

    /// The same, judged alone.
    public Question judged() {
        return new Question(view, rules, light, wanted, background, crop, false);
    }

    /// A value about some pieces, judged by the limits of the house.
    Proved proved(Measure m, double value, Proved.Fix fix, List<String> rests, Piece... about) {
        return proved(Finding.of(m, subject(about), value, rules), fix, rests, about);
    }

    Proved proved(Finding f, Proved.Fix fix, List<String> rests, Piece... about) {
        boolean good = f.verdict() == Verdict.HOLDS;
        return new Proved(f, Stream.of(about).map(Piece::id).toList(), good ? Proved.Fix.NONE : fix, rests);
    }

    Subject subject(Piece... about) {
        return new Subject.OfPiece(view.plate(), about.length == 0 ? "" : about[0].id());
    }

    /// What of these was told by nobody, and of the camera where it counts.
    List<String> rests(boolean camera, Piece... pieces) {
        List<String> out = new ArrayList<>();
        StageCamera c = view.stage().camera();
        if (camera && (c.position() instanceof Given.Assumed || c.aim() instanceof Given.Assumed
                || c.widthShareFocal() instanceof Given.Assumed)) {
            out.add("camera");
        }
        Stream.of(pieces).filter(Piece::assumed).map(Piece::id).distinct().forEach(out::add);
        return out;
    }

    /// The same with the lens.
    List<String> restsOnLens(Piece... pieces) {
        List<String> out = new ArrayList<>(rests(true, pieces));
        LensSetting l = view.stage().floor().lens();
        if (l.sensorMm() instanceof Given.Assumed || l.fNumber() instanceof Given.Assumed || l.focusM() instanceof Given.Assumed) {
            out.add("lens");
        }
        return out;
    }

    /// The same with all lamps, and the room whose walls give light back.
    List<String> restsOnLight(boolean camera, Piece... pieces) {
        List<String> out = new ArrayList<>(rests(camera, Stream.concat(Stream.of(pieces), view.lamps().stream()).toArray(Piece[]::new)));
        if (view.stage().floor().around() instanceof Given.Assumed) {
            out.add("room");
        }
        return out;
    }
}
