package org.scenothesis.core.breakdown;

import java.util.ArrayList;
import java.util.List;
import org.scenothesis.core.breakdown.element.ElementSource;
import org.scenothesis.core.breakdown.fact.Answer;
import org.scenothesis.core.breakdown.fact.Answers;
import org.scenothesis.core.breakdown.fact.Fact;
import org.scenothesis.core.shot.Illusion;
import org.scenothesis.core.shot.IllusionKind;
import org.scenothesis.core.shot.Permission;
import org.scenothesis.core.shot.Shot;

/// Which leave a shot needs: for pictures and sounds that others made, and for filming in public.
final class Permissions {
    private Permissions() {}

    static List<Permission> wanted(Shot shot) {
        List<Permission> out = new ArrayList<>();
        boolean behind = shot.illusions().stream().anyMatch(w -> w.kind() == IllusionKind.ELSEWHERE);
        if (Answers.of(shot.setting()).is(Answer.Base.EXISTING) && !behind) {
            out.add(Permission.wanted(shot.id() + "/background/base", "background"));
        }
        for (Illusion w : shot.illusions()) {
            if (ElementSource.brought(w.kind(), Answers.of(w, shot.setting()))) {
                out.add(Permission.wanted(shot.id() + "/element/" + w.id(), "element"));
            }
            boolean uses = w.kind() == IllusionKind.ELSEWHERE || w.kind() == IllusionKind.THROUGH_FRAME || w.kind() == IllusionKind.OPENING;
            if (uses && Answers.of(w, shot.setting()).is(Answer.Source.EXISTING)) {
                out.add(Permission.wanted(shot.id() + "/background/" + w.id(), "background"));
            }
        }
        Answers told = Answers.of(shot.setting());
        if (told.yes(Fact.BORROWED_SOUND)) {
            out.add(Permission.wanted(shot.id() + "/sound", "sound"));
        }
        if (told.yes(Fact.PUBLIC)) {
            out.add(Permission.wanted(shot.id() + "/place", "place"));
        }
        return out;
    }
}
