package org.scenothesis.studio.match;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import javafx.scene.control.Button;
import javafx.scene.control.ScrollPane;
import javafx.scene.layout.FlowPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.VBox;
import org.scenothesis.core.match.MarkKind;
import org.scenothesis.production.words.Words;
import org.scenothesis.studio.parts.Text;
import org.scenothesis.studio.watch.WatchModel;

/// The camera and the light of a picture: the picture large with its marks, what to put on it below, what follows beside it.
final class CameraPanel extends HBox {
    private static final double PAPER = 300;

    private final MarksModel model;
    private final MarkedPicture picture;
    private final CameraPaper paper;

    CameraPanel(WatchModel watch) {
        super(12);
        model = new MarksModel(watch);
        picture = new MarkedPicture(model);
        paper = new CameraPaper(model);
        FlowPane tools = new FlowPane(3, 4);
        for (MarkKind.Use use : MarkKind.Use.values()) {
            List<Button> own = new ArrayList<>();
            for (MarkKind k : MarkKind.values()) {
                if (k.use() == use) {
                    Button b = tool(Words.of("mark." + k.name()), "put-" + k.name().toLowerCase(Locale.ROOT), () -> model.put(k));
                    Text.tip(b, () -> Words.of("mark." + k.name() + ".help"));
                    own.add(b);
                }
            }
            // What they are for stays with the first of them where the row ends.
            tools.getChildren().add(new HBox(2, Text.of(Words.of("mark.use." + use), "muted", "small", "tool-group"), own.removeFirst()));
            tools.getChildren().addAll(own);
            switch (use) {
                case CAMERA -> tools.getChildren().add(tool(Words.of("mark.find.edges"), "match-propose", model.proposals()::edges));
                case LIGHT -> tools.getChildren().add(tool(Words.of("mark.find.shadow"), "match-shadow", model.proposals()::shadow));
                case MEASURE -> {}
            }
        }
        VBox.setVgrow(picture.view(), Priority.ALWAYS);
        VBox left = new VBox(8, picture.view(), tools, Text.block(Words.of("mark.hint"), "muted", "small"));
        HBox.setHgrow(left, Priority.ALWAYS);
        left.setMinWidth(0);
        ScrollPane right = new ScrollPane(paper);
        right.setFitToWidth(true);
        right.setHbarPolicy(ScrollPane.ScrollBarPolicy.NEVER);
        right.setMinWidth(PAPER);
        right.setPrefWidth(PAPER);
        right.setMaxWidth(PAPER);
        getChildren().addAll(left, right);
        model.whenChanged(this::drawn);
        picture.view().whenSized((w, h) -> {
            if (isVisible()) {
                picture.show();
            }
        });
    }

    private static Button tool(String words, String id, Runnable does) {
        Button b = Text.button(words, "floor-button", does);
        b.setId(id);
        b.getStyleClass().add("tight");
        return b;
    }

    private void drawn() {
        picture.draw();
        paper.refresh();
    }

    /// Everything anew: another plate, other marks, another frame.
    void refresh() {
        model.solve();
        picture.show();
        paper.refresh();
    }
}
