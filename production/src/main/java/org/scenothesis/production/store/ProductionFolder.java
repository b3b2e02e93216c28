package org.scenothesis.production.store;

import com.fasterxml.jackson.databind.JsonNode;
import java.io.IOException;
import java.nio.ByteBuffer;
import java.nio.charset.CharacterCodingException;
import java.nio.charset.CodingErrorAction;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.LinkOption;
import java.nio.file.Path;
import java.util.Arrays;
import java.util.List;
import org.jspecify.annotations.Nullable;
import org.scenothesis.core.shot.Production;
import org.scenothesis.core.shot.Shot;
import org.scenothesis.core.shot.Take;
import org.scenothesis.media.FootageSource;
import org.scenothesis.media.FreshFile;

/// A production on disk: `production.json`, `footage/`, `renders/`, earlier states, and a `.cache/` that may be deleted at any time.
///
/// - Only one program writes, the one that holds the [FolderLock]; others may read.
/// - Nothing is read or written outside the folder and the places its user granted ([Bounds]).
/// - A file that another program changed since it was read is never overwritten silently.
public final class ProductionFolder implements AutoCloseable {
    public static final String FILE = "production.json";
    private static final String PREVIOUS = "production.previous.json";
    private static final long LARGEST = 32L << 20;

    private final Path folder;
    private final Bounds bounds;
    private final Earlier earlier;
    private final @Nullable FolderLock lock;
    private Production production;
    private JsonNode tree;
    private byte[] known;

    private ProductionFolder(Path folder, Bounds bounds, Loaded loaded, boolean write) {
        this.folder = folder;
        this.bounds = bounds;
        earlier = Earlier.of(folder);
        production = loaded.read.production();
        tree = loaded.read.tree();
        known = loaded.bytes;
        lock = write ? new FolderLock(folder) : null;
        if (lock != null) {
            lock.take();
        }
    }

    private record Loaded(byte[] bytes, ProductionJson.Read read) {}

    /// Opens a folder, or the `production.json` in it, for reading and, if nobody else does, writing.
    ///
    /// @throws StoreException if there is no production, or one that cannot be read
    public static ProductionFolder open(Path path) throws StoreException {
        return open(path, true);
    }

    /// @throws StoreException if there is no production, or one that cannot be read
    public static ProductionFolder open(Path path, boolean write) throws StoreException {
        Path whole = path.toAbsolutePath().normalize();
        Path folder = Files.isRegularFile(whole) && whole.getParent() != null ? whole.getParent() : whole;
        Path file = folder.resolve(FILE);
        if (!Files.isRegularFile(file)) {
            throw new StoreException(path, "there is no production.json here; choose a production folder or start a new one." + copies(folder));
        }
        try {
            Bounds bounds = new Bounds(folder);
            String refused = bounds.refusal(file);
            if (refused != null) {
                throw new StoreException(file, "it is a link that leads out of its folder and was not followed; copy the file here instead.");
            }
            return new ProductionFolder(folder, bounds, load(file), write);
        } catch (IOException e) {
            throw new StoreException(file, "the file cannot be read; check its permissions.", e);
        }
    }

    private static Loaded load(Path file) throws StoreException, IOException {
        if (Files.size(file) > LARGEST) {
            throw new StoreException(file, "the file is larger than 32 MB, which no production is; choose another." + copies(file.getParent()));
        }
        byte[] bytes = Files.readAllBytes(file);
        String text = text(file, bytes);
        return new Loaded(bytes, ProductionJson.read(file, text, copies(file.getParent())));
    }

    private static String text(Path file, byte[] bytes) throws StoreException {
        try {
            String text = StandardCharsets.UTF_8.newDecoder().onMalformedInput(CodingErrorAction.REPORT).decode(ByteBuffer.wrap(bytes)).toString();
            // Some editors put a mark before the first letter.
            return text.startsWith("\ufeff") ? text.substring(1) : text;
        } catch (CharacterCodingException e) {
            throw new StoreException(file, "the file is not text; it was left as it is." + copies(file.getParent()), e);
        }
    }

