package org.scenothesis.studio.house;

import javafx.animation.AnimationTimer;

/// Puts work off until the window has been drawn.
public final class Ticker {
    private Ticker() {}

    /// Runs once what is shown now is on the screen: in the second picture from here. Before it, the window would wait for work that takes
    /// every core.
    public static void afterDrawing(Runnable work) {
        new AnimationTimer() {
            private int drawn;

            @Override
            public void handle(long now) {
                if (++drawn == 2) {
                    stop();
                    work.run();
                }
            }
        }.start();
    }
}
