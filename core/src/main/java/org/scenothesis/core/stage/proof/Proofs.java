package org.scenothesis.core.stage.proof;

import java.util.Comparator;
import java.util.List;

/// All questions about a staged set.
public final class Proofs {
    private static final List<Proof> ALL = List.of(new ClothProof(), new LensProof(), new MatchProof(), new GlassProof(), new RigProof());

    private Proofs() {}

    /// Every answer, the most serious first.
    public static List<Proved> of(Question q) {
        return ALL.stream().flatMap(p -> p.of(q).stream()).sorted(Comparator.comparingInt((Proved p) -> -p.finding().verdict().weight()))
                .toList();
    }
}