    /// Names the copies that could take the place of a broken file; empty when there are none.
    private static String copies(@Nullable Path folder) {
        if (folder == null) {
            return "";
        }
        StringBuilder names = new StringBuilder();
        if (Files.isRegularFile(folder.resolve(PREVIOUS))) {
            names.append(PREVIOUS);
        }
        List<Earlier.State> states = Earlier.of(folder).all();
        if (!states.isEmpty()) {
            names.append(names.isEmpty() ? "" : ", ").append(states.size()).append(states.size() == 1 ? " state" : " states").append(" in ")
                    .append(Earlier.FOLDER).append(", the newest ").append(states.getFirst().file().getFileName());
        }
        return names.isEmpty() ? "" : " Earlier copies are here: " + names + "; scenothesis earlier puts one back.";
    }

    /// Makes a new production in an empty or missing folder.
    ///
    /// @throws StoreException if there is one already, or the folder cannot be written
    public static ProductionFolder create(Path folder, Production production) throws StoreException {
        if (Files.exists(folder.resolve(FILE), LinkOption.NOFOLLOW_LINKS)) {
            throw new StoreException(folder, "there is a production here already; open it, or choose another folder.");
        }
        try {
            Files.createDirectories(folder);
            Path footage = new Bounds(folder).forWriting(folder.resolve("footage").resolve("take"));
            Files.createDirectories(java.util.Objects.requireNonNull(footage.getParent()));
            FreshFile.write(folder.resolve(FILE), ProductionJson.write(production, null).getBytes(StandardCharsets.UTF_8));
        } catch (IOException e) {
            throw new StoreException(folder, "the folder cannot be written; check its permissions and the space left.", e);
        }
        return open(folder);
    }

    public Path path() {
        return folder;
    }

    public Production production() {
        return production;
    }

    public boolean writable() {
        return lock != null && lock.held();
    }

    /// Who holds the production when it is not writable: a process number, or a reason.
    public String holder() {
        return lock == null ? "" : lock.holder();
    }

    /// Where a take's footage is said to lie; whether it may be read, [#refusal] says.
    public Path footage(Take take) {
        return folder.resolve(take.footage()).normalize();
    }

    public FootageSource source(Take take) {
        return new FootageSource(footage(take), take.reading());
    }

    /// Why a file or folder must not be read, as a sentence; null when it may.
    public @Nullable String refusal(Path p) {
        return bounds.refusal(p);
    }

    /// Names of the production's own that are links leading out, as sentences.
    public List<String> strayLinks() {
        return bounds.strayLinks();
    }

    /// Allows a place outside to be read from now on, by this user.
    ///
    /// @throws StoreException if it is not there, or the permission cannot be kept
    public void grant(Path place) throws StoreException {
        try {
            bounds.grants().forGood(place.toRealPath());
        } catch (IOException e) {
            throw new StoreException(place, "the place cannot be allowed; check that it is there.", e);
        }
    }

    /// Allows a place outside as long as this is open: a path typed by the user.
    public void grantForNow(Path place) {
        Path whole = place.toAbsolutePath().normalize();
        try {
            while (!Files.isDirectory(whole) && whole.getParent() != null) {
                whole = whole.getParent();
            }
            bounds.grants().forNow(whole.toRealPath());
        } catch (IOException e) {
            bounds.grants().forNow(whole);
        }
    }

    /// A path as a place for results: inside the production or granted, and neither footage nor the production itself.
    ///
    /// @throws StoreException if nothing must be written there
    public Path forResult(Path target) throws StoreException {
        Path whole = bounds.forWriting(target);
        Path real = resting(whole);
        Path home = resting(folder);
        Path footage = home.resolve("footage");
        boolean own = real.equals(home) || real.equals(home.resolve(FILE)) || real.equals(home.resolve(PREVIOUS)) || real.startsWith(home.resolve(Earlier.FOLDER));
        if (own || real.startsWith(footage)) {
            throw new StoreException(target, "this is the production's own " + (own ? "file" : "footage") + " and is never written over; choose another name, in renders for instance.");
        }
        for (Shot s : production.shots()) {
            for (var plate : s.plates()) {
                for (Take t : plate.takes()) {
                    Path source = resting(footage(t));
                    if (real.startsWith(source) || Files.isDirectory(source) && source.startsWith(real)) {
                        throw new StoreException(target, "this is footage of " + plate.name() + " and is never written over; choose another name.");
                    }
                }
            }
        }
        return whole;
    }

