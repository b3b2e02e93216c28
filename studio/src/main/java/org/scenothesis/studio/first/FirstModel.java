package org.scenothesis.studio.first;

import java.nio.file.Files;
import java.nio.file.InvalidPathException;
import java.nio.file.Path;
import java.time.Instant;
import java.time.LocalDate;
import java.time.ZoneId;
import java.time.format.DateTimeFormatter;
import java.time.format.TextStyle;
import java.time.temporal.ChronoUnit;
import java.util.Locale;
import java.util.Optional;
import org.jspecify.annotations.Nullable;
import org.scenothesis.core.shot.FrameFormat;
import org.scenothesis.core.shot.Plate;
import org.scenothesis.core.shot.Production;
import org.scenothesis.production.begin.NewProduction;
import org.scenothesis.production.words.Entered;
import org.scenothesis.production.words.Words;

/// What the first window knows: how a production would be begun, and what keeps it from being.
final class FirstModel {
    private final Path parent;
    private String title = "";
    private @Nullable Path chosen;
    private boolean noPath;

    /// - `parent`: where productions are put unless another folder is chosen.
    FirstModel(Path parent) {
        this.parent = parent;
    }

    void title(String words) {
        title = words;
    }

    /// Another folder than the one that follows from the title, within the usual place unless it is whole; nothing for that one again. What
    /// is typed may be no path at all.
    void folder(String typed) {
        noPath = false;
        try {
            chosen = typed.isBlank() ? null : parent.resolve(typed.strip().replaceFirst("^~(?=/|$)", System.getProperty("user.home")));
        } catch (InvalidPathException e) {
            chosen = null;
            noPath = true;
        }
    }

    Path folder() {
        return chosen != null ? chosen : free();
    }

    /// The first folder of that name that has no production yet.
    private Path free() {
        String name = NewProduction.folderName(title);
        Path p = parent.resolve(name);
        for (int i = 2; Files.exists(p); i++) {
            p = parent.resolve(name + "-" + i);
        }
        return p;
    }

    String title() {
        Path name = folder().getFileName();
        return title.isBlank() && chosen != null && name != null ? name.toString() : title.isBlank() ? "Untitled" : title.strip();
    }

    /// Why it cannot be begun, as a sentence; null if it can.
    @Nullable String problem() {
        String refused = NewProduction.refusal(folder());
        return noPath ? Words.of("first-model.this-is-no-folder-name") : refused == null ? null : folder() + ": " + refused;
    }

    /// Size and rate as typed; empty if they are none.
    static Optional<FrameFormat> format(String width, String height, String rate) {
        return Entered.or(() -> Optional.of(new FrameFormat(Integer.parseInt(width.strip()), Integer.parseInt(height.strip()),
                Double.parseDouble(rate.strip().replace(',', '.')))), why -> Optional.empty());
    }

    /// How long ago, as one says it.
    static String when(Instant opened, LocalDate today, ZoneId zone) {
        LocalDate day = opened.atZone(zone).toLocalDate();
        long ago = ChronoUnit.DAYS.between(day, today);
        if (ago <= 0) {
            return "today";
        }
        if (ago == 1) {
            return "yesterday";
        }
        if (ago < 7) {
            return day.getDayOfWeek().getDisplayName(TextStyle.FULL, Locale.ENGLISH);
        }
        String pattern = day.getYear() == today.getYear() ? "d MMMM" : "d MMMM yyyy";
        return day.format(DateTimeFormatter.ofPattern(pattern, Locale.ENGLISH));
    }

    /// How far a production is, in a few words.
    static String about(Production p) {
        int shots = p.shots().size();
        long plates = p.shots().stream().mapToLong(s -> s.plates().size()).sum();
        long filmed = p.shots().stream().flatMap(s -> s.plates().stream()).map(Plate::chosen).filter(t -> t != null).count();
        String plan = plates == 0 ? Words.of("first-model.nothing-filmed-yet") : filmed + " of " + Words.count(plates, "plate", "plates")
                + " filmed";
        return Words.count(shots, "shot", "shots") + ", " + plan;
    }
}
