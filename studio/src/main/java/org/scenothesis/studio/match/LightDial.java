package org.scenothesis.studio.match;

import javafx.scene.layout.Pane;
import javafx.scene.paint.Color;
import javafx.scene.paint.CycleMethod;
import javafx.scene.paint.RadialGradient;
import javafx.scene.paint.Stop;
import javafx.scene.shape.Circle;
import javafx.scene.shape.Line;
import org.jspecify.annotations.Nullable;
import org.scenothesis.core.light.PictureLight;
import org.scenothesis.core.perspective.Estimate;
import org.scenothesis.production.words.MatchWords;
import org.scenothesis.production.words.Words;
import org.scenothesis.studio.parts.Text;

/// Where the light comes from, seen from above with the camera below: the farther out the lower; a ball in the middle is lit by it.
final class LightDial extends Pane {
    private static final double R = 78;
    private static final double BALL = 20;

    LightDial() {
        setMinSize(2 * R + 20, 2 * R + 34);
        setPrefSize(2 * R + 20, 2 * R + 34);
        setId("light-dial");
    }

    void show(@Nullable PictureLight l) {
        getChildren().clear();
        double x = R + 10;
        double y = R + 16;
        ring(x, y, R);
        ring(x, y, R / 2);
        var ahead = Text.of("ahead", "small", "muted");
        ahead.relocate(x - 15, -2);
        getChildren().add(ahead);
        Estimate a = l == null ? null : l.azimuthDeg();
        Estimate e = l == null ? null : l.elevationDeg();
        Circle ball = new Circle(x, y, BALL);
        if (l == null || a == null || e == null) {
            ball.setFill(Color.web("#6d6c68"));
            getChildren().add(ball);
            say(l == null ? "" : MatchWords.direction(l), y);
            return;
        }
        double r = Math.toRadians(a.value());
        double out = R * (1 - Math.clamp(e.value(), 0, 90) / 90);
        double lx = x + out * Math.sin(r);
        double ly = y - out * Math.cos(r);
        Estimate size = l.sizeDeg();
        ball.setFill(new RadialGradient(a.value() - 90, out / R * 0.95, x, y, BALL * 1.35, false, CycleMethod.NO_CYCLE,
                new Stop(0, Color.web("#f1ede3")), new Stop(0.55, Color.web("#a9a8a3")), new Stop(1, Color.web("#3b3b3a"))));
        Line ray = new Line(x, y, lx, ly);
        ray.getStyleClass().add("dial-ray");
        Circle lamp = new Circle(lx, ly, Math.clamp(size == null ? 5 : R * size.value() / 180, 4, 40));
        lamp.getStyleClass().add("dial-lamp");
        getChildren().addAll(ray, ball, lamp);
        say(MatchWords.direction(l) + (size == null ? "" : ", " + Words.number(size.value(), 0) + "\u00b0 wide"), y);
    }

    private void ring(double x, double y, double radius) {
        Circle c = new Circle(x, y, radius);
        c.getStyleClass().add("dial-ring");
        getChildren().add(c);
    }

    private void say(String words, double y) {
        var l = Text.of(words, "small");
        l.relocate(6, y + R + 2);
        getChildren().add(l);
    }
}
