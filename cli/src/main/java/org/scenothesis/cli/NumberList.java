package org.scenothesis.cli;

import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import org.scenothesis.core.picture.Point;
import org.scenothesis.production.words.Words;

/// Numbers of an option, with commas between.
final class NumberList {
    private NumberList() {}

    static List<Double> two(String option, String words) throws InputException {
        return parsed(words).filter(n -> n.size() == 2)
                .orElseThrow(() -> new InputException(Words.of("stage-command.two-numbers-with-comma-between", option, words)));
    }

    /// A point of the picture, in percent of its width and height.
    static Point point(String option, String words) throws InputException {
        List<Double> n = parsed(words).filter(x -> x.size() == 2)
                .orElseThrow(() -> new InputException(Words.of("stage-command.two-numbers-with-comma-between-2", option, words)));
        return new Point(n.getFirst() / 100, n.getLast() / 100);
    }

    static List<Double> upToTwo(String option, String words) throws InputException {
        return parsed(words).filter(n -> n.size() <= 2)
                .orElseThrow(() -> new InputException(Words.of("stage-command.one-or-two-numbers-with", option, words)));
    }

    private static Optional<List<Double>> parsed(String words) {
        try {
            return Optional.of(Arrays.stream(words.split(",")).map(Double::valueOf).toList());
        } catch (NumberFormatException e) {
            return Optional.empty();
        }
    }
}
