package org.scenothesis.production.incoming;

import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.scenothesis.core.shot.Plate;
import org.scenothesis.core.shot.PlateRole;
import org.scenothesis.core.shot.Plates;
import org.scenothesis.core.shot.Shot;
import org.scenothesis.media.decode.Footages;

/// Proposes a plate for each file: by its name, by its likeness to takes that are there, by its cloth, and by whether anything moves. One
/// rule after another, the first that fits.
public final class Proposals {
    /// Shares of a picture that cloth must fill.
    private static final double ALL_CLOTH = 0.985;
    private static final double SOME_CLOTH = 0.1;
    private static final double ALL_DARK = 0.7;
    /// Differences of cells, in shares of the brightest code: the same picture, and a picture in which something moved.
    private static final double SAME = 0.02;
    private static final double STIRRED = 0.04;
    /// Share of cells that stay the same while somebody acts in the set.
    private static final double OF_THE_SET = 0.5;
    private static final Map<PlateRole, Set<String>> WORDS = Map.of(
            PlateRole.CLEAN, Set.of("clean", "empty", "base", "leer"),
            PlateRole.SCREEN_ONLY, Set.of("screen", "cloth"),
            PlateRole.LIGHT_PASS, Set.of("light", "lamp", "glow", "lit"),
            PlateRole.REFERENCE, Set.of("card", "ruler", "chart", "grey", "gray", "reference"),
            PlateRole.BACKGROUND, Set.of("background", "borrowed"),
            PlateRole.ON_BLACK, Set.of("black"),
            PlateRole.ON_SCREEN, Set.of("suit", "hood", "sleeve", "sleeves"),
            PlateRole.FOREGROUND, Set.of("foreground"));

    /// A shot has one plate of these; more files of that name are its takes.
    private static final Set<PlateRole> ONE_OF = Set.of(PlateRole.CLEAN, PlateRole.SCREEN_ONLY, PlateRole.REFERENCE);

    private final Shot shot;
    private final Map<String, Look> looks;
    private final Set<String> given = new HashSet<>();
    private final List<Proposal> made = new ArrayList<>();
    /// Whether the cloth alone is there, or comes by that name: then what is almost all cloth has something small before it.
    private final boolean bare;

    private Proposals(Shot shot, Map<String, Look> looks, boolean bare) {
        this.shot = shot;
        this.looks = looks;
        this.bare = bare;
    }

    /// One proposal for each file, in their order.
    ///
    /// - `looks`: of takes that are there, by the id of their plate.
    public static List<Proposal> of(Shot shot, List<FileProbe> files, Map<String, Look> looks) {
        boolean there = shot.plates().stream().anyMatch(p -> p.role() == PlateRole.SCREEN_ONLY && p.chosen() != null);
        boolean named = files.stream().anyMatch(f -> f.usable() && words(f).stream()
                .anyMatch(WORDS.getOrDefault(PlateRole.SCREEN_ONLY, Set.of())::contains) && goes(PlateRole.SCREEN_ONLY, f));
        Proposals p = new Proposals(shot, looks, there || named);
        files.forEach(f -> p.made.add(p.of(f)));
        return List.copyOf(p.made);
    }

    private Proposal of(FileProbe s) {
        if (!s.usable()) {
            return new Proposal(s, "", PlateRole.PRACTICAL, s.named(), Proposal.Why.UNREADABLE);
        }
        Optional<Plate> called = called(s);
        if (called.isPresent()) {
            return there(s, called.get(), Proposal.Why.NAME);
        }
        Optional<PlateRole> role = WORDS.entrySet().stream().filter(e -> e.getValue().stream().anyMatch(words(s)::contains))
                .map(Map.Entry::getKey).sorted().findFirst();
        if (role.isPresent() && goes(role.get(), s)) {
            return some(s, role.get(), Proposal.Why.NAME);
        }
        Optional<Plate> like = shot.plates().stream().filter(p -> looks.getOrDefault(p.id(), Look.NONE).furthest(s.look()) < SAME)
                .findFirst();
        if (like.isPresent() && s.stirring() < STIRRED) {
            return there(s, like.get(), Proposal.Why.LIKENESS);
        }
        return looked(s);
    }

