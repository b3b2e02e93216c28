package org.scenothesis.cli;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardOpenOption;
import java.util.List;
import org.scenothesis.core.shot.Take;
import org.scenothesis.media.FootageException;
import org.scenothesis.media.FootageSource;
import org.scenothesis.media.decode.FrameStore;
import org.scenothesis.production.store.ProductionFolder;

/// Takes files through every door of the command line and the first looks of the window, in a program of its own. Each line of the log is a
/// door that was entered, and below it what was wrong.
final class HostileDoors {
    private final Path home;
    private final Path good;
    private final Path log;

    private HostileDoors(Path home, Path good, Path log) {
        this.home = home;
        this.good = good;
        this.log = log;
    }

    /// - `args`: a folder to work in, a good clip, the log, and the files.
    public static void main(String[] args) throws Exception {
        HostileDoors doors = new HostileDoors(Path.of(args[0]), Path.of(args[1]), Path.of(args[2]));
        for (String file : Files.readAllLines(Path.of(args[3]))) {
            doors.all(Path.of(file));
        }
        doors.note("end");
        System.exit(0);
    }

    private void note(String line) throws IOException {
        Files.writeString(log, line + "\n", StandardOpenOption.CREATE, StandardOpenOption.APPEND);
    }

    private void all(Path file) throws Exception {
        Path p = home.resolve("p-" + file.getFileName());
        enter(file, "info", file, "--json");
        enter(file, "lock", good, file);
        enter(file, "lock", file, good);
        enter(file, "key", file, "--out", home.resolve("keyed"));
        enter(file, "track", file, "--point", "20,20");
        enter(file, "perspective", file);
        enter(file, "light", file);
        enter(file, "background", file);
        enter(file, "compare", good, file);
        enter(file, "solve", file);
        enter(file, "new", p);
        enter(file, "bring", p, file, "--only-propose");
        enter(file, "bring", p, good);
        enter(file, "sound", p, "--of", "file:" + file);
        enter(file, "render", p, "--out", p.resolve("renders/a.webm"), "--frames", "0-1");
        taken(p, file);
        enter(file, "findings", p);
        enter(file, "layers", p, "--lay", "good");
        enter(file, "render", p, "--out", p.resolve("renders/b"), "--frames", "0-1");
        look(file);
    }

    /// The file in the place of the good take, as a stranger's production may have it.
    private void taken(Path p, Path file) throws Exception {
        note(file.getFileName() + " as a take");
        try (ProductionFolder f = ProductionFolder.open(p)) {
            String in = f.footageFolder().bringIn(file);
            f.save(f.production().withShot(f.production().shots().getFirst().id(),
                    s -> s.withPlates(s.plates().stream().map(q -> q.withTakes(List.of(new Take("t", in, true, "")))).toList())));
        }
    }

    /// What the window does first with a file.
    private void look(Path file) throws IOException {
        note(file.getFileName() + " first look");
        try (FrameStore store = new FrameStore(1 << 20, q -> null)) {
            store.small(FootageSource.of(file), 0, 92, 52);
            store.frame(FootageSource.of(file), 3);
            store.at(FootageSource.of(file), 0.1);
        } catch (FootageException e) {
            sentence("", e.getMessage());
        }
    }

    private void enter(Path file, Object... words) throws IOException {
        note(file.getFileName() + " " + words[0]);
        Ran ran = Ran.run(words);
        if (ran.exit() != 0) {
            // The usage is an answer to wrong words, and these are right.
            sentence(ran.exit() == 1 ? "" : "exit " + ran.exit(), ran.err().lines()
                    .filter(l -> !l.matches("[a-z ]+ \\d+ %|it takes about .* free")).reduce((a, b) -> a + "\n" + b).orElse(""));
        }
    }

    private void sentence(String wrong, String said) throws IOException {
        String more = said.contains("Exception") || said.contains("Error:") || said.contains("inside Scenothesis") || said.isBlank()
                || said.strip().contains("\n") ? "not a sentence" : "";
        if (!wrong.isEmpty() || !more.isEmpty()) {
            note("WRONG " + wrong + more + ": " + said.replace('\n', '|'));
        }
    }
}
