package org.scenothesis.studio.house;

import java.util.List;
import java.util.Map;
import javafx.scene.Node;
import javafx.scene.input.KeyEvent;
import javafx.scene.layout.Pane;

/// One bench of the house. Made once; told when it is looked at.
public abstract class Bench {
    protected final Session session;
    /// What the bench is laid out in.
    protected final Pane view;

    private final BenchName name;

    protected Bench(Session session, BenchName name, Pane view) {
        this.session = session;
        this.name = name;
        this.view = view;
    }

    public final BenchName name() {
        return name;
    }

    public final Node view() {
        return view;
    }

    /// Whether this is the bench that is looked at; the others rest.
    protected final boolean inView() {
        return session.bench().get() == name;
    }

    /// Shows what is so now; does nothing while the bench is not looked at.
    protected abstract void refresh();

    /// It is being looked at now: refresh what was left while it was not.
    public void shown() {
        refresh();
    }

    /// Another bench is looked at now: files that are open only to be seen are closed.
    public void hidden() {}

    /// Lets go what it holds open; nothing is shown any more.
    public void close() {}

    /// The words of the bench's pages, in their order; none for a bench of one page.
    public List<String> pages() {
        return List.of();
    }

    /// Turns to one of the bench's pages by its name; does nothing where there are none.
    public void turn(String page) {}

    /// A key that no control took; true if this bench handled it.
    public boolean key(KeyEvent e) {
        return false;
    }

    /// The bench's own keys and what they do, for the key help.
    public Map<String, String> keys() {
        return Map.of();
    }
}
