package org.scenothesis.core.shot;

import java.util.List;
import java.util.NoSuchElementException;
import java.util.function.UnaryOperator;
import org.scenothesis.core.finding.HouseRules;

/// A production: its shots and the rules of the house.
public record Production(String title, List<Shot> shots, HouseRules houseRules) {
    public Production {
        shots = List.copyOf(shots);
    }

    /// @throws NoSuchElementException if there is no such shot
    public Shot shot(String id) {
        return shots.stream().filter(s -> s.id().equals(id)).findFirst().orElseThrow(() -> new NoSuchElementException(id));
    }

    public boolean hasShot(String id) {
        return shots.stream().anyMatch(s -> s.id().equals(id));
    }

    public Production withShot(String id, UnaryOperator<Shot> change) {
        return new Production(title, shots.stream().map(s -> s.id().equals(id) ? change.apply(s) : s).toList(), houseRules);
    }

    public Production withShots(List<Shot> other) {
        return new Production(title, other, houseRules);
    }
}
