package org.scenothesis.production.illusion;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Set;
import org.scenothesis.production.words.PlanWords;

/// Looks for ready-made shots by the words of a sentence. It compares words and understands nothing; what matched is told.
public final class Search {
    private static final Set<String> COMMON = Set.of(
            "a", "an", "the", "of", "to", "in", "on", "and", "is", "are", "it", "its", "with", "from", "one", "each", "other", "that",
            "who", "by", "at", "as", "for", "into",
            "out", "i", "we", "my", "his", "her", "their", "them", "they", "be", "has", "have", "up", "down");
    private static final int STEM = 4;

    private Search() {}

    /// A found illusion, how well it matched (1 is every word of the sentence), and the words that did.
    public record Hit(ReadyMadeShot illusion, double score, List<String> matched) {}

    /// The best matches first; all of them, unscored, for an empty sentence.
    public static List<Hit> find(List<ReadyMadeShot> all, String sentence) {
        Set<String> asked = words(sentence);
        if (asked.isEmpty()) {
            return all.stream().map(i -> new Hit(i, 0, List.of())).toList();
        }
        Map<ReadyMadeShot, Set<String>> texts = new HashMap<>();
        all.forEach(i -> texts.put(i, words(text(i))));
        List<Hit> out = new ArrayList<>();
        double total = asked.stream().mapToDouble(w -> weight(w, texts)).sum();
        for (ReadyMadeShot i : all) {
            Set<String> text = texts.getOrDefault(i, Set.of());
            List<String> matched = asked.stream().filter(w -> has(text, w)).toList();
            double score = matched.stream().mapToDouble(w -> weight(w, texts)).sum() / Math.max(1e-9, total);
            if (!matched.isEmpty()) {
                out.add(new Hit(i, score, matched));
            }
        }
        out.sort(Comparator.comparingDouble(Hit::score).reversed());
        return out;
    }

    private static String text(ReadyMadeShot i) {
        StringBuilder b = new StringBuilder(i.title()).append(' ').append(i.story()).append(' ').append(String.join(" ", i.words()));
        i.illusions().forEach(w -> b.append(' ').append(PlanWords.illusion(w)));
        return b.toString();
    }

    /// Rare words say more.
    private static double weight(String word, Map<ReadyMadeShot, Set<String>> texts) {
        long in = texts.values().stream().filter(t -> has(t, word)).count();
        return in == 0 ? 0.5 : Math.log(1 + texts.size() / (double) in);
    }

    private static boolean has(Set<String> text, String word) {
        return text.stream().anyMatch(t -> alike(t, word));
    }

    /// The same word, or one beginning with the other from four letters on.
    private static boolean alike(String a, String b) {
        return a.equals(b) || Math.min(a.length(), b.length()) >= STEM && (a.startsWith(stem(b)) || b.startsWith(stem(a)));
    }

    private static String stem(String w) {
        return w.length() > STEM && (w.endsWith("s") || w.endsWith("e")) ? w.substring(0, w.length() - 1) : w;
    }

    private static Set<String> words(String text) {
        Set<String> out = new LinkedHashSet<>();
        for (String w : text.toLowerCase(Locale.ROOT).split("[^\\p{L}\\p{N}]+")) {
            if (!w.isEmpty() && !COMMON.contains(w)) {
                out.add(w);
            }
        }
        return out;
    }
}
