package org.scenothesis.cli;

import com.fasterxml.jackson.databind.node.ArrayNode;
import com.fasterxml.jackson.databind.node.ObjectNode;
import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.OptionalInt;
import java.util.concurrent.Callable;
import java.util.function.Predicate;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import org.jspecify.annotations.Nullable;
import org.scenothesis.core.picture.Point;
import org.scenothesis.core.shot.Blend;
import org.scenothesis.core.shot.Layer;
import org.scenothesis.core.shot.Layers;
import org.scenothesis.core.shot.Plate;
import org.scenothesis.core.shot.Shot;
import org.scenothesis.core.shot.Trail;
import org.scenothesis.core.shot.Trails;
import org.scenothesis.core.shot.step.Cast;
import org.scenothesis.core.shot.step.Choice;
import org.scenothesis.core.shot.step.Choices;
import org.scenothesis.core.shot.step.Keys;
import org.scenothesis.core.shot.step.Led;
import org.scenothesis.core.shot.step.Outline;
import org.scenothesis.core.shot.step.Parameter;
import org.scenothesis.core.shot.step.Parameters;
import org.scenothesis.core.shot.step.Step;
import org.scenothesis.core.shot.step.Wobble;
import org.scenothesis.core.value.Ease;
import org.scenothesis.core.value.Kind;
import org.scenothesis.production.words.Words;
import picocli.CommandLine.Command;
import picocli.CommandLine.Mixin;
import picocli.CommandLine.Option;

@Command(name = "layers", description = "Lists the layers of a shot with the numbers of their steps, and changes them.", mixinStandardHelpOptions = true)
final class LayersCommand implements Callable<Integer> {
    private static final String LIMIT = "cast-limit";

    @Mixin
    OfShot of;

    @Option(names = "--lay", paramLabel = "PLATE", description = "Lay a plate on top; may be said several times, lowest first.")
    List<String> lay = List.of();

    @Option(names = "--lay-whole", description = "Lay the whole shot on top: all below as one picture, for what is done to all of it.")
    boolean layWhole;

    @Option(names = "--source", paramLabel = "KIND", description = "Where it has its picture from: plate, lightest (so far), or light-gained over the clean plate.")
    @Nullable String source;

    @Option(names = "--choose", paramLabel = "NAME=WORD", description = "Choose a word of its steps, by the names that are listed.")
    Map<String, String> choose = Map.of();

    @Option(names = "--points", paramLabel = "STEP=X,Y;X,Y", description = "The points of an outline, of a step that is led by points, or of cast-limit (what a drawn shadow stays within), in percent of the picture. Of several steps of a kind the second is STEP:2.")
    Map<String, String> points = Map.of();

    @Option(names = "--ease", paramLabel = "STEP=EASE", description = "How a step goes on from its key at --at: hold, steady or soft.")
    Map<String, String> ease = Map.of();

    @Option(names = "--jolt", paramLabel = "S", description = "A jolt at a moment of the shot, for what is held by hand.")
    List<Double> jolts = List.of();

    @Option(names = "--layer", paramLabel = "ID", description = "The layer that is changed.")
    @Nullable String layer;

    @Option(names = "--add", paramLabel = "STEP", description = "Add a step, for example put, outline, grain.")
    List<String> add = List.of();

    @Option(names = "--set", paramLabel = "NAME=NUMBER", description = "Set a number of its steps, by the names that are listed below; of several steps that have it the second is NAME:2.")
    Map<String, Double> set = Map.of();

    @Option(names = "--at", paramLabel = "SECONDS", description = "The moment of the shot the numbers are listed and set at.", defaultValue = "0")
    double at;

    @Option(names = "--keyframe", description = "What is set holds from this moment on: with keyframes.")
    boolean keyframe;

    @Option(names = "--without", paramLabel = "STEP", description = "Take a step away.")
    List<String> without = List.of();

    @Option(names = "--blend", paramLabel = "KIND", description = "How it is laid: ${COMPLETION-CANDIDATES}.")
    @Nullable Blend blend;

