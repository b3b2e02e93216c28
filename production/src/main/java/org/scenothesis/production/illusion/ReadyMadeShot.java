package org.scenothesis.production.illusion;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeMap;
import org.scenothesis.core.Check;
import org.scenothesis.core.breakdown.fact.Fact;
import org.scenothesis.core.shot.Beat;
import org.scenothesis.core.shot.Illusion;
import org.scenothesis.core.shot.Setting;
import org.scenothesis.core.shot.Shot;

/// A ready-made shot: what the audience sees, its illusions and facts, and the words it may be looked for by.
public record ReadyMadeShot(String id, String title, String story, double seconds, List<Beat> beats, List<Illusion> illusions,
        Setting setting, List<String> words) {
    public ReadyMadeShot {
        Check.range("seconds", seconds, 0.1, 3600);
        beats = List.copyOf(beats);
        illusions = List.copyOf(illusions);
        words = List.copyOf(words);
    }

    /// A shot as an illusion to keep: everything but its plates, layers and place.
    public static ReadyMadeShot of(Shot s, String id) {
        return new ReadyMadeShot(id, s.title(), s.story(), Math.max(0.1, s.seconds()), s.beats(), s.illusions(), s.setting()
                .withPlace(null), List.of());
    }

    /// Facts in it that nobody asks, or answers that cannot be one; empty for a sound illusion.
    public List<String> notUnderstood() {
        List<String> out = new ArrayList<>();
        illusions.forEach(w -> check(w.facts(), out));
        check(setting.facts(), out);
        return out;
    }

    private static void check(Map<String, String> facts, List<String> out) {
        facts.forEach((k, v) -> {
            if (Fact.byKey(k).filter(f -> f.accepts(v)).isEmpty()) {
                out.add(k + "=" + v);
            }
        });
    }

    /// Lays it into a shot: an empty shot takes its title, story and length, a told one gets its illusions and beats in addition.
    public Shot into(Shot s) {
        boolean empty = s.illusions().isEmpty();
        Set<String> taken = new HashSet<>(s.illusions().stream().map(Illusion::id).toList());
        List<Illusion> all = new ArrayList<>(s.illusions());
        for (Illusion w : illusions) {
            all.add(new Illusion(free(w.id(), taken), w.kind(), w.subject(), w.fromSeconds(), w.toSeconds(), w.facts()));
        }
        Set<String> beatIds = new HashSet<>(s.beats().stream().map(Beat::id).toList());
        List<Beat> marked = new ArrayList<>(s.beats());
        beats.forEach(b -> marked.add(new Beat(free(b.id(), beatIds), b.name(), b.seconds())));
        Map<String, String> facts = new TreeMap<>(setting.facts());
        facts.putAll(s.setting().facts());
        return s.withIllusions(all).withBeats(marked).withSetting(x -> new Setting(facts, x.place()))
                .told(empty ? title : s.title(), s.story().isBlank() ? story : empty ? story : s.story(),
                Math.max(empty ? 0 : s.seconds(), seconds));
    }

    private static String free(String id, Set<String> taken) {
        String out = id;
        for (int i = 2; !taken.add(out); i++) {
            out = id + "-" + i;
        }
        return out;
    }
}
