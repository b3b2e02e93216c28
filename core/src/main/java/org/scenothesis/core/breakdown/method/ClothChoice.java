package org.scenothesis.core.breakdown.method;

import java.util.ArrayList;
import java.util.List;
import org.scenothesis.core.breakdown.fact.Answer;
import org.scenothesis.core.breakdown.fact.Answers;
import org.scenothesis.core.breakdown.fact.Fact;
import org.scenothesis.core.finding.Approach;
import org.scenothesis.core.finding.HouseRules;
import org.scenothesis.core.finding.Limit;
import org.scenothesis.core.finding.Verdict;

/// Which cloth is kept furthest from the colours in front of it.
///
/// - `greenApart`, `blueApart`: distance of the nearest colour in [Swatch] units; infinite when no colour is known.
public record ClothChoice(Screen cloth, double greenApart, double blueApart) {
    /// A key needs this much: above the second good, between them risky. Found from what skin, denim, olive and leaves need.
    private static final Limit TOO_NEAR = new Limit(0.09, 0.14);

    /// Chooses from the stock: the further one; green when nothing speaks against it, since it is brighter and less noisy.
    public static ClothChoice of(Answers told, HouseRules rules) {
        return of(told, rules, told.choice(Answer.Cloths.class));
    }

    /// The same from another stock: garments in a screen colour, which have the conflicts of a cloth.
    public static ClothChoice of(Answers told, HouseRules rules, Answer.Cloths stock) {
        List<Swatch> colours = colours(told);
        double green = nearest(colours, Swatch.GREEN_CLOTH);
        double blue = nearest(colours, Swatch.BLUE_CLOTH);
        Screen wanted = switch (rules.approach(Approach.SCREEN_COLOUR)) {
            case "green" -> Screen.GREEN;
            case "blue" -> Screen.BLUE;
            default -> green > TOO_NEAR.watch() || green >= blue ? Screen.GREEN : Screen.BLUE;
        };
        Screen had = switch (stock) {
            case GREEN -> Screen.GREEN;
            case BLUE -> Screen.BLUE;
            case BOTH, NONE -> wanted;
        };
        return new ClothChoice(had, green, blue);
    }

    private static List<Swatch> colours(Answers told) {
        List<Swatch> out = new ArrayList<>(Swatch.list(told.answer(Fact.COLOURS)));
        if (told.yes(Fact.GREEN_NEAR)) {
            out.add(Swatch.GREEN_CLOTH);
        }
        if (told.yes(Fact.FOLIAGE) && told.is(Answer.Place.REAL)) {
            out.add(Swatch.LEAVES);
        }
        return out;
    }

    private static double nearest(List<Swatch> colours, Swatch cloth) {
        return colours.stream().mapToDouble(cloth::apart).min().orElse(Double.POSITIVE_INFINITY);
    }

    /// How far the chosen cloth's colour is from the nearest colour in front of it, in the unit of the measure it was chosen by.
    public double apart() {
        return cloth == Screen.BLUE ? blueApart : greenApart;
    }

    /// Whether the nearest colour leaves room for a key.
    public Verdict verdict() {
        return verdict(apart());
    }

    /// What so much difference in colour is worth.
    public static Verdict verdict(double apart) {
        return apart > TOO_NEAR.watch() ? Verdict.HOLDS : apart > TOO_NEAR.holds() ? Verdict.WATCH : Verdict.REDO;
    }
}
