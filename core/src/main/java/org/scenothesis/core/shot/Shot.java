package org.scenothesis.core.shot;

import io.soabase.recordbuilder.core.RecordBuilder;
import java.util.ArrayList;
import java.util.Collections;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;
import java.util.function.UnaryOperator;
import org.jspecify.annotations.Nullable;
import org.scenothesis.core.Check;
import org.scenothesis.core.optics.Vec;
import org.scenothesis.core.stage.SetUp;
import org.scenothesis.core.stage.Stage;
import org.scenothesis.core.value.Animated;
import org.scenothesis.core.value.Given;

/// One shot: what is impossible in it, when, the plates it needs and the layers it is assembled from.
///
/// `setUp` is the camera and light it is filmed with, which other shots may share; null before it is staged. `setting` is what was told
/// about place and conditions;
/// `format` is the size and rate of the finished pictures, null for that of the lowest layer. `tracks`: what was followed in its takes.
/// `sound`: what is heard.
/// `elsewhere`: the set-ups of plates that are filmed by another camera, by their lock group, as far as they were staged by hand.
@RecordBuilder
public record Shot(
        String id,
        int number,
        String title,
        String story,
        double seconds,
        List<Illusion> illusions,
        List<Beat> beats,
        List<Plate> plates,
        List<Layer> layers,
        @Nullable SetUp setUp,
        Setting setting,
        @Nullable FrameFormat format,
        List<Track> tracks,
        Sound sound,
        Map<String, SetUp> elsewhere) implements ShotBuilder.With {
    public Shot {
        Check.range("seconds", seconds, 0, Animated.LONGEST_S);
        illusions = List.copyOf(illusions);
        beats = List.copyOf(beats);
        plates = List.copyOf(plates);
        layers = List.copyOf(layers);
        tracks = List.copyOf(tracks);
        elsewhere = Collections.unmodifiableMap(new TreeMap<>(elsewhere));
    }

    /// A shot of whose setting nothing was told yet.
    public Shot(
            String id, int number, String title, String story, double seconds, List<Illusion> illusions, List<Beat> beats,
            List<Plate> plates, List<Layer> layers,
            @Nullable SetUp setUp) {
        this(id, number, title, story, seconds, illusions, beats, plates, layers, setUp, Setting.NONE);
    }

    /// A shot whose size and rate are those of its lowest layer.
    public Shot(
            String id, int number, String title, String story, double seconds, List<Illusion> illusions, List<Beat> beats,
            List<Plate> plates, List<Layer> layers,
            @Nullable SetUp setUp, Setting setting) {
        this(id, number, title, story, seconds, illusions, beats, plates, layers, setUp, setting, null, List.of(), Sound.AS_FILMED,
                Map.of());
    }

    /// The plate with this id, if there is one.
    public Optional<Plate> plate(@Nullable String plateId) {
        return plates.stream().filter(p -> p.id().equals(plateId)).findFirst();
    }

    /// The lowest layer that keys a plate.
    public Optional<Layer> keyOf(String plateId) {
        return layers.stream().filter(l -> l.keyed() && l.plate().equals(plateId)).findFirst();
    }

    /// The layer with this id, if there is one.
    public Optional<Layer> layer(@Nullable String layerId) {
        return layers.stream().filter(l -> l.id().equals(layerId)).findFirst();
    }

    /// What was followed under this id, if anything was.
    public Optional<Track> track(@Nullable String trackId) {
        return tracks.stream().filter(t -> t.id().equals(trackId)).findFirst();
    }

    /// Where something was filmed while nobody said so: the middle of the ground, or two metres off before there is one.
    public Given<Vec> somewhere() {
        Stage stage = stage();
        Vec foot = stage == null ? new Vec(0, 0, 2) : new Vec(stage.camera().position().value().x(), stage.groundM(), stage.groundExtent()
                .middleM());
        return new Given.Assumed<>(foot, "filmed-nowhere-said");
    }

    /// The first plate of a role, if there is one.
    public Optional<Plate> plateOf(PlateRole role) {
        return plates.stream().filter(p -> p.role() == role).findFirst();
    }

    /// The shot with one plate changed; the same if it has no such plate.
    public Shot withPlate(String plateId, UnaryOperator<Plate> change) {
        return withPlates(plates.stream().map(p -> p.id().equals(plateId) ? change.apply(p) : p).toList());
    }

    /// Changes a take, of whatever plate it is.
    public Shot withTake(String takeId, UnaryOperator<Take> change) {
        return withPlates(plates.stream().map(p -> p.take(takeId).isEmpty() ? p
                : p.withTakes(p.takes().stream().map(t -> t.id().equals(takeId) ? change.apply(t) : t).toList())).toList());
    }

    /// The shot with one plate more, as the last.
    public Shot withPlateAdded(Plate plate) {
        List<Plate> more = new ArrayList<>(plates);
        more.add(plate);
        return withPlates(more);
    }

    /// The shot with one layer changed; the same if it has no such layer.
    public Shot withLayer(String layerId, UnaryOperator<Layer> change) {
        return withLayers(layers.stream().map(l -> l.id().equals(layerId) ? change.apply(l) : l).toList());
    }

    /// The shot with one illusion changed; the same if it has no such illusion.
    public Shot withIllusion(String illusionId, UnaryOperator<Illusion> change) {
        return withIllusions(illusions.stream().map(w -> w.id().equals(illusionId) ? change.apply(w) : w).toList());
    }

    /// The shot with other beats, put in the order of time.
    public Shot withBeats(List<Beat> other) {
        List<Beat> sorted = new ArrayList<>(other);
        sorted.sort(Comparator.comparingDouble(Beat::seconds));
        return new Shot(id, number, title, story, seconds, illusions, sorted, plates, layers, setUp, setting, format, tracks, sound,
                elsewhere);
    }

    @Override
    public Shot withSetUp(@Nullable SetUp other) {
        return new Shot(id, number, title, story, seconds, illusions, beats, plates, layers, other, setting, format, tracks, sound,
                elsewhere);
    }

    @Override
    public Shot withFormat(@Nullable FrameFormat other) {
        return new Shot(id, number, title, story, seconds, illusions, beats, plates, layers, setUp, setting, other, tracks, sound,
                elsewhere);
    }

    /// All set-ups it is filmed with, its own first.
    public List<SetUp> setUps() {
        List<SetUp> out = new ArrayList<>(elsewhere.values());
        if (setUp != null) {
            out.addFirst(setUp);
        }
        return out;
    }

    /// The shot with a set-up as another shot left it, wherever it is filmed with it.
    Shot sharing(SetUp now) {
        Map<String, SetUp> others = new TreeMap<>(elsewhere);
        others.replaceAll((group, s) -> s.id().equals(now.id()) ? now : s);
        SetUp own = setUp;
        return withElsewhere(others).withSetUp(own != null && own.id().equals(now.id()) ? now : own);
    }

    /// The set in metres as staged or solved; null before.
    public @Nullable Stage stage() {
        return setUp == null ? null : setUp.stage();
    }

    /// Changes the set, if there is one; in a production for all shots that share it.
    public Shot withStage(UnaryOperator<Stage> change) {
        return setUp == null ? this : withSetUp(setUp.withStage(change.apply(setUp.stage())));
    }

    /// The shot with its setting changed.
    public Shot withSetting(UnaryOperator<Setting> change) {
        return withSetting(change.apply(setting));
    }

    /// The same under another id and number.
    public Shot renamed(String otherId, int otherNumber) {
        return withId(otherId).withNumber(otherNumber);
    }

    /// The shot with another title, story and length, in seconds.
    public Shot told(String otherTitle, String otherStory, double otherSeconds) {
        return withTitle(otherTitle).withStory(otherStory).withSeconds(otherSeconds);
    }
}