    /// The real path of what may not be there yet.
    private static Path resting(Path p) {
        Path whole = p.toAbsolutePath().normalize();
        Path parent = whole;
        while (parent != null) {
            try {
                Path real = parent.toRealPath();
                return parent.equals(whole) ? real : real.resolve(parent.relativize(whole));
            } catch (IOException e) {
                parent = parent.getParent();
            }
        }
        return whole;
    }

    public Path renders() {
        return folder.resolve("renders");
    }

    public Path cache() {
        return folder.resolve(".cache");
    }

    /// What readings kept in the cache are signed with; the same for all productions of this user.
    public byte[] readingSecret() {
        return UserFolder.secret();
    }

    /// Whether the folder's own `.cache` may be used.
    public boolean cacheInside() {
        try {
            bounds.forWriting(cache().resolve("x"));
            return true;
        } catch (StoreException e) {
            return false;
        }
    }

    public List<Earlier.State> earlier() {
        return earlier.all();
    }

    /// The production as it once was.
    ///
    /// @throws StoreException if that state cannot be read
    public Production earlier(Earlier.State state) throws StoreException {
        return ProductionJson.read(state.file(), Earlier.text(state.file()), "").production();
    }

    /// Puts an earlier copy in the place of a production that cannot be opened; what was there is kept beside under a name of its own.
    ///
    /// @throws StoreException if there is no such copy, or the folder is in use or cannot be written
    public static Path putBack(Path folder, Path copy) throws StoreException {
        String text;
        try {
            text = copy.toString().endsWith(".gz") ? Earlier.text(copy) : Files.readString(copy);
        } catch (IOException e) {
            throw new StoreException(copy, "this copy cannot be read; choose another.", e);
        }
        ProductionJson.read(copy, text, "");
        Path file = folder.resolve(FILE);
        try (FolderLock lock = new FolderLock(folder)) {
            if (!lock.take()) {
                throw new StoreException(folder, "the production is open elsewhere (" + lock.holder() + "); close it there first.");
            }
            Path kept = free(folder, "production.replaced.json");
            if (Files.exists(file, LinkOption.NOFOLLOW_LINKS)) {
                Files.move(file, kept);
            }
            FreshFile.write(file, text.getBytes(StandardCharsets.UTF_8));
            return kept;
        } catch (IOException e) {
            throw new StoreException(file, "the copy could not be put back; check the space left and the folder's permissions.", e);
        }
    }

    /// Saves: the state before is kept beside and among the earlier ones, then the new one is written beside, forced to disk and renamed over.
    ///
    /// @throws ChangedOutsideException if another program changed the file since it was read; nothing is written
    /// @throws StoreException if it cannot be written; the file on disk is then unchanged
    public synchronized void save(Production now) throws StoreException {
        save(now, false);
    }

    /// Saves over what another program wrote, which is kept among the earlier states.
    ///
    /// @throws StoreException if it cannot be written; the file on disk is then unchanged
    public synchronized void saveOver(Production now) throws StoreException {
        save(now, true);
    }

