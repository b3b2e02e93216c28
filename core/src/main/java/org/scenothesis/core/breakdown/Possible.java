package org.scenothesis.core.breakdown;

import java.util.ArrayList;
import java.util.List;
import org.scenothesis.core.breakdown.fact.Answer;
import org.scenothesis.core.breakdown.fact.Answers;
import org.scenothesis.core.breakdown.fact.Conflict;
import org.scenothesis.core.breakdown.fact.ConflictKind;
import org.scenothesis.core.breakdown.fact.Fact;
import org.scenothesis.core.breakdown.method.Screen;
import org.scenothesis.core.breakdown.number.ClothGeometry;
import org.scenothesis.core.breakdown.plate.Eyeline;
import org.scenothesis.core.breakdown.plate.PlateNeed;
import org.scenothesis.core.breakdown.plate.Region;
import org.scenothesis.core.shot.Illusion;
import org.scenothesis.core.shot.Shot;

/// Numbers that no crew of few can set up, each with the limit it breaks and the nearest that can be had.
///
/// Source: handbook, *Impossible numbers are refused with a way out*.
final class Possible {
    /// Nearer than this no cloth hangs behind somebody.
    private static final double LEAST_GAP_M = 0.3;

    private Possible() {}

    static List<Conflict> conflicts(Shot shot, List<PlateNeed> needs) {
        List<Conflict> out = new ArrayList<>();
        Answers setting = Answers.of(shot.setting());
        for (PlateNeed n : needs) {
            Answers told = shot.illusions().stream().filter(w -> n.illusions().contains(w.id())).findFirst()
                    .map((Illusion w) -> Answers.of(w, shot.setting())).orElse(setting);
            n.notes().eyelines().forEach(e -> mark(e, told, out));
            if ((n.screen() == Screen.GREEN || n.screen() == Screen.BLUE) && n.region().sweep().awayM() > 0 && !n.about().isEmpty()) {
                room(n, told, setting, out);
            }
        }
        return out.stream().distinct().toList();
    }

    /// Higher than a stand reaches, a mark goes nearer at the same angle; below the floor it cannot be.
    private static void mark(Eyeline e, Answers told, List<Conflict> out) {
        double highest = told.number(Fact.STAND_M);
        if (e.heightM() > highest + 1e-9 && e.upDeg() > 0) {
            double eyes = Math.min(told.number(Fact.EYES_M), highest);
            out.add(Conflict.watch(ConflictKind.MARK_OVER, "", e.who(), e.heightM(), highest,
                    (highest - eyes) / Math.tan(Math.toRadians(e.upDeg()))));
        } else if (e.heightM() < -1e-9) {
            out.add(Conflict.watch(ConflictKind.MARK_UNDER, "", e.who(), -e.heightM()));
        }
    }

    /// Lens, subject and cloth stand one behind the other in one room.
    private static void room(PlateNeed n, Answers told, Answers setting, List<Conflict> out) {
        Region.Sweep s = n.region().sweep();
        double length = s.awayM() + s.behindM();
        if (told.given(Fact.ROOM_M) && length > told.number(Fact.ROOM_M) + 1e-9) {
            double gap = told.number(Fact.ROOM_M) - s.awayM();
            out.add(gap < 0 ? Conflict.redo(ConflictKind.ROOM_NONE, "", n.about(), s.awayM(), told.number(Fact.ROOM_M))
                    : gap < LEAST_GAP_M ? Conflict.watch(ConflictKind.ROOM_FULL, "", n.about(), length, told.number(Fact.ROOM_M),
                    s.behindM() - gap)
                    : Conflict.watch(ConflictKind.ROOM_SHORT, "", n.about(), length, told.number(Fact.ROOM_M), gap));
        }
        double least = new ClothGeometry(s.lensM(), s.awayM(), 0).behind(s.bottomM(), s.topM(), s.wideM()).wideM();
        if (!setting.is(Answer.Cloths.NONE) && least > setting.number(Fact.CLOTH_WIDE_M) + 1e-6) {
            out.add(Conflict.redo(ConflictKind.CLOTH_NEVER, "", n.about(), least, setting.number(Fact.CLOTH_WIDE_M),
                    setting.number(Fact.CLOTH_WIDE_M)
                    - 2 * ClothGeometry.MARGIN_M));
        }
    }
}
