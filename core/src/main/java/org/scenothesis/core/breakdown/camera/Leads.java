package org.scenothesis.core.breakdown.camera;

import java.util.ArrayList;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import org.scenothesis.core.breakdown.fact.Answer;
import org.scenothesis.core.breakdown.fact.Answers;
import org.scenothesis.core.breakdown.plate.Case;
import org.scenothesis.core.breakdown.plate.Item;
import org.scenothesis.core.breakdown.plate.PlateKey;
import org.scenothesis.core.breakdown.plate.PlateNeed;
import org.scenothesis.core.breakdown.plate.Subjects;
import org.scenothesis.core.shot.Illusion;
import org.scenothesis.core.shot.IllusionKind;
import org.scenothesis.core.shot.Shot;

/// Who leads: whoever cannot be directed is filmed first and played back to the others.
///
/// Source: handbook, *Camera card*: child, animal, fire, water.
public record Leads(Shot shot) {
    /// Noted of the plate that leads, and of those that follow it.
    public static final String LEADS = "leads";
    public static final String PLAYBACK = "playback";

    /// Noted of plates whose eyes go where nobody is, so that somebody off camera gives them the lead.
    private static final String OFF = "lead.off";

    /// Whoever looks at what is not there is led from off camera, unless the playback does.
    public Map<PlateKey, PlateNeed> led(Map<PlateKey, PlateNeed> needs) {
        needs.replaceAll((k, n) -> n.notes().eyelines().isEmpty() || n.notes().record().contains(PLAYBACK) ? n : n.recording(OFF));
        return needs;
    }

    /// The plates with the one that leads first, and all that act to it after it.
    public Map<PlateKey, PlateNeed> ordered(Map<PlateKey, PlateNeed> needs) {
        Optional<PlateNeed> first = needs.values().stream().filter(n -> n.filmed() && !n.proposed() && undirected(n)).findFirst();
        if (first.isEmpty()) {
            return needs;
        }
        PlateKey lead = first.get().key();
        Set<PlateKey> before = before(needs, lead);
        boolean[] any = new boolean[1];
        needs.replaceAll((key, n) -> {
            boolean follows = !key.equals(lead) && !before.contains(key) && n.filmed() && !undirected(n) && n.in().stream()
                    .anyMatch(i -> i.sort() == Item.Sort.PERSON);
            any[0] |= follows;
            return follows ? n.following(lead).recording(PLAYBACK) : n;
        });
        if (any[0]) {
            needs.computeIfPresent(lead, (k, n) -> n.recording(LEADS));
        }
        return needs;
    }

    /// All that must be filmed before a plate.
    private static Set<PlateKey> before(Map<PlateKey, PlateNeed> needs, PlateKey key) {
        Set<PlateKey> out = new LinkedHashSet<>();
        List<PlateKey> open = new ArrayList<>(List.of(key));
        while (!open.isEmpty()) {
            PlateNeed n = needs.get(open.removeLast());
            if (n != null) {
                n.after().stream().filter(out::add).forEach(open::add);
            }
        }
        return out;
    }

    private boolean undirected(PlateNeed n) {
        return shot.illusions().stream().filter(w -> n.illusions().contains(w.id()))
                .anyMatch(w -> undirected(w, Answers.of(w, shot.setting()), n));
    }

    private boolean undirected(Illusion w, Answers t, PlateNeed n) {
        boolean it = n.in().stream().anyMatch(i -> Subjects.same(shot, i.name(), w.subject()));
        boolean burns = w.kind() == IllusionKind.ENERGY && t.is(Answer.Energy.FIRE) || w.kind() == IllusionKind.WIPED
                && t.is(Answer.Material.WATER);
        return it && t.is(Answer.Who.CHILD, Answer.Who.ANIMAL) && Case.takesWho(w.kind()) || burns && switch (n.role()) {
            case ON_BLACK, TRANSITION -> true;
            case CLEAN, PRACTICAL, ELEMENT, SCREEN_ONLY, LIGHT_PASS, REFERENCE, ON_SCREEN, PARTIAL_BODY, FOREGROUND, ON_WHITE,
                    ATMOSPHERE, FRAME_INSERT, SURFACE_TITLE, STILLS, BACKGROUND, UNSORTED -> false;
        };
    }
}
