package org.scenothesis.core.stage.draw;

import java.util.List;
import org.scenothesis.core.picture.Point;

/// One thing drawn; places in metres of the sheet, up positive. `piece`: id of what it belongs to, empty for none.
public sealed interface Mark {
    Style style();

    String piece();

    /// How it is drawn.
    enum Style {
        WALL,
        GROUND,
        CAMERA,
        SIGHT,
        GREEN,
        BLUE,
        BLACK,
        WHITE,
        BODY,
        SWEPT,
        SUPPORT,
        LAMP,
        POOL,
        SHADOW,
        FLAG,
        GLASS
    }

    record Line(Style style, String piece, Point from, Point to) implements Mark {}

    record Area(Style style, String piece, List<Point> corners) implements Mark {
        public Area {
            corners = List.copyOf(corners);
        }
    }
}
