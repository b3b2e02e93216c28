package org.scenothesis.media;

import java.nio.file.Path;
import java.util.Objects;

/// A file that could not be read or written: says what, where, and what to do.
public class FootageException extends Exception {
    private static final long serialVersionUID = 1;

    private final transient Path path;

    public FootageException(Path path, String sentence) {
        super(path + ": " + sentence);
        this.path = path;
    }

    public FootageException(Path path, int frame, String sentence) {
        super(path + ", frame " + frame + ": " + sentence);
        this.path = path;
    }

    public FootageException(Path path, String sentence, Throwable cause) {
        super(path + ": " + DiskTrouble.told(sentence, cause), cause);
        this.path = path;
    }

    /// The same failure, told of something else.
    protected FootageException(Path path, FootageException cause) {
        super(cause.getMessage(), cause);
        this.path = path;
    }

    /// The sentence; there always is one.
    @Override
    public String getMessage() {
        return Objects.requireNonNull(super.getMessage());
    }

    public Path path() {
        return path;
    }
}
