package org.scenothesis.core.key;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.SplittableRandom;
import org.junit.jupiter.api.Test;
import org.scenothesis.core.picture.Bands;
import org.scenothesis.core.picture.Picture;

/// A room with something in the screen colour: a suit that walks, or a cloth before which somebody walks.
class WornTest {
    private static final int W = 240;
    private static final int H = 136;
    private static final int MOMENTS = 7;

    /// - `camera`: how far the room moves from moment to moment.
    private static Picture room(int moment, int camera) {
        SplittableRandom r = new SplittableRandom(moment);
        Picture p = Picture.of(W, H);
        for (int y = 0; y < H; y++) {
            for (int x = 0; x < W; x++) {
                double v = 0.15 + 0.1 * Math.sin((x + camera * moment) * 0.35) * Math.cos(y * 0.2) + 0.004 * r.nextDouble();
                set(p, x, y, v, 0.9 * v, 0.8 * v);
            }
        }
        return p;
    }

    private static void set(Picture p, int x, int y, double r, double g, double b) {
        p.r().data()[y * W + x] = (float) r;
        p.g().data()[y * W + x] = (float) g;
        p.b().data()[y * W + x] = (float) b;
    }

    private static void box(Picture p, int left, int top, int right, int bottom, double r, double g, double b) {
        for (int y = top; y < bottom; y++) {
            for (int x = left; x < right; x++) {
                // Round, as bodies are; a cloth is lit a little from one side as well.
                double k = 1 - 0.3 * Math.abs(2.0 * (x - left) / (right - left) - 0.8);
                set(p, x, y, r * k, g * k, b * k);
            }
        }
    }

    private static Picture suit(int moment, int step, int camera) {
        Picture p = room(moment, camera);
        int x = 60 + step * moment;
        oval(p, x, 46, x + 50, H + 40, 0.05, 0.4, 0.08);
        oval(p, x + 14, 14, x + 36, 50, 0.5, 0.32, 0.22);
        return p;
    }

    private static void oval(Picture p, int left, int top, int right, int bottom, double r, double g, double b) {
        for (int y = top; y < Math.min(H, bottom); y++) {
            double v = (2.0 * (y - top) + 1) / (bottom - top) - 1;
            int half = (int) Math.round((right - left) / 2.0 * Math.sqrt(1 - v * v));
            box(p, (left + right) / 2 - half, y, (left + right) / 2 + half, y + 1, r, g, b);
        }
    }

    private static Picture cloth(int moment, int camera) {
        Picture p = room(moment, camera);
        box(p, 50 - camera * moment, 10, 190 - camera * moment, 120, 0.05, 0.4, 0.08);
        int x = 70 + 12 * moment;
        box(p, x, 40, x + 30, 120, 0.4, 0.1, 0.1);
        return p;
    }

    private interface Film {
        Picture at(int moment);
    }

    private static ScreenModel model(Film film) {
        TakeScreen screen = new TakeScreen(Bands.sequential());
        for (int i = 0; i < MOMENTS; i++) {
            screen.add(film.at(i));
        }
        return screen.model();
    }

    @Test
    void aSuitThatWalksLeavesTheRoom() {
        ScreenModel m = model(i -> suit(i, 6, 0));
        assertThat(m.source()).isEqualTo(ScreenModel.Source.WORN);
        assertThat(m.garbage(List.of())).as("nothing is cut away").isNull();
    }

    @Test
    void aClothThatHangsIsOneHoweverMuchMovesBeforeIt() {
        ScreenModel m = model(i -> cloth(i, 0));
        assertThat(m.source()).isEqualTo(ScreenModel.Source.TAKE);
        assertThat(m.garbage(List.of())).as("the room beyond it is cut away").isNotNull();
    }

    @Test
    void whatCannotBeToldIsTakenForACloth() {
        assertThat(model(i -> suit(i, 0, 0)).source()).as("nobody moved").isEqualTo(ScreenModel.Source.TAKE);
        assertThat(model(i -> cloth(i, 3)).source()).as("the camera moved").isEqualTo(ScreenModel.Source.TAKE);
        assertThat(model(i -> suit(i, 6, 3)).source()).as("both moved").isEqualTo(ScreenModel.Source.TAKE);
    }
}
