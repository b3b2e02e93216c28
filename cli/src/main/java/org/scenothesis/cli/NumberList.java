package org.scenothesis.cli;

import java.util.List;
import org.scenothesis.core.picture.Point;
import org.scenothesis.production.words.Words;

/// Numbers of an option, with commas between.
final class NumberList {
    private NumberList() {}

    static List<Double> two(String option, String words) throws InputException {
        String[] n = words.split(",");
        try {
            if (n.length == 2) {
                return List.of(Double.valueOf(n[0]), Double.valueOf(n[1]));
            }
        } catch (NumberFormatException e) {
            // Said below.
        }
        throw new InputException(Words.of("stage-command.two-numbers-with-comma-between", option, words));
    }

    /// A point of the picture, in percent of its width and height.
    static Point point(String option, String words) throws InputException {
        List<Double> n = upToTwo(option, words);
        if (n.size() != 2) {
            throw new InputException(Words.of("stage-command.two-numbers-with-comma-between-2", option, words));
        }
        return new Point(n.getFirst() / 100, n.getLast() / 100);
    }

    static List<Double> upToTwo(String option, String words) throws InputException {
        try {
            List<Double> n = List.of(words.split(",")).stream().map(Double::valueOf).toList();
            if (n.size() <= 2) {
                return n;
            }
        } catch (NumberFormatException e) {
            // Said below.
        }
        throw new InputException(Words.of("stage-command.one-or-two-numbers-with", option, words));
    }
}
