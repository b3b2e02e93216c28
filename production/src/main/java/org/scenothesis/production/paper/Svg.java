package org.scenothesis.production.paper;

import java.util.Locale;
import org.scenothesis.core.breakdown.day.DayPlan;
import org.scenothesis.core.breakdown.day.LightDay;
import org.scenothesis.core.breakdown.day.LightWindow;
import org.scenothesis.core.breakdown.sketch.Sketch;
import org.scenothesis.core.shot.Spike;
import org.scenothesis.production.words.PlanWords;
import org.scenothesis.production.words.Words;

/// The book's drawings as SVG: storyboard panels, tape marks, the day's light.
final class Svg {
    private static final String[] COLOURS = {"#e9694f", "#f4c542", "#b79cff", "#5fd0e0", "#d9d4c6", "#f08fb4", "#b8c95a", "#d08b4c"};
    private static final String INK = "#1f2021";

    private Svg() {}

    static String colour(int i) {
        return COLOURS[Math.floorMod(i, COLOURS.length)];
    }

    static String mark(Spike s, int size) {
        return "<svg xmlns=\"http://www.w3.org/2000/svg\" width=\"" + size + "\" height=\"" + size
                + "\" viewBox=\"-0.5 -0.5 17 17\"><path fill-rule=\"evenodd\" d=\"" + s.path()
                + "\" fill=\"" + colour(s.ordinal()) + "\" stroke=\"" + INK + "\" stroke-width=\"0.7\"/></svg>";
    }

    static String panel(Sketch sketch, int width) {
        StringBuilder b = new StringBuilder();
        b.append(String.format(
                Locale.ENGLISH, "<svg xmlns=\"http://www.w3.org/2000/svg\" width=\"%d\" height=\"%d\" viewBox=\"0 0 1600 900\">", width,
                Math.round(width * 0.5625)));
        b.append("<rect x=\"5\" y=\"5\" width=\"1590\" height=\"890\" fill=\"#ffffff\" stroke=\"" + INK + "\" stroke-width=\"10\"/>");
        for (Sketch.Shape s : sketch.shapes()) {
            b.append(shape(s));
        }
        sketch.measures().forEach(m -> b.append(measure(m)));
        return b.append("</svg>").toString();
    }

    private static String measure(Sketch.Measure m) {
        double x = 1000 * m.x1();
        double top = 1000 * Math.min(m.y1(), m.y2());
        double foot = 1000 * Math.max(m.y1(), m.y2());
        return String.format(Locale.ENGLISH, "<path d=\"M%1$.0f %2$.0f V%3$.0f M%4$.0f %2$.0f H%5$.0f M%4$.0f %3$.0f H%5$.0f\" "
                + "fill=\"none\" stroke=\"%6$s\" stroke-width=\"6\"/>", x, top, foot, x - 20, x + 20, INK)
                + String.format(Locale.ENGLISH,
                "<text x=\"%.0f\" y=\"%.0f\" font-size=\"84\" font-family=\"Barlow\" fill=\"%s\">%s m</text>", Math.min(x + 36, 1330),
                (top + foot) / 2 + 30, INK, Words.number(m.metres(), 2));
    }

    private static String shape(Sketch.Shape s) {
        String fill = s.kind() == Sketch.Shape.Kind.LINE ? "none" : switch (s.look()) {
            case SOLID -> colour(s.illusion() + 2);
            case FADED -> "#eeeae0";
            case INK -> "#5b5a55";
            case SHADOW -> "#d8d5cd";
            case PLACE -> INK;
            case GREEN -> "#cfe3c8";
            case BLUE -> "#c9d7ee";
            case BLACK -> "#35363a";
            case WHITE -> "#ffffff";
            case DASHED, LINE, SIGHT -> "none";
        };
        String stroke = switch (s.look()) {
            case FADED -> "#a9a8a3";
            case SIGHT -> "#c8371f";
            case INK, SHADOW, BLACK -> "none";
            case SOLID, DASHED, LINE, PLACE, GREEN, BLUE, WHITE -> INK;
        };
        String dash = switch (s.look()) {
            case DASHED -> " stroke-dasharray=\"30 20\"";
            case SIGHT -> " stroke-dasharray=\"18 14\"";
            case SOLID, INK, LINE, FADED, SHADOW, PLACE, GREEN, BLUE, BLACK, WHITE -> "";
        };
        String style = String.format(" fill=\"%s\" stroke=\"%s\" stroke-width=\"8\"%s/>", fill, stroke, dash);
        return switch (s.kind()) {
            case BOX -> String.format(Locale.ENGLISH, "<rect x=\"%.0f\" y=\"%.0f\" width=\"%.0f\" height=\"%.0f\"", 1000 * s.x(),
                    1000 * s.y(), 1000 * s.w(), 1000 * s.h()) + style;
            case ELLIPSE -> String.format(
                    Locale.ENGLISH, "<ellipse cx=\"%.0f\" cy=\"%.0f\" rx=\"%.0f\" ry=\"%.0f\"", 1000 * (s.x() + s.w() / 2),
                    1000 * (s.y() + s.h() / 2), 500 * s.w(), 500 * s.h())
                    + style;
            case LINE -> String.format(
                    Locale.ENGLISH, "<line x1=\"%.0f\" y1=\"%.0f\" x2=\"%.0f\" y2=\"%.0f\"", 1000 * s.x(), 1000 * s.y(),
                    1000 * (s.x() + s.w()), 1000 * (s.y() + s.h())) + style;
        };
    }

    /// The sky of the day as a band from midnight to midnight, and below it when each sunlit group is rolled.
    static String light(LightDay sky, DayPlan day, int width) {
        int rows = day.windows().size();
        int high = 40 + 18 * rows;
        double scale = width / (24.0 * 60);
        StringBuilder b = new StringBuilder();
        b.append(String.format("<svg xmlns=\"http://www.w3.org/2000/svg\" width=\"%d\" height=\"%d\" viewBox=\"0 0 %d %d\">", width, high,
                width, high));
        for (LightDay.Span s : sky.spans()) {
            String fill = switch (s.sky()) {
                case SUN -> "#f4c542";
                case SHADE -> "#cfe0ea";
                case NIGHT -> "#4a4c4f";
            };
            b.append(String.format(Locale.ENGLISH, "<rect x=\"%.1f\" y=\"0\" width=\"%.1f\" height=\"16\" fill=\"%s\"/>", s.from() * scale,
                    (s.to() - s.from()) * scale, fill));
        }
        for (int h = 0; h < 24; h += 3) {
            b.append(String.format(Locale.ENGLISH,
                    "<text x=\"%.1f\" y=\"30\" font-size=\"10\" font-family=\"Barlow\" fill=\"%s\">%02d:00</text>", h * 60 * scale + 2,
                    INK, h));
        }
        int row = 0;
        for (LightWindow w : day.windows()) {
            int y = 36 + 18 * row++;
            b.append(String.format(
                    Locale.ENGLISH, "<rect x=\"%.1f\" y=\"%d\" width=\"%.1f\" height=\"10\" fill=\"%s\" stroke=\"%s\"/>", w.from() * scale,
                    y,
                    Math.max(2, (w.to() - w.from()) * scale), colour(row), INK));
            b.append(String.format(
                    Locale.ENGLISH, "<text x=\"%.1f\" y=\"%d\" font-size=\"10\" font-family=\"Barlow\" fill=\"%s\">%s</text>",
                    Math.min(width - 60, w.to() * scale + 4), y + 9, INK,
                    PlanWords.clock(w.from())));
        }
        return b.append("</svg>").toString();
    }
}
