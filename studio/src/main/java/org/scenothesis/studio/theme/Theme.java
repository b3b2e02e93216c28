package org.scenothesis.studio.theme;

import java.io.IOException;
import java.io.InputStream;
import java.util.Objects;
import javafx.scene.Scene;
import javafx.scene.text.Font;

/// Loads the shipped fonts and the style sheet.
public final class Theme {
    private static final String[] FONTS = {
        "Barlow_400Regular", "Barlow_500Medium", "Barlow_600SemiBold", "BarlowSemiCondensed_400Regular", "BarlowSemiCondensed_500Medium",
        "BarlowSemiCondensed_600SemiBold"
    };

    private Theme() {}

    public static void dress(Scene scene) {
        for (String name : FONTS) {
            try (InputStream in = Objects.requireNonNull(Theme.class.getResourceAsStream(name + ".ttf"), name)) {
                Font.loadFont(in, 12);
            } catch (IOException e) {
                throw new IllegalStateException(e);
            }
        }
        scene.getStylesheets().add(Objects.requireNonNull(Theme.class.getResource("theme.css")).toExternalForm());
    }
}