    @Option(names = "--name", paramLabel = "WORDS", description = "What it is called.")
    @Nullable String name;

    @Option(names = "--begins", paramLabel = "S", description = "It is absent until this moment of the shot.")
    @Nullable Double begins;

    @Option(names = "--ends", paramLabel = "S", description = "It is absent from this moment of the shot on.")
    @Nullable Double ends;

    @Option(names = "--later", paramLabel = "S", description = "It comes later by seconds, with its keys; negative earlier.", defaultValue = "0")
    double later;

    @Option(names = "--up", paramLabel = "N", description = "Move it up in the pile; negative moves it down.", defaultValue = "0")
    int up;

    @Option(names = "--like", paramLabel = "ID", description = "Treat it as another layer is: key, colour, softness, grain, light at its edge.")
    @Nullable String like;

    @Option(names = "--moves-like", paramLabel = "ID", description = "Move it as another layer is.")
    @Nullable String movesLike;

    @Option(names = "--copy", description = "Copy it, above itself.")
    boolean copy;

    @Option(names = "--freeze", description = "Hold its frame at --at within an outline above it, for a second.")
    boolean freeze;

    @Option(names = "--away", description = "Take it away.")
    boolean away;

    @Mixin
    Output output;

    @Override
    public Integer call() throws Exception {
        boolean writes = !lay.isEmpty() || layWhole || layer != null;
        return of.open(writes, (folder, s) -> {
            Shot now = s;
            for (String p : lay) {
                now = laid(now, p);
            }
            now = layWhole ? Layers.added(now, Layers.whole(now)) : now;
            if (layer != null) {
                now = changed(now, layer);
            }
            if (!now.equals(s)) {
                Shot kept = now;
                folder.save(folder.production().withShot(s.id(), x -> kept));
            }
            report(now);
        });
    }

    private static Shot laid(Shot s, String plate) throws InputException {
        Plate p = s.plate(plate).orElseThrow(
                () -> new InputException("there is no plate " + plate + " in shot " + s.id() + "; it has " + names(s.plates().stream().map(Plate::id).toList()) + "."));
        return Layers.added(s, Layers.fresh(s, p));
    }

    private static String names(List<String> all) {
        return all.isEmpty() ? "none" : String.join(", ", all);
    }

    private static String there(Shot s, String id) throws InputException {
        return s.layer(id).map(Layer::id).orElseThrow(() -> new InputException("there is no layer " + id + " in shot " + s.id() + "."));
    }

    private Shot changed(Shot s, String id) throws InputException {
        if (s.layer(id).isEmpty()) {
            throw new InputException("there is no layer " + id + " in shot " + s.id() + "; it has " + names(s.layers().stream().map(Layer::id).toList()) + ".");
        }
        Shot now = s;
        for (String word : without) {
            now = now.withLayer(id, o -> o.withSteps(o.steps().stream().filter(x -> !Kind.word(x.getClass()).equals(word)).toList()));
        }
        for (String word : add) {
            Layer l = now.layer(id).orElseThrow();
            List<Step> may = Layers.addable(now, l);
            Step step = may.stream().filter(x -> Kind.word(x.getClass()).equals(word)).findFirst().orElseThrow(() -> new InputException(
                    "no step " + word + " can be added to " + id + "; there are " + names(may.stream().map(x -> Kind.word(x.getClass())).toList()) + "."));
            now = now.withLayer(id, o -> Layers.more(o, step));
        }
        for (Map.Entry<String, Double> e : set.entrySet()) {
            Layer l = numbered(now.layer(id).orElseThrow(), e.getKey(), e.getValue());
            now = now.withLayer(id, o -> l);
        }
        for (Map.Entry<String, String> e : choose.entrySet()) {
            Layer l = chosen(now, now.layer(id).orElseThrow(), e.getKey(), e.getValue());
            now = now.withLayer(id, o -> l);
        }
        for (Map.Entry<String, String> e : points.entrySet()) {
            Layer l = pointed(now.layer(id).orElseThrow(), e.getKey(), e.getValue());
            now = now.withLayer(id, o -> l);
        }
        for (Map.Entry<String, String> e : ease.entrySet()) {
            Layer l = eased(now.layer(id).orElseThrow(), e.getKey(), e.getValue());
            now = now.withLayer(id, o -> l);
        }
        for (double j : jolts) {
            now = now.withLayer(id, o -> o.with(Wobble.CALM, w -> w.jolted(j)));
        }
        String where = source;
        if (where != null) {
            Layer l = now.layer(id).orElseThrow();
            Layer other = Layers.sourced(now, l, where).orElseThrow(() -> new InputException("the source of " + id + " can be " + names(Layers.sources(s, l)) + ", not " + where + "."));
            now = now.withLayer(id, o -> other);
        }
        now = now.withLayer(id, l -> {
            Layer from = begins == null ? l : Layers.beginning(l, begins);
            Layer to = ends == null ? from : Layers.ending(from, ends);
            return later == 0 ? to : Layers.later(to, later);
        });
        now = now.withLayer(id, l -> l.withBlend(blend == null ? l.blend() : blend).withName(name == null ? l.name() : name));
        now = Layers.moved(copy ? Layers.copied(now, id) : now, id, up);
        now = freeze ? Layers.frozen(now, id, at) : now;
        now = like == null ? now : Layers.treated(now, there(now, like), id);
        now = movesLike == null ? now : Layers.movedAlike(now, there(now, movesLike), id);
        return away ? Layers.without(now, id) : now;
    }

