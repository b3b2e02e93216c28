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
import org.scenothesis.core.shot.Keys;
import org.scenothesis.core.shot.Layer;
import org.scenothesis.core.shot.Layers;
import org.scenothesis.core.shot.Plate;
import org.scenothesis.core.shot.Shot;
import org.scenothesis.core.shot.StepKind;
import org.scenothesis.core.shot.Track;
import org.scenothesis.core.shot.Tracks;
import org.scenothesis.core.shot.step.Choice;
import org.scenothesis.core.shot.step.Choices;
import org.scenothesis.core.shot.step.DrawnShadow;
import org.scenothesis.core.shot.step.HandHeld;
import org.scenothesis.core.shot.step.Outline;
import org.scenothesis.core.shot.step.Parameter;
import org.scenothesis.core.shot.step.PointDriven;
import org.scenothesis.core.shot.step.Step;
import org.scenothesis.core.value.Ease;
import org.scenothesis.core.value.Kind;
import org.scenothesis.production.words.Words;
import picocli.CommandLine.Command;
import picocli.CommandLine.Mixin;
import picocli.CommandLine.Option;

@Command(name = "layers", description = "${bundle:layers-command.lists-the-layers-of-shot}", mixinStandardHelpOptions = true)
final class LayersCommand implements Callable<Integer> {
    private static final String LIMIT = "cast-limit";

    @Mixin
    OfShot of;

    @Option(names = "--lay", paramLabel = "PLATE", description = "${bundle:layers-command.add-plate-as-the-top}")
    List<String> lay = List.of();

    @Option(names = "--lay-shadow", paramLabel = "PLATE", description = "${bundle:layers-command.add-the-shadow-of}")
    List<String> layShadow = List.of();

    @Option(names = "--lay-whole", description = "${bundle:layers-command.add-the-whole-shot-as}")
    boolean layWhole;

    @Option(names = "--source", paramLabel = "KIND", description = "${bundle:layers-command.where-it-has-its-picture}")
    @Nullable String source;

    @Option(names = "--choose", paramLabel = "NAME=WORD", description = "${bundle:layers-command.choose-word-of-its-steps}")
    Map<String, String> choose = Map.of();

    @Option(names = "--points", paramLabel = "STEP=X,Y;X,Y", description = "${bundle:layers-command.the-points-of-an-outline}")
    Map<String, String> points = Map.of();

    @Option(names = "--ease", paramLabel = "STEP=EASE", description = "${bundle:layers-command.how-step-goes-on-from}")
    Map<String, String> ease = Map.of();

    @Option(names = "--jolt", paramLabel = "S", description = "${bundle:layers-command.jolt-at-moment-of-the}")
    List<Double> jolts = List.of();

    @Option(names = "--layer", paramLabel = "ID", description = "${bundle:layers-command.the-layer-that-is-changed}")
    @Nullable String layer;

    @Option(names = "--add", paramLabel = "STEP", description = "${bundle:layers-command.add-step-for-example-put}")
    List<String> add = List.of();

    @Option(names = "--set", paramLabel = "NAME=NUMBER", description = "${bundle:layers-command.set-number-of-its-steps}")
    Map<String, Double> set = Map.of();

    @Option(names = "--at", paramLabel = "SECONDS", description = "${bundle:layers-command.the-moment-of-the-shot}", defaultValue = "0")
    double at;

    @Option(names = "--keyframe", description = "${bundle:layers-command.numbers-hold-from-this-moment}")
    boolean keyframe;

    @Option(names = "--without", paramLabel = "STEP", description = "${bundle:layers-command.take-step-away}")
    List<String> without = List.of();

    @Option(names = "--blend", paramLabel = "KIND", description = "${bundle:layers-command.how-it-blends} ${COMPLETION-CANDIDATES}.")
    @Nullable Blend blend;

    @Option(names = "--name", paramLabel = "WORDS", description = "${bundle:layers-command.what-it-is-called}")
    @Nullable String name;

    @Option(names = "--begins", paramLabel = "S", description = "${bundle:layers-command.it-is-absent-until-this}")
    @Nullable Double begins;

    @Option(names = "--ends", paramLabel = "S", description = "${bundle:layers-command.it-is-absent-from-this}")
    @Nullable Double ends;

    @Option(names = "--later", paramLabel = "S", description = "${bundle:layers-command.it-comes-later-by-seconds}", defaultValue = "0")
    double later;

    @Option(names = "--up", paramLabel = "N", description = "${bundle:layers-command.move-it-up-in-the}", defaultValue = "0")
    int up;

    @Option(names = "--like", paramLabel = "ID", description = "${bundle:layers-command.treat-it-as-another-layer}")
    @Nullable String like;

    @Option(names = "--moves-like", paramLabel = "ID", description = "${bundle:layers-command.move-it-as-another-layer}")
    @Nullable String movesLike;

