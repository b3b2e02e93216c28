package org.scenothesis.core.breakdown;

import java.util.List;
import org.scenothesis.core.finding.HouseRules;
import org.scenothesis.core.shot.Wonder;
import org.scenothesis.core.shot.WonderKind;

/// What one kind of wonder asks, and which plates, methods, kit and cautions follow from the answers. One unit per kind; they know nothing of each other.
public interface WonderRule {
    WonderKind kind();

    /// The questions that matter, given the answers so far.
    List<Question> questions(Wonder wonder);

    List<PlateNeed> plates(Wonder wonder, HouseRules rules);

    List<Method> methods(Wonder wonder);

    /// Caution codes; `caution.<code>` are their words.
    List<String> cautions(Wonder wonder);

    /// Kit codes; `kit.<code>` are their words.
    List<String> kit(Wonder wonder);
}
