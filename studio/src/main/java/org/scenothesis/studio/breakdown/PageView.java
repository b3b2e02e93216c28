package org.scenothesis.studio.breakdown;

import javafx.geometry.Insets;
import javafx.scene.Node;
import javafx.scene.layout.VBox;

/// A page at the right of the bench: a column that shows what is so now.
abstract class PageView {
    protected final BreakDownModel model;
    protected final VBox box = new VBox(8);

    PageView(BreakDownModel model) {
        this.model = model;
        box.setPadding(new Insets(0, 4, 10, 0));
    }

    final Node node() {
        return box;
    }

    abstract void refresh();

    /// Another page is seen: lets go what is large.
    void rest() {}
}
