package org.scenothesis.core.picture;

/// The sixteen pixels around a point and their weights.
final class Taps {
    private final int width;
    private final int height;
    private final float[] across = new float[4];
    private final float[] down = new float[4];
    private int left;
    private int top;

    Taps(int width, int height) {
        this.width = width;
        this.height = height;
    }

    void at(double x, double y) {
        // Far outside, as beyond a vanishing line, the edge is held like anywhere outside.
        double fx = x >= -4 ? Math.min(x, width + 4.0) - 0.5 : -4.5;
        double fy = y >= -4 ? Math.min(y, height + 4.0) - 0.5 : -4.5;
        left = (int) Math.floor(fx);
        top = (int) Math.floor(fy);
        weigh((float) (fx - left), across);
        weigh((float) (fy - top), down);
        left--;
        top--;
    }

    /// For [#mean]: the four pixels around a point, of which `left`, `top` is the first.
    void between(double x, double y) {
        double fx = Math.clamp(x - 0.5, 0, width - 1.0);
        double fy = Math.clamp(y - 0.5, 0, height - 1.0);
        left = Math.min((int) fx, Math.max(0, width - 2));
        top = Math.min((int) fy, Math.max(0, height - 2));
        across[0] = (float) (fx - left);
        down[0] = (float) (fy - top);
    }

    float mean(float[] d) {
        int i = top * width + left;
        int right = width > 1 ? 1 : 0;
        int below = height > 1 ? width : 0;
        float high = d[i] + across[0] * (d[i + right] - d[i]);
        float low = d[i + below] + across[0] * (d[i + below + right] - d[i + below]);
        return high + down[0] * (low - high);
    }

    // Catmull-Rom. Source: Keys 1981, a = −0.5.
    private static void weigh(float t, float[] k) {
        k[0] = ((-0.5f * t + 1) * t - 0.5f) * t;
        k[1] = (1.5f * t - 2.5f) * t * t + 1;
        k[2] = ((-1.5f * t + 2) * t + 0.5f) * t;
        k[3] = (0.5f * t - 0.5f) * t * t;
    }

    float value(float[] d) {
        if (left < 0 || top < 0 || left + 3 >= width || top + 3 >= height) {
            return atEdge(d);
        }
        float sum = 0;
        for (int j = 0, i = top * width + left; j < 4; j++, i += width) {
            sum += down[j] * (across[0] * d[i] + across[1] * d[i + 1] + across[2] * d[i + 2] + across[3] * d[i + 3]);
        }
        return sum;
    }

    private float atEdge(float[] d) {
        float sum = 0;
        for (int j = 0; j < 4; j++) {
            int row = Math.clamp(top + j, 0, height - 1) * width;
            for (int i = 0; i < 4; i++) {
                sum += down[j] * across[i] * d[row + Math.clamp(left + i, 0, width - 1)];
            }
        }
        return sum;
    }
}
