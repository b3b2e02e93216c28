package org.scenothesis.production.store;

import com.fasterxml.jackson.databind.JsonNode;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.LinkOption;
import java.nio.file.Path;
import java.util.Arrays;
import java.util.List;
import java.util.Objects;
import org.jspecify.annotations.Nullable;
import org.scenothesis.core.shot.Production;
import org.scenothesis.core.shot.Take;
import org.scenothesis.media.DiskTrouble;
import org.scenothesis.media.FootageSource;
import org.scenothesis.media.FreshFile;
import org.scenothesis.production.words.Words;
import org.slf4j.LoggerFactory;

/// A production on disk: `production.json`, `footage/`, `renders/`, earlier states, and a `.cache/` that may be deleted at any time.
///
/// - Only one program writes, the one that holds the [FolderLock]; others may read.
/// - Nothing is read or written outside the folder and the places its user granted ([Bounds]).
/// - A file that another program changed since it was read is never overwritten silently.
public final class ProductionFolder implements AutoCloseable {
    public static final String FILE = "production.json";

    private final Path folder;
    private final Bounds bounds;
    private final Earlier earlier;
    private final Journal journal;
    private final @Nullable FolderLock lock;
    private Production production;
    private volatile JsonNode tree;
    private volatile byte[] known;

    private ProductionFolder(Path folder, Bounds bounds, ProductionFile file, boolean write) {
        this.folder = folder;
        this.bounds = bounds;
        earlier = Earlier.of(folder);
        journal = new Journal(folder);
        production = file.read().production();
        tree = file.read().tree();
        known = file.bytes();
        lock = write ? new FolderLock(folder) : null;
        if (lock != null && lock.take()) {
            Unfinished.clear(folder);
        }
    }

    /// The document of a folder that is neither opened nor locked.
    ///
    /// @throws StoreException if there is no production, or one that cannot be read
    public static Production document(Path folder) throws StoreException {
        Path file = folder.resolve(FILE);
        try {
            return ProductionFile.load(file).read().production();
        } catch (IOException e) {
            throw new StoreException(file, Words.of("production-folder.it-cannot-be-read-check-that"), e);
        }
    }

    /// Opens a folder, or the `production.json` in it, for reading and, if nobody else does, writing.
    ///
    /// @throws StoreException if there is no production, or one that cannot be read
    public static ProductionFolder open(Path path) throws StoreException {
        return open(path, true);
    }

    /// @throws StoreException if there is no production, or one that cannot be read
    public static ProductionFolder open(Path path, boolean write) throws StoreException {
        Path folder = folder(path);
        Path file = folder.resolve(FILE);
        if (!Files.isRegularFile(file)) {
            throw new StoreException(path, Words.of("production-folder.there-is-no-production-json-here", Copies.named(folder)));
        }
        try {
            Bounds bounds = new Bounds(folder);
            String refused = bounds.refusal(file);
            if (refused != null) {
                throw new StoreException(file,
                        Words.of("production-folder.it-is-a-link-that-leads"));
            }
            ProductionFolder opened = new ProductionFolder(folder, bounds, ProductionFile.load(file), write);
            if (opened.writable()) {
                opened.recover();
            }
            return opened;
        } catch (IOException e) {
            throw new StoreException(file, Words.of("production-folder.the-file-cannot-be-read-check"), e);
        }
    }

    /// Takes up what a killed program had noted and not saved.
    private void recover() {
        Path file = folder.resolve(FILE);
        try {
            Production changed = journal.recovered(file, known, production);
            if (changed != null) {
                save(changed);
            } else {
                journal.saved(Long.MAX_VALUE);
            }
        } catch (IOException e) {
            try {
                LoggerFactory.getLogger(ProductionFolder.class).warn("{}: {}; they are kept as {}.", folder, e.getMessage(),
                        journal.setAside().getFileName());
            } catch (IOException x) {
                LoggerFactory.getLogger(ProductionFolder.class)
                        .warn(DiskTrouble.told(Words.of("production-folder.changes-that-were-not-saved-could", folder), x), x);
            }
        } catch (StoreException e) {
            // It stays beside, for the next time.
            LoggerFactory.getLogger(ProductionFolder.class).warn(String.valueOf(e.getMessage()), e);
        }
    }

    /// Notes what differs from the last saved state beside the document, so that a kill loses no more than a moment.
    ///
    /// - `revision`: grows with every change.
    ///
    /// @throws StoreException if it cannot be written
    public void note(long revision, Production saved, Production now) throws StoreException {
        if (lock == null || !lock.held() || !Files.isDirectory(folder)) {
            return;
        }
        try {
            journal.state(revision, known, saved, now, tree);
        } catch (IOException e) {
            throw new StoreException(folder, Words.of("production-folder.the-change-could-not-be-noted"), e);
        }
    }

    /// Makes a new production in an empty or missing folder.
    ///
    /// @throws StoreException if there is one already, or the folder cannot be written
    public static ProductionFolder create(Path folder, Production production) throws StoreException {
        if (Files.exists(folder.resolve(FILE), LinkOption.NOFOLLOW_LINKS)) {
            throw new StoreException(folder, Words.of("file.a-production-is-here"));
        }
        try {
            Files.createDirectories(folder);
            Path footage = new Bounds(folder).forWriting(folder.resolve("footage").resolve("take"));
            Files.createDirectories(Objects.requireNonNull(footage.getParent()));
            FreshFile.write(folder.resolve(FILE), ProductionJson.write(production, null).getBytes(StandardCharsets.UTF_8));
        } catch (IOException e) {
            throw new StoreException(folder, Words.of("production-folder.the-folder-cannot-be-written-check"), e);
        }
        return open(folder);
    }

    /// Whether a production lies in a folder.
    public static boolean lies(Path folder) {
        return Files.isRegularFile(folder.resolve(FILE));
    }

