package org.scenothesis.studio.parts;

import java.util.Optional;
import javafx.scene.Node;
import javafx.scene.Parent;

/// Keeps the keyboard's place when controls are built anew: what had the focus is found again by its id.
public final class Focus {
    private Focus() {}

    public static void keeping(Parent root, Runnable rebuild) {
        Node owner = root.getScene() == null ? null : root.getScene().getFocusOwner();
        String id = owner == null || !within(owner, root) ? null : owner.getId();
        rebuild.run();
        if (owner != null && id != null && !(owner.getScene() == root.getScene() && owner.isFocused())) {
            find(root, id).ifPresent(Node::requestFocus);
        }
    }

    /// Whether a node is another, or lies in it.
    public static boolean within(Node n, Parent root) {
        for (Node at = n; at != null; at = at.getParent()) {
            if (at == root) {
                return true;
            }
        }
        return false;
    }

    private static Optional<Node> find(Node at, String id) {
        if (id.equals(at.getId())) {
            return Optional.of(at);
        }
        return at instanceof Parent p ? p.getChildrenUnmodifiable().stream().flatMap(c -> find(c, id).stream()).findFirst()
                : Optional.empty();
    }
}
