package org.scenothesis.core.layer;

import org.scenothesis.core.picture.Luminance;
import org.scenothesis.core.picture.Picture;
import org.scenothesis.core.picture.Piece;
import org.scenothesis.core.picture.Transfer;
import org.scenothesis.core.shot.step.ColourGrade;

/// Slope, offset, power and saturation of sRGB code values; light is never below black.
final class ColourGradeUnit {
    private ColourGradeUnit() {}

    static LayerState apply(ColourGrade tone, LayerState before, Scene scene) {
        if (tone.equals(ColourGrade.NEUTRAL)) {
            return before;
        }
        LayerState l = before.gained(scene).worked(scene);
        Picture in = l.piece().picture();
        Picture out = Picture.of(in.width(), in.height()).withAlpha(in.a());
        double[] slope = tone.slope().values();
        double[] offset = tone.offset().values();
        double[] power = tone.power().values();
        scene.bands().run(in.height(), (from, to, band) -> {
            double[] v = new double[3];
            for (int i = from * in.width(); i < to * in.width(); i++) {
                for (int c = 0; c < 3; c++) {
                    v[c] = Math.pow(Math.max(0, Transfer.SRGB.toCode(in.colours().get(c).data()[i]) * slope[c] + offset[c]), power[c]);
                }
                double luma = Luminance.of(v[0], v[1], v[2]);
                for (int c = 0; c < 3; c++) {
                    out.colours().get(c).data()[i] = (float) Transfer.SRGB.toLinear(Math.max(0, luma + tone.saturation() * (v[c] - luma)));
                }
            }
        });
        return l.withPiece(new Piece(out, l.piece().at()), l.cut());
    }
}