    private void save(Production now, boolean over) throws StoreException {
        Path file = folder.resolve(FILE);
        if (!Files.isDirectory(folder)) {
            throw new StoreException(folder, "the folder is not there any more; bring it back, the change is kept here meanwhile.");
        }
        if (lock == null || !lock.stillHeld()) {
            throw new StoreException(folder, "this production is open elsewhere (" + holder() + "), so nothing was saved; close it there.");
        }
        try {
            byte[] there = Files.isRegularFile(file) ? Files.readAllBytes(file) : null;
            if (there != null && !Arrays.equals(there, known) && !over) {
                throw new ChangedOutsideException(file);
            }
            JsonNode written = ProductionJson.tree(now, tree);
            byte[] bytes = ProductionJson.text(written).getBytes(StandardCharsets.UTF_8);
            if (there != null && !Arrays.equals(there, bytes)) {
                keepBefore(there);
            }
            FreshFile.write(file, bytes);
            tree = written;
            production = now;
            known = bytes;
        } catch (IOException e) {
            throw new StoreException(file, "the change could not be saved; check the space left on the disk and the folder's permissions.", e);
        }
    }

    /// The new state matters more than copies of the old one: where there is no room for these, they stay as they are.
    private void keepBefore(byte[] before) {
        try {
            FreshFile.write(folder.resolve(PREVIOUS), before);
            earlier.keep(new String(before, StandardCharsets.UTF_8));
        } catch (IOException e) {
            org.slf4j.LoggerFactory.getLogger(ProductionFolder.class).warn("the state before was not kept in {}", folder, e);
        }
    }

    /// What another program wrote.
    ///
    /// @throws StoreException if it cannot be read
    public synchronized Production readAgain() throws StoreException {
        Path file = folder.resolve(FILE);
        try {
            Loaded loaded = load(file);
            known = loaded.bytes;
            tree = loaded.read.tree();
            production = loaded.read.production();
            return production;
        } catch (IOException e) {
            throw new StoreException(file, "the file cannot be read; check its permissions.", e);
        }
    }

    /// Writes a production beside the one that is there, and gives its file.
    ///
    /// @throws StoreException if it cannot be written
    public Path saveBeside(Production mine) throws StoreException {
        Path to = free(folder, "production.mine.json");
        try {
            FreshFile.write(to, ProductionJson.write(mine, tree).getBytes(StandardCharsets.UTF_8));
            return to;
        } catch (IOException e) {
            throw new StoreException(to, "it could not be saved; check the space left on the disk and the folder's permissions.", e);
        }
    }

    /// Brings footage into the folder if it lies outside, and gives its path relative to it.
    ///
    /// @throws StoreException if it cannot be copied
    public String bringIn(Path source) throws StoreException {
        Path from = source.toAbsolutePath().normalize();
        if (from.startsWith(folder)) {
            return folder.relativize(from).toString().replace('\\', '/');
        }
        try {
            Path to = free(folder.resolve("footage"), String.valueOf(from.getFileName()));
            bounds.forWriting(to);
            Files.createDirectories(java.util.Objects.requireNonNull(to.getParent()));
            if (Files.isDirectory(from)) {
                copyFolder(from, to);
            } else {
                copyFile(from, to);
            }
            return folder.relativize(to).toString().replace('\\', '/');
        } catch (IOException e) {
            throw new StoreException(source, "the footage could not be copied into the production; check the space left on the disk.", e);
        }
    }

    private static void copyFile(Path from, Path to) throws IOException {
        try (FreshFile fresh = FreshFile.beside(to)) {
            Files.copy(from, fresh.part(), java.nio.file.StandardCopyOption.REPLACE_EXISTING);
            fresh.place();
        }
    }

    private static void copyFolder(Path from, Path to) throws IOException {
        Files.createDirectories(to);
        try (var files = Files.list(from)) {
            for (Path f : files.filter(Files::isRegularFile).toList()) {
                copyFile(f, to.resolve(f.getFileName()));
            }
        }
    }

    private static Path free(Path folder, String name) {
        Path p = folder.resolve(name);
        int dot = name.lastIndexOf('.');
        for (int i = 2; Files.exists(p, LinkOption.NOFOLLOW_LINKS); i++) {
            p = folder.resolve(dot > 0 ? name.substring(0, dot) + "-" + i + name.substring(dot) : name + "-" + i);
        }
        return p;
    }

    @Override
    public void close() {
        if (lock != null) {
            lock.close();
        }
    }
}
