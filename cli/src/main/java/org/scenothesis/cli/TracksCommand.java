package org.scenothesis.cli;

import com.fasterxml.jackson.databind.node.ArrayNode;
import com.fasterxml.jackson.databind.node.ObjectNode;
import java.util.List;
import java.util.Locale;
import java.util.concurrent.Callable;
import org.jspecify.annotations.Nullable;
import org.scenothesis.core.follow.Following;
import org.scenothesis.core.picture.Bands;
import org.scenothesis.core.picture.Point;
import org.scenothesis.core.shot.Plate;
import org.scenothesis.core.shot.Shot;
import org.scenothesis.core.shot.Take;
import org.scenothesis.core.shot.Track;
import org.scenothesis.core.shot.Tracks;
import org.scenothesis.production.measure.FollowTake;
import org.scenothesis.production.store.ProductionFolder;
import org.scenothesis.production.words.Words;
import picocli.CommandLine.Command;
import picocli.CommandLine.Mixin;
import picocli.CommandLine.Option;

@Command(name = "tracks", description = "${bundle:tracks-command.lists-what-was-followed-in}", mixinStandardHelpOptions = true)
final class TracksCommand implements Callable<Integer> {
    @Mixin
    OfShot of;

    @Option(names = "--follow", paramLabel = "PLATE", description = "${bundle:tracks-command.follow-something-in-the-chosen}")
    @Nullable String plate;

    @Option(names = "--points", paramLabel = "X,Y", arity = "1..4", description = "${bundle:tracks-command.one-point-or-four-corners}")
    List<String> points = List.of();

    @Option(names = "--at", paramLabel = "SECONDS", description = "${bundle:tracks-command.the-moment-of-the-take}", defaultValue = "0")
    double at;

    @Option(names = "--name", paramLabel = "WORDS", description = "${bundle:layers-command.what-it-is-called}", defaultValue = "followed")
    String name;

    @Option(names = "--layer", paramLabel = "ID", description = "${bundle:tracks-command.the-layer-that-follows-it}")
    @Nullable String layer;

    @Option(names = "--mend", paramLabel = "TRAIL", description = "${bundle:tracks-command.show-by-hand-where-trail}")
    @Nullable String mend;

    @Option(names = "--away", paramLabel = "TRAIL", description = "${bundle:tracks-command.take-trail-away}")
    @Nullable String away;

    @Mixin
    Output output;

    @Override
    public Integer call() throws Exception {
        boolean writes = plate != null || away != null || mend != null;
        return of.open(writes, (folder, s) -> {
            Shot now = away == null ? s : Tracks.without(s, track(s, away).id());
            now = mend == null ? now : mended(folder, now, track(now, mend));
            now = plate == null ? now : followed(folder, now, plate);
            if (!now.equals(s)) {
                Shot kept = now;
                folder.save(folder.production().withShot(s.id(), x -> kept));
            }
            report(now);
        });
    }

    private Shot followed(ProductionFolder folder, Shot s, String of) throws Exception {
        if (layer != null && s.layer(layer).isEmpty()) {
            throw new InputException(Words.of("layers-command.there-is-no-layer-in", layer, s.id()));
        }
        Take take = take(s, of);
        FollowTake.Both b = follow(folder, take, new Following.Stretch(0, Double.MAX_VALUE));
        int seed = seed(b);
        Track t = Following.track(Tracks.free(s), name, of, b.found(), seed, b.frames());
        return Following.followed(s, t, layer, b.frames().times().get(seed));
    }

    private Shot mended(ProductionFolder folder, Shot s, Track t) throws Exception {
        FollowTake.Both b = follow(folder, take(s, t.plate()), Following.around(t, at));
        return Tracks.with(s, Following.mended(t, b.found(), seed(b), b.frames()));
    }

    private FollowTake.Both follow(ProductionFolder folder, Take take, Following.Stretch stretch) throws Exception {
        List<Point> places = TrackCommand.points(points).stream().map(p -> p.times(0.01)).toList();
        if (places.size() != 1 && places.size() != 4) {
            throw new InputException(Words.of("tracks-command.one-point-can-be-followed", places.size()));
        }
        try (Bands bands = Bands.allCores()) {
            return FollowTake.both(folder.source(take), places, at, stretch, bands, output.progress("following"));
        }
    }

    /// The frame it was shown in is the first of the series.
    private static int seed(FollowTake.Both b) {
        return b.found().getFirst().frame();
    }

    private static Track track(Shot s, String id) throws InputException {
        return s.track(id).orElseThrow(() -> new InputException(Words.of("tracks-command.there-is-no-trail-in", id, s.id())));
    }

    private static Take take(Shot s, String of) throws InputException {
        Plate p = s.plate(of).orElseThrow(() -> new InputException(Words.of("tracks-command.there-is-no-plate-in", of, s.id())));
        Take take = p.chosen();
        if (take == null) {
            throw new InputException(Words.of("tracks-command.the-plate-has-no-take", of));
        }
        return take;
    }

    private void report(Shot s) {
        ObjectNode o = Output.object();
        ArrayNode all = o.putArray("tracks");
        for (Track t : s.tracks()) {
            ObjectNode one = all.addObject().put("id", t.id()).put("name", t.name()).put("plate", t.plate()).put("flat", t.flat());
            one.put("spots", t.spots().size());
            Output.number(one, "from_seconds", t.spots().getFirst().seconds());
            Output.number(one, "to_seconds", t.spots().getLast().seconds());
            output.say(String.format(Locale.ROOT, Words.of("tracks-command.in-found-in-frames-from"), t.id(), t.name(), t.plate(), t.spots()
                    .size(), t.spots().getFirst().seconds(), t.spots().getLast().seconds()));
        }
        output.print(o);
    }
}
