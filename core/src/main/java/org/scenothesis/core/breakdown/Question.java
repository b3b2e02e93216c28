package org.scenothesis.core.breakdown;

import java.util.List;

/// A plain question about a wonder: its fact key, the possible answers (none for a number), the answer assumed until one is given.
///
/// `unit` is shown behind numbers.
public record Question(String key, List<String> answers, String otherwise, String unit) {
    public Question {
        answers = List.copyOf(answers);
    }

    static Question choice(String key, String otherwise, String... answers) {
        return new Question(key, List.of(answers), otherwise, "");
    }

    static Question number(String key, double otherwise, String unit) {
        return new Question(key, List.of(), String.valueOf(otherwise), unit);
    }

    public boolean isNumber() {
        return answers.isEmpty();
    }
}
