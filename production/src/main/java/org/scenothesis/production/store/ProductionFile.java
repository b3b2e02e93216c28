package org.scenothesis.production.store;

import java.io.IOException;
import java.nio.ByteBuffer;
import java.nio.charset.CharacterCodingException;
import java.nio.charset.CodingErrorAction;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import org.scenothesis.production.words.Words;

/// `production.json` as it was read: its bytes, to notice another program's changes by, and what they say.
record ProductionFile(byte[] bytes, ProductionJson.Read read) {
    private static final long LARGEST = 32L << 20;

    /// @throws StoreException if it is no production; names the copies that could take its place
    static ProductionFile load(Path file) throws StoreException, IOException {
        if (Files.size(file) > LARGEST) {
            throw new StoreException(file, Words.of("production-file.the-file-is-larger-than-mb", Copies.named(file.getParent())));
        }
        byte[] bytes = Files.readAllBytes(file);
        return new ProductionFile(bytes, ProductionJson.read(file, text(file, bytes), Copies.named(file.getParent())));
    }

    private static String text(Path file, byte[] bytes) throws StoreException {
        try {
            String text = StandardCharsets.UTF_8.newDecoder().onMalformedInput(CodingErrorAction.REPORT).decode(ByteBuffer.wrap(bytes))
                    .toString();
            // Some editors put a mark before the first letter.
            return text.startsWith("\ufeff") ? text.substring(1) : text;
        } catch (CharacterCodingException e) {
            throw new StoreException(file, Words.of("production-file.the-file-is-not-text-it", Copies.named(file.getParent())), e);
        }
    }
}
