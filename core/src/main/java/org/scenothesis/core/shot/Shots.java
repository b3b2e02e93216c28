package org.scenothesis.core.shot;

import java.util.ArrayList;
import java.util.List;

/// What is done to the row of a production's shots.
public final class Shots {
    /// How long a shot is until somebody tells or brings footage.
    public static final double SECONDS = 6;

    private Shots() {}

    /// The production with a new shot behind all others, in which nothing is told; its number is one more than the highest.
    public static Production added(Production p) {
        int number = number(p);
        List<Shot> more = new ArrayList<>(p.shots());
        more.add(new Shot(free(p, number), number, "Shot " + number, "", SECONDS, List.of(), List.of(), List.of(), List.of(), null));
        return p.withShots(more);
    }

    /// The production with a copy of a shot behind it: the same plan, footage, layers and set-up, a number of its own. The same if it has
    /// no such shot.
    public static Production copied(Production p, String id) {
        int at = at(p, id);
        if (at < 0) {
            return p;
        }
        int number = number(p);
        Shot s = p.shots().get(at);
        List<Shot> more = new ArrayList<>(p.shots());
        more.add(at + 1, s.withId(free(p, number)).withNumber(number).withTitle(s.title() + " again"));
        return p.withShots(more);
    }

    /// The production with a shot moved to the back (positive) or the front, no further than it goes.
    public static Production moved(Production p, String id, int by) {
        int at = at(p, id);
        if (at < 0) {
            return p;
        }
        List<Shot> all = new ArrayList<>(p.shots());
        Shot s = all.remove(at);
        all.add(Math.clamp(at + by, 0, all.size()), s);
        return p.withShots(all);
    }

    /// The production less a shot; its footage stays in the folder.
    public static Production without(Production p, String id) {
        return p.withShots(p.shots().stream().filter(s -> !s.id().equals(id)).toList());
    }

    private static int at(Production p, String id) {
        return p.shots().stream().map(Shot::id).toList().indexOf(id);
    }

    private static int number(Production p) {
        return p.shots().stream().mapToInt(Shot::number).max().orElse(0) + 1;
    }

    private static String free(Production p, int number) {
        String id = String.valueOf(number);
        while (p.hasShot(id)) {
            id += "a";
        }
        return id;
    }
}
