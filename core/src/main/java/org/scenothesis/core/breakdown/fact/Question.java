package org.scenothesis.core.breakdown.fact;

import java.util.Arrays;
import java.util.List;

/// A plain question about a fact, with the answers that make sense here and the one assumed until one is given.
public record Question(Fact fact, List<String> answers, String otherwise) {
    public Question {
        answers = List.copyOf(answers);
    }

    /// The question with all answers the fact has.
    public static Question about(Fact fact) {
        return new Question(fact, fact.answers(), fact.otherwise());
    }

    /// Only some of the answers make sense; the first is assumed.
    public static Question among(Answer... answers) {
        return new Question(Fact.of(answers[0]), Arrays.stream(answers).map(Answer::code).toList(), answers[0].code());
    }

    /// One question for each, in this order.
    public static List<Question> about(Fact... facts) {
        return Arrays.stream(facts).map(Question::about).toList();
    }

    /// The fact's name in the file.
    public String key() {
        return fact.key();
    }

    /// Answered by a number in its unit.
    public boolean isNumber() {
        return fact.isNumber();
    }

    /// Answered in the person's own words.
    public boolean isText() {
        return fact.isText();
    }

    /// The unit of a number; empty where there is none.
    public String unit() {
        return fact.unit();
    }
}
