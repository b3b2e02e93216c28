package org.scenothesis.production.stage;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.stream.Collectors;
import org.scenothesis.core.optics.Vec;
import org.scenothesis.core.picture.Point;
import org.scenothesis.core.stage.draw.Mark;
import org.scenothesis.core.stage.draw.Reach;
import org.scenothesis.core.stage.draw.SetDrawing;
import org.scenothesis.core.stage.piece.Lamp;
import org.scenothesis.core.stage.piece.Piece;
import org.scenothesis.core.stage.proof.SetView;
import org.scenothesis.production.words.StageWords;

/// A set from above or from the side as SVG, to scale, with its lengths written in; black on white, so that it can be copied.
final class SetSvg {
    private static final String INK = "#1f2021";
    private static final double LETTER = 5.6;

    private final SetView view;
    private final boolean above;
    private final boolean feet;
    private final double scale;
    private final SetDrawing drawing;
    private final double width;
    private final double height;
    private final StringBuilder out = new StringBuilder();
    private final List<double[]> taken = new ArrayList<>();

    /// As large as fits.
    SetSvg(SetView view, boolean above, boolean feet, double width, double height) {
        this.view = view;
        this.above = above;
        this.feet = feet;
        drawing = SetDrawing.of(view, above);
        scale = Math.min(width / (drawing.high().x() - drawing.low().x()), height / (drawing.high().y() - drawing.low().y()));
        this.width = (drawing.high().x() - drawing.low().x()) * scale;
        this.height = (drawing.high().y() - drawing.low().y()) * scale;
    }

    double width() {
        return width;
    }

    double height() {
        return height;
    }

    /// One metre on the sheet, in its units.
    double scale() {
        return scale;
    }

    private double x(Point p) {
        return (p.x() - drawing.low().x()) * scale;
    }

    private double y(Point p) {
        return height - (p.y() - drawing.low().y()) * scale;
    }

    /// The drawing as a document of its own.
    String document() {
        return String.format(Locale.ENGLISH, "<svg xmlns=\"http://www.w3.org/2000/svg\" width=\"%d\" height=\"%d\" viewBox=\"0 0 %.1f "
                + "%.1f\" font-family=\"Barlow, sans-serif\">", Math.round(width), Math.round(height), width, height) + body() + "</svg>";
    }

    /// Its shapes alone, to be laid into another.
    String body() {
        out.setLength(0);
        taken.clear();
        // What reaches beyond the sheet is cut at its edge.
        out.append(String.format(Locale.ENGLISH, "<svg x=\"0\" y=\"0\" width=\"%.1f\" height=\"%.1f\" overflow=\"hidden\">", width,
                height));
        out.append(String.format(Locale.ENGLISH, "<rect width=\"%.1f\" height=\"%.1f\" fill=\"#ffffff\"/>", width, height));
        grid();
        drawing.marks().forEach(this::mark);
        Reach.of(view, "").stream().filter(r -> r.upright() != above).forEach(this::reach);
        for (Piece p : view.pieces()) {
            boolean lamp = p.thing() instanceof Lamp;
            if (above || lamp) {
                Vec at = p.thing() instanceof Lamp l ? p.at().up(l.heightM().value()) : p.at().up(0);
                word(SetDrawing.on(above, at), p.name() + (!above && p.thing() instanceof Lamp l
                        ? " " + StageWords.length(l.heightM().value(), feet) : ""));
            }
        }
        return out.append("</svg>").toString();
    }

    private void grid() {
        for (int m = (int) Math.ceil(drawing.low().x()); m <= drawing.high().x(); m++) {
            out.append(String.format(Locale.ENGLISH, "<path d=\"M%.1f 0V%.1f\" stroke=\"#dddad2\" stroke-width=\"0.5\"/>",
                    x(new Point(m, 0)), height));
        }
        for (int m = (int) Math.ceil(drawing.low().y()); m <= drawing.high().y(); m++) {
            out.append(String.format(Locale.ENGLISH, "<path d=\"M0 %.1fH%.1f\" stroke=\"#dddad2\" stroke-width=\"0.5\"/>",
                    y(new Point(0, m)), width));
        }
    }

