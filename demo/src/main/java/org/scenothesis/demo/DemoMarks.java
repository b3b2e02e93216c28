package org.scenothesis.demo;

import java.util.ArrayList;
import java.util.List;
import org.scenothesis.core.optics.CameraPose;
import org.scenothesis.core.optics.Vec;
import org.scenothesis.core.picture.Point;
import org.scenothesis.core.stage.Evidence;
import org.scenothesis.demo.loft.Loft;

/// What is marked in the clean plate of the loft: edges of the bench and of the window, and how long and deep the bench is, on which
/// everything stands.
final class DemoMarks {
    private static final Vec LEFT_FRONT = new Vec(-0.85, Loft.BENCH_M, 0.28);
    private static final Vec RIGHT_FRONT = new Vec(1.55, Loft.BENCH_M, 0.28);
    private static final Vec LEFT_BACK = new Vec(-0.85, Loft.BENCH_M, 1.05);
    private static final Vec RIGHT_BACK = new Vec(1.55, Loft.BENCH_M, 1.05);
    private static final double PANE = -1.72;

    private DemoMarks() {}

    static List<Evidence> loft() {
        CameraPose pose = Loft.view(1280, 720).pose();
        List<Evidence> out = new ArrayList<>();
        out.add(edge(pose, Evidence.Runs.ACROSS, LEFT_FRONT, RIGHT_FRONT));
        out.add(edge(pose, Evidence.Runs.ACROSS, LEFT_BACK, RIGHT_BACK));
        out.add(edge(pose, Evidence.Runs.AWAY, LEFT_FRONT, LEFT_BACK));
        out.add(edge(pose, Evidence.Runs.AWAY, RIGHT_FRONT, RIGHT_BACK));
        for (double y : new double[] {0.97, 1.413, 1.897}) {
            out.add(edge(pose, Evidence.Runs.AWAY, new Vec(PANE, y, 0.6), new Vec(PANE, y, 1.95)));
        }
        for (double z : new double[] {0.9, 1.45, 2}) {
            out.add(edge(pose, Evidence.Runs.UP, new Vec(PANE, 1, z), new Vec(PANE, 2.35, z)));
        }
        out.add(new Evidence.Span(share(pose, LEFT_FRONT), share(pose, RIGHT_FRONT), 2.4));
        out.add(new Evidence.Span(share(pose, RIGHT_FRONT), share(pose, RIGHT_BACK), 0.77));
        return out;
    }

    private static Evidence edge(CameraPose pose, Evidence.Runs runs, Vec from, Vec to) {
        return new Evidence.Edge(runs, share(pose, from), share(pose, to));
    }

    private static Point share(CameraPose pose, Vec v) {
        Point p = pose.project(v);
        return new Point(p.x() / pose.width(), p.y() / pose.height());
    }
}
