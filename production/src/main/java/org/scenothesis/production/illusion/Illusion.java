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
import org.scenothesis.core.shot.Setting;
import org.scenothesis.core.shot.Shot;
import org.scenothesis.core.shot.Wonder;

/// A ready illusion: what the audience sees, its wonders and facts, and the words it may be looked for by.
public record Illusion(String id, String title, String story, double seconds, List<Beat> beats, List<Wonder> wonders, Setting setting, List<String> words) {
    public Illusion {
        Check.range("seconds", seconds, 0.1, 3600);
        beats = List.copyOf(beats);
        wonders = List.copyOf(wonders);
        words = List.copyOf(words);
    }

    /// A shot as an illusion to keep: everything but its plates, layers and place.
    public static Illusion of(Shot s, String id) {
        return new Illusion(id, s.title(), s.story(), Math.max(0.1, s.seconds()), s.beats(), s.wonders(), s.setting().withPlace(null), List.of());
    }

    /// Facts in it that nobody asks, or answers that cannot be one; empty for a sound illusion.
    public List<String> notUnderstood() {
        List<String> out = new ArrayList<>();
        wonders.forEach(w -> check(w.facts(), out));
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

    /// Lays it into a shot: an empty shot takes its title, story and length, a told one gets its wonders and beats in addition.
    public Shot into(Shot s) {
        boolean empty = s.wonders().isEmpty();
        Set<String> taken = new HashSet<>(s.wonders().stream().map(Wonder::id).toList());
        List<Wonder> all = new ArrayList<>(s.wonders());
        for (Wonder w : wonders) {
            all.add(new Wonder(free(w.id(), taken), w.kind(), w.subject(), w.fromSeconds(), w.toSeconds(), w.facts()));
        }
        Set<String> beatIds = new HashSet<>(s.beats().stream().map(Beat::id).toList());
        List<Beat> marked = new ArrayList<>(s.beats());
        beats.forEach(b -> marked.add(new Beat(free(b.id(), beatIds), b.name(), b.seconds())));
        Map<String, String> facts = new TreeMap<>(setting.facts());
        facts.putAll(s.setting().facts());
        return s.withWonders(all).withBeats(marked).withSetting(x -> new Setting(facts, x.place()))
                .told(empty ? title : s.title(), s.story().isBlank() ? story : empty ? story : s.story(), Math.max(empty ? 0 : s.seconds(), seconds));
    }

    private static String free(String id, Set<String> taken) {
        String out = id;
        for (int i = 2; !taken.add(out); i++) {
            out = id + "-" + i;
        }
        return out;
    }
}