    private void mark(Mark m) {
        String style = switch (m.style()) {
            case WALL -> "fill=\"none\" stroke=\"" + INK + "\" stroke-width=\"2.5\"";
            case GROUND, SUPPORT -> "fill=\"none\" stroke=\"#5c5a54\" stroke-width=\"1\"";
            case CAMERA -> "fill=\"" + INK + "\"";
            case SIGHT -> "fill=\"none\" stroke=\"#5c5a54\" stroke-width=\"0.7\" stroke-dasharray=\"4 3\"";
            case GREEN -> m instanceof Mark.Line ? "stroke=\"#3b7d3e\" stroke-width=\"4\""
                    : "fill=\"#cfe3c8\" stroke=\"#3b7d3e\" stroke-width=\"0.7\"";
            case BLUE -> m instanceof Mark.Line ? "stroke=\"#4058a8\" stroke-width=\"4\""
                    : "fill=\"#c9d7ee\" stroke=\"#4058a8\" stroke-width=\"0.7\"";
            case BLACK, FLAG -> "fill=\"" + INK + "\" stroke=\"" + INK + "\" stroke-width=\"4\"";
            case WHITE -> "fill=\"#ffffff\" stroke=\"#8f8d86\" stroke-width=\"3\"";
            case BODY -> "fill=\"#cbb8ff\" stroke=\"" + INK + "\" stroke-width=\"0.8\"";
            case SWEPT -> "fill=\"none\" stroke=\"" + INK + "\" stroke-width=\"0.8\" stroke-dasharray=\"3 2\"";
            case LAMP -> "fill=\"#f4c542\" stroke=\"" + INK + "\" stroke-width=\"0.8\"";
            case POOL -> "fill=\"#f4c542\" fill-opacity=\"0.12\"";
            case SHADOW -> "fill=\"#1f2021\" fill-opacity=\"0.5\"";
            case GLASS -> "stroke=\"#2a8ea0\" stroke-width=\"2\"";
        };
        out.append(switch (m) {
            case Mark.Line l -> String.format(Locale.ENGLISH, "<path d=\"M%.1f %.1fL%.1f %.1f\" %s/>", x(l.from()), y(l.from()), x(l.to()),
                    y(l.to()), style);
            case Mark.Area a -> "<path d=\"M" + a.corners().stream().map(c -> String.format(Locale.ENGLISH, "%.1f %.1f", x(c), y(c)))
                    .collect(Collectors.joining("L")) + "Z\" " + style + "/>";
        });
    }

    private void reach(Reach r) {
        Point a = SetDrawing.on(above, r.from());
        Point b = SetDrawing.on(above, r.to());
        out.append(String.format(Locale.ENGLISH, "<path d=\"M%.1f %.1fL%.1f %.1f\" stroke=\"#c8371f\" stroke-width=\"1\"/>", x(a), y(a),
                x(b), y(b)));
        for (Point p : List.of(a, b)) {
            out.append(String.format(Locale.ENGLISH, "<circle cx=\"%.1f\" cy=\"%.1f\" r=\"2\" fill=\"#c8371f\"/>", x(p), y(p)));
        }
        String words = StageWords.length(r.metres(), feet);
        double wide = LETTER * words.length() + 6;
        double px = Math.clamp((x(a) + x(b)) / 2 - wide / 2, 1, Math.max(1, width - wide - 1));
        double py = (y(a) + y(b)) / 2 - 7;
        while (overlaps(px, py, wide, 14) && py < height - 16) {
            py += 15;
        }
        taken.add(new double[] {px, py, wide, 14});
        out.append(String.format(
                Locale.ENGLISH, "<rect x=\"%.1f\" y=\"%.1f\" width=\"%.1f\" height=\"14\" fill=\"#ffffff\" stroke=\"#c8371f\" "
                        + "stroke-width=\"0.6\"/><text x=\"%.1f\" y=\"%.1f\" font-size=\"10.5\" font-weight=\"600\" "
                        + "text-anchor=\"middle\" fill=\"%s\">%s</text>",
                px, py, wide, px + wide / 2, py + 10.5, INK, words));
    }

    private boolean overlaps(double x, double y, double w, double h) {
        return taken.stream().anyMatch(t -> x < t[0] + t[2] && t[0] < x + w && y < t[1] + t[3] && t[1] < y + h);
    }

    private void word(Point at, String words) {
        double wide = LETTER * words.length();
        double px = x(at);
        double py = y(at);
        double[][] places = {{px + 8, py + 2}, {px + 8, py - 14}, {px - 8 - wide, py + 2}, {px - 8 - wide, py - 14},
                {px - wide / 2, py + 10}, {px - wide / 2, py - 24}};
        for (double[] q : places) {
            if (q[0] > 0 && q[0] + wide < width && q[1] > 0 && q[1] + 12 < height && !overlaps(q[0], q[1], wide, 12)) {
                taken.add(new double[] {q[0], q[1], wide, 12});
                out.append(String.format(Locale.ENGLISH, "<text x=\"%.1f\" y=\"%.1f\" font-size=\"10\" fill=\"%s\">%s</text>", q[0],
                        q[1] + 9.5, INK, escaped(words)));
                return;
            }
        }
    }

    static String escaped(String words) {
        return words.replace("&", "&amp;").replace("<", "&lt;").replace(">", "&gt;").replace("\"", "&quot;")
                .replaceAll("[\\x00-\\x1F\\x{D800}-\\x{DFFF}\\x{FFFE}\\x{FFFF}]", " ");
    }
}
