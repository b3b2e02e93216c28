package org.scenothesis.studio.parts;

import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.function.Supplier;
import javafx.collections.ObservableList;
import javafx.scene.Node;
import javafx.scene.layout.Pane;

/// The rows of a list by their keys: one whose content is what it was stays the same node, so that the keyboard's place, what is being
/// typed and where it is scrolled to stay as well; only the others are made anew.
public final class Rows {
    private final Pane box;
    private Map<Object, Made> made = Map.of();

    /// - `key`: what it is of, once in a list. `content`: all that it shows and does; with equal content no other row is needed.
    public record Row(Object key, Object content, Supplier<? extends Node> make) {}

    private record Made(Object content, Node node) {}

    public Rows(Pane box) {
        this.box = box;
    }

    /// Shows these and no others, in this order.
    public void show(List<Row> rows) {
        Map<Object, Made> now = new LinkedHashMap<>();
        for (Row r : rows) {
            Made was = made.get(r.key);
            now.put(r.key, was != null && was.content.equals(r.content) ? was : new Made(r.content, r.make.get()));
        }
        made = now;
        Focus.keeping(box, () -> put(now.values().stream().map(Made::node).toList()));
    }

    private void put(List<Node> nodes) {
        ObservableList<Node> there = box.getChildren();
        there.retainAll(nodes);
        for (int i = 0; i < nodes.size(); i++) {
            if (i >= there.size() || there.get(i) != nodes.get(i)) {
                there.remove(nodes.get(i));
                there.add(i, nodes.get(i));
            }
        }
    }
}
