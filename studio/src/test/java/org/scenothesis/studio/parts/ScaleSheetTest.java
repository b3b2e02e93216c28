package org.scenothesis.studio.parts;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import javafx.scene.Node;
import javafx.scene.shape.Line;
import javafx.scene.shape.Polygon;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.scenothesis.core.picture.Point;
import org.scenothesis.core.stage.draw.Mark;

/// Where the metres of a set lie on the sheets of Stage and Layer.
class ScaleSheetTest {
    private static ScaleSheet sheet(boolean above, double w, double h) {
        ScaleSheet s = new ScaleSheet(above);
        s.sized(w, h);
        s.fit(new Point(-2, -1), new Point(2, 5));
        return s;
    }

    @ParameterizedTest
    @CsvSource({"true, 400, 608, 100", "true, 800, 308, 50", "false, 200, 900, 50"})
    void itIsAsLargeAsItGoes(boolean above, double w, double h, double scale) {
        ScaleSheet s = sheet(above, w, h);
        assertThat(s.scale()).isCloseTo(scale, within(1e-9));
        assertThat(s.px(-2)).isGreaterThanOrEqualTo(-1e-9);
        assertThat(s.px(2)).isLessThanOrEqualTo(w + 1e-9);
        assertThat(s.py(5)).isGreaterThanOrEqualTo(-1e-9);
        assertThat(s.py(-1)).isLessThanOrEqualTo(h + 1e-9);
        assertThat(s.px(2) - s.px(-2)).isCloseTo(4 * scale, within(1e-9));
        assertThat(s.py(-1) - s.py(5)).as("up is up").isCloseTo(6 * scale, within(1e-9));
    }

    @Test
    void fromTheSideASetStandsOnTheEdgeAndFromAboveItLiesInTheMiddle() {
        assertThat(sheet(false, 200, 900).py(-1)).isCloseTo(900, within(1e-9));
        ScaleSheet above = sheet(true, 200, 900);
        assertThat(above.py(2)).isCloseTo(450, within(1e-9));
    }

    @ParameterizedTest
    @CsvSource({"-1.3, 4.2", "0, 0", "1.99, -0.5"})
    void whatIsPutWhereItLiesIsWhereItWas(double x, double y) {
        ScaleSheet s = sheet(true, 333, 444);
        assertThat(s.worldX(s.px(x))).isCloseTo(x, within(1e-9));
        assertThat(s.worldY(s.py(y))).isCloseTo(y, within(1e-9));
    }

    @Test
    void smallMetresAreRuledByFives() {
        assertThat(sheet(true, 400, 608).step()).isEqualTo(1);
        ScaleSheet far = new ScaleSheet(true);
        far.sized(100, 100);
        far.fit(new Point(-20, 0), new Point(20, 40));
        assertThat(far.step()).isEqualTo(5);
        List<Node> lines = far.grid();
        assertThat(lines).isNotEmpty().allSatisfy(n -> assertThat(n.getStyleClass()).contains("plot-grid"));
        assertThat(lines.stream().filter(n -> ((Line) n).getStartX() == ((Line) n).getEndX()).count()).as("every fifth metre across")
                .isBetween(8L, 10L);
    }

    @Test
    void marksAreDrawnAtTheirPlacesInTheirStyleAndFaintWhereTheyWereBefore() {
        ScaleSheet s = sheet(true, 400, 608);
        Line wall = (Line) s.node(new Mark.Line(Mark.Style.WALL, "", new Point(-2, -1), new Point(2, -1)), false);
        assertThat(wall.getStartX()).isCloseTo(s.px(-2), within(1e-9));
        assertThat(wall.getEndY()).isCloseTo(s.py(-1), within(1e-9));
        assertThat(wall.getStyleClass()).contains("floor-wall-line");
        assertThat(wall.getOpacity()).isEqualTo(1);
        Polygon cloth = (Polygon) s.node(new Mark.Area(Mark.Style.GREEN, "cloth",
                List.of(new Point(0, 0), new Point(1, 0), new Point(1, 0.2))), true);
        assertThat(cloth.getPoints()).hasSize(6).startsWith(s.px(0), s.py(0));
        assertThat(cloth.getStyleClass()).contains("floor-green");
        assertThat(cloth.getOpacity()).isLessThan(0.5);
        assertThat(cloth.isMouseTransparent()).isTrue();
    }
}
