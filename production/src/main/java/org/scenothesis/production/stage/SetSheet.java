package org.scenothesis.production.stage;

import java.nio.charset.StandardCharsets;
import java.nio.file.Path;
import java.util.List;
import java.util.Locale;
import java.util.stream.Collectors;
import java.util.stream.DoubleStream;
import org.scenothesis.core.breakdown.plate.Eyeline;
import org.scenothesis.core.breakdown.staging.Staged;
import org.scenothesis.core.finding.HouseRules;
import org.scenothesis.core.stage.Floor;
import org.scenothesis.core.stage.Stage;
import org.scenothesis.core.stage.StageCamera;
import org.scenothesis.core.stage.piece.Backdrop;
import org.scenothesis.core.stage.piece.Body;
import org.scenothesis.core.stage.piece.Camera;
import org.scenothesis.core.stage.piece.Flag;
import org.scenothesis.core.stage.piece.Glass;
import org.scenothesis.core.stage.piece.Lamp;
import org.scenothesis.core.stage.piece.Piece;
import org.scenothesis.core.stage.piece.Support;
import org.scenothesis.core.stage.piece.Wall;
import org.scenothesis.core.stage.proof.Proved;
import org.scenothesis.core.stage.proof.SetView;
import org.scenothesis.production.paper.PdfPage;
import org.scenothesis.production.store.ResultFile;
import org.scenothesis.production.store.StoreException;
import org.scenothesis.production.words.PlanWords;
import org.scenothesis.production.words.StageWords;
import org.scenothesis.production.words.Words;

/// One page to set up by, here or elsewhere: plan and side view with their lengths, the camera's numbers, every lamp and cloth, and what to
/// mind.
public final class SetSheet {
    private static final double WIDE = 500;
    private static final double PLAN_HIGH = 350;
    private static final double SIDE_HIGH = 160;
    private static final int LINES = 6;

    private final Staged set;
    private final String plate;
    private final String title;
    private final boolean feet;

    /// Of a set while a plate is filmed; lengths in metres, or in feet.
    public SetSheet(Staged set, String plate, String title, boolean feet) {
        this.set = set;
        this.plate = plate;
        this.title = title;
        this.feet = feet;
    }

    /// Writes it as the ending says: `.svg` is the drawings alone, `.pdf` and `.html` the page.
    ///
    /// @throws StoreException if the ending is another or the file cannot be written
    public void write(Path file, HouseRules rules) throws StoreException {
        String name = String.valueOf(file.getFileName()).toLowerCase(Locale.ROOT);
        byte[] bytes;
        if (name.endsWith(".svg")) {
            bytes = svg().getBytes(StandardCharsets.UTF_8);
        } else if (name.endsWith(".html") || name.endsWith(".htm")) {
            bytes = page(rules).getBytes(StandardCharsets.UTF_8);
        } else if (name.endsWith(".pdf")) {
            bytes = PdfPage.of(page(rules));
        } else {
            throw new StoreException(file, Words.of("set-sheet.it-is-written-as-svg-pdf"));
        }
        ResultFile.write(file, bytes);
    }

    private SetView view() {
        return set.view(plate);
    }

    private SetSvg plan() {
        return new SetSvg(view(), true, feet, WIDE, PLAN_HIGH);
    }

    private SetSvg side() {
        return new SetSvg(view(), false, feet, WIDE, SIDE_HIGH);
    }

    /// Plan above, side view below.
    String svg() {
        SetSvg p = plan();
        SetSvg s = side();
        double wide = Math.max(p.width(), s.width());
        return String.format(
                Locale.ENGLISH, "<svg xmlns=\"http://www.w3.org/2000/svg\" width=\"%.1f\" height=\"%.1f\" viewBox=\"0 0 %.1f %.1f\" "
                        + "font-family=\"Barlow, sans-serif\"><title>%s</title><g>%s</g><g transform=\"translate(0 %.1f)\">%s</g></svg>",
                wide, p.height() + s.height() + 12, wide, p.height() + s.height() + 12, SetSvg.escaped(title), p.body(), p.height() + 12,
                s.body());
    }

