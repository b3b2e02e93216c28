package org.scenothesis.studio.breakdown;

import java.awt.image.BufferedImage;
import java.io.File;
import java.util.ArrayList;
import java.util.List;
import javafx.geometry.Pos;
import javafx.scene.Node;
import javafx.scene.image.ImageView;
import javafx.scene.image.PixelFormat;
import javafx.scene.image.WritableImage;
import javafx.scene.layout.HBox;
import javafx.scene.layout.VBox;
import javafx.stage.FileChooser;
import org.jspecify.annotations.Nullable;
import org.scenothesis.core.breakdown.day.DayPlan;
import org.scenothesis.production.paper.Paper;
import org.scenothesis.studio.parts.Text;

/// The breakdown book as it will be printed, and the buttons that write it or bring a shot list in.
final class BookView extends PageView {
    private static final int WIDTH = 640;
    /// Pages shown; the file has them all.
    private static final int MOST = 12;

    private final VBox said = new VBox(2);
    private final VBox pages = new VBox(10);
    private @Nullable DayPlan shown;

    BookView(BreakDownModel model) {
        super(model);
        var write = Text.button("Write book, table and calendar", "paper-button", this::write);
        write.setId("write-book");
        var bring = Text.button("Bring in a shot list\u2026", "floor-button", this::choose);
        bring.setId("bring-list");
        HBox row = new HBox(8, write, bring);
        row.setAlignment(Pos.CENTER_LEFT);
        said.setId("book-said");
        pages.setId("book-pages");
        box.getChildren().addAll(row, Text.block("They go to the folder paper of this production. A shot list may also be dropped on this bench.", "muted"), said, pages);
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
        pages.getChildren().setAll(Text.block("Laying out the pages.", "muted"));
        model.session().worker().ask("book", ticket -> pictures(day), images -> {
            List<Node> out = new ArrayList<>();
            for (int i = 0; i < images.size(); i++) {
                ImageView v = new ImageView(images.get(i));
                v.setAccessibleText("page " + (i + 1) + " of the book");
                out.add(v);
            }
            if (images.size() == MOST) {
                out.add(Text.block("These are the first " + MOST + " pages; the written book has all of them.", "muted"));
            }
            pages.getChildren().setAll(out);
        }, e -> pages.getChildren().setAll(Text.block("The book could not be laid out: " + e.getMessage(), "muted")));
    }

    private static List<WritableImage> pictures(DayPlan day) {
        List<WritableImage> out = new ArrayList<>();
        for (BufferedImage page : Paper.pages(day, WIDTH, MOST)) {
            WritableImage w = new WritableImage(page.getWidth(), page.getHeight());
            int[] argb = page.getRGB(0, 0, page.getWidth(), page.getHeight(), null, 0, page.getWidth());
            w.getPixelWriter().setPixels(0, 0, page.getWidth(), page.getHeight(), PixelFormat.getIntArgbInstance(), argb, 0, page.getWidth());
            out.add(w);
        }
        return out;
    }
}
