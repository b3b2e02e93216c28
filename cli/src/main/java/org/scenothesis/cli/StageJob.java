package org.scenothesis.cli;

import java.util.List;
import org.scenothesis.core.breakdown.staging.Staged;
import org.scenothesis.core.finding.HouseRules;
import org.scenothesis.core.shot.Shot;
import org.scenothesis.production.store.ProductionFolder;

/// The sets of a shot that `stage` works on.
record StageJob(ProductionFolder folder, Shot shot, List<Staged> sets, HouseRules rules, Output output) {}
