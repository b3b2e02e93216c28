package org.scenothesis.production.stage;

import de.javagl.jgltf.model.impl.DefaultGltfModel;
import de.javagl.jgltf.model.io.v2.GltfModelWriterV2;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.nio.file.Path;
import java.util.Locale;
import java.util.function.Supplier;
import org.scenothesis.production.store.ResultFile;
import org.scenothesis.production.store.StoreException;
import org.scenothesis.production.words.Words;

/// A scene written for other programs as glTF 2.0.
public final class GltfFile {
    private GltfFile() {}

    /// Writes `.glb` in one file, `.gltf` with its data embedded.
    ///
    /// @throws StoreException if the ending is another or the file cannot be written
    public static void write(Path file, String what, Supplier<DefaultGltfModel> model) throws StoreException {
        String name = String.valueOf(file.getFileName()).toLowerCase(Locale.ROOT);
        boolean binary = name.endsWith(".glb");
        if (!binary && !name.endsWith(".gltf")) {
            throw new StoreException(file, Words.of("gltf-file.is-written-as-glb-or-gltf", what));
        }
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        try {
            GltfModelWriterV2 writer = new GltfModelWriterV2();
            if (binary) {
                writer.writeBinary(model.get(), out);
            } else {
                writer.writeEmbedded(model.get(), out);
            }
        } catch (IOException e) {
            throw new StoreException(file, Words.of("file.could-not-be-written"), e);
        }
        ResultFile.write(file, out.toByteArray());
    }
}