    @Option(names = "--copy", description = "${bundle:layers-command.copy-it-above-itself}")
    boolean copy;

    @Option(names = "--freeze", description = "${bundle:layers-command.hold-its-frame-at-at}")
    boolean freeze;

    @Option(names = "--away", description = "${bundle:layers-command.take-it-away}")
    boolean away;

    @Mixin
    Output output;

    @Override
    public Integer call() throws Exception {
        boolean writes = !lay.isEmpty() || !layShadow.isEmpty() || layWhole || layer != null;
        return of.open(writes, (folder, s) -> {
            Shot now = s;
            for (String p : lay) {
                now = Layers.added(now, Layers.fresh(now, plate(now, p)));
            }
            for (String p : layShadow) {
                now = shadowed(now, plate(now, p));
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

    private static Shot shadowed(Shot s, Plate p) throws InputException {
        if (!Layers.shadowing(s).contains(p)) {
            throw new InputException(Words.of("layers-command.no-cloth-in", p.id(), names(Layers.shadowing(s).stream().map(Plate::id)
                    .toList())));
        }
        return Layers.shadowed(s, Layers.shadow(s, p));
    }

    private static Plate plate(Shot s, String plate) throws InputException {
        return s.plate(plate).orElseThrow(
                () -> new InputException(Words.of("bring-command.there-is-no-plate-in", plate, s.id(),
                names(s.plates().stream().map(Plate::id).toList()))));
    }

    private static String names(List<String> all) {
        return all.isEmpty() ? "none" : String.join(", ", all);
    }

    private static String there(Shot s, String id) throws InputException {
        return s.layer(id).map(Layer::id)
                .orElseThrow(() -> new InputException(Words.of("layers-command.there-is-no-layer-in", id, s.id())));
    }

    private Shot changed(Shot s, String id) throws InputException {
        if (s.layer(id).isEmpty()) {
            throw new InputException(Words.of("layers-command.there-is-no-layer-in-2", id, s.id(),
                    names(s.layers().stream().map(Layer::id).toList())));
        }
        Shot now = s;
        for (String word : without) {
            now = now.withLayer(id, o -> o.withSteps(o.steps().stream().filter(x -> !Kind.word(x.getClass()).equals(word)).toList()));
        }
        for (String word : add) {
            Layer l = now.layer(id).orElseThrow();
            List<Step> may = Layers.addable(now, l);
            Step step = may.stream().filter(x -> Kind.word(x.getClass()).equals(word)).findFirst().orElseThrow(() -> new InputException(
                    Words.of("layers-command.no-step-can-be-added", word, id, names(may.stream().map(x -> Kind.word(x.getClass()))
                    .toList()))));
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
            now = now.withLayer(id, o -> o.with(HandHeld.CALM, w -> w.jolted(j)));
        }
        String where = source;
        if (where != null) {
            Layer l = now.layer(id).orElseThrow();
            Layer other = Layers.sourced(now, l, where)
                    .orElseThrow(() -> new InputException(Words.of("layers-command.the-source-of-can-be", id, names(Layers.sources(s, l)),
                    where)));
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
                throw new InputException(Words.of("layers-command.behind-the-colon-belongs-which", word));
            }
        }

        /// The place of the step in the layer.
        OptionalInt in(Layer l, Predicate<Step> has) {
            return IntStream.range(0, l.steps().size()).filter(i -> has.test(l.steps().get(i))).skip(number - 1L).findFirst();
        }
    }

    private Layer numbered(Layer l, String word, double value) throws InputException {
        Nth nth = Nth.of(word);
        int i = nth.in(l, s -> StepKind.parameters(s).stream().anyMatch(p -> p.code().equals(nth.name)))
                .orElseThrow(() -> new InputException(
                Words.of("layers-command.the-layer-has-no-number", l.id(), word,
                names(l.steps().stream().flatMap(x -> StepKind.parameters(x).stream()).map(Parameter::code).toList()))));
        Step step = l.steps().get(i);
        Parameter<?> p = StepKind.parameters(step).stream().filter(x -> x.code().equals(nth.name)).findFirst().orElseThrow();
        within(p, value);
        Step changed = p.with(keyframe && Keys.can(step) ? Keys.set(step, at) : step, at, value);
        if (Math.abs(p.get(changed, at) - value) > 1e-6) {
            throw new InputException(word + "=" + value + (step instanceof PointDriven ? Words.of("layers-command.the-points-of-the-step")
                    : Words.of("layers-command.it-cannot-be-so-beside")));
        }
        return l.with(i, changed);
    }

    private Layer eased(Layer l, String word, String ease) throws InputException {
        Ease to = Arrays.stream(Ease.values()).filter(e -> e.name().equalsIgnoreCase(ease)).findFirst()
                .orElseThrow(() -> new InputException(Words.of("layers-command.ease-choose-hold-steady-or", word, ease)));
        int i = at(l, word);
        if (!Keys.at(l.steps().get(i), at)) {
            throw new InputException(Words.of("layers-command.ease-it-has-no-key", word, at));
        }
        return l.with(i, Keys.eased(l.steps().get(i), at, to));
    }

    /// The place of a step by its word.
    private static int at(Layer l, String word) throws InputException {
        Nth nth = Nth.of(word);
        return nth.in(l, s -> Kind.word(s.getClass()).equals(nth.name))
                .orElseThrow(() -> new InputException(Words.of("layers-command.the-layer-has-no-step", l.id(), word)));
    }

    private Layer chosen(Shot s, Layer l, String code, String word) throws InputException {
        for (int i = 0; i < l.steps().size(); i++) {
            Step step = l.steps().get(i);
            for (Choice<?> c : choices(s, step)) {
                if (c.code().equals(code)) {
                    if (!c.options().contains(word)) {
                        throw new InputException(Words.of("layers-command.is-one-of-not", code, names(c.options()), word));
                    }
                    return l.with(i, c.with(step, word));
                }
            }
        }
        throw new InputException(Words.of("layers-command.the-layer-has-nothing-called", l.id(), code));
    }

    private List<Choice<?>> choices(Shot s, Step step) {
        return Choices.of(step, s.tracks().stream().map(Track::id).toList(), t -> s.track(t).map(x -> Tracks.takeSeconds(s, x.plate(), at))
                .orElse(0.0));
    }

    private Layer pointed(Layer l, String word, String points) throws InputException {
        List<Point> to = points.isBlank() ? List.of() : TrackCommand.points(List.of(points.split(";"))).stream().map(p -> p.times(0.01))
                .toList();
        boolean limit = word.startsWith(LIMIT);
        int i = at(l, limit ? "drawn-shadow" + word.substring(LIMIT.length()) : word);
        Step step = l.steps().get(i);
        if (limit) {
            if (!(to.isEmpty() || to.size() >= 3)) {
                throw new InputException(Words.of("layers-command.limit-has-three-corners-at", word));
            }
            return l.with(i, ((DrawnShadow) step).withLimit(to));
        }
        return l.with(i, pointed(keyframe && Keys.can(step) ? Keys.set(step, at) : step, word, to));
    }

    private Step pointed(Step step, String word, List<Point> to) throws InputException {
        if (step instanceof Outline o && to.size() >= 3) {
            return o.withCorners(at, to);
        }
        if (!(step instanceof PointDriven led)) {
            throw new InputException(Words.of("layers-command.is-not-led-by-points", word));
        }
        if (to.size() != led.names().size()) {
            throw new InputException(word + " has " + led.names().size() + " points (" + names(led.names()) + "), " + to.size()
                    + " were given.");
        }
        Step moved = led.withPoints(at, to);
        if (!((PointDriven) moved).points(at).equals(to)) {
            throw new InputException(Words.of("layers-command.its-points-cannot-lie-so", word));
        }
        return moved;
    }

    private static void within(Parameter<?> p, double value) throws InputException {
        if (!(value >= p.span().low() && value <= p.span().high())) {
            throw new InputException(Words.of("layers-command.it-goes-from-to", p.code(), value, p.span().low(), p.span().high(),
                    (p.unit().isEmpty() ? "" : " " + p.unit())));
        }
    }

    private void report(Shot s) {
        ObjectNode o = Output.object();
        ArrayNode list = o.putArray("layers");
        for (Layer l : s.layers()) {
            ObjectNode one = list.addObject().put("id", l.id()).put("name", l.name()).put("on", l.on()).put("plate", l.plate())
                    .put("source", Kind.word(l.source().getClass())).put("blend", l.blend().name().toLowerCase(Locale.ROOT));
            ArrayNode steps = one.putArray("steps");
            for (Step step : l.steps()) {
                ObjectNode numbers = steps.addObject().put("step", Kind.word(step.getClass())).putObject("numbers");
                StepKind.parameters(step).forEach(p -> Output.number(numbers, p.code(), p.get(step, at)));
                choices(s, step).forEach(c -> numbers.put(c.code(), c.get(step)));
            }
            output.say(l.id() + "  " + l.name() + (l.on() ? "" : ", off"));
            l.steps().forEach(step -> output.say("    " + Words.of("step." + Kind.word(step.getClass())) + said(step)));
        }
        output.print(o);
    }

    private String said(Step step) {
        String numbers = StepKind.parameters(step).stream().map(p -> p.code() + "=" + Words.number(p.get(step, at), p.span().decimals()))
                .collect(Collectors.joining("  "));
        return numbers.isEmpty() ? "" : ": " + numbers;
    }
}
