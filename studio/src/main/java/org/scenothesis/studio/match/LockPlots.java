package org.scenothesis.studio.match;

import java.util.List;
import javafx.scene.layout.VBox;
import org.scenothesis.core.finding.HouseRules;
import org.scenothesis.core.finding.Measure;
import org.scenothesis.core.match.LockReport;
import org.scenothesis.production.words.Words;
import org.scenothesis.studio.house.Session;
import org.scenothesis.studio.parts.SeriesPlot;
import org.scenothesis.studio.watch.WatchModel;

/// Shift and exposure of the watched take, frame by frame, with the limits that hold.
final class LockPlots extends VBox {
    private final WatchModel model;
    private final SeriesPlot shift = new SeriesPlot();
    private final SeriesPlot light = new SeriesPlot();

    LockPlots(WatchModel model) {
        super(8);
        this.model = model;
        shift.setPrefHeight(120);
        shift.setMinHeight(110);
        light.setPrefHeight(92);
        light.setMinHeight(84);
        shift.whenMoved(model.session()::goToFrame);
        light.whenMoved(model.session()::goToFrame);
        getChildren().addAll(shift, light);
    }

    void refresh() {
        Session session = model.session();
        HouseRules rules = session.store().now().houseRules();
        int bump = model.lock().map(LockReport::bumpFrame).orElse(-1);
        shift.show(Words.of("lock-plots.shift-at-the-centre"), "px", List.of(
                new SeriesPlot.Series("sideways", "plot-line-a", model.values(LockReport.Sample::x)),
                new SeriesPlot.Series("down", "plot-line-b", model.values(LockReport.Sample::y))), rules.limit(Measure.CAMERA).holds(),
                bump);
        light.show(Words.of("lock-plots.exposure-against-the-reference"), "stop", List.of(
                new SeriesPlot.Series("brighter", "plot-line-c", model.values(LockReport.Sample::exposureStops))),
                rules.limit(Measure.EXPOSURE).holds(), -1);
        follow();
    }

    /// Marks the frame that is shown.
    void follow() {
        shift.at(model.session().frame());
        light.at(model.session().frame());
    }
}
