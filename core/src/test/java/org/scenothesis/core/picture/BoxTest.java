package org.scenothesis.core.picture;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatIllegalArgumentException;

import java.util.List;
import org.assertj.core.data.Offset;
import org.junit.jupiter.api.Test;

class BoxTest {
    @Test
    void boxesGoAroundPointsAndValues() {
        assertThat(Box.around(List.of(new Point(1.2, 3.7), new Point(5.5, 2.1)))).isEqualTo(new Box(1, 2, 6, 4));
        assertThat(Box.around(List.of()).isEmpty()).isTrue();
        Plane p = Plane.of(10, 8);
        p.data()[3 * 10 + 4] = 1;
        p.data()[5 * 10 + 7] = 1;
        assertThat(Box.around(p, 0)).isEqualTo(new Box(4, 3, 8, 6));
        assertThat(Box.around(Plane.of(4, 4), 0).isEmpty()).isTrue();
    }

    @Test
    void growingIsHeldByWhatItMustStayWithin() {
        Box b = new Box(2, 2, 4, 4).grown(5).within(new Box(0, 0, 6, 20));
        assertThat(b).isEqualTo(new Box(0, 0, 6, 9));
        assertThat(new Box(5, 5, 3, 9).isEmpty()).isTrue();
        assertThat(new Box(5, 5, 3, 9).width()).isZero();
    }

    @Test
    void whatIsCutIsPutBackWhereItWas() {
        Plane p = Plane.of(9, 7);
        for (int i = 0; i < p.data().length; i++) {
            p.data()[i] = i;
        }
        Box b = new Box(2, 1, 6, 5);
        Plane part = b.cut(p);
        assertThat(part.at(0, 0)).isEqualTo(p.at(2, 1));
        Plane back = b.put(part, 9, 7, -1);
        for (int y = 0; y < 7; y++) {
            for (int x = 0; x < 9; x++) {
                boolean in = x >= 2 && x < 6 && y >= 1 && y < 5;
                assertThat(back.at(x, y)).isEqualTo(in ? p.at(x, y) : -1);
            }
        }
        assertThat(b.corners()).hasSize(4);
    }

    @Test
    void aWarpWithinABoxIsThatPartOfTheWholeWarp() {
        Plane p = Plane.of(40, 30);
        for (int i = 0; i < p.data().length; i++) {
            p.data()[i] = (i * 7919) % 101;
        }
        PlanarMap m = PlanarMap.similarity(1.1, 0.1, new Point(20, 15), new Point(2, -1));
        Plane whole = Resample.warp(p, m, Bands.sequential());
        Box b = new Box(5, 6, 25, 20);
        Plane part = Plane.of(20, 14);
        Resample.warpInto(p, m.between(b, Box.all(p)), part, Bands.sequential());
        for (int i = 0; i < part.data().length; i++) {
            assertThat(part.data()[i]).isCloseTo(b.cut(whole).data()[i], Offset.offset(1e-3f));
        }
    }

    @Test
    void movedJoinedAndEmptyBoxes() {
        assertThat(new Box(1, 2, 3, 4).moved(10, -2)).isEqualTo(new Box(11, 0, 13, 2));
        assertThat(new Box(0, 0, 2, 2).and(new Box(5, 1, 6, 9))).isEqualTo(new Box(0, 0, 6, 9));
        assertThat(new Box(3, 3, 3, 9).and(new Box(5, 1, 6, 9))).isEqualTo(new Box(5, 1, 6, 9));
        assertThat(new Box(5, 1, 6, 9).and(new Box(3, 3, 3, 9))).isEqualTo(new Box(5, 1, 6, 9));
        assertThatIllegalArgumentException().isThrownBy(() -> new Piece(Picture.of(4, 4), new Box(0, 0, 4, 5)));
    }

    @Test
    void growingByDoublingIsGrowingByLooking() {
        Plane p = Plane.of(37, 21);
        for (int i = 0; i < p.data().length; i++) {
            p.data()[i] = (i * 7919) % 97;
        }
        for (int radius : new int[] {1, 2, 3, 5, 8, 13}) {
            Plane fast = Morphology.dilate(p, radius, Bands.sequential());
            for (int y = 0; y < 21; y++) {
                for (int x = 0; x < 37; x++) {
                    float most = 0;
                    for (int v = Math.max(0, y - radius); v <= Math.min(20, y + radius); v++) {
                        for (int u = Math.max(0, x - radius); u <= Math.min(36, x + radius); u++) {
                            most = Math.max(most, p.at(u, v));
                        }
                    }
                    assertThat(fast.at(x, y)).isEqualTo(most);
                }
            }
        }
    }
}
