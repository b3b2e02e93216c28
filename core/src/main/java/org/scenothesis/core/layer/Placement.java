package org.scenothesis.core.layer;

import org.scenothesis.core.optics.CameraPose;
import org.scenothesis.core.optics.Vec;
import org.scenothesis.core.picture.PlanarMap;
import org.scenothesis.core.picture.Point;
import org.scenothesis.core.shot.step.SetPlace;

/// Where an element filmed with its foot at one place of the set appears when it stands at another.
///
/// The element is an upright card facing the camera: its picture is shifted from foot to foot and scaled by the ratio of the distances.
public record Placement(CameraPose pose, Vec filmedFoot, SetPlace.Stand stand) {
    private static final double LEAST_DEPTH_M = 0.05;

    /// Distance along the camera's axis.
    private double depth(Vec p) {
        return p.minus(pose.position()).dot(pose.worldToCamera()[2]);
    }

    /// Whether the camera can see it: both where it was filmed and where it stands lie before the lens.
    public boolean seen() {
        return depth(filmedFoot) >= LEAST_DEPTH_M && depth(stand.foot()) >= LEAST_DEPTH_M;
    }

    /// Size of the placed element against the filmed one.
    ///
    /// Meaningless where it is not [#seen].
    public double scale() {
        return stand.size() * depth(filmedFoot) / depth(stand.foot());
    }

    /// Element pixel to picture pixel.
    public PlanarMap elementToPicture() {
        Point from = pose.project(filmedFoot);
        Point to = pose.project(stand.foot());
        return PlanarMap.similarity(scale(), Math.toRadians(stand.turnDeg()), from, new Point(to.x() - from.x(), to.y() - from.y()));
    }

    /// The place on the card, upright through the placed foot and facing the camera, that a picture point shows.
    public Vec onCard(Point picture) {
        Vec d = pose.ray(picture);
        Vec forward = pose.worldToCamera()[2];
        Vec level = new Vec(forward.x(), 0, forward.z()).unit();
        double t = stand.foot().minus(pose.position()).dot(level) / d.dot(level);
        return pose.position().plus(d.times(t));
    }
}
