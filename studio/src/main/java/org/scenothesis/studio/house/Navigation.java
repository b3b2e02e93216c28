package org.scenothesis.studio.house;

import java.nio.file.Path;
import java.util.List;
import org.scenothesis.production.begin.NewProduction;

/// What leads from one production, or from none, into another.
public interface Navigation {
    /// Begins a production in a folder, and brings footage in.
    void begin(NewProduction what, Path folder, List<Path> footage);

    /// Opens the production in a folder.
    void open(Path folder);

    /// Opens the example; `asItWas` puts it back first, and keeps what was changed in it as the copy before.
    void example(boolean asItWas);

    /// Shows the first window, over the production that is open.
    void first();

    /// Goes back into the production that is open, if one is.
    void back();
}
