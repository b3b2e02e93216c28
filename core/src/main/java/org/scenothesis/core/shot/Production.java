package org.scenothesis.core.shot;

import java.util.List;
import java.util.NoSuchElementException;
import java.util.function.UnaryOperator;
import org.scenothesis.core.finding.HouseRules;

/// A production: its shots, the rules of the house, the day of shooting, and the permissions for what is borrowed.
public record Production(String title, List<Shot> shots, HouseRules houseRules, ShootDay day, List<Permission> permissions) {
    public Production {
        shots = List.copyOf(shots);
        permissions = List.copyOf(permissions);
    }

    public Production(String title, List<Shot> shots, HouseRules houseRules) {
        this(title, shots, houseRules, ShootDay.DEFAULT, List.of());
    }

    /// @throws NoSuchElementException if there is no such shot
    public Shot shot(String id) {
        return shots.stream().filter(s -> s.id().equals(id)).findFirst().orElseThrow(() -> new NoSuchElementException(id));
    }

    public boolean hasShot(String id) {
        return shots.stream().anyMatch(s -> s.id().equals(id));
    }

    public Production withShot(String id, UnaryOperator<Shot> change) {
        return new Production(title, shots.stream().map(s -> s.id().equals(id) ? change.apply(s) : s).toList(), houseRules, day, permissions);
    }

    public Production withShots(List<Shot> other) {
        return new Production(title, other, houseRules, day, permissions);
    }

    public Production withHouseRules(HouseRules other) {
        return new Production(title, shots, other, day, permissions);
    }

    public Production withDay(UnaryOperator<ShootDay> change) {
        return new Production(title, shots, houseRules, change.apply(day), permissions);
    }

    public Production withPermissions(List<Permission> other) {
        return new Production(title, shots, houseRules, day, other);
    }
}
