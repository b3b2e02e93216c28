package org.scenothesis.core.breakdown.plate;

import java.util.LinkedHashMap;
import java.util.Map;
import java.util.TreeMap;
import java.util.stream.Collectors;
import org.scenothesis.core.shot.Ids;
import org.scenothesis.core.shot.Illusion;
import org.scenothesis.core.shot.Shot;

/// Who is who in a shot: an identity for everything named in it that stays when the name changes, so that plates already filmed stay its
/// plates.
///
/// The identity is what it was called first. Later names are kept with the shot's setting under `named`, as pairs of the name and the
/// identity.
public final class Subjects {
    private static final String NAMED = "named";

    private Subjects() {}

    /// The identity of a thing or person by its present name.
    public static String id(Shot shot, String name) {
        Map<String, String> named = named(shot);
        String slug = Ids.slug(name);
        String known = named.get(slug);
        if (known != null) {
            return known;
        }
        // "The glow of the lamp" belongs to what the lamp was called first.
        String id = slug;
        for (Map.Entry<String, String> e : named.entrySet()) {
            String within = ("-" + slug + "-").replace("-" + e.getKey() + "-", "-" + e.getValue() + "-");
            id = within.length() > 2 && !within.equals("-" + slug + "-") ? within.substring(1, within.length() - 1) : id;
        }
        // Somebody else was called so once.
        while (named.containsValue(id)) {
            id += "-2";
        }
        return id;
    }

    /// Whether two names are one subject of the shot.
    public static boolean same(Shot shot, String a, String b) {
        return id(shot, a).equals(id(shot, b));
    }

    private static Map<String, String> named(Shot shot) {
        Map<String, String> out = new LinkedHashMap<>();
        for (String pair : shot.setting().facts().getOrDefault(NAMED, "").split(" ")) {
            int at = pair.indexOf('=');
            if (at > 0) {
                out.put(pair.substring(0, at), pair.substring(at + 1));
            }
        }
        return out;
    }

    /// The shot with the subject of an illusion called otherwise; of every other illusion too that is about the same.
    public static Shot renamed(Shot shot, String illusion, String name) {
        Illusion w = shot.illusions().stream().filter(o -> o.id().equals(illusion)).findFirst().orElse(null);
        if (w == null || Ids.slug(w.subject()).equals(Ids.slug(name))) {
            return shot.withIllusion(illusion, o -> o.withSubject(name));
        }
        String before = Ids.slug(w.subject());
        String id = id(shot, w.subject());
        boolean taken = shot.illusions().stream().anyMatch(o -> Ids.slug(o.subject()).equals(Ids.slug(name)));
        Shot out = shot.withIllusions(shot.illusions().stream().map(o -> Ids.slug(o.subject()).equals(before) ? o.withSubject(name) : o)
                .toList());
        if (taken || w.subject().isBlank()) {
            return out;
        }
        Map<String, String> named = new TreeMap<>(named(shot));
        named.remove(before);
        if (!id.equals(Ids.slug(name))) {
            named.put(Ids.slug(name), id);
        }
        String kept = named.entrySet().stream().map(e -> e.getKey() + "=" + e.getValue()).collect(Collectors.joining(" "));
        return out.withSetting(s -> s.withFact(NAMED, kept));
    }
}
