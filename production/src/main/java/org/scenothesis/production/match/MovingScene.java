package org.scenothesis.production.match;

import de.javagl.jgltf.model.AnimationModel;
import de.javagl.jgltf.model.creation.AccessorModels;
import de.javagl.jgltf.model.creation.GltfModelBuilder;
import de.javagl.jgltf.model.creation.MeshPrimitiveBuilder;
import de.javagl.jgltf.model.impl.DefaultAccessorModel;
import de.javagl.jgltf.model.impl.DefaultAnimationModel;
import de.javagl.jgltf.model.impl.DefaultCameraModel;
import de.javagl.jgltf.model.impl.DefaultCameraPerspectiveModel;
import de.javagl.jgltf.model.impl.DefaultGltfModel;
import de.javagl.jgltf.model.impl.DefaultMeshModel;
import de.javagl.jgltf.model.impl.DefaultNodeModel;
import de.javagl.jgltf.model.impl.DefaultSceneModel;
import java.nio.FloatBuffer;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Objects;
import java.util.function.IntToDoubleFunction;
import org.scenothesis.core.cameratrack.MovingCamera;
import org.scenothesis.core.cameratrack.MovingCamera.Frame;
import org.scenothesis.core.optics.Vec;
import org.scenothesis.production.stage.GltfFile;
import org.scenothesis.production.store.StoreException;
import org.scenothesis.production.words.Words;

/// The camera of a take in three dimensions for other programs: a camera that moves, and the places it was solved from. glTF 2.0, Y up;
/// their Z runs towards the camera, so ours is turned round.
public final class MovingScene {
    private MovingScene() {}

    /// - `seconds`: when a frame is shown.
    ///
    /// @throws StoreException if the ending is neither `.glb` nor `.gltf` or the file cannot be written
    public static void write(MovingCamera c, IntToDoubleFunction seconds, Path file) throws StoreException {
        if (c.placed() == 0) {
            throw new StoreException(file, Words.of("moving-scene.no-frame-of-the-take-could"));
        }
        GltfFile.write(file, "a path", () -> model(c, seconds));
    }

    private static DefaultGltfModel model(MovingCamera c, IntToDoubleFunction seconds) {
        GltfModelBuilder builder = GltfModelBuilder.create();
        DefaultSceneModel scene = new DefaultSceneModel();
        DefaultNodeModel camera = camera(c);
        scene.addNode(camera);
        if (!c.places().isEmpty()) {
            scene.addNode(places(c));
        }
        builder.addSceneModel(scene);
        builder.addAnimationModel(moves(c, seconds, camera));
        return builder.build();
    }

    private static DefaultNodeModel camera(MovingCamera c) {
        double focal = c.frames().stream().filter(Objects::nonNull).findFirst().orElseThrow().focalPx();
        DefaultCameraPerspectiveModel lens = new DefaultCameraPerspectiveModel();
        lens.setYfov((float) (2 * Math.atan(0.5 * c.height() / focal)));
        lens.setAspectRatio((float) c.width() / c.height());
        lens.setZnear(0.01f);
        DefaultCameraModel model = new DefaultCameraModel();
        model.setCameraPerspectiveModel(lens);
        DefaultNodeModel node = new DefaultNodeModel();
        node.setName(c.focalPx() == null ? Words.of("moving-scene.camera-its-lens-assumed") : "camera");
        node.setCameraModel(model);
        return node;
    }

    private static DefaultNodeModel places(MovingCamera c) {
        float[] all = new float[3 * c.places().size()];
        for (int i = 0; i < c.places().size(); i++) {
            put(c.places().get(i), all, 3 * i);
        }
        MeshPrimitiveBuilder mesh = MeshPrimitiveBuilder.create();
        mesh.setPoints();
        mesh.addPositions3D(FloatBuffer.wrap(all));
        DefaultMeshModel model = new DefaultMeshModel();
        model.addMeshPrimitiveModel(mesh.build());
        DefaultNodeModel node = new DefaultNodeModel();
        node.setName("places");
        node.addMeshModel(model);
        return node;
    }

    private static DefaultAnimationModel moves(MovingCamera c, IntToDoubleFunction seconds, DefaultNodeModel camera) {
        List<Integer> there = new ArrayList<>();
        for (int i = 0; i < c.frames().size(); i++) {
            if (c.frames().get(i) != null) {
                there.add(i);
            }
        }
        float[] when = new float[there.size()];
        float[] at = new float[3 * there.size()];
        float[] turn = new float[4 * there.size()];
        double[] last = {0, 0, 0, 1};
        for (int k = 0; k < there.size(); k++) {
            Frame f = Objects.requireNonNull(c.frames().get(there.get(k)));
            when[k] = (float) seconds.applyAsDouble(there.get(k));
            put(f.position(), at, 3 * k);
            last = quaternion(f, last);
            for (int i = 0; i < 4; i++) {
                turn[4 * k + i] = (float) last[i];
            }
        }
        DefaultAccessorModel time = AccessorModels.createFloatScalar(FloatBuffer.wrap(when));
        DefaultAnimationModel out = new DefaultAnimationModel();
        out.addChannel(channel(time, AccessorModels.createFloat3D(FloatBuffer.wrap(at)), camera, "translation"));
        out.addChannel(channel(time, AccessorModels.createFloat4D(FloatBuffer.wrap(turn)), camera, "rotation"));
        return out;
    }

    private static DefaultAnimationModel.DefaultChannel channel(DefaultAccessorModel time, DefaultAccessorModel values,
            DefaultNodeModel node, String path) {
        return new DefaultAnimationModel.DefaultChannel(new DefaultAnimationModel.DefaultSampler(time, AnimationModel.Interpolation.LINEAR,
                values), node, path);
    }

    private static void put(Vec v, float[] to, int at) {
        to[at] = (float) v.x();
        to[at + 1] = (float) v.y();
        to[at + 2] = (float) -v.z();
    }

    /// x, y, z, w of the turn from a camera that looks along −Z with Y up, on the side of the one before (Shepperd 1978).
    private static double[] quaternion(Frame f, double[] before) {
        double[][] m = {{f.right().x(), -f.down().x(), -f.ahead().x()}, {f.right().y(), -f.down().y(), -f.ahead().y()},
                {-f.right().z(), f.down().z(), f.ahead().z()}};
        double trace = m[0][0] + m[1][1] + m[2][2];
        double[] q = new double[4];
        if (trace > 0) {
            double s = 2 * Math.sqrt(1 + trace);
            q = new double[] {(m[2][1] - m[1][2]) / s, (m[0][2] - m[2][0]) / s, (m[1][0] - m[0][1]) / s, s / 4};
        } else {
            int i = m[0][0] >= m[1][1] && m[0][0] >= m[2][2] ? 0 : m[1][1] >= m[2][2] ? 1 : 2;
            int j = (i + 1) % 3;
            int k = (i + 2) % 3;
            double s = 2 * Math.sqrt(1 + m[i][i] - m[j][j] - m[k][k]);
            q[i] = s / 4;
            q[j] = (m[j][i] + m[i][j]) / s;
            q[k] = (m[k][i] + m[i][k]) / s;
            q[3] = (m[k][j] - m[j][k]) / s;
        }
        double dot = q[0] * before[0] + q[1] * before[1] + q[2] * before[2] + q[3] * before[3];
        return dot < 0 ? new double[] {-q[0], -q[1], -q[2], -q[3]} : q;
    }
}
