package org.scenothesis.production.stage;

import de.javagl.jgltf.model.creation.GltfModelBuilder;
import de.javagl.jgltf.model.creation.MaterialBuilder;
import de.javagl.jgltf.model.creation.MeshPrimitiveBuilder;
import de.javagl.jgltf.model.impl.DefaultCameraModel;
import de.javagl.jgltf.model.impl.DefaultCameraPerspectiveModel;
import de.javagl.jgltf.model.impl.DefaultGltfModel;
import de.javagl.jgltf.model.impl.DefaultMeshModel;
import de.javagl.jgltf.model.impl.DefaultMeshPrimitiveModel;
import de.javagl.jgltf.model.impl.DefaultNodeModel;
import de.javagl.jgltf.model.impl.DefaultSceneModel;
import de.javagl.jgltf.model.v2.MaterialModelV2;
import java.nio.FloatBuffer;
import java.nio.IntBuffer;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import org.scenothesis.core.optics.Vec;
import org.scenothesis.core.stage.StageCamera;
import org.scenothesis.core.stage.Surroundings;
import org.scenothesis.core.stage.piece.Backdrop;
import org.scenothesis.core.stage.piece.Body;
import org.scenothesis.core.stage.piece.Camera;
import org.scenothesis.core.stage.piece.Flag;
import org.scenothesis.core.stage.piece.Glass;
import org.scenothesis.core.stage.piece.Lamp;
import org.scenothesis.core.stage.piece.Piece;
import org.scenothesis.core.stage.piece.Spot;
import org.scenothesis.core.stage.piece.Support;
import org.scenothesis.core.stage.piece.Wall;
import org.scenothesis.core.stage.proof.Block;
import org.scenothesis.core.stage.proof.SetView;
import org.scenothesis.production.store.StoreException;

/// A set with its camera in three dimensions for other programs: glTF 2.0, metres, Y up; their Z runs towards the camera, so ours is turned
/// round.
public final class SetScene {
    private static final int[] FACES = {0, 2, 3, 0, 3, 1, 4, 5, 7, 4, 7, 6, 0, 1, 5, 0, 5, 4, 2, 6, 7, 2, 7, 3, 0, 4, 6, 0, 6, 2, 1, 3, 7,
            1, 7, 5};

    private SetScene() {}

    /// Writes `.glb` in one file, `.gltf` with its data embedded.
    ///
    /// @throws StoreException if the ending is another or the file cannot be written
    public static void write(SetView view, Path file) throws StoreException {
        GltfFile.write(file, "a set", () -> model(view));
    }

    private static DefaultGltfModel model(SetView view) {
        GltfModelBuilder builder = GltfModelBuilder.create();
        DefaultSceneModel scene = new DefaultSceneModel();
        if (view.stage().floor().around().value() instanceof Surroundings.Room r) {
            scene.addNode(node("floor",
                    List.of(box(new Vec((r.leftM() + r.rightM()) / 2, -0.01, (r.nearM() + r.farM()) / 2),
                    new Vec(r.wideM() / 2, 0.01, r.longM() / 2), 0)), 0.4f, 0.4f, 0.4f));
        }
        for (Piece p : view.pieces()) {
            List<Block> blocks = blocks(p);
            if (!blocks.isEmpty()) {
                float[] c = colour(p);
                scene.addNode(node(p.name(), blocks, c[0], c[1], c[2]));
            }
        }
        scene.addNode(camera(view, "camera"));
        view.pieces().stream().filter(p -> p.thing() instanceof Camera)
                .forEach(p -> scene.addNode(camera(new SetView(view.stage().through(p), view.plate(), view.widthPx(), view.heightPx()),
                p.name())));
        builder.addSceneModel(scene);
        return builder.build();
    }

    private static Block box(Vec middle, Vec half, double turnDeg) {
        return new Block(middle, half, turnDeg);
    }

    private static Block standing(Spot at, double from, double wide, double high, double deep) {
        return box(at.up(from + high / 2), new Vec(wide / 2, high / 2, deep / 2), at.turnDeg());
    }

