package org.scenothesis.studio.breakdown;

import java.awt.image.BufferedImage;
import java.io.File;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import javafx.geometry.Pos;
import javafx.scene.Node;
import javafx.scene.control.ToggleButton;
import javafx.scene.control.ToggleGroup;
import javafx.scene.image.ImageView;
import javafx.scene.image.PixelFormat;
import javafx.scene.image.WritableImage;
import javafx.scene.layout.FlowPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.VBox;
import javafx.stage.FileChooser;
import org.jspecify.annotations.Nullable;
import org.scenothesis.core.breakdown.day.DayPlan;
import org.scenothesis.production.paper.Paper;
import org.scenothesis.production.words.Words;
import org.scenothesis.studio.parts.Text;

/// The book, the day sheet and the slips as they will be printed, and the buttons that write them or bring a shot list in.
final class BookView extends PageView {
    private static final int WIDTH = 640;
    /// Pages shown; the file has them all.
    private static final int MOST = 12;

    private final VBox said = new VBox(2);
    private final VBox pages = new VBox(10);
    private @Nullable DayPlan shown;
    private Paper.Kind kind = Paper.Kind.BOOK;

    BookView(BreakDownModel model) {
        super(model);
        FlowPane kinds = new FlowPane(4, 4);
        ToggleGroup group = new ToggleGroup();
        for (Paper.Kind k : Paper.Kind.values()) {
            ToggleButton b = new ToggleButton(Words.of("paper." + k));
            b.setId("paper-" + k.name().toLowerCase(Locale.ROOT));
            b.getStyleClass().setAll("toggle-button", "floor-button");
            b.setToggleGroup(group);
            b.setSelected(k == kind);
            b.setOnAction(e -> {
                b.setSelected(true);
                kind = k;
                shown = null;
                refresh();
            });
            kinds.getChildren().add(b);
        }
        var write = Text.button(Words.of("book-view.write-all-papers"), "paper-button", this::write);
        write.setId("write-book");
        var bring = Text.button(Words.of("book-view.bring-in-shot-list"), "floor-button", this::choose);
        bring.setId("bring-list");
        HBox row = new HBox(8, write, bring);
        row.setAlignment(Pos.CENTER_LEFT);
        said.setId("book-said");
        pages.setId("book-pages");
        box.getChildren().addAll(row, Text.block(Words.of("book-view.book-day-sheet-slips-table"), "muted"), said, kinds, pages);
    }

    private void write() {
        model.session().worker().ask("paper", ticket -> model.write(), this::say, e -> say(List.of(String.valueOf(e.getMessage()))));
    }

    private void say(List<String> lines) {
        said.getChildren().setAll(lines.stream().map(l -> (Node) Text.block(l, "text-chalk", "small")).toList());
    }

    private void choose() {
        FileChooser chooser = new FileChooser();
        chooser.setTitle("A shot list");
        chooser.getExtensionFilters().add(new FileChooser.ExtensionFilter("Tables", "*.csv", "*.tsv", "*.txt"));
        File f = chooser.showOpenDialog(box.getScene().getWindow());
        if (f != null) {
            say(model.bringIn(f.toPath()));
        }
    }

    @Override
    void refresh() {
        DayPlan day = model.day();
        if (day == shown) {
            return;
        }
        shown = day;
        pages.getChildren().setAll(Text.block(Words.of("book-view.laying-out-the-pages"), "muted"));
        Paper.Kind of = kind;
        model.session().worker().ask("book", ticket -> pictures(of, day), images -> {
            List<Node> out = new ArrayList<>();
            for (int i = 0; i < images.size(); i++) {
                ImageView v = new ImageView(images.get(i));
                v.setAccessibleText("page " + (i + 1) + " of it");
                out.add(v);
            }
            if (images.size() == MOST) {
                out.add(Text.block(Words.of("book-view.these-are-the-first-pages", MOST), "muted"));
            }
            pages.getChildren().setAll(out);
        }, e -> pages.getChildren().setAll(Text.block(Words.of("book-view.the-page-could-not-be", e.getMessage()), "muted")));
    }

    @Override
    void rest() {
        shown = null;
        model.session().worker().cancel("book");
        pages.getChildren().clear();
    }

    private static List<WritableImage> pictures(Paper.Kind kind, DayPlan day) {
        List<WritableImage> out = new ArrayList<>();
        for (BufferedImage page : Paper.pages(kind, day, WIDTH, MOST)) {
            WritableImage w = new WritableImage(page.getWidth(), page.getHeight());
            int[] argb = page.getRGB(0, 0, page.getWidth(), page.getHeight(), null, 0, page.getWidth());
            w.getPixelWriter().setPixels(0, 0, page.getWidth(), page.getHeight(), PixelFormat.getIntArgbInstance(), argb, 0,
                    page.getWidth());
            out.add(w);
        }
        return out;
    }
}