    private static Path folder(Path path) {
        Path whole = path.toAbsolutePath().normalize();
        return Files.isRegularFile(whole) && whole.getParent() != null ? whole.getParent() : whole;
    }

    public Path path() {
        return folder;
    }

    /// Whether a path, of a folder or of the file in it, leads to this production, by links too.
    public boolean isAt(Path path) {
        try {
            return Files.isSameFile(folder, folder(path));
        } catch (IOException e) {
            // What is not there is not this one.
            return false;
        }
    }

    public Production production() {
        return production;
    }

    public boolean writable() {
        return lock != null && lock.held();
    }

    /// Why it is not writable, as the words that follow "this production": who has it open, or what the disk says.
    public String whyReadOnly() {
        return lock == null ? Words.of("production-folder.was-opened-for-reading") : lock.refusal();
    }

    /// Who holds the production when it is not writable: a process number.
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
            throw new StoreException(place, Words.of("production-folder.the-place-cannot-be-allowed-check"), e);
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
        Results.apart(whole, this);
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

    /// Saves: the state before is kept beside and among the earlier ones, then the new one is written beside, forced to disk and renamed
    /// over.
    ///
    /// @throws ChangedOutsideException if another program changed the file since it was read; nothing is written
    /// @throws StoreException if it cannot be written; the file on disk is then unchanged
    public synchronized void save(Production now) throws StoreException {
        save(now, Long.MAX_VALUE);
    }

    /// The same of a revision that may have been noted.
    ///
    /// @throws ChangedOutsideException if another program changed the file since it was read; nothing is written
    /// @throws StoreException if it cannot be written; the file on disk is then unchanged
    public synchronized void save(Production now, long revision) throws StoreException {
        save(now, revision, false);
    }

    /// Saves over what another program wrote, which is kept among the earlier states.
    ///
    /// @throws StoreException if it cannot be written; the file on disk is then unchanged
    public synchronized void saveOver(Production now) throws StoreException {
        save(now, Long.MAX_VALUE, true);
    }

    private void save(Production now, long revision, boolean over) throws StoreException {
        Path file = folder.resolve(FILE);
        if (!Files.isDirectory(folder)) {
            throw new StoreException(folder, Words.of("production-folder.the-folder-is-not-there-any"));
        }
        String refused = ProductionJson.refusal(file, now);
        if (refused != null) {
            throw new StoreException(refused);
        }
        if (lock == null || !lock.stillHeld()) {
            throw new StoreException(folder, Words.of("production-folder.nothing-was-saved-this-production", whyReadOnly()));
        }
        try {
            byte[] there = Files.isRegularFile(file) ? Files.readAllBytes(file) : null;
            if (there != null && !Arrays.equals(there, known) && !over) {
                throw new ChangedOutsideException(file);
            }
            JsonNode written = ProductionJson.tree(now, tree);
            byte[] bytes = ProductionJson.text(written).getBytes(StandardCharsets.UTF_8);
            noteSaving(revision, bytes);
            if (there != null && !Arrays.equals(there, bytes)) {
                keepBefore(there);
            }
            FreshFile.write(file, bytes);
            journal.saved(revision);
            tree = written;
            production = now;
            known = bytes;
        } catch (IOException e) {
            throw new StoreException(file, Words.of("production-folder.the-change-could-not-be-saved"),
                    e);
        }
    }

    /// The document matters more than the journal beside it.
    private void noteSaving(long revision, byte[] bytes) {
        try {
            journal.saving(revision, bytes);
        } catch (IOException e) {
            LoggerFactory.getLogger(ProductionFolder.class).debug("no journal in {}", folder, e);
        }
    }

    /// The new state matters more than copies of the old one: where there is no room for these, they stay as they are.
    private void keepBefore(byte[] before) {
        try {
            FreshFile.write(folder.resolve(Copies.PREVIOUS), before);
            earlier.keep(new String(before, StandardCharsets.UTF_8));
        } catch (IOException e) {
            LoggerFactory.getLogger(ProductionFolder.class)
                    .warn(DiskTrouble.told(Words.of("production-folder.the-change-was-saved-the-state", folder), e), e);
        }
    }

    /// What another program wrote.
    ///
    /// @throws StoreException if it cannot be read
    public synchronized Production readAgain() throws StoreException {
        Path file = folder.resolve(FILE);
        try {
            ProductionFile there = ProductionFile.load(file);
            known = there.bytes();
            tree = there.read().tree();
            production = there.read().production();
            return production;
        } catch (IOException e) {
            throw new StoreException(file, Words.of("production-folder.the-file-cannot-be-read-check"), e);
        }
    }

    /// Writes a production beside the one that is there, and gives its file.
    ///
    /// @throws StoreException if it cannot be written
    public Path saveBeside(Production mine) throws StoreException {
        Path to = free(folder, Unsaved.BESIDE);
        try {
            FreshFile.write(to, ProductionJson.write(mine, tree).getBytes(StandardCharsets.UTF_8));
            return to;
        } catch (IOException e) {
            throw new StoreException(to, Words.of("production-folder.it-could-not-be-saved-check"), e);
        }
    }

    /// Keeps a state that cannot be saved: beside the production, else in the user's folder. Gives its file.
    ///
    /// @throws StoreException if neither can be written
    public Path keepUnsaved(Production mine) throws StoreException {
        try {
            return saveBeside(mine);
        } catch (StoreException e) {
            return Unsaved.keepWithUser(folder, mine);
        }
    }

    /// What of the footage comes into the folder, and how.
    public FootageFolder footageFolder() {
        return new FootageFolder(this, bounds);
    }

    /// A name in `folder` that is not taken: this one, or with a number.
    static Path free(Path folder, String name) {
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
