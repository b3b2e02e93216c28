package org.scenothesis.studio.house;

import java.util.Map;
import javafx.scene.Node;
import javafx.scene.input.KeyEvent;

/// One bench of the house. Made once; told when it is looked at.
public interface Bench {
    BenchName name();

    Node view();

    /// It is being looked at now: refresh what was left while it was not.
    void shown();

    /// A key that no control took; true if this bench handled it.
    default boolean key(KeyEvent e) {
        return false;
    }

    /// The bench's own keys and what they do, for the key help.
    default Map<String, String> keys() {
        return Map.of();
    }
}
