package org.scenothesis.core.key;

import java.util.Arrays;
import org.scenothesis.core.picture.Picture;
import org.scenothesis.core.picture.Plane;

/// How even a screen is lit within a region.
public final class Evenness {
    private Evenness() {}

    /// Stops between the darkest and brightest 2 % of the screen channel where `region` is above one half; NaN for an empty region.
    public static double stops(Picture screen, ScreenHue hue, Plane region) {
        float[] s = hue.screen(screen).data();
        float[] v = new float[s.length];
        int n = 0;
        for (int i = 0; i < s.length; i++) {
            if (region.data()[i] > 0.5f && s[i] > 0.001f) {
                v[n++] = s[i];
            }
        }
        if (n < 16) {
            return Double.NaN;
        }
        Arrays.sort(v, 0, n);
        return Math.log(v[(int) (0.98 * (n - 1))] / v[(int) (0.02 * (n - 1))]) / Math.log(2);
    }
}
