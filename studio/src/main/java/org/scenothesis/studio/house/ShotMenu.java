package org.scenothesis.studio.house;

import java.util.ArrayList;
import java.util.List;
import java.util.function.UnaryOperator;
import javafx.geometry.Side;
import javafx.scene.Node;
import javafx.scene.control.ContextMenu;
import javafx.scene.control.MenuItem;
import javafx.scene.control.SeparatorMenuItem;
import org.scenothesis.core.shot.Production;
import org.scenothesis.core.shot.Shot;
import org.scenothesis.core.shot.Shots;
import org.scenothesis.core.shot.Take;
import org.scenothesis.production.incoming.Collected;
import org.scenothesis.production.words.Words;
import org.scenothesis.studio.parts.Text;

/// All shots to go to, and what can be done to the one that is open.
final class ShotMenu extends ContextMenu {
    private final Session session;

    ShotMenu(Session session) {
        this.session = session;
    }

    void under(Node button) {
        Production p = session.store().now();
        Shot open = session.shot();
        List<MenuItem> items = new ArrayList<>();
        for (Shot s : p.shots()) {
            items.add(Text.item("go-shot-" + s.id(), s.number() + "  " + s.title() + (s.id().equals(open.id()) ? ", open" : ""),
                    () -> session.openShot(s.id())));
        }
        if (!items.isEmpty()) {
            items.add(new SeparatorMenuItem());
        }
        List<Take> elsewhere = Collected.elsewhere(session.folder(), session.store().now());
        if (!elsewhere.isEmpty()) {
            items.add(Text.item("collect", Words.of("shot-menu.copy-footage-from-elsewhere-into",
                    Words.count(elsewhere.size(), "file", "files")), () -> collect(elsewhere)));
        }
        items.add(Text.item("shot-new", "New shot", () -> {
            change("new shot", Shots::added);
            session.openShot(session.store().now().shots().getLast().id());
            session.bench().set(BenchName.BREAK_DOWN);
        }));
        if (!open.id().isEmpty()) {
            items.add(Text.item("shot-copy", Words.of("shot-menu.copy-this-shot"), () -> {
                change("copy a shot", q -> Shots.copied(q, open.id()));
                List<Shot> now = session.store().now().shots();
                session.openShot(now.get(now.indexOf(session.store().now().shot(open.id())) + 1).id());
            }));
            items.add(Text.item("shot-tell", Words.of("shot-menu.name-it-and-tell-it"), () -> session.bench().set(BenchName.BREAK_DOWN)));
            items.add(Text.item("shot-earlier", Words.of("shot-menu.move-it-earlier"),
                    () -> change("move a shot", q -> Shots.moved(q, open.id(), -1))));
            items.add(Text.item("shot-later", Words.of("shot-menu.move-it-later"),
                    () -> change("move a shot", q -> Shots.moved(q, open.id(), 1))));
            items.add(Text.item("shot-away", Words.of("shot-menu.take-this-shot-away"), () -> {
                change(Words.of("shot-menu.take-shot-away"), q -> Shots.without(q, open.id()));
                session.say(Words.of("shot-menu.took-the-shot-away-its", open.title()));
            }));
        }
        getItems().setAll(items);
        show(button, Side.BOTTOM, 0, 0);
    }

    private void collect(List<Take> elsewhere) {
        session.say(Words.of("shot-menu.copying-into-the-folder", Words.count(elsewhere.size(), "file", "files")));
        session.worker().ask("collect", ticket -> Collected.of(session.folder(), elsewhere, (done, of) -> ticket.wanted()), c -> {
            change("collect footage", c::in);
            session.measure();
            session.say(Words.of("shot-menu.copied-the-folder-is-all"));
        }, e -> session.say(String.valueOf(e.getMessage())));
    }

    private void change(String what, UnaryOperator<Production> how) {
        session.store().apply(what, how);
    }
}
