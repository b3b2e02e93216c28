package org.scenothesis.production.words;

import java.text.Format;
import java.text.MessageFormat;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.ResourceBundle;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.Stream;
import org.jspecify.annotations.Nullable;
import org.scenothesis.core.finding.Finding;
import org.scenothesis.core.finding.Measure;
import org.scenothesis.core.finding.Verdict;
import org.scenothesis.core.value.Given;

/// Words and numbers with their units.
public final class Words {
    /// The names of the bundles: of the papers and of all, of plans, of sets, of Match, of the window, of the command line; why something
    /// could not be done.
    static final List<String> BUNDLES = List.of("words", "breakdown", "stage", "match", "studio", "cli", "refusals");
    private static final List<ResourceBundle> ALL = BUNDLES.stream()
            .map(n -> ResourceBundle.getBundle("org.scenothesis.production.words." + n, Locale.ENGLISH)).toList();

    private static final Pattern NUMBER = Pattern.compile("(?<=-)[0-9]+(?=-)");

    private Words() {}

    /// The text of a key with its arguments; a key without text shows itself, so that nothing is silently empty. A series has one text:
    /// that of `pin-#` is for `pin-3` as well, with 3 as its argument.
    public static String of(String key, @Nullable Object... arguments) {
        Optional<ResourceBundle> in = ALL.stream().filter(b -> b.containsKey(key)).findFirst();
        if (in.isEmpty()) {
            Matcher number = NUMBER.matcher(key);
            return number.find() && has(key) ? of(number.replaceFirst("#"), number.group()) : key;
        }
        String pattern = in.get().getString(key);
        return arguments.length == 0 ? pattern : filled(new MessageFormat(pattern.replace("'", "''"), Locale.ENGLISH), arguments);
    }

    /// A number stands as it is, unless the text says how.
    private static String filled(MessageFormat text, @Nullable Object[] arguments) {
        Format[] told = text.getFormatsByArgumentIndex();
        @Nullable Object[] plain = arguments.clone();
        for (int i = 0; i < plain.length; i++) {
            if (plain[i] instanceof Number && (i >= told.length || told[i] == null)) {
                plain[i] = String.valueOf(plain[i]);
            }
        }
        return text.format(plain);
    }

    /// Where a value comes from.
    public static String origin(Given<?> value) {
        return switch (value) {
            case Given.Entered<?> t -> of("origin.told");
            case Given.Measured<?> m -> has("origin." + m.by()) ? of("origin." + m.by()) : m.by();
            case Given.Assumed<?> a -> of("origin.assumed") + ": " + assumed(a.why());
        };
    }

    /// What the words of the house mean that stand in a text: "choke: ..." each.
    public static List<String> meanings(String text) {
        List<String> out = new ArrayList<>();
        for (String term : of("terms").split(",")) {
            String name = of("term." + term);
            boolean used = Stream.of(name.split(", "))
                    .anyMatch(n -> Pattern.compile("\\b" + Pattern.quote(n) + "s?\\b", Pattern.CASE_INSENSITIVE).matcher(text).find());
            if (used) {
                out.add(name + ": " + of("term." + term + ".meaning"));
            }
        }
        return out;
    }

    /// Why something is assumed; a file by another hand may say it in its own words.
    public static String assumed(String why) {
        return has("assumed." + why) ? of("assumed." + why) : why;
    }

    public static boolean has(String key) {
        return ALL.stream().anyMatch(b -> b.containsKey(key) || b.containsKey(NUMBER.matcher(key).replaceFirst("#")));
    }

    public static String verdict(Verdict v) {
        return of("verdict." + v.name());
    }

    /// A finding in words: what, how much against which limit, what it means, what to do, what it costs.
    public record Sentence(String title, String value, String limit, String meaning, String remedy, String price) {}

    /// What a measure is called.
    public static String title(Measure m) {
        return of("finding." + m.name() + ".title");
    }

    public static Sentence sentence(Finding f) {
        String base = "finding." + f.measure().name();
        String state = f.verdict() == Verdict.NOT_MEASURED ? "NOT_MEASURED" : f.verdict().name();
        return new Sentence(
                title(f.measure()),
                value(f),
                limit(f),
                f.note().isEmpty() ? text(base + ".meaning." + state, base + ".meaning", f) : f.note(),
                f.verdict() == Verdict.HOLDS || f.verdict() == Verdict.NOT_MEASURED && !f.note().isEmpty() ? ""
                : text(base + ".remedy." + state, base + ".remedy", f),
                f.verdict() == Verdict.HOLDS || f.verdict() == Verdict.NOT_MEASURED ? "" : price(f.price()));
    }

