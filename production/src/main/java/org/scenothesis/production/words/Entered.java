package org.scenothesis.production.words;

import java.util.Locale;
import java.util.function.Function;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.scenothesis.core.OutOfRange;

/// What somebody typed or wrote into a file, made into what it should be: the one place where a value that cannot be becomes a sentence.
public final class Entered {
    private static final Pattern UNIT = Pattern.compile("(.+?)(Db|Deg|K|M|Mm|Percent|Px|Seconds|Stops)");

    private Entered() {}

    /// What makes a value of what was entered.
    @FunctionalInterface
    public interface Making<T, X extends Exception> {
        T get() throws X;
    }

    /// The value, or what `refusal` makes of the sentence that says why there is none; the sentence has no full stop.
    public static <T, X extends Exception, R extends Exception> T made(Making<T, X> of, Function<String, R> refusal) throws X, R {
        try {
            return of.get();
        } catch (IllegalArgumentException e) {
            throw refusal.apply(sentence(e));
        }
    }

    /// The value, or what stands in where there is none.
    public static <T, X extends Exception> T or(Making<T, X> of, Function<String, T> instead) throws X {
        try {
            return of.get();
        } catch (IllegalArgumentException e) {
            return instead.apply(sentence(e));
        }
    }

    /// Why a value cannot be, without a full stop.
    public static String sentence(IllegalArgumentException e) {
        return switch (e) {
            case OutOfRange o -> {
                String way = Double.isInfinite(o.hi()) ? "entered.above" : "entered.between";
                yield Words.of(Double.isFinite(o.value()) ? way : "entered.no-number", called(o.name()), plain(o.lo()), plain(o.hi()),
                        plain(o.value()));
            }
            case NumberFormatException n -> Words.of("entered.unread");
            default -> String.valueOf(e.getMessage());
        };
    }

    /// `lensHeightM` is "lens height, in metres,"; what a file calls `tilt_deg` keeps its name.
    private static String called(String name) {
        if (name.contains("_")) {
            return name;
        }
        Matcher m = UNIT.matcher(name);
        String base = m.matches() ? m.group(1) : name;
        String words = base.replaceAll("([a-z])([A-Z])", "$1 $2").toLowerCase(Locale.ROOT);
        return m.matches() ? Words.of("entered.unit." + m.group(2), words) : words;
    }

    private static String plain(double v) {
        String s = String.format(Locale.ENGLISH, "%.4f", v);
        return s.contains(".") ? s.replaceAll("0+$", "").replaceAll("\\.$", "") : s;
    }
}
