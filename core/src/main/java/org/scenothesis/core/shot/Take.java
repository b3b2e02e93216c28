package org.scenothesis.core.shot;

/// One take: footage by a path relative to the production folder, and whether it was circled as good.
public record Take(String id, String footage, boolean circled, String note) {
    public Take circled(boolean now) {
        return new Take(id, footage, now, note);
    }

    public Take noted(String other) {
        return new Take(id, footage, circled, other);
    }
}
