package org.scenothesis.core.breakdown.number;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import org.scenothesis.core.picture.Point;

/// Which performance stands where in a crowd, from where the camera sees it, and on which mark it is filmed: one mark a performance.
///
/// - `about`: who it is. `rows`: one place each, from the front row to the back within every direction of the camera.
///
/// Source: handbook, *Counts that fit*.
public record CrowdTable(String about, List<CrowdTable.Row> rows) {
    /// A third of the frame as one camera direction sees it.
    public enum Third {
        LEFT,
        MIDDLE,
        RIGHT
    }

    /// One place.
    ///
    /// - `performance`, `place`, `row`, `direction`, `mark`: counted from 1. `repeat`: whether the performance is seen elsewhere already.
    public record Row(int performance, int place, int row, Third third, int direction, int mark, boolean repeat) {}

    public CrowdTable {
        rows = List.copyOf(rows);
    }

    /// Crowds that different directions of the camera see, side by side; no performance is seen in two directions.
    public static CrowdTable of(String about, List<Crowd> directions, List<List<Point>> places, List<Integer> lines) {
        List<Row> out = new ArrayList<>();
        int performances = 0;
        for (int d = 0; d < directions.size(); d++) {
            Map<Integer, Boolean> seen = new LinkedHashMap<>();
            List<Point> at = places.get(d);
            int each = (int) Math.ceil(at.size() / (double) Math.min(lines.get(d), at.size()));
            for (int i = 0; i < at.size(); i++) {
                int performance = performances + directions.get(d).performance().get(i) + 1;
                boolean repeat = seen.put(performance, true) != null;
                out.add(new Row(performance, out.size() + 1, i / each + 1, Third.values()[Math.clamp((int) (at.get(i).x() * 3), 0, 2)],
                        d + 1, performance, repeat));
            }
            performances += directions.get(d).uniques();
        }
        return new CrowdTable(about, out);
    }

    /// How many performances have to be filmed.
    public int performances() {
        return rows.stream().mapToInt(Row::performance).max().orElse(0);
    }

    /// From which direction a performance is filmed.
    public int direction(int performance) {
        return rows.stream().filter(r -> r.performance() == performance).mapToInt(Row::direction).findFirst().orElse(1);
    }
}