    /// A name, and which of several steps that have it: the first unless a number follows.
    private record Nth(String name, int number) {
        static Nth of(String word) throws InputException {
            int colon = word.lastIndexOf(':');
            if (colon < 0) {
                return new Nth(word, 1);
            }
            try {
                return new Nth(word.substring(0, colon), Math.max(1, Integer.parseInt(word.substring(colon + 1))));
            } catch (NumberFormatException e) {
                throw new InputException(word + ": behind the colon belongs which of several steps, such as outline:2.");
            }
        }

        /// The place of the step in the layer.
        OptionalInt in(Layer l, Predicate<Step> has) {
            return IntStream.range(0, l.steps().size()).filter(i -> has.test(l.steps().get(i))).skip(number - 1L).findFirst();
        }
    }

    private Layer numbered(Layer l, String word, double value) throws InputException {
        Nth nth = Nth.of(word);
        int i = nth.in(l, s -> Parameters.of(s).stream().anyMatch(p -> p.code().equals(nth.name))).orElseThrow(() -> new InputException(
                "the layer " + l.id() + " has no number " + word + "; it has " + names(l.steps().stream().flatMap(x -> Parameters.of(x).stream()).map(Parameter::code).toList()) + "."));
        Step step = l.steps().get(i);
        Parameter<?> p = Parameters.of(step).stream().filter(x -> x.code().equals(nth.name)).findFirst().orElseThrow();
        within(p, value);
        Step changed = p.with(keyframe && Keys.can(step) ? Keys.set(step, at) : step, at, value);
        if (Math.abs(p.get(changed, at) - value) > 1e-6) {
            throw new InputException(word + "=" + value + (step instanceof Led ? ": the points of the step cannot lie so; none may fall together, and corners go round one way."
                    : ": it cannot be so beside the other numbers of the step; change those first."));
        }
        return l.with(i, changed);
    }

    private Layer eased(Layer l, String word, String ease) throws InputException {
        Ease to = Arrays.stream(Ease.values()).filter(e -> e.name().equalsIgnoreCase(ease)).findFirst().orElseThrow(() -> new InputException("--ease " + word + "=" + ease + ": choose hold, steady or soft."));
        int i = at(l, word);
        if (!Keys.at(l.steps().get(i), at)) {
            throw new InputException("--ease " + word + ": it has no key at " + at + " s; set one with --keyframe.");
        }
        return l.with(i, Keys.eased(l.steps().get(i), at, to));
    }

    /// The place of a step by its word.
    private static int at(Layer l, String word) throws InputException {
        Nth nth = Nth.of(word);
        return nth.in(l, s -> Kind.word(s.getClass()).equals(nth.name)).orElseThrow(() -> new InputException("the layer " + l.id() + " has no step " + word + "; add it with --add."));
    }

