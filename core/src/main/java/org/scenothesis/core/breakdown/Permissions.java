package org.scenothesis.core.breakdown;

import java.util.ArrayList;
import java.util.List;
import org.scenothesis.core.breakdown.element.ElementSource;
import org.scenothesis.core.breakdown.fact.Fact;
import org.scenothesis.core.breakdown.fact.Told;
import org.scenothesis.core.shot.Permission;
import org.scenothesis.core.shot.Shot;
import org.scenothesis.core.shot.Wonder;
import org.scenothesis.core.shot.WonderKind;

/// Which leave a shot needs: for pictures and sounds that others made, and for filming in public.
final class Permissions {
    private Permissions() {}

    static List<Permission> wanted(Shot shot) {
        List<Permission> out = new ArrayList<>();
        boolean behind = shot.wonders().stream().anyMatch(w -> w.kind() == WonderKind.ELSEWHERE);
        if (Told.of(shot.setting()).is(Fact.BASE, "existing") && !behind) {
            out.add(Permission.wanted(shot.id() + "/background/base", "background"));
        }
        for (Wonder w : shot.wonders()) {
            if (ElementSource.brought(w.kind(), Told.of(w, shot.setting()))) {
                out.add(Permission.wanted(shot.id() + "/element/" + w.id(), "element"));
            }
            boolean uses = w.kind() == WonderKind.ELSEWHERE || w.kind() == WonderKind.THROUGH_FRAME || w.kind() == WonderKind.OPENING;
            if (uses && Told.of(w, shot.setting()).is(Fact.SOURCE, "existing")) {
                out.add(Permission.wanted(shot.id() + "/background/" + w.id(), "background"));
            }
        }
        Told told = Told.of(shot.setting());
        if (told.is(Fact.BORROWED_SOUND, "yes")) {
            out.add(Permission.wanted(shot.id() + "/sound", "sound"));
        }
        if (told.is(Fact.PUBLIC, "yes")) {
            out.add(Permission.wanted(shot.id() + "/place", "place"));
        }
        return out;
    }
}
