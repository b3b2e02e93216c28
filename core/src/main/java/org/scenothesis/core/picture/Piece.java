package org.scenothesis.core.picture;

import org.scenothesis.core.Check;

/// A picture that lies at `at` in a larger one, so that what is small costs little.
public record Piece(Picture picture, Box at) {
    public Piece {
        Check.that(picture.width() == at.width() && picture.height() == at.height(), "the piece does not fill its box");
    }

    public static Piece whole(Picture p) {
        return new Piece(p, Box.all(p.r()));
    }
}
