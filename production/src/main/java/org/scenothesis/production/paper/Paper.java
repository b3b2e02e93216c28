package org.scenothesis.production.paper;

import java.awt.image.BufferedImage;
import java.nio.charset.StandardCharsets;
import java.nio.file.Path;
import java.util.List;
import java.util.Locale;
import org.scenothesis.core.breakdown.day.DayPlan;
import org.scenothesis.production.store.ResultFile;
import org.scenothesis.production.store.StoreException;
import org.scenothesis.production.words.Words;

/// Writes plans to files: beside the target first, then renamed over it.
public final class Paper {
    private Paper() {}

    /// What is printed.
    public enum Kind {
        BOOK,
        DAY,
        SLIPS
    }

    /// The breakdown book, the day on one page, or a slip for every plate, as the ending says: `.pdf` or `.html`.
    ///
    /// @throws StoreException if the ending is another or the file cannot be written
    public static void print(Kind kind, DayPlan day, Path file) throws StoreException {
        String name = String.valueOf(file.getFileName()).toLowerCase(Locale.ROOT);
        if (name.endsWith(".html") || name.endsWith(".htm")) {
            write(file, Book.html(kind, day).getBytes(StandardCharsets.UTF_8));
        } else if (name.endsWith(".pdf")) {
            write(file, Book.pdf(kind, day));
        } else {
            throw new StoreException(file, Words.of("paper.it-is-written-as-pdf-or"));
        }
    }

    /// One row per plate.
    ///
    /// @throws StoreException if the file cannot be written
    public static void plates(DayPlan day, Path file) throws StoreException {
        write(file, PlateTable.csv(day).getBytes(StandardCharsets.UTF_8));
    }

    /// Everything planned, as JSON.
    ///
    /// @throws StoreException if the file cannot be written
    public static void tree(DayPlan day, Path file) throws StoreException {
        write(file, (PlanTree.of(day).toPrettyString() + "\n").getBytes(StandardCharsets.UTF_8));
    }

    /// The first pages of it, `most` at most, as pictures of a width, for a look at them.
    public static List<BufferedImage> pages(Kind kind, DayPlan day, int widthPx, int most) {
        return Book.pages(kind, day, widthPx, most);
    }

    /// One entry per roll of the day, and one for the call.
    ///
    /// @throws StoreException if the day has no date yet or the file cannot be written
    public static void calendar(DayPlan day, Path file) throws StoreException {
        if (day.production().day().day().isEmpty()) {
            throw new StoreException(file, Words.of("paper.a-calendar-needs-the-day-of"));
        }
        write(file, DayCalendar.ics(day).getBytes(StandardCharsets.UTF_8));
    }

    private static void write(Path file, byte[] bytes) throws StoreException {
        ResultFile.write(file, bytes);
    }
}
