package org.scenothesis.core.breakdown.fact;

import java.util.Arrays;
import java.util.List;

/// A plain question about a fact, with the answers that make sense here and the one assumed until one is given.
public record Question(Fact fact, List<String> answers, String otherwise) {
    public Question {
        answers = List.copyOf(answers);
    }

    public static Question about(Fact fact) {
        return new Question(fact, fact.answers(), fact.otherwise());
    }

    /// Only some of the answers make sense; the first is assumed.
    public static Question among(Fact fact, String... answers) {
        return new Question(fact, List.of(answers), answers[0]);
    }

    public static List<Question> about(Fact... facts) {
        return Arrays.stream(facts).map(Question::about).toList();
    }

    public String key() {
        return fact.key();
    }

    public boolean isNumber() {
        return fact.isNumber();
    }

    public boolean isText() {
        return fact.isText();
    }

    public String unit() {
        return fact.unit();
    }
}
