package org.scenothesis.production.incoming;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.LinkOption;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.stream.Stream;
import org.scenothesis.core.key.ClothSight;
import org.scenothesis.core.picture.Bands;
import org.scenothesis.core.picture.DisplayPicture;
import org.scenothesis.core.picture.Picture;
import org.scenothesis.core.picture.Resample;
import org.scenothesis.core.shot.Plate;
import org.scenothesis.core.shot.Shot;
import org.scenothesis.core.shot.Take;
import org.scenothesis.media.Footage;
import org.scenothesis.media.FootageException;
import org.scenothesis.media.FootageInfo;
import org.scenothesis.media.FootageSource;
import org.scenothesis.media.NaturalOrder;
import org.scenothesis.media.decode.Footages;
import org.scenothesis.production.measure.Progress;
import org.scenothesis.production.measure.Stopped;
import org.scenothesis.production.store.ProductionFolder;
import org.scenothesis.production.store.StoreException;
import org.scenothesis.production.words.Words;

/// Looks at files that are to come in, and brings them in.
public final class Incoming {
    /// A look is had at pictures of about this width.
    private static final int WIDTH = 320;
    private static final int SMALL_W = 92;
    private static final int SMALL_H = 52;
    private static final float DARK = 0.004f;
    /// A folder with at least so many stills and nothing else is a sequence.
    private static final int SEQUENCE = 8;
    private static final int MOST = 500;
    private static final int DEEPEST = 3;

    private final ProductionFolder folder;
    private final Bands bands;

    public Incoming(ProductionFolder folder, Bands bands) {
        this.folder = folder;
        this.bands = bands;
    }

    /// A proposal for each file; a folder stands for what lies in it, unless it is a sequence of stills.
    ///
    /// @throws FootageException if a folder cannot be read, or there is nothing in what was given
    public List<Proposal> propose(Shot shot, List<Path> given, Progress progress) throws FootageException {
        Found found = new Found();
        for (Path p : given) {
            found.spread(p);
        }
        if (found.footage.isEmpty() && found.other.isEmpty()) {
            throw new FootageException(given.isEmpty() ? folder.path() : given.getFirst(),
                    Words.of("incoming.there-are-no-clips-or-stills"));
        }
        if (found.footage.size() > MOST) {
            throw new FootageException(given.getFirst(), Words.of("incoming.these-are-files-bring-in-at", found.footage.size(), MOST));
        }
        List<FileProbe> seen = new ArrayList<>();
        for (Path f : found.footage) {
            if (!progress.at(seen.size(), found.footage.size())) {
                throw new Stopped();
            }
            seen.add(look(f));
        }
        found.other.stream().limit(MOST).forEach(f -> seen.add(FileProbe.unreadable(f, f + ": " + (Footages.isSound(f)
                ? Words.of("incoming.it-is-sound-without-a-picture")
                : Words.of("incoming.this-kind-of-picture-or-clip")))));
        return Proposals.of(shot, seen, looks(shot));
    }

    /// Copies the files to where the production keeps its footage, or leaves them where they are and links to them; what each is called in
    /// the document then, in their order.
    ///
    /// @throws StoreException if one cannot be copied or linked to
    public List<String> bring(List<Proposal> taken, boolean copied, Progress progress) throws StoreException {
        List<String> out = new ArrayList<>();
        for (Proposal p : taken) {
            if (!progress.at(out.size(), taken.size())) {
                throw new Stopped();
            }
            out.add(copied ? folder.footageFolder().bringIn(p.seen().file()) : folder.footageFolder().linkIn(p.seen().file()));
        }
        return out;
    }

    /// What lies in what was given: footage, and what is like it and not read. A card has folders in folders.
    private static final class Found {
        private final List<Path> footage = new ArrayList<>();
        private final List<Path> other = new ArrayList<>();

        void spread(Path given) throws FootageException {
            if (Files.isDirectory(given)) {
                within(given, 0);
            } else {
                footage.add(given);
            }
        }

        private void within(Path given, int depth) throws FootageException {
            try (Stream<Path> inside = Files.list(given)) {
                List<Path> all = inside.filter(p -> !String.valueOf(p.getFileName()).startsWith(".")).sorted(NaturalOrder.INSTANCE)
                        .toList();
                List<Path> files = all.stream().filter(p -> Files.isRegularFile(p) && Footages.isFootage(p)).toList();
                other.addAll(all.stream().filter(p -> Files.isRegularFile(p) && (Footages.isSound(p) || Footages.isOther(p))).toList());
                if (files.size() >= SEQUENCE && files.stream().allMatch(Footages::isStill)) {
                    footage.add(given);
                } else {
                    footage.addAll(files);
                }
                for (Path p : depth < DEEPEST ? all : List.<Path>of()) {
                    if (Files.isDirectory(p, LinkOption.NOFOLLOW_LINKS)) {
                        within(p, depth + 1);
                    }
                }
            } catch (IOException e) {
                throw new FootageException(given, Words.of("incoming.the-folder-cannot-be-read-check"), e);
            }
        }
    }

    /// One look at a file; what keeps it from being used is part of what is seen.
    private FileProbe look(Path file) {
        try (Footage f = Footages.open(file)) {
            int n = f.info().frames();
            Picture first = small(f, 0);
            Picture middle = n > 1 ? small(f, n / 2) : first;
            double stirring = n > 1 ? Math.max(Look.stirring(first, middle), Look.stirring(first, last(f, middle))) : 0;
            double seconds = n > 1 ? n / f.info().rate().framesPerSecond() : 0;
            FootageInfo.Shortfall shortfall = f.info().shortfall();
            return new FileProbe(file, n == 1, seconds, f.info().width(), f.info().height(),
                    Math.max(ClothSight.share(first), ClothSight.share(middle)), dark(middle),
                    stirring, Look.of(first), DisplayPicture.of(middle, SMALL_W, SMALL_H, bands), shortfall == null ? ""
                    : shortfall.sentence(n), "");
        } catch (FootageException e) {
            return FileProbe.unreadable(file, String.valueOf(e.getMessage()));
        }
    }

    /// The last picture; of a file that is cut short, whose last frame may be half a one, the one before all of that is lost.
    private Picture last(Footage f, Picture otherwise) throws FootageException {
        try {
            return small(f, f.info().frames() - 1);
        } catch (FootageException e) {
            if (f.info().shortfall() == null) {
                throw e;
            }
            return otherwise;
        }
    }

    private Picture small(Footage f, int frame) throws FootageException {
        int times = Math.max(1, f.info().width() / WIDTH);
        Picture p = f.reduced(frame, times).withAlpha(null);
        return p.width() <= WIDTH * 2 ? p : Resample.scale(p, WIDTH, Math.max(1, p.height() * WIDTH / p.width()), bands);
    }

    private static double dark(Picture p) {
        int n = 0;
        for (int i = 0; i < p.g().data().length; i++) {
            n += p.r().data()[i] < DARK && p.g().data()[i] < DARK && p.b().data()[i] < DARK ? 1 : 0;
        }
        return n / (double) p.g().data().length;
    }

    /// What the takes that count look like; those that cannot be read look like nothing.
    private Map<String, Look> looks(Shot shot) {
        Map<String, Look> out = new HashMap<>();
        for (Plate p : shot.plates()) {
            Take t = p.chosen();
            if (t != null && folder.refusal(folder.footage(t)) == null) {
                FootageSource source = folder.source(t);
                try (Footage f = Footages.open(source)) {
                    out.put(p.id(), Look.of(small(f, 0)));
                } catch (FootageException e) {
                    // Said where takes are looked at.
                }
            }
        }
        return out;
    }
}
