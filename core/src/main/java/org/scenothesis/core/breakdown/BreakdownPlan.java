package org.scenothesis.core.breakdown;

import java.util.List;
import java.util.Optional;
import org.scenothesis.core.breakdown.camera.CameraCard;
import org.scenothesis.core.breakdown.fact.Conflict;
import org.scenothesis.core.breakdown.method.Treatment;
import org.scenothesis.core.breakdown.number.CrowdTable;
import org.scenothesis.core.breakdown.number.Figure;
import org.scenothesis.core.breakdown.plate.KitItem;
import org.scenothesis.core.breakdown.plate.PlateKey;
import org.scenothesis.core.breakdown.plate.PlateNeed;
import org.scenothesis.core.shot.Permission;

/// All that follows from the facts of one shot, except the order, which is the whole day's.
///
/// - `cards`: how every set-up is photographed. `crowds`: who stands where. `declined`: proposed plates the crew does without.
///   `permissions`: leave that has to be got, empty records to be filled in.
public record BreakdownPlan(
        String shot,
        List<PlateNeed> needs,
        List<PlateNeed> declined,
        List<Treatment> treatments,
        List<Figure> figures,
        List<Conflict> conflicts,
        List<BreakdownPlan.Caution> cautions,
        List<KitItem> kit,
        List<Permission> permissions,
        List<CameraCard> cards,
        List<CrowdTable> crowds) {
    public BreakdownPlan {
        needs = List.copyOf(needs);
        declined = List.copyOf(declined);
        treatments = List.copyOf(treatments);
        figures = List.copyOf(figures);
        conflicts = List.copyOf(conflicts);
        cautions = List.copyOf(cautions);
        kit = List.copyOf(kit);
        permissions = List.copyOf(permissions);
        cards = List.copyOf(cards);
        crowds = List.copyOf(crowds);
    }

    /// A plan nothing follows from yet.
    public static BreakdownPlan nothing(String shot) {
        return new BreakdownPlan(shot, List.of(), List.of(), List.of(), List.of(), List.of(), List.of(), List.of(), List.of(), List.of(),
                List.of());
    }

    /// A caution and the illusions it comes from; none for one that the whole shot asks for. 
    public record Caution(CautionKind kind, List<String> illusions) {
        public Caution {
            illusions = List.copyOf(illusions);
        }

        /// Its name in papers, words and the record of what was acknowledged.
        public String code() {
            return kind.code();
        }
    }

    /// The plate with this key, if the plan has it.
    public Optional<PlateNeed> need(PlateKey key) {
        return needs.stream().filter(n -> n.key().equals(key)).findFirst();
    }

    /// The plate that documents and papers call so.
    public Optional<PlateNeed> need(String code) {
        return needs.stream().filter(n -> n.key().code().equals(code)).findFirst();
    }

    /// Hours of hand work that the chosen ways leave for later.
    public double handHours() {
        return treatments.stream().flatMap(t -> t.methods().stream()).filter(m -> m.chosen()).mapToDouble(m -> m.handHours()).sum();
    }
}