    /// The page; well-formed, so that it can become PDF.
    String page(HouseRules rules) {
        StringBuilder b = new StringBuilder();
        b.append("<html xmlns=\"http://www.w3.org/1999/xhtml\"><head><meta charset=\"UTF-8\"/><title>").append(SetSvg.escaped(title))
                .append("</title><style>")
                .append("@page { size: A4; margin: 9mm 13mm; } body { font-family: Barlow, sans-serif; font-size: 9.5pt; color: "
                        + "#1f2021; margin: 0; } h1 { font-size: 15pt; margin: 0 0 1mm 0; } h2 { font-size: 10.5pt; margin: 2.5mm 0 "
                        + "0.6mm 0; }")
                .append("table { border-collapse: collapse; width: 100%; } td { padding: 0.4mm 2mm 0.4mm 0; vertical-align: top; "
                        + "border-bottom: 0.2mm solid #d8d5cd; } .n { font-weight: 600; white-space: nowrap; } .soft { color: #5c5a54; "
                        + "font-size: 8.5pt; } td.soft { white-space: nowrap; } svg { display: block; }")
                .append("</style></head><body><h1>").append(SetSvg.escaped(title)).append("</h1>");
        SetSvg plan = plan();
        b.append("<div class=\"soft\">").append(SetSvg.escaped(words(set.stage()))).append(" \u00b7 grid 1 m \u00b7 scale 1:")
                .append(Math.round(1000 / (plan.scale() * 25.4 / 96))).append("</div>");
        drawn(b, plan);
        drawn(b, side());
        b.append("<h2>Camera</h2><table>");
        camera(b);
        b.append("</table><h2>Pieces</h2><table>");
        view().pieces().forEach(p -> row(b, p.name(), piece(p), Words.origin(p.spot())));
        List<Eyeline> eyes = set.need(plate).map(n -> n.notes().eyelines()).orElse(List.of());
        if (!eyes.isEmpty()) {
            b.append("</table><h2>Marks for the eyes</h2><table>");
            eyes.forEach(e -> row(b, PlanWords.eyeline(e), marks(e), ""));
        }
        b.append("</table><h2>To mind</h2><table>");
        List<Proved> all = set.proved(plate, rules);
        all.stream().limit(LINES).forEach(p -> row(b, StageWords.line(p), StageWords.remedy(p), StageWords.verdict(p)));
        b.append("</table><p class=\"soft\">").append(SetSvg.escaped(Words.of("caution.local"))).append("</p></body></html>");
        return b.toString();
    }

    private static void drawn(StringBuilder b, SetSvg svg) {
        b.append("<div style=\"padding-bottom: 2mm\">").append(svg.document()).append("</div>");
    }

    private static String words(Stage s) {
        return Words.of("set-sheet.lengths-are-measured-along-the-floor", s.floor().staged() ? Words.of("set-sheet.assumptions-say-so")
                : Words.of("set-sheet.nothing-is-staged-yet"));
    }

    private static void row(StringBuilder b, String name, String value, String origin) {
        b.append("<tr><td class=\"n\">").append(SetSvg.escaped(name)).append("</td><td>").append(SetSvg.escaped(value))
                .append("</td><td class=\"soft\">").append(SetSvg.escaped(brief(origin))).append("</td></tr>");
    }

    private static String brief(String origin) {
        int colon = origin.indexOf(':');
        return colon < 0 ? origin : origin.substring(0, colon);
    }

    /// As high as the mark has to be on stands and walls at some distances; below the floor there is none.
    private String marks(Eyeline e) {
        return DoubleStream.of(1, 2, 3, 4).filter(m -> e.markM(m) > 0).mapToObj(m -> StageWords.length(e.markM(m), feet) + " high in "
                + StageWords.length(m, feet)).collect(Collectors.joining(", "));
    }

    private void camera(StringBuilder b) {
        Stage s = set.stage();
        StageCamera c = s.camera();
        Floor f = s.floor();
        StageCamera.Aim a = c.aim().value();
        double share = c.widthShareFocal().value();
        row(b, "Lens", Words.of("set-sheet.above-the-floor-tilted-rolled", StageWords.length(c.position().value().y() - 0, feet),
                Words.number(a.tiltDeg() + 0.0, 1), Words.number(a.rollDeg() + 0.0, 1)),
                Words.origin(c.position()));
        row(b, "View", Words.of("set-sheet.mm-on-a-sensor-mm-wide", Words.number(f.lens().focalMm(share), 1),
                Words.number(f.lens().sensorMm().value(), 1), Words.number(Math.toDegrees(2 * Math.atan(0.5 / share)), 1)),
                Words.origin(c.widthShareFocal()));
        row(b, "Set to", "f/" + Words.number(f.lens().fNumber().value(), 1) + ", focus at " + StageWords.length(f.lens().focusM().value(),
                feet), Words.origin(f.lens().focusM()));
    }

    private String piece(Piece p) {
        String where = StageWords.length(p.at().x() - set.stage().camera().position().value().x(), feet) + " across, "
                + StageWords.length(p.at().z() - set.stage().camera().position().value().z(), feet) + " away";
        return where + switch (p.thing()) {
            case Backdrop b -> "; " + StageWords.length(b.wideM().value(), feet) + " wide, from " + StageWords.length(b.bottomM().value(),
                    feet) + " to " + StageWords.length(b.topM(), feet)
                    + (b.floorM().value() > 0 ? Words.of("set-sheet.on-the-floor", StageWords.length(b.floorM().value(), feet)) : "");
            case Lamp l -> "; " + StageWords.length(l.heightM().value(), feet) + " high, face " + Words.number(l.wideM().value(), 2)
                    + " \u00d7 " + Words.number(l.highM().value(), 2) + " m, " + Words.number(100 * l.dimmer().value(), 0) + " %, "
                    + Words.number(l.givenKelvin(), 0) + " K";
            case Body o -> "; from " + StageWords.length(o.baseM().value(), feet) + " to " + StageWords.length(o.baseM().value() + o.highM()
                    .value(), feet);
            case Support _, Wall _, Glass _, Flag _, Camera _ -> "";
        };
    }
}
