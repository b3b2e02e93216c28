package org.scenothesis.core.breakdown.staging;

import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.BooleanSupplier;
import org.jspecify.annotations.Nullable;
import org.scenothesis.core.breakdown.plate.Case;
import org.scenothesis.core.breakdown.plate.PlateNeed;
import org.scenothesis.core.finding.HouseRules;
import org.scenothesis.core.stage.SetUp;
import org.scenothesis.core.stage.Stage;
import org.scenothesis.core.stage.proof.Proofs;
import org.scenothesis.core.stage.proof.Proved;
import org.scenothesis.core.stage.proof.Question;
import org.scenothesis.core.stage.proof.SetView;
import org.scenothesis.core.stage.suggest.AvailableKit;
import org.scenothesis.core.stage.suggest.Suggester;
import org.scenothesis.core.stage.suggest.Suggestion;

/// One camera of a shot with everything around it.
///
/// - `group`: lock group of the plates filmed from it; `needs`: those of the plan, in order. `byHand`: somebody put something on its floor;
///   else it is as the plan has it.
/// - `crop`: how much larger the picture is than what is left of it in the end.
/// - `wanted`: how the body of a plate has to be seen, by its key. `background`: the light that all is laid over.
public record Staged(String group, SetUp setUp, boolean byHand, List<PlateNeed> needs, Map<String, Question.Sight> wanted,
        Question.@Nullable Lit background, int widthPx, int heightPx, double crop) {
    public Staged {
        needs = List.copyOf(needs);
        wanted = Map.copyOf(wanted);
    }

    /// Its camera, light and floor.
    public Stage stage() {
        return setUp.stage();
    }

    /// The same with its stage changed.
    public Staged with(Stage other) {
        return new Staged(group, setUp.withStage(other), byHand, needs, wanted, background, widthPx, heightPx, crop);
    }

    /// As the camera sees it while a plate is filmed.
    public SetView view(String plate) {
        return new SetView(stage(), plate, widthPx, heightPx);
    }

    /// A set that keeps the limits for a plate as far as these means can; `wanted`: false to stop looking.
    public Suggestion suggested(String plate, HouseRules rules, AvailableKit means, BooleanSupplier wanted) {
        return new Suggester(s -> question(s, plate, rules), means, wanted).from(stage());
    }

    /// All that can be said of it for a plate, the most serious first.
    public List<Proved> proved(String plate, HouseRules rules) {
        return proved(plate, rules, true);
    }

    /// The same; `fixes`: whether ways to mend are looked for, which takes longer.
    public List<Proved> proved(String plate, HouseRules rules, boolean fixes) {
        Question q = question(stage(), plate, rules);
        return Proofs.of(fixes ? q : q.judged());
    }

    /// All that its proofs are asked against, for a plate.
    public Question question(String plate, HouseRules rules) {
        return question(stage(), plate, rules);
    }

    private Question question(Stage of, String plate, HouseRules rules) {
        // What is filmed in place without a cloth is lit by the place.
        boolean laid = need(plate).map(n -> n.region().clothWideM() > 0 || !n.lockGroup().equals(Case.HOME)).orElse(false);
        return new Question(with(of).view(plate), rules, wanted.get(plate), laid ? background : null, crop);
    }

    /// The planned plate with this key, if it is filmed here.
    public Optional<PlateNeed> need(String key) {
        return needs.stream().filter(n -> n.key().code().equals(key)).findFirst();
    }

    /// The plate that asks the most of the set: the first before a cloth, else the first with somebody in it; empty for none.
    public String hardest() {
        return needs.stream().filter(n -> n.region().clothWideM() > 0).findFirst().or(() -> needs.stream().filter(n -> !n.in().isEmpty())
                .findFirst()).or(() -> needs.stream().findFirst()).map(n -> n.key().code()).orElse("");
    }
}