    private static List<Block> blocks(Piece p) {
        Spot at = p.at();
        double thin = 0.01;
        return switch (p.thing()) {
            case Backdrop b -> {
                List<Block> out = new ArrayList<>();
                if (b.kind().upright()) {
                    out.add(standing(at, b.bottomM().value(), b.wideM().value(), b.highM().value(), thin));
                }
                if (b.floorM().value() > 0) {
                    Vec m = at.up(0.005).plus(at.ahead().times(b.floorM().value() / 2));
                    out.add(box(m, new Vec(b.wideM().value() / 2, 0.005, b.floorM().value() / 2), at.turnDeg()));
                }
                yield out;
            }
            case Body b -> b.moments().stream().map(m -> SetView.box(p, m.seconds())).toList();
            case Support s -> List.of(standing(at, 0, s.wideM().value(), s.highM().value(), s.deepM().value()));
            case Wall w -> List.of(standing(at, 0, w.wideM().value(), w.highM().value(), thin));
            case Glass g -> List.of(standing(at, g.bottomM().value(), g.wideM().value(), g.highM().value(), thin));
            case Flag f -> List.of(standing(at, f.bottomM().value(), f.wideM().value(), f.highM().value(), thin));
            case Camera c -> List.of();
            case Lamp l -> l.kind().everywhere() || l.kind().distant() ? List.of()
                    : List.of(standing(at.facing(l.aim().value().x(), l.aim().value().z()), l.heightM().value() - l.highM().value() / 2,
                    l.wideM().value(), l.highM().value(), 0.1));
        };
    }

    private static float[] colour(Piece p) {
        return switch (p.thing()) {
            case Backdrop b -> {
                double[] a = b.dye().albedo();
                yield new float[] {(float) a[0], (float) a[1], (float) a[2]};
            }
            case Body b -> new float[] {0.72f, 0.61f, 1f};
            case Lamp l -> new float[] {0.96f, 0.77f, 0.26f};
            case Flag f -> new float[] {0.02f, 0.02f, 0.02f};
            case Support _, Wall _, Glass _, Camera _ -> new float[] {0.5f, 0.45f, 0.38f};
        };
    }

    private static DefaultNodeModel node(String name, List<Block> blocks, float r, float g, float b) {
        float[] points = new float[blocks.size() * 24];
        int[] faces = new int[blocks.size() * FACES.length];
        for (int i = 0; i < blocks.size(); i++) {
            List<Vec> c = blocks.get(i).corners();
            for (int k = 0; k < 8; k++) {
                points[24 * i + 3 * k] = (float) c.get(k).x();
                points[24 * i + 3 * k + 1] = (float) c.get(k).y();
                points[24 * i + 3 * k + 2] = (float) -c.get(k).z();
            }
            for (int k = 0; k < FACES.length; k++) {
                faces[FACES.length * i + k] = 8 * i + FACES[k];
            }
        }
        MaterialModelV2 material = MaterialBuilder.create().setBaseColorFactor(r, g, b, 1).setDoubleSided(true).build();
        MeshPrimitiveBuilder mesh = MeshPrimitiveBuilder.create();
        mesh.setTriangles();
        mesh.addPositions3D(FloatBuffer.wrap(points));
        mesh.setIntIndices(IntBuffer.wrap(faces));
        DefaultMeshPrimitiveModel primitive = mesh.build();
        primitive.setMaterialModel(material);
        DefaultMeshModel model = new DefaultMeshModel();
        model.addMeshPrimitiveModel(primitive);
        DefaultNodeModel node = new DefaultNodeModel();
        node.setName(name);
        node.addMeshModel(model);
        return node;
    }

    private static DefaultNodeModel camera(SetView view, String name) {
        StageCamera c = view.stage().camera();
        double up = 2 * Math.atan(0.5 / c.widthShareFocal().value() * view.heightPx() / view.widthPx());
        DefaultCameraPerspectiveModel lens = new DefaultCameraPerspectiveModel();
        lens.setYfov((float) up);
        lens.setAspectRatio((float) view.widthPx() / view.heightPx());
        lens.setZnear(0.05f);
        DefaultCameraModel camera = new DefaultCameraModel();
        camera.setCameraPerspectiveModel(lens);
        camera.setName(name);
        DefaultNodeModel node = new DefaultNodeModel();
        node.setName(name);
        node.setCameraModel(camera);
        Vec[] axes = view.pose().worldToCamera();
        Vec e = view.eye();
        // Columns: right, up, backwards, and where it stands, with our Z turned round.
        node.setMatrix(new float[] {
            (float) axes[0].x(), (float) axes[0].y(), (float) -axes[0].z(), 0, (float) -axes[1].x(), (float) -axes[1].y(),
                    (float) axes[1].z(), 0, (float) -axes[2].x(), (float) -axes[2].y(), (float) axes[2].z(), 0, (float) e.x(),
            (float) e.y(), (float) -e.z(), 1
        });
        return node;
    }
}
