package org.scenothesis.core.shot;

import io.soabase.recordbuilder.core.RecordBuilder;
import java.util.Collections;
import java.util.Map;
import java.util.TreeMap;
import org.scenothesis.core.Check;

/// Something impossible that happens to a subject between two moments, and the plain facts told about it.
@RecordBuilder
public record Illusion(String id, IllusionKind kind, String subject, double fromSeconds, double toSeconds, Map<String, String> facts)
        implements IllusionBuilder.With {
    public Illusion {
        Check.range("fromSeconds", fromSeconds, 0, 86_400);
        Check.range("toSeconds", toSeconds, 0, 86_400);
        facts = Collections.unmodifiableMap(new TreeMap<>(facts));
    }

    /// What was told, or `otherwise`.
    public String fact(String key, String otherwise) {
        return facts.getOrDefault(key, otherwise);
    }

    /// The illusion with one fact told or told anew.
    public Illusion withFact(String key, String value) {
        Map<String, String> more = new TreeMap<>(facts);
        more.put(key, value);
        return new Illusion(id, kind, subject, fromSeconds, toSeconds, more);
    }

    /// The illusion at another time, in seconds of the shot.
    public Illusion between(double from, double to) {
        return new Illusion(id, kind, subject, from, to, facts);
    }
}
