package org.scenothesis.cli;

/// Something given on the command line cannot be used: one sentence for the user.
final class InputException extends Exception {
    private static final long serialVersionUID = 1;

    InputException(String sentence) {
        super(sentence);
    }
}
