package org.scenothesis.studio.layer;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import org.junit.jupiter.api.Test;
import org.scenothesis.core.picture.Picture;
import org.scenothesis.core.shot.Layer;
import org.scenothesis.core.shot.Shot;

/// Two pictures on both sides of a line.
class WipeLineTest {
    @Test
    void beforeLiesLeftOfTheWipeAndAfterRight() {
        Picture out = WipeLine.joined(Picture.filled(10, 4, 1, 0, 0), Picture.filled(10, 4, 0, 1, 0), 0.3);
        assertThat(out.r().at(2, 3)).isEqualTo(1);
        assertThat(out.g().at(2, 3)).isZero();
        assertThat(out.g().at(3, 3)).isEqualTo(1);
        Shot two = new Shot("1", 1, "", "", 1, List.of(), List.of(), List.of(), List.of(Layer.of("a", "", "p"), Layer.of("b", "", "q")),
                null);
        assertThat(WipeLine.before(two).layers()).hasSize(1);
    }
}
