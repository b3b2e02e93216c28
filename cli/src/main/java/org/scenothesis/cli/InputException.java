package org.scenothesis.cli;

import org.scenothesis.production.words.PlanWords;

/// Something given on the command line cannot be used: one sentence for the user.
final class InputException extends Exception {
    private static final long serialVersionUID = 1;

    InputException(String sentence) {
        super(sentence);
    }

    /// Of a reason without a full stop.
    static InputException because(String why) {
        return new InputException(PlanWords.capital(why) + ".");
    }
}
