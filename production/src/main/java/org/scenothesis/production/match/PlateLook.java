package org.scenothesis.production.match;

import java.util.ArrayList;
import java.util.List;
import org.jspecify.annotations.Nullable;
import org.scenothesis.core.compare.Look;
import org.scenothesis.core.compare.PictureComparison;
import org.scenothesis.core.key.ClothSight;
import org.scenothesis.core.light.Area;
import org.scenothesis.core.light.LightMarks;
import org.scenothesis.core.light.LightSolver;
import org.scenothesis.core.light.PictureLight;
import org.scenothesis.core.match.MarkConversion;
import org.scenothesis.core.perspective.CameraSolver;
import org.scenothesis.core.picture.Picture;
import org.scenothesis.core.picture.Plane;
import org.scenothesis.core.shot.Plate;
import org.scenothesis.core.shot.step.ColourGrade;
import org.scenothesis.media.FootageException;

/// What a plate looks like, and how far it is from the clean plate.
///
/// - `look`: null where it could not be read, and `why`. `against`: null of the clean plate itself. `byNeutral`: what the neutral things
///   marked in both say brings it to the clean plate; null where not as many are marked in both. `light`: as its marks say; null where none
///   are marked for it.
public record PlateLook(Plate plate, @Nullable Look look, @Nullable PictureComparison against, @Nullable ColourGrade byNeutral,
        @Nullable PictureLight light, String why) {
    private static final int FRAMES = 3;

    /// A plate that could not be read, and why.
    public static PlateLook unread(Plate plate, String why) {
        return new PlateLook(plate, null, null, null, null, why);
    }

    /// Frames of a plate's take, by number.
    public interface Frames {
        Picture at(int number) throws FootageException;
    }

    /// A plate with its first frames; of a still one, of a take of fewer as many as there are.
    public record Asked(Plate plate, int frames, Frames at) {
        List<Picture> read() throws FootageException {
            List<Picture> out = new ArrayList<>();
            for (int i = 0; i < Math.min(FRAMES, frames); i++) {
                out.add(at.at(i));
            }
            return out;
        }
    }

    /// The clean plate first, then every other against it; a plate that cannot be read says why.
    ///
    /// @throws FootageException if the clean plate cannot be read
    public static List<PlateLook> of(Asked clean, List<Asked> others) throws FootageException {
        List<Picture> reference = clean.read();
        Look look = Look.of(reference, null);
        List<PlateLook> out = new ArrayList<>();
        out.add(new PlateLook(clean.plate, look, null, null, light(clean.plate, reference.getFirst()), ""));
        for (Asked a : others) {
            out.add(of(clean.plate, reference, look, a));
        }
        return out;
    }

    private static PlateLook of(Plate base, List<Picture> reference, Look clean, Asked a) {
        try {
            List<Picture> own = a.read();
            Plane counts = a.plate.role().keyed() ? ClothSight.beside(own.getFirst()) : null;
            Look look = counts == null ? Look.of(own, null) : Look.among(own, (x, y) -> counts.at((int) x, (int) y) > 0);
            // From the plate to the clean plate: what it needs to be laid over it.
            PictureComparison against = PictureComparison.of(own, look, reference, clean, null);
            return new PlateLook(a.plate, look, against, byNeutral(a.plate, own.getFirst(), base, reference.getFirst(), against),
                    light(a.plate, own.getFirst()), "");
        } catch (FootageException e) {
            return unread(a.plate, String.valueOf(e.getMessage()));
        }
    }

    private static @Nullable ColourGrade byNeutral(Plate plate, Picture p, Plate base, Picture reference, PictureComparison against) {
        List<Area> own = MarkConversion.light(plate.marks(), p.width(), p.height()).grey();
        List<Area> others = MarkConversion.light(base.marks(), reference.width(), reference.height()).grey();
        return own.isEmpty() || own.size() != others.size() ? null : against.by(p, own, reference, others).tone();
    }

    private static @Nullable PictureLight light(Plate plate, Picture p) {
        LightMarks marks = MarkConversion.light(plate.marks(), p.width(), p.height());
        return marks.equals(LightMarks.NONE) ? null
                : LightSolver.solve(p, CameraSolver.solve(MarkConversion.camera(plate.marks(), p.width(), p.height())), marks);
    }
}
