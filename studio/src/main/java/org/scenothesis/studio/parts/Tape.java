package org.scenothesis.studio.parts;

import java.util.function.DoubleConsumer;
import javafx.css.PseudoClass;
import javafx.geometry.Pos;
import javafx.scene.Cursor;
import javafx.scene.Node;
import javafx.scene.control.TextField;
import javafx.scene.control.Tooltip;
import javafx.scene.input.KeyCode;
import javafx.scene.input.KeyEvent;
import javafx.scene.input.MouseEvent;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import org.scenothesis.core.shot.step.Parameter;
import org.scenothesis.production.words.Words;

/// A measured number one can type on, or drag sideways: name, value, unit. Enter or leaving the field accepts, Escape takes back what was
/// typed and leaves.
///
/// While it is dragged `preview` is called, on release `accept` once.
public final class Tape extends HBox {
    private static final int SHORT = 4;

    /// How a number is called, shown and bounded; one description for bench, command line and help.
    public record Number(String name, String unit, double low, double high, double step, int decimals, String help) {}

    /// A number of a step under the name and help it has in words.
    public static Number number(Parameter<?> p) {
        String key = "parameter." + p.code();
        return new Number(Words.of(key), p.unit(), p.span().low(), p.span().high(), p.span().by(), p.span().decimals(),
                Words.of(key + ".help") + (p.keying().can() ? "" : "\n" + Words.of("keying." + p.keying())));
    }

    private static final PseudoClass WRONG = PseudoClass.getPseudoClass("wrong");

    private final Number number;
    private final TextField field = new NumberField();
    private final DoubleConsumer preview;
    private final DoubleConsumer accept;
    private final Tooltip tip = new Tooltip();
    private double value;
    private String written = "";
    private double grabbed = Double.NaN;
    private double grabbedAt;

    public Tape(Number number, DoubleConsumer preview, DoubleConsumer accept) {
        this.number = number;
        this.preview = preview;
        this.accept = accept;
        setAlignment(Pos.CENTER_LEFT);
        setSpacing(6);
        var name = Text.of(number.name, "muted");
        name.setMinWidth(USE_PREF_SIZE);
        HBox.setHgrow(name, Priority.ALWAYS);
        name.setMaxWidth(Double.MAX_VALUE);
        field.setPrefWidth(78);
        field.setMinWidth(46);
        field.setAlignment(Pos.CENTER_RIGHT);
        field.getStyleClass().add("number");
        field.setAccessibleText(number.name);
        var unit = Text.of(number.unit, "muted", "small");
        unit.setMinWidth(number.unit.isEmpty() ? 0 : USE_PREF_SIZE);
        if (number.unit.length() <= SHORT) {
            // Short ones stand below one another; a long one takes the room it needs.
            unit.setPrefWidth(30);
        }
        getChildren().addAll(name, field, unit);
        tip.setText(number.help);
        if (!number.help.isEmpty()) {
            Tooltip.install(name, tip);
        }
        wire(name);
    }

    /// Says where the number comes from, with its help.
    public void say(String origin) {
        tip.setText(number.help + "\n" + origin);
        field.setAccessibleHelp(origin);
    }

    public TextField field() {
        return field;
    }

    private void wire(Node name) {
        field.addEventHandler(KeyEvent.KEY_PRESSED, e -> {
            if (e.getCode() == KeyCode.ENTER) {
                typed();
                e.consume();
            } else if (e.getCode() == KeyCode.ESCAPE) {
                // Back to the bench, whose keys digits are too.
                write(value);
                requestFocus();
                e.consume();
            } else if (e.getCode() == KeyCode.UP || e.getCode() == KeyCode.DOWN) {
                take(value + (e.getCode() == KeyCode.UP ? 1 : -1) * number.step);
                e.consume();
            }
        });
        field.focusedProperty().addListener((o, was, is) -> {
            if (was && !is) {
                typed();
            }
        });
        name.setCursor(Cursor.H_RESIZE);
        name.addEventHandler(MouseEvent.MOUSE_PRESSED, e -> {
            grabbed = e.getScreenX();
            grabbedAt = value;
        });
        name.addEventHandler(MouseEvent.MOUSE_DRAGGED, e -> {
            double v = bounded(grabbedAt + Math.round((e.getScreenX() - grabbed) / 4) * number.step);
            if (v != value) {
                write(v);
                preview.accept(v);
            }
        });
        name.addEventHandler(MouseEvent.MOUSE_RELEASED, e -> {
            if (value != grabbedAt) {
                accept.accept(value);
            }
        });
    }

    private void typed() {
        // A field shows fewer digits than there are: who only passes through it changes nothing.
        if (field.getText().trim().equals(Words.number(value, number.decimals))) {
            write(value);
            return;
        }
        try {
            double v = Double.parseDouble(field.getText().trim().replace(',', '.').replace('\u2212', '-'));
            if (!(v >= number.low && v <= number.high)) {
                field.pseudoClassStateChanged(WRONG, true);
                field.setTooltip(new Tooltip("between " + Words.number(number.low, number.decimals) + " and "
                        + Words.number(number.high, number.decimals)));
                return;
            }
            take(v);
        } catch (NumberFormatException e) {
            field.pseudoClassStateChanged(WRONG, true);
            field.setTooltip(new Tooltip("a number in " + number.unit));
        }
    }

    private void take(double v) {
        double b = bounded(v);
        boolean changed = Math.abs(b - value) > 1e-9;
        write(b);
        if (changed) {
            accept.accept(b);
        }
    }

    private double bounded(double v) {
        double rounded = Math.round(v * 1e6) / 1e6;
        return Math.clamp(rounded, number.low, number.high);
    }

    /// Shows what is so now. What is being typed stays: a finding that comes from the background takes no digit away.
    public void show(double v) {
        if (field.isFocused() && !field.getText().equals(written)) {
            value = v;
        } else {
            write(v);
        }
    }

    private void write(double v) {
        value = v;
        written = Words.number(v, number.decimals);
        field.pseudoClassStateChanged(WRONG, false);
        field.setTooltip(null);
        field.setText(written);
    }
}
