package org.scenothesis.studio.board;

import java.util.Comparator;
import java.util.Optional;
import org.jspecify.annotations.Nullable;
import org.scenothesis.core.finding.Finding;
import org.scenothesis.core.finding.Judgement;
import org.scenothesis.core.finding.Measure;
import org.scenothesis.core.finding.Verdict;
import org.scenothesis.core.shot.Layer;
import org.scenothesis.core.shot.Plate;
import org.scenothesis.core.shot.Shot;
import org.scenothesis.production.words.Words;

/// What the Board shows, without any window: one cell per plate and column, and the next thing to do.
final class BoardModel {
    private BoardModel() {}

    /// The columns and the measures each sums up; the first measure found gives the number unless a worse one is there.
    enum Column {
        ROLLED("Rolled", Measure.Group.FILM),
        CAMERA("Camera", Measure.Group.CAMERA),
        EXPOSURE("Exposure", Measure.Group.EXPOSURE),
        COLOUR("Colour", Measure.Group.COLOUR),
        SCREEN("Screen", Measure.Group.SCREEN),
        MATTE("Matte", Measure.Group.MATTE),
        LAYERED("Layered", null);

        final String head;
        private final Measure.@Nullable Group group;

        Column(String head, Measure.@Nullable Group group) {
            this.head = head;
            this.group = group;
        }
    }

    /// A cell: its verdict, its one number or word, and the finding behind it.
    record Cell(Verdict verdict, String words, @Nullable Finding finding) {}

    static Cell cell(Shot shot, Plate plate, Column column, Judgement judgement) {
        if (column == Column.LAYERED) {
            Optional<Layer> used = shot.layers().stream().filter(l -> l.source().plates().contains(plate.id())).findFirst();
            return used.map(l -> new Cell(Verdict.HOLDS, l.on() ? l.name() : "off", null))
                    .orElse(new Cell(Verdict.NOT_MEASURED, "\u2013", null));
        }
        if (column == Column.EXPOSURE || column == Column.COLOUR) {
            if (plate.role().lightDiffersByDesign()) {
                return new Cell(Verdict.NOT_MEASURED, "by design", null);
            }
        }
        if ((column == Column.SCREEN || column == Column.MATTE) && !plate.role().keyed()) {
            return new Cell(Verdict.NOT_MEASURED, "no key", null);
        }
        return judgement.of(plate.id()).findings().stream()
                .filter(f -> f.measure().group() == column.group)
                .max(Comparator.<Finding>comparingInt(f -> f.verdict().weight()).thenComparing(f -> -f.measure().ordinal()))
                .map(f -> new Cell(f.verdict(), words(f), f))
                .orElse(new Cell(Verdict.NOT_MEASURED, "\u2013", null));
    }

    private static String words(Finding f) {
        if (f.verdict() == Verdict.NOT_MEASURED && Double.isNaN(f.value())) {
            return "\u2013";
        }
        return switch (f.measure()) {
            case BUMP -> Words.value(f) + " from f " + Words.number(f.details().getFirst(), 0);
            case ROLL -> f.value() == 0 ? "still" : Words.value(f) + (f.verdict() == Verdict.HOLDS ? ""
                    : " of " + Words.number(f.limit().holds(), 1));
            case DRIFT -> "drifts " + Words.value(f);
            case GREY_INSIDE -> Words.value(f) + " holes";
            case GREY_OUTSIDE -> Words.value(f) + " dirt";
            case SEE_THROUGH -> Words.value(f) + " through";
            case SPILL -> Words.value(f) + " spill";
            case BORDER -> Words.value(f) + " to edge";
            case LENGTH -> "ends at " + Words.value(f);
            case RATE -> "at " + Words.value(f);
            case MATRIX -> "matrix?";
            default -> Words.value(f);
        };
    }
}
