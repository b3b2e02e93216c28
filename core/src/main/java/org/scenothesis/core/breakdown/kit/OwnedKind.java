package org.scenothesis.core.breakdown.kit;

import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import org.scenothesis.core.breakdown.fact.Fact;
import org.scenothesis.core.value.Coded;

/// What can be owned, with the facts that are its sizes.
public enum OwnedKind implements Coded {
    CAMERA(Fact.SENSOR_MM, Fact.MAX_RATE, Fact.RECORD_PX),
    LENS(Fact.FOCAL_MM, Fact.F_NUMBER),
    CLOTH_GREEN(Fact.CLOTH_WIDE_M, Fact.CLOTH_HIGH_M),
    CLOTH_BLUE(Fact.CLOTH_WIDE_M, Fact.CLOTH_HIGH_M),
    CLOTH_BLACK(Fact.CLOTH_WIDE_M, Fact.CLOTH_HIGH_M),
    LAMP(Fact.LAMP_M),
    STAND(Fact.STAND_M);

    private final List<Fact> sizes;

    OwnedKind(Fact... sizes) {
        this.sizes = List.of(sizes);
    }

    /// The facts that are numbers of it, in their units.
    public List<Fact> sizes() {
        return sizes;
    }

    /// The kind of this name in the file, if there is one.
    public static Optional<OwnedKind> byCode(String code) {
        return Arrays.stream(values()).filter(k -> k.code().equals(code)).findFirst();
    }
}
