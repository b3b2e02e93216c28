package org.scenothesis.core.rehearsal.trace;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.List;
import java.util.SplittableRandom;
import org.assertj.core.data.Offset;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import org.scenothesis.core.optics.Vec;

/// Rays against solids, with meetings known from geometry, and the tree of boxes against looking at every solid.
class SolidsTest {
    private static final Material GREY = Material.matte(Rgb.grey(0.5));
    private static final Offset<Double> EXACT = Offset.offset(1e-9);

    private static Ray ray(Vec from, Vec towards) {
        Ray r = new Ray();
        Vec d = towards.unit();
        r.aim(from.x(), from.y(), from.z(), d.x(), d.y(), d.z());
        return r;
    }

    private static Ray met(Solid s, Vec from, Vec towards) {
        Ray r = ray(from, towards);
        s.hit(r);
        return r;
    }

    @Test
    void aBallIsMetOneRadiusBeforeItsCentre() {
        Solid ball = new Ellipsoid(new Vec(0, 0, 5), new Vec(1, 1, 1), 0, GREY, 3);
        Ray r = met(ball, Vec.ZERO, new Vec(0, 0, 1));
        assertThat(r.far).isCloseTo(4, EXACT);
        assertThat(r.nz).isCloseTo(-1, EXACT);
        assertThat(met(ball, new Vec(0, 1.01, 0), new Vec(0, 0, 1)).met).isNull();
    }

    @Test
    void fromWithinABallItsFarSideIsMet() {
        Solid ball = new Ellipsoid(Vec.ZERO, new Vec(2, 1, 1), 0, GREY, 0);
        assertThat(met(ball, Vec.ZERO, new Vec(1, 0, 0)).far).isCloseTo(2, EXACT);
        assertThat(met(ball, new Vec(5, 0, 0), new Vec(1, 0, 0)).met).as("behind the ray").isNull();
    }

    @Test
    void aTiltedEllipsoidHasItsLongAxisWhereItIsTilted() {
        Solid upright = new Ellipsoid(Vec.ZERO, new Vec(2, 1, 1), Math.PI / 2, GREY, 0);
        assertThat(met(upright, new Vec(0, 5, 0), new Vec(0, -1, 0)).far).isCloseTo(3, EXACT);
        assertThat(met(upright, new Vec(5, 0, 0), new Vec(-1, 0, 0)).far).isCloseTo(4, EXACT);
    }

    @Test
    void aBoxIsMetOnTheFaceThatLooksAtTheRay() {
        Solid box = BoxSolid.between(new Vec(-1, -1, 4), new Vec(1, 1, 6), GREY, 0);
        Ray front = met(box, Vec.ZERO, new Vec(0, 0, 1));
        assertThat(front.far).isCloseTo(4, EXACT);
        assertThat(new double[] {front.nx, front.ny, front.nz}).containsExactly(new double[] {0, 0, -1}, EXACT);
        Ray above = met(box, new Vec(0.5, 3, 5), new Vec(0, -1, 0));
        assertThat(above.far).isCloseTo(2, EXACT);
        assertThat(above.ny).isEqualTo(1);
        assertThat(met(box, new Vec(0, 0, 5), new Vec(1, 0, 0)).far).as("from within").isCloseTo(1, EXACT);
        assertThat(met(box, new Vec(0, 1.5, 0), new Vec(0, 0, 1)).met).as("passing over").isNull();
    }

    @Test
    void aTurnedBoxShowsItsCorner() {
        Solid box = new BoxSolid(new Vec(0, 0, 5), new Vec(1, 1, 1), Math.PI / 4, GREY, 0);
        assertThat(met(box, new Vec(1e-9, 0, 0), new Vec(0, 0, 1)).far).isCloseTo(5 - Math.sqrt(2), Offset.offset(1e-6));
        assertThat(box.bounds()[0]).isCloseTo(-Math.sqrt(2), EXACT);
    }

    @Test
    void aRodIsMetOnItsSideAndOnItsRoundEnds() {
        Solid rod = new RoundCone(new Vec(0, 0, 5), new Vec(0, 2, 5), 0.5, 0.5, GREY, 0);
        assertThat(met(rod, new Vec(0, 1, 0), new Vec(0, 0, 1)).far).isCloseTo(4.5, EXACT);
        assertThat(met(rod, new Vec(0, 9, 5), new Vec(0, -1, 0)).far).as("from above").isCloseTo(6.5, EXACT);
        assertThat(met(rod, new Vec(0, -0.4, 0), new Vec(0, 0, 1)).far).as("lower ball").isCloseTo(5 - 0.3, EXACT);
        assertThat(met(rod, new Vec(0, -0.6, 0), new Vec(0, 0, 1)).met).isNull();
    }

    @Test
    void aConeIsThickerAtItsThickEnd() {
        Solid cone = new RoundCone(new Vec(0, 0, 5), new Vec(0, 2, 5), 0.6, 0.2, GREY, 0);
        double low = met(cone, new Vec(0, 0.3, 0), new Vec(0, 0, 1)).far;
        double high = met(cone, new Vec(0, 1.7, 0), new Vec(0, 0, 1)).far;
        assertThat(low).isLessThan(high);
        assertThat(met(cone, new Vec(0.55, 0.1, 0), new Vec(0, 0, 1)).met).isNotNull();
        assertThat(met(cone, new Vec(0.55, 1.9, 0), new Vec(0, 0, 1)).met).isNull();
    }

