package org.scenothesis.studio.stage;

import javafx.scene.layout.Pane;
import org.scenothesis.core.breakdown.sketch.Sketch;
import org.scenothesis.core.shot.Shot;
import org.scenothesis.studio.parts.Drawing;
import org.scenothesis.studio.parts.PictureView;

/// The drawing of what the audience sees in place of the camera's picture.
final class AudiencePicture {
    private static final String ID = "stage-audience";

    private AudiencePicture() {}

    static void show(PictureView picture, Shot shot, double seconds) {
        picture.say("");
        gone(picture);
        double wide = Math.min(picture.roomWidth() - 8, (picture.roomHeight() - 8) * Sketch.WIDTH / Sketch.HEIGHT);
        Drawing d = new Drawing(wide);
        d.setId(ID);
        d.draw(Sketch.of(shot, seconds));
        Pane over = picture.overlay();
        over.getChildren().setAll(d);
        d.relocate((picture.roomWidth() - wide) / 2, 4);
    }

    static void gone(PictureView picture) {
        picture.overlay().getChildren().removeIf(n -> ID.equals(n.getId()));
    }
}