    /// By nothing but the picture.
    private Proposal looked(FileProbe s) {
        if (!bare && s.cloth() >= ALL_CLOTH && s.stirring() < STIRRED) {
            return some(s, PlateRole.SCREEN_ONLY, Proposal.Why.CLOTH);
        }
        if (s.cloth() >= SOME_CLOTH) {
            return some(s, PlateRole.ELEMENT, Proposal.Why.CLOTH);
        }
        if (s.dark() >= ALL_DARK) {
            return some(s, PlateRole.ON_BLACK, Proposal.Why.DARK);
        }
        if (stranger(s)) {
            return Proposal.unsorted(s, Proposal.Why.UNKNOWN);
        }
        if (s.still()) {
            return some(s, clean() ? PlateRole.REFERENCE : PlateRole.CLEAN, Proposal.Why.STILL);
        }
        return s.stirring() < STIRRED && !clean() ? some(s, PlateRole.CLEAN, Proposal.Why.NOTHING_MOVES)
                : some(s, PlateRole.PRACTICAL, Proposal.Why.MOVES);
    }

    /// A word in a name does not make an element on cloth a clean plate.
    private static boolean goes(PlateRole role, FileProbe s) {
        boolean cloth = s.cloth() >= SOME_CLOTH;
        return role == PlateRole.SCREEN_ONLY ? cloth && s.stirring() < STIRRED : !cloth || role == PlateRole.REFERENCE;
    }

    /// Whether there are pictures of the set, and this one is like none of them: it may be anything.
    private boolean stranger(FileProbe s) {
        Stream<Look> there = shot.plates().stream().filter(p -> !p.role().apart()).map(p -> looks.getOrDefault(p.id(), Look.NONE));
        Stream<Look> coming = made.stream().filter(p -> p.taken() && !p.role().apart()).map(p -> p.seen().look());
        List<Look> set = Stream.concat(there, coming).filter(l -> !l.cells().isEmpty()).toList();
        return !set.isEmpty() && set.stream().noneMatch(l -> l.alike(s.look()) >= OF_THE_SET);
    }

    private boolean clean() {
        return shot.plates().stream().anyMatch(p -> p.role() == PlateRole.CLEAN && p.chosen() != null)
                || made.stream().anyMatch(p -> p.taken() && p.role() == PlateRole.CLEAN);
    }

    /// The plate all of whose name, but for numbers, is in the file's; the longest name of several.
    private Optional<Plate> called(FileProbe s) {
        Set<String> in = words(s);
        return shot.plates().stream().filter(p -> !tokens(p.name()).isEmpty() && in.containsAll(tokens(p.name()))
                || in.contains(p.id().toLowerCase(Locale.ROOT)))
                .max((a, b) -> Integer.compare(tokens(a.name()).size(), tokens(b.name()).size()));
    }

    private Proposal there(FileProbe s, Plate p, Proposal.Why why) {
        given.add(p.id());
        return new Proposal(s, p.id(), p.role(), p.name(), why);
    }

    /// A plate of this role that still waits for its first take, or the only one there is in a shot, else a new one.
    private Proposal some(FileProbe s, PlateRole role, Proposal.Why why) {
        Optional<Plate> waiting = shot.plates().stream()
                .filter(p -> p.role() == role && (p.takes().isEmpty() && !given.contains(p.id()) || why == Proposal.Why.NAME
                && ONE_OF.contains(role))).findFirst();
        return waiting.isPresent() ? there(s, waiting.get(), why) : new Proposal(s, fresh(s), role, s.named(), why);
    }

    /// Files that differ only in their number share it, as takes of one plate.
    private String fresh(FileProbe s) {
        return Plates.freshId(shot, s.named());
    }

    private static Set<String> words(FileProbe s) {
        return tokens(s.named());
    }

    private static Set<String> tokens(String name) {
        return Arrays.stream(name.toLowerCase(Locale.ROOT).split("[^\\p{L}]+")).filter(w -> w.length() > 2).collect(Collectors.toSet());
    }

    /// What each file becomes, as one change of the shot: takes of plates that are there, and new plates with theirs.
    ///
    /// - `paths`: where each file lies for the production, in the order of the proposals. A shot that had no clip becomes as long as the
    ///   longest.
    public static Shot into(Shot shot, List<Proposal> taken, List<String> paths) {
        boolean first = shot.plates().stream().flatMap(p -> p.takes().stream()).allMatch(t -> Footages.isStill(Path.of(t.footage())));
        Map<String, List<Integer>> byPlate = new LinkedHashMap<>();
        for (int i = 0; i < taken.size(); i++) {
            byPlate.computeIfAbsent(taken.get(i).plate(), k -> new ArrayList<>()).add(i);
        }
        Shot s = shot;
        for (Map.Entry<String, List<Integer>> e : byPlate.entrySet()) {
            s = Arrivals.with(s, taken.get(e.getValue().getFirst()), e.getValue().stream().map(paths::get).toList());
        }
        double longest = taken.stream().filter(p -> !p.seen().still()).mapToDouble(p -> p.seen().seconds()).max().orElse(0);
        return first && longest > 0 ? s.withSeconds(Math.min(longest, Arrivals.LONGEST_S)) : s;
    }
}
