package org.scenothesis.studio;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.Collections;
import java.util.List;
import java.util.Random;
import javafx.geometry.Bounds;
import javafx.geometry.Point2D;
import javafx.scene.Scene;
import javafx.scene.input.KeyCode;
import javafx.scene.input.MouseButton;
import org.testfx.api.FxRobot;

/// Keys, clicks, drags and wheels by chance in a window; gathers whatever is thrown meanwhile.
final class RandomHands {
    private static final List<KeyCode> KEYS = Arrays.asList(
            KeyCode.DIGIT1, KeyCode.DIGIT2, KeyCode.DIGIT3, KeyCode.DIGIT4, KeyCode.DIGIT5, KeyCode.DIGIT6, KeyCode.DIGIT7, KeyCode.DIGIT8,
            KeyCode.UP, KeyCode.DOWN, KeyCode.LEFT, KeyCode.RIGHT,
            KeyCode.SPACE, KeyCode.B, KeyCode.D, KeyCode.O, KeyCode.T, KeyCode.F, KeyCode.F1, KeyCode.ESCAPE, KeyCode.ENTER, KeyCode.TAB,
            KeyCode.HOME, KeyCode.END, KeyCode.PAGE_UP, KeyCode.PAGE_DOWN,
            KeyCode.E, KeyCode.I, KeyCode.R, KeyCode.P, KeyCode.G, KeyCode.H, KeyCode.M, KeyCode.W, KeyCode.DELETE, KeyCode.PLUS,
            KeyCode.MINUS);

    private final FxRobot robot;
    private final Random random;
    private final List<Throwable> thrown = Collections.synchronizedList(new ArrayList<>());
    private int moves;

    RandomHands(FxRobot robot, long seed) {
        this.robot = robot;
        random = new Random(seed);
    }

    List<Throwable> thrown() {
        return thrown;
    }

    int moves() {
        return moves;
    }

    /// Works in the window for some seconds.
    void work(Scene scene, double seconds) {
        Thread.UncaughtExceptionHandler before = Thread.getDefaultUncaughtExceptionHandler();
        Thread.setDefaultUncaughtExceptionHandler((t, e) -> hear(e));
        robot.interact(() -> Thread.currentThread().setUncaughtExceptionHandler((t, e) -> hear(e)));
        try {
            long end = System.nanoTime() + (long) (seconds * 1e9);
            while (System.nanoTime() < end) {
                try {
                    move(scene);
                } catch (RuntimeException e) {
                    hear(e);
                }
                moves++;
            }
            robot.release(new KeyCode[0]);
            robot.release(new MouseButton[0]);
        } finally {
            Thread.setDefaultUncaughtExceptionHandler(before);
        }
    }

    /// The toolkit without a monitor has no file chooser and no drag to the outside: what it throws itself is not the window's.
    private void hear(Throwable e) {
        Throwable root = e;
        while (root.getCause() != null) {
            root = root.getCause();
        }
        StackTraceElement[] trace = root.getStackTrace();
        if (trace.length == 0 || !trace[0].getClassName().startsWith("com.sun.glass.ui.headless.")) {
            thrown.add(e);
        }
    }

    private void move(Scene scene) {
        switch (random.nextInt(10)) {
            case 0, 1, 2, 3 -> robot.type(KEYS.get(random.nextInt(KEYS.size())));
            case 4 -> robot.push(KeyCode.CONTROL, random.nextInt(3) == 0 ? KeyCode.K : KeyCode.Z);
            case 5 -> robot.drag(place(scene)).dropTo(place(scene));
            case 6 -> robot.moveTo(place(scene)).scroll(random.nextInt(5) - 2);
            case 7 -> robot.write(List.of("0.5", "12", "hello", "-3", "1e9").get(random.nextInt(5)), 0);
            default -> robot.clickOn(place(scene));
        }
    }

    /// Somewhere in the window, but not on what closes it.
    private Point2D place(Scene scene) {
        Bounds b = scene.getRoot().localToScreen(scene.getRoot().getBoundsInLocal());
        return new Point2D(b.getMinX() + 2 + random.nextDouble() * (b.getWidth() - 4), b.getMinY() + 2
                + random.nextDouble() * (b.getHeight() - 4));
    }
}