    private static String text(String first, String second, Finding f) {
        String key = has(first) ? first : second;
        Object[] arguments = new Object[f.details().size() + 1];
        arguments[0] = value(f);
        for (int i = 0; i < f.details().size(); i++) {
            arguments[i + 1] = number(f.details().get(i), f.details().get(i) == Math.rint(f.details().get(i)) ? 0 : 2);
        }
        return has(key) ? of(key, arguments) : "";
    }

    /// "4 min now, or about 2 h by hand later".
    public static String price(Finding.Price p) {
        return of("price", number(p.minutesNow(), 0), number(p.hoursLater(), p.hoursLater() < 1 ? 1 : 0));
    }

    /// The value of a finding with its unit.
    public static String value(Finding f) {
        return value(f.measure(), f.value());
    }

    public static String value(Measure m, double v) {
        if (Double.isNaN(v)) {
            return of("verdict.NOT_MEASURED");
        }
        return switch (m) {
            case ROLL -> v == 0 ? of("value.still") : number(v, 1) + " s";
            case CAMERA, BUMP, PARALLAX, WANDER, LEAN -> number(v, 2) + " px";
            case FOCUS -> number(v, 2) + " \u00d7";
            case EXPOSURE, DRIFT -> stops(v);
            case SCREEN_EVENNESS -> number(v, 2) + " stop";
            case WHITE_BALANCE -> signed(v, 0) + " mired";
            case GREY_INSIDE, GREY_OUTSIDE, SEE_THROUGH -> number(v, v < 1 ? 2 : 1) + " %";
            case SPILL -> number(v, 1) + " %";
            case BORDER -> number(v, 0) + " px";
            case SIZE -> number(v, 0) + " px";
            case RATE -> number(v, 2) + "/s";
            case LENGTH -> number(v, 2) + " s";
            case FOLLOWED -> frames((int) v);
            case UNSORTED -> count((long) v, "take", "takes");
            case MATRIX, OUTSIDE, NEEDED -> "";
            case MISSING -> of("value.missing");
            case BROKEN -> of("value.broken");
            case CUT_SHORT -> of("value.cut");
            case KEY_DIRECTION -> number(v, 1) + "\u00b0";
            case ENLARGEMENT, LAMP_SIZE -> number(v, 2) + " \u00d7";
            case CLOTH_ROOM -> Double.isInfinite(v) ? of("value.past") : number(v, 2) + " m";
            case CLOTH_SHADOW, CLOTH_EVEN, CLOTH_FOLDS -> Double.isInfinite(v) ? of("value.dark") : number(v, 2) + " stop";
            case CLOTH_LEVEL, LAMP_FILL -> stops(v);
            case CLOTH_RETURN -> number(v, 1) + " %";
            case CIRCUIT, BODY_FRAMED, GLASS_BARE -> number(v, 0) + " %";
            case BODY_SHARP -> number(v, 1) + " px";
            case VIEW_ANGLE, LAMP_SIDE, BOARD_SQUARE -> number(v, 1) + "\u00b0";
            case GLASS_LIGHTS, LAMP_SEEN -> count((long) v, "lamp", "lamps");
            case STAND_WEIGHT -> number(v, 0) + " kg";
            case LAMP_COLOURS -> number(v, 0) + " mired";
        };
    }

    private static String limit(Finding f) {
        return switch (f.measure()) {
            case ROLL -> of("limit.least", number(f.limit().holds(), 1) + " s");
            case MISSING, NEEDED, BROKEN, CUT_SHORT, BORDER, SIZE, RATE, LENGTH, FOLLOWED, UNSORTED, MATRIX, OUTSIDE, GLASS_LIGHTS,
                    LAMP_SEEN, STAND_WEIGHT -> "";
            case CLOTH_ROOM -> of("limit.least", number(f.limit().holds(), 2) + " m");
            default -> f.verdict() == Verdict.NOT_MEASURED && f.limit().holds() == 0 ? ""
                    : of("limit.most", number(f.limit().holds(), 2) + " " + f.measure().unit());
        };
    }

    public static String stops(double v) {
        return signed(v, 2) + " stop";
    }

    /// With a sign, a true minus, and no sign on what rounds to nothing.
    public static String signed(double v, int decimals) {
        String s = number(Math.abs(v), decimals);
        boolean zero = s.chars().noneMatch(c -> c >= '1' && c <= '9');
        return (zero ? "" : v < 0 ? "\u2212" : "+") + s;
    }

    public static String number(double v, int decimals) {
        return String.format(Locale.ENGLISH, "%." + decimals + "f", v).replace('-', '\u2212');
    }

    /// "1 frame", "12 frames".
    public static String frames(int n) {
        return count(n, "frame", "frames");
    }

    /// A number with what is counted, in its singular or plural.
    public static String count(long n, String one, String many) {
        return n + " " + (n == 1 ? one : many);
    }

    /// "0:04.2" style time.
    public static String time(double seconds) {
        return String.format(Locale.ENGLISH, "%d:%04.1f", (int) (seconds / 60), seconds % 60);
    }
}
