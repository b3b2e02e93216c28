package org.scenothesis.core.stage.proof;

import java.util.List;

/// A question about a staged set.
public interface Proof {
    /// Its answers; none where it does not arise.
    List<Proved> of(Question q);
}
