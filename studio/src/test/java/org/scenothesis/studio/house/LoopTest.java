package org.scenothesis.studio.house;

import static org.assertj.core.api.Assertions.assertThat;

import org.junit.jupiter.api.Test;

class LoopTest {
    @Test
    void marksAreSetAndTakenAwayAtTheSamePlace() {
        Loop l = Loop.NONE.begun(1).ended(2);
        assertThat(l).isEqualTo(new Loop(1, 2));
        assertThat(l.begun(1)).as("once more takes it away").isEqualTo(new Loop(0, 2));
        assertThat(l.begun(1).ended(2)).isEqualTo(Loop.NONE);
        assertThat(l.marked()).isTrue();
        assertThat(Loop.NONE.marked()).isFalse();
    }

    @Test
    void anEndBeforeTheBeginningLeavesOnlyTheNewMark() {
        assertThat(new Loop(1, 2).begun(3)).isEqualTo(new Loop(3, Double.MAX_VALUE));
        assertThat(new Loop(1, 2).ended(0.5)).isEqualTo(new Loop(0, 0.5));
    }

    @Test
    void playBeginsWithinAndComesRound() {
        Loop l = new Loop(1, 2);
        assertThat(l.start(0.2, 4, 0.04)).isEqualTo(1);
        assertThat(l.start(1.4, 4, 0.04)).isEqualTo(1.4);
        assertThat(l.start(1.98, 4, 0.04)).as("at its last frame").isEqualTo(1);
        assertThat(l.over(2, 4)).isTrue();
        assertThat(l.over(1.99, 4)).isFalse();
        assertThat(Loop.NONE.over(4, 4)).isTrue();
        assertThat(Loop.NONE.start(3.99, 4, 0.04)).as("from the end of the shot from its beginning").isZero();
    }
}
