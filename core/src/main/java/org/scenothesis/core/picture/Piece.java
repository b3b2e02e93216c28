package org.scenothesis.core.picture;

import org.scenothesis.core.Check;

/// A picture that lies at `at` in a larger one, so that what is small costs little.
public record Piece(Picture picture, Box at) {
    public Piece {
        Check.that(picture.width() == at.width() && picture.height() == at.height(), "the piece does not fill its box");
    }

    /// A picture that may have something everywhere.
    public static Piece whole(Picture p) {
        return new Piece(p, Box.all(p.r()));
    }

    /// The same in a picture of `width × height`, with nothing around it; a piece that fills it is not copied.
    ///
    /// @throws IllegalArgumentException if the piece has no alpha, or does not lie within
    public Picture spread(int width, int height) {
        Check.that(picture.a() != null, "only a piece with an alpha has nothing around it");
        if (at.equals(new Box(0, 0, width, height))) {
            return picture;
        }
        return new Picture(
                at.put(picture.r(), width, height, 0), at.put(picture.g(), width, height, 0), at.put(picture.b(), width, height, 0),
                at.put(picture.alpha(), width, height, 0));
    }
}
