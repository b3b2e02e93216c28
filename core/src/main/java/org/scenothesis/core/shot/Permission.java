package org.scenothesis.core.shot;

/// Leave to use something that is not ours: a borrowed background, sound or picture.
///
/// - `use`: which shot and what it is for; `proof`: where the written leave lies. Empty where not known yet.
public record Permission(String id, String use, String source, String holder, String licence, String proof) {
    /// A permission nobody has asked for yet.
    public static Permission wanted(String id, String use) {
        return new Permission(id, use, "", "", "", "");
    }

    /// Whether anyone could check it.
    public boolean complete() {
        return !source.isBlank() && !holder.isBlank() && !licence.isBlank() && !proof.isBlank();
    }
}
