package org.scenothesis.studio.parts;

import java.util.Locale;
import java.util.Map;
import java.util.function.Consumer;
import javafx.scene.control.ToggleButton;
import javafx.scene.control.ToggleGroup;
import javafx.scene.input.KeyCode;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Region;
import org.scenothesis.core.match.Comparison;
import org.scenothesis.production.words.Words;

/// The ways of laying two plates over each other as a row of buttons, with their keys: B, D, O.
public final class ComparisonBar extends HBox {
    private final ToggleGroup group = new ToggleGroup();
    private final Consumer<Comparison> changed;
    private Comparison mode;

    /// - `words`: the comparisons offered, in order, and what they are called; `prefix` begins the buttons' ids.
    public ComparisonBar(String prefix, Map<Comparison, String> words, Comparison first, Consumer<Comparison> changed) {
        super(4);
        this.changed = changed;
        mode = first;
        words.forEach((c, word) -> {
            ToggleButton b = new ToggleButton(word);
            b.getStyleClass().setAll("toggle-button", "floor-button");
            b.setToggleGroup(group);
            b.setMinWidth(Region.USE_PREF_SIZE);
            b.setUserData(c);
            b.setId(prefix + "-" + c.name().toLowerCase(Locale.ROOT));
            b.setSelected(c == mode);
            b.setOnAction(e -> look(c));
            getChildren().add(b);
        });
    }

    private void look(Comparison c) {
        mode = c;
        group.getToggles().forEach(t -> t.setSelected(t.getUserData() == c));
        changed.accept(c);
    }

    /// Takes the keys of comparing; pressing one again goes back to the take. True if it was one.
    public boolean key(KeyCode code) {
        Comparison c = switch (code) {
            case B -> Comparison.REFERENCE;
            case D -> Comparison.DIFFERENCE;
            case O -> Comparison.OUTLINE;
            default -> null;
        };
        if (c == null) {
            return false;
        }
        look(mode == c ? Comparison.TAKE : c);
        return true;
    }

    public static Map<String, String> keys() {
        return Map.of("B", Words.of("comparison-bar.blink-take-and-clean-plate"), "D", "difference", "O",
                Words.of("comparison-bar.outline-of-the-clean-plate"));
    }
}
