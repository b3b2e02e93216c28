package org.scenothesis.core.shot;

import io.soabase.recordbuilder.core.RecordBuilder;
import java.time.LocalDate;
import java.time.LocalTime;
import java.time.format.DateTimeParseException;
import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.TreeSet;
import org.scenothesis.core.Check;

/// The day of shooting as the crew decided it.
///
/// - `order`: the jobs in the order the crew prefers, by their ids; empty for the cheapest order.
/// - `acknowledged`: cautions that were read, by shot and code; they stay in force.
/// - `date` as 2026-11-25, empty while it is open; `callTime` as 08:30; `prepareMinutes` from the call to the first change.
///
/// @throws IllegalArgumentException if the date or the call time cannot be read
@RecordBuilder
public record ShootDay(List<String> order, Set<String> acknowledged, String date, String callTime, int prepareMinutes)
        implements ShootDayBuilder.With {
    public static final ShootDay DEFAULT = new ShootDay(List.of(), Set.of(), "", "09:00", 30);

    public ShootDay {
        order = List.copyOf(order);
        acknowledged = Collections.unmodifiableSet(new TreeSet<>(acknowledged));
        Check.range("prepareMinutes", prepareMinutes, 0, 600);
        try {
            LocalTime.parse(callTime);
            if (!date.isEmpty()) {
                LocalDate.parse(date);
            }
        } catch (DateTimeParseException e) {
            throw new IllegalArgumentException("the date " + date + " or the call time " + callTime
                    + " cannot be read; write 2026-11-25 and 08:30", e);
        }
    }

    /// When the crew is called.
    ///
    /// @throws java.time.DateTimeException if it is no time
    public LocalTime call() {
        return LocalTime.parse(callTime);
    }

    /// The same day with another call, as hours and minutes.
    public ShootDay calledAt(String other) {
        return new ShootDay(order, acknowledged, date, other, prepareMinutes);
    }

    /// The same plan on another date, as year, month and day; empty for none.
    public ShootDay on(String other) {
        return new ShootDay(order, acknowledged, other, callTime, prepareMinutes);
    }

    /// The same day with so many minutes between the call and the first plate.
    public ShootDay preparing(int minutes) {
        return new ShootDay(order, acknowledged, date, callTime, minutes);
    }

    /// The date, if there is one.
    ///
    /// @throws java.time.DateTimeException if it is no date
    public Optional<LocalDate> day() {
        return date.isEmpty() ? Optional.empty() : Optional.of(LocalDate.parse(date));
    }

    /// Reads a caution, or takes that back.
    public ShootDay acknowledging(String caution, boolean read) {
        Set<String> now = new TreeSet<>(acknowledged);
        if (read) {
            now.add(caution);
        } else {
            now.remove(caution);
        }
        return new ShootDay(new ArrayList<>(order), now, date, callTime, prepareMinutes);
    }
}
