package org.scenothesis.studio.theme;

import java.io.IOException;
import java.io.InputStream;
import java.util.Objects;
import javafx.scene.Scene;
import javafx.scene.text.Font;
import org.scenothesis.production.fonts.Fonts;

/// Loads the shipped fonts and the style sheet.
public final class Theme {
    private Theme() {}

    public static void dress(Scene scene) {
        for (Fonts.Face face : Fonts.all()) {
            try (InputStream in = face.open()) {
                Font.loadFont(in, 12);
            } catch (IOException e) {
                throw new IllegalStateException(e);
            }
        }
        scene.getStylesheets().add(Objects.requireNonNull(Theme.class.getResource("theme.css")).toExternalForm());
    }
}
