package org.scenothesis.studio.parts;

import java.util.function.BiConsumer;
import javafx.animation.PauseTransition;
import javafx.geometry.Insets;
import javafx.geometry.Pos;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.image.ImageView;
import javafx.scene.image.PixelBuffer;
import javafx.scene.image.PixelFormat;
import javafx.scene.image.WritableImage;
import javafx.scene.layout.Pane;
import javafx.scene.layout.StackPane;
import javafx.scene.layout.VBox;
import javafx.scene.text.TextAlignment;
import javafx.util.Duration;
import org.jspecify.annotations.Nullable;
import org.scenothesis.core.picture.DisplayPicture;
import org.scenothesis.production.words.Words;

/// Shows a picture at its own pixels, centred on the dark floor, with a paper label, a message while there is none, and an overlay in
/// picture shares.
public final class PictureView extends StackPane {
    /// Height of the strip for the label, so that it covers nothing of the picture.
    private static final double STRIP = 28;

    private final ImageView image = new ImageView();
    private final Label label = Text.of("", "picture-label");
    private final Label message = Text.block("", "picture-message");
    private final Pane overlay = new Pane();
    private final VBox invitation = new VBox(14);
    private @Nullable Sketch invited;
    private BiConsumer<Integer, Integer> sized = (w, h) -> {};
    private @Nullable DisplayPicture shown;
    private String named = "";
    private String expected = "";
    /// A picture that comes at once needs no word that it is coming.
    private final PauseTransition older = new PauseTransition(Duration.millis(150));

    public PictureView(String words) {
        getStyleClass().add("picture");
        label.setText(words);
        label.setVisible(!words.isEmpty());
        overlay.setPickOnBounds(false);
        overlay.setManaged(false);
        message.setMaxWidth(360);
        message.setAlignment(Pos.CENTER);
        message.setTextAlignment(TextAlignment.CENTER);
        StackPane.setAlignment(label, Pos.TOP_LEFT);
        StackPane.setMargin(label, new Insets(3 - STRIP, 0, 0, 4));
        setPadding(new Insets(STRIP, 0, 0, 0));
        invitation.setAlignment(Pos.CENTER);
        invitation.setPickOnBounds(false);
        invitation.setVisible(false);
        getChildren().addAll(image, message, overlay, invitation, label);
        setMinSize(80, 60);
        image.setMouseTransparent(true);
        widthProperty().addListener(o -> changedSize());
        heightProperty().addListener(o -> changedSize());
    }

    private void changedSize() {
        if (getWidth() > 8 && getHeight() > 8) {
            sized.accept(roomWidth(), roomHeight());
        }
        requestLayout();
    }

    /// Calls with the room for a picture whenever it changes.
    public void whenSized(BiConsumer<Integer, Integer> action) {
        sized = action;
        changedSize();
    }

    public int roomWidth() {
        return Math.max(16, (int) getWidth());
    }

    public int roomHeight() {
        return Math.max(16, (int) (getHeight() - STRIP));
    }

    /// What the picture that is asked for will be called. Until it is there, the label says that the one which is seen is older.
    public void expect(String words) {
        expected = words;
        if (shown == null) {
            name(words);
        } else if (!words.equals(named)) {
            older.setOnFinished(e -> label.setText(Words.of("picture-view.is-being-made", named, expected)));
            older.playFromStart();
        }
    }

    /// The picture that was asked for.
    public void showExpected(DisplayPicture s) {
        show(s);
        name(expected);
    }

    public void name(String words) {
        older.stop();
        named = words;
        label.setText(words);
        label.setVisible(!words.isEmpty());
    }

    /// A picture as the toolkit shows it, its pixels not copied.
    public static WritableImage image(DisplayPicture s) {
        return new WritableImage(new PixelBuffer<>(s.width(), s.height(), s.buffer(), PixelFormat.getIntArgbPreInstance()));
    }

    public void show(DisplayPicture s) {
        shown = s;
        image.setImage(image(s));
        message.setText("");
        uninvite();
        requestLayout();
    }

    /// Takes the picture away and says why.
    public void say(String words) {
        older.stop();
        shown = null;
        image.setImage(null);
        message.setText(words);
        uninvite();
    }

    private void uninvite() {
        invited = null;
        invitation.setVisible(false);
    }

    /// Shows what belongs here while there is nothing: a sketch of it, a sentence, and the button that begins it.
    public void invite(Sketch sketch, String words, String button, Runnable begin) {
        if (invited == sketch && message.getText().isEmpty() && words.equals(((Label) invitation.getChildren().get(1)).getText())) {
            return;
        }
        say("");
        Label sentence = Text.block(words, "picture-message");
        sentence.setMaxWidth(360);
        sentence.setAlignment(Pos.CENTER);
        sentence.setTextAlignment(TextAlignment.CENTER);
        Button b = Text.button(button, "floor-button", begin);
        b.setId("begin-here");
        invitation.getChildren().setAll(sketch.draw(), sentence, b);
        invitation.setVisible(true);
        invited = sketch;
    }

    public @Nullable DisplayPicture shown() {
        return shown;
    }

    /// The pane over the picture, exactly its size; children in its pixels.
    public Pane overlay() {
        return overlay;
    }

    @Override
    protected void layoutChildren() {
        super.layoutChildren();
        DisplayPicture s = shown;
        if (s != null) {
            overlay.resizeRelocate(Math.round((getWidth() - s.width()) / 2), Math.round(STRIP + (getHeight() - STRIP - s.height()) / 2),
                    s.width(), s.height());
        } else {
            overlay.resizeRelocate(0, STRIP, getWidth(), Math.max(0, getHeight() - STRIP));
        }
    }
}
