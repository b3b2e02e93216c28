package org.scenothesis.core.shot;

import org.jspecify.annotations.Nullable;

/// One take: footage by a path relative to the production folder, whether it was circled as good, a note, and how its code values are read.
public record Take(String id, String footage, boolean circled, String note, ColourInterpretation reading) {
    /// A take; a file without a reading is read as it says.
    public Take(String id, String footage, boolean circled, String note, @Nullable ColourInterpretation reading) {
        this.id = id;
        this.footage = footage;
        this.circled = circled;
        this.note = note;
        this.reading = reading == null ? ColourInterpretation.AS_FILED : reading;
    }

    /// A take that is read as its file says.
    public Take(String id, String footage, boolean circled, String note) {
        this(id, footage, circled, note, ColourInterpretation.AS_FILED);
    }

    /// The same take circled, or not.
    public Take circled(boolean now) {
        return new Take(id, footage, now, note, reading);
    }

    /// The same take with another note.
    public Take noted(String other) {
        return new Take(id, footage, circled, other, reading);
    }

    /// The same take whose file is found at another place.
    public Take found(String otherFootage) {
        return new Take(id, otherFootage, circled, note, reading);
    }

    /// The same take read otherwise.
    public Take read(ColourInterpretation other) {
        return new Take(id, footage, circled, note, other);
    }
}
