package org.scenothesis.core.shot;

import io.soabase.recordbuilder.core.RecordBuilder;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.function.UnaryOperator;
import org.scenothesis.core.Check;
import org.scenothesis.core.optics.Vec;
import org.scenothesis.core.shot.step.Difference;
import org.scenothesis.core.shot.step.Exposure;
import org.scenothesis.core.shot.step.Key;
import org.scenothesis.core.shot.step.KeySettings;
import org.scenothesis.core.shot.step.LockCorrection;
import org.scenothesis.core.shot.step.Opacity;
import org.scenothesis.core.shot.step.Outline;
import org.scenothesis.core.shot.step.SetPlace;
import org.scenothesis.core.shot.step.Step;
import org.scenothesis.core.value.Animated;
import org.scenothesis.core.value.Given;

/// One layer of a shot, bottom first: a source, when of it is shown, what is done to it, and how it is laid on what is below.
///
/// What a layer is for shows in its steps only. The usual ones: a base is a plate; a patch is steadied, outlined and matched; an element is
/// keyed, placed and throws a shadow; gained light is outlined and added.
@RecordBuilder
public record Layer(String id, String name, boolean on, Source source, TimeMap time, List<Step> steps, Blend blend)
        implements LayerBuilder.With {
    private static final int MOST_STEPS = 100;

    public Layer {
        Check.that(steps.size() <= MOST_STEPS, "a layer has at most " + MOST_STEPS + " steps");
        steps = List.copyOf(steps);
    }

    /// A visible layer of a plate as it was filmed.
    public static Layer of(String id, String name, String plate, Step... steps) {
        return new Layer(id, name, true, new Source.OfPlate(plate), TimeMap.AS_FILMED, List.of(steps), Blend.OVER);
    }

    /// A part of another take of the same camera.
    public static Layer patch(String id, String name, String plate) {
        return of(id, name, plate, new LockCorrection(), new Exposure(0, true));
    }

    /// Something keyed, standing where it was filmed.
    public static Layer element(String id, String name, String plate, Given<Vec> filmedFoot) {
        return of(id, name, plate, new Key(KeySettings.DEFAULT), SetPlace.asFilmed(filmedFoot));
    }

    /// The light that one plate has more than another.
    public static Layer light(String id, String name, String lit, String unlit) {
        return new Layer(id, name, true, new Source.LightGained(lit, unlit), TimeMap.AS_FILMED, List.of(), Blend.ADD);
    }

    /// All that lies below as one picture, to be treated as a whole.
    public static Layer whole(String id, String name, Step... steps) {
        return new Layer(id, name, true, new Source.Below(), TimeMap.AS_FILMED, List.of(steps), Blend.OVER);
    }

    /// The plate that gives it its mark; empty if it was not filmed.
    public String plate() {
        return source.plate();
    }

    /// All plates it is read from, those its steps compare it with included.
    public List<String> plates() {
        List<String> out = new ArrayList<>(source.plates());
        step(Difference.class).map(Difference::plate).filter(p -> !out.contains(p)).ifPresent(out::add);
        return List.copyOf(out);
    }

    /// Whether one of its steps keys it.
    public boolean keyed() {
        return step(Key.class).isPresent();
    }

    /// The first step of a kind.
    public <S extends Step> Optional<S> step(Class<S> kind) {
        return steps.stream().filter(kind::isInstance).map(kind::cast).findFirst();
    }

    /// The settings of its key as they begin, the usual ones if it has none.
    public KeySettings key() {
        return key(0);
    }

    /// The settings of its key at a moment of the shot, in seconds.
    public KeySettings key(double seconds) {
        return step(Key.class).map(k -> ((Key) Keys.held(k, seconds)).settings()).orElse(KeySettings.DEFAULT);
    }

    /// The garbage matte: the outline that a key takes.
    public Outline garbage() {
        Outline last = Outline.NONE;
        for (Step s : steps) {
            if (s instanceof Key) {
                return last;
            }
            last = s instanceof Outline o && o.counts() == Outline.Counts.WITHIN ? o : last;
        }
        return Outline.NONE;
    }

    /// How much of it there is at a moment, in seconds of the shot: 0 none, 1 all.
    public double presence(double seconds) {
        double p = 1;
        for (Step s : steps) {
            p = s instanceof Opacity q ? p * q.at(seconds) : p;
        }
        return p;
    }

    /// The moments of all keys of all steps, in order.
    public List<Double> keyTimes() {
        List<Double> out = new ArrayList<>();
        steps.forEach(s -> Keys.changed(s, new Animated.Change() {
            @Override
            public <T> Animated<T> of(Animated<T> value, Animated.Between<T> between) {
                value.keys().forEach(k -> out.add(k.seconds()));
                return value;
            }
        }));
        return out.stream().distinct().sorted().toList();
    }

    /// With a step in place of the first of its kind, or put in where it usually belongs.
    public Layer with(Step step) {
        List<Step> out = new ArrayList<>(steps);
        for (int i = 0; i < out.size(); i++) {
            if (out.get(i).getClass() == step.getClass()) {
                out.set(i, step);
                return withSteps(out);
            }
        }
        int at = 0;
        for (int i = 0; i < out.size(); i++) {
            at = StepKind.of(out.get(i)).compareTo(StepKind.of(step)) <= 0 ? i + 1 : at;
        }
        out.add(at, step);
        return withSteps(out);
    }

    /// With the first step of a kind changed; `usual` is put in where there is none.
    public <S extends Step> Layer with(S usual, UnaryOperator<S> change) {
        @SuppressWarnings("unchecked")
        Class<S> kind = (Class<S>) usual.getClass();
        return with(change.apply(step(kind).orElse(usual)));
    }

    /// With another step at a place in the list.
    public Layer with(int index, Step step) {
        List<Step> out = new ArrayList<>(steps);
        out.set(index, step);
        return withSteps(out);
    }

    /// The layer less one of its steps, by its place.
    public Layer without(int index) {
        List<Step> out = new ArrayList<>(steps);
        out.remove(index);
        return withSteps(out);
    }

    /// The layer less all steps of a kind.
    public Layer without(Class<? extends Step> kind) {
        return withSteps(steps.stream().filter(s -> !kind.isInstance(s)).toList());
    }
}