    @Test
    void aPanelEndsAtItsEdgesAndAnOpeningLetsLightThrough() {
        Panel wall = Panel.flat(new Vec(-1, -1, 3), new Vec(2, 0, 0), new Vec(0, 2, 0), GREY, 0);
        Ray r = met(wall, new Vec(0.25, 0.5, 0), new Vec(0, 0, 1));
        assertThat(r.far).isCloseTo(3, EXACT);
        assertThat(r.u).isCloseTo(1.25, EXACT);
        assertThat(r.v).isCloseTo(1.5, EXACT);
        assertThat(met(wall, new Vec(1.01, 0, 0), new Vec(0, 0, 1)).met).isNull();
        assertThat(met(wall, Vec.ZERO, new Vec(1, 0, 0)).met).as("along the wall").isNull();
        Panel pane = new Panel(wall.corner(), wall.edgeU(), wall.edgeV(), 0, true, GREY, 0);
        Ray light = ray(Vec.ZERO, new Vec(0, 0, 1));
        light.shadow = true;
        pane.hit(light);
        assertThat(light.met).isNull();
        assertThat(met(pane, Vec.ZERO, new Vec(0, 0, 1)).met).isSameAs(pane);
    }

    @Test
    void wrinklesBendTheNormalAndKeepItsLength() {
        Panel cloth = new Panel(new Vec(-1, -1, 3), new Vec(2, 0, 0), new Vec(0, 2, 0), 0.4, false, GREY, 0);
        double most = 0;
        for (int i = 0; i < 40; i++) {
            Ray r = met(cloth, new Vec(-0.9 + i * 0.045, 0.3, 0), new Vec(0, 0, 1));
            assertThat(r.nx * r.nx + r.ny * r.ny + r.nz * r.nz).isCloseTo(1, EXACT);
            most = Math.max(most, Math.hypot(r.nx, r.ny));
        }
        assertThat(most).isBetween(0.1, 0.7);
    }

    @ParameterizedTest
    @ValueSource(ints = {0, 1, 2, 3, 17, 120})
    void theTreeFindsWhatLookingAtEverySolidFinds(int count) {
        SplittableRandom random = new SplittableRandom(count);
        List<Solid> solids = new ArrayList<>();
        for (int i = 0; i < count; i++) {
            solids.add(any(random, i));
        }
        Bvh tree = new Bvh(solids);
        int meetings = 0;
        for (int i = 0; i < 400; i++) {
            Vec from = place(random);
            Vec towards = place(random).minus(place(random));
            Ray slow = ray(from, towards);
            solids.forEach(s -> s.hit(slow));
            Ray quick = ray(from, towards);
            tree.trace(quick);
            assertThat(quick.met).isEqualTo(slow.met);
            assertThat(quick.far).isEqualTo(slow.far);
            Ray shade = ray(from, towards);
            shade.shadow = true;
            assertThat(tree.blocked(shade)).isEqualTo(slow.met != null);
            meetings += slow.met == null ? 0 : 1;
        }
        assertThat(meetings).isGreaterThanOrEqualTo(count);
    }

    @Test
    void whatIsIgnoredCastsNoShadow() {
        Bvh tree = new Bvh(List.of(new Ellipsoid(new Vec(0, 0, 5), new Vec(1, 1, 1), 0, GREY, 4)));
        Ray own = ray(Vec.ZERO, new Vec(0, 0, 1));
        own.ignoredOwner = 4;
        assertThat(tree.blocked(own)).isFalse();
        Ray other = ray(Vec.ZERO, new Vec(0, 0, 1));
        other.far = 3;
        assertThat(tree.blocked(other)).as("beyond the lamp").isFalse();
    }

    private static Vec place(SplittableRandom r) {
        return new Vec(r.nextDouble(-3, 3), r.nextDouble(-3, 3), r.nextDouble(-3, 3));
    }

    private static Solid any(SplittableRandom r, int owner) {
        Vec at = place(r);
        return switch (owner % 4) {
            case 0 -> new Ellipsoid(at, new Vec(r.nextDouble(0.1, 0.6), r.nextDouble(0.1, 0.6), 0.3), r.nextDouble(3), GREY, owner);
            case 1 -> new BoxSolid(at, new Vec(0.3, r.nextDouble(0.1, 0.6), 0.2), r.nextDouble(3), GREY, owner);
            case 2 -> new RoundCone(at, at.plus(place(r).times(0.3)), 0.2, 0.1, GREY, owner);
            default -> Panel.flat(at, new Vec(0.8, 0, 0), new Vec(0, 0.3, 0.6), GREY, owner);
        };
    }

    @Test
    void everySolidIsMetWhereItsBoundsSay() {
        for (Solid s : new Solid[] {
            new BoxSolid(new Vec(1, 1, 1), new Vec(0.3, 0.2, 0.1), 0.4, GREY, 0), new Ellipsoid(new Vec(1, 1, 1), new Vec(0.3, 0.2, 0.1),
                    0.5, GREY, 0),
            new RoundCone(new Vec(0.8, 1, 1), new Vec(1.2, 1.1, 1), 0.1, 0.05, GREY, 0),
            Panel.flat(new Vec(0.8, 0.8, 1), new Vec(0.4, 0, 0), new Vec(0, 0.4, 0), GREY, 0)
        }) {
            Ray ray = new Ray();
            ray.aim(1, 1.02, -3, 0, 0, 1);
            s.hit(ray);
            assertThat(ray.met).isSameAs(s);
            double z = -3 + ray.far;
            assertThat(z).isBetween(s.bounds()[2] - 1e-6, s.bounds()[5] + 1e-6);
            Ray away = new Ray();
            away.aim(1, 1.02, -3, 0, 0, -1);
            s.hit(away);
            assertThat(away.met).isNull();
        }
    }
}
