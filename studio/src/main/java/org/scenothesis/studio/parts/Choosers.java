package org.scenothesis.studio.parts;

import java.io.File;
import java.nio.file.Path;
import java.util.List;
import java.util.Optional;
import javafx.scene.Node;
import javafx.stage.DirectoryChooser;
import javafx.stage.FileChooser;

/// The system's dialogs for files and folders. They begin in the user's home: where they begin in a list of recent files, a typed folder is
/// not taken.
public final class Choosers {
    private Choosers() {}

    private static File home() {
        return new File(System.getProperty("user.home"));
    }

    /// A folder; empty if none was chosen.
    public static Optional<Path> folder(Node over, String title) {
        DirectoryChooser c = new DirectoryChooser();
        c.setTitle(title);
        c.setInitialDirectory(home());
        return Optional.ofNullable(c.showDialog(over.getScene().getWindow())).map(File::toPath);
    }

    /// Files; none if none were chosen.
    public static List<Path> files(Node over, String title) {
        FileChooser c = new FileChooser();
        c.setTitle(title);
        c.setInitialDirectory(home());
        List<File> chosen = c.showOpenMultipleDialog(over.getScene().getWindow());
        return chosen == null ? List.of() : chosen.stream().map(File::toPath).toList();
    }

    /// A file to be written; empty if none was named.
    public static Optional<Path> save(Node over, String title, String name) {
        FileChooser c = new FileChooser();
        c.setTitle(title);
        c.setInitialDirectory(home());
        c.setInitialFileName(name);
        return Optional.ofNullable(c.showSaveDialog(over.getScene().getWindow())).map(File::toPath);
    }
}