    private Layer chosen(Shot s, Layer l, String code, String word) throws InputException {
        for (int i = 0; i < l.steps().size(); i++) {
            Step step = l.steps().get(i);
            for (Choice<?> c : choices(s, step)) {
                if (c.code().equals(code)) {
                    if (!c.options().contains(word)) {
                        throw new InputException(code + " is one of " + names(c.options()) + ", not " + word + ".");
                    }
                    return l.with(i, c.with(step, word));
                }
            }
        }
        throw new InputException("the layer " + l.id() + " has nothing called " + code + " to choose.");
    }

    private List<Choice<?>> choices(Shot s, Step step) {
        return Choices.of(step, s.trails().stream().map(Trail::id).toList(), t -> s.trail(t).map(x -> Trails.takeSeconds(s, x.plate(), at)).orElse(0.0));
    }

    private Layer pointed(Layer l, String word, String points) throws InputException {
        List<Point> to = points.isBlank() ? List.of() : TrackCommand.points(List.of(points.split(";"))).stream().map(p -> p.times(0.01)).toList();
        boolean limit = word.startsWith(LIMIT);
        int i = at(l, limit ? "cast" + word.substring(LIMIT.length()) : word);
        Step step = l.steps().get(i);
        if (limit) {
            if (!(to.isEmpty() || to.size() >= 3)) {
                throw new InputException(word + ": a limit has three corners at least, or none.");
            }
            return l.with(i, ((Cast) step).withLimit(to));
        }
        return l.with(i, pointed(keyframe && Keys.can(step) ? Keys.set(step, at) : step, word, to));
    }

    private Step pointed(Step step, String word, List<Point> to) throws InputException {
        if (step instanceof Outline o && to.size() >= 3) {
            return o.withCorners(at, to);
        }
        if (!(step instanceof Led led)) {
            throw new InputException(word + " is not led by points, or too few were given.");
        }
        if (to.size() != led.names().size()) {
            throw new InputException(word + " has " + led.names().size() + " points (" + names(led.names()) + "), " + to.size() + " were given.");
        }
        Step moved = led.withPoints(at, to);
        if (!((Led) moved).points(at).equals(to)) {
            throw new InputException(word + ": its points cannot lie so; none may fall together, and corners go round one way.");
        }
        return moved;
    }

    private static void within(Parameter<?> p, double value) throws InputException {
        if (!(value >= p.span().low() && value <= p.span().high())) {
            throw new InputException(p.code() + "=" + value + ": it goes from " + p.span().low() + " to " + p.span().high() + (p.unit().isEmpty() ? "" : " " + p.unit()) + ".");
        }
    }

    private void report(Shot s) {
        ObjectNode o = Output.object();
        ArrayNode list = o.putArray("layers");
        for (Layer l : s.layers()) {
            ObjectNode one = list.addObject().put("id", l.id()).put("name", l.name()).put("on", l.on()).put("plate", l.plate()).put("blend", l.blend().name().toLowerCase(Locale.ROOT));
            ArrayNode steps = one.putArray("steps");
            for (Step step : l.steps()) {
                ObjectNode numbers = steps.addObject().put("step", Kind.word(step.getClass())).putObject("numbers");
                Parameters.of(step).forEach(p -> Output.number(numbers, p.code(), p.get(step, at)));
                choices(s, step).forEach(c -> numbers.put(c.code(), c.get(step)));
            }
            output.say(l.id() + "  " + l.name() + (l.on() ? "" : ", off"));
            l.steps().forEach(step -> output.say("    " + Words.of("step." + Kind.word(step.getClass())) + said(step)));
        }
        output.print(o);
    }

    private String said(Step step) {
        String numbers = Parameters.of(step).stream().map(p -> p.code() + "=" + Words.number(p.get(step, at), p.span().decimals())).collect(Collectors.joining("  "));
        return numbers.isEmpty() ? "" : ": " + numbers;
    }
}
