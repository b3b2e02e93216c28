package org.scenothesis.cli;

import com.fasterxml.jackson.databind.node.ArrayNode;
import com.fasterxml.jackson.databind.node.ObjectNode;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.concurrent.Callable;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;
import org.scenothesis.core.shot.Blend;
import org.scenothesis.core.shot.Layer;
import org.scenothesis.core.shot.Layers;
import org.scenothesis.core.shot.Plate;
import org.scenothesis.core.shot.Shot;
import org.scenothesis.core.shot.step.Keys;
import org.scenothesis.core.shot.step.Parameter;
import org.scenothesis.core.shot.step.Parameters;
import org.scenothesis.core.shot.step.Step;
import org.scenothesis.core.value.Kind;
import org.scenothesis.production.words.Words;
import picocli.CommandLine.Command;
import picocli.CommandLine.Mixin;
import picocli.CommandLine.Option;

@Command(name = "layers", description = "Lists the layers of a shot with the numbers of their steps, and changes them.", mixinStandardHelpOptions = true)
final class LayersCommand implements Callable<Integer> {
    @Mixin
    OfShot of;

    @Option(names = "--lay", paramLabel = "PLATE", description = "Lay a plate on top; may be said several times, lowest first.")
    List<String> lay = List.of();

    @Option(names = "--layer", paramLabel = "ID", description = "The layer that is changed.")
    @Nullable String layer;

    @Option(names = "--add", paramLabel = "STEP", description = "Add a step, for example put, outline, grain.")
    List<String> add = List.of();

    @Option(names = "--set", paramLabel = "NAME=NUMBER", description = "Set a number of its steps, by the names that are listed.")
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

    @Option(names = "--copy", description = "Copy it, above itself.")
    boolean copy;

    @Option(names = "--away", description = "Take it away.")
    boolean away;

    @Mixin
    Output output;

    @Override
    public Integer call() throws Exception {
        boolean writes = !lay.isEmpty() || layer != null;
        return of.open(writes, (folder, s) -> {
            Shot now = s;
            for (String p : lay) {
                now = laid(now, p);
            }
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

    private Shot changed(Shot s, String id) throws InputException {
        if (s.layer(id).isEmpty()) {
            throw new InputException("there is no layer " + id + " in shot " + s.id() + "; it has " + names(s.layers().stream().map(Layer::id).toList()) + ".");
        }
        Shot now = s;
        for (String word : add) {
            Layer l = now.layer(id).orElseThrow();
            List<Step> may = Layers.addable(now, l);
            Step step = may.stream().filter(x -> Kind.word(x.getClass()).equals(word)).findFirst().orElseThrow(() -> new InputException(
                    "no step " + word + " can be added to " + id + "; there are " + names(may.stream().map(x -> Kind.word(x.getClass())).toList()) + "."));
            now = now.withLayer(id, o -> o.with(step));
        }
        for (Map.Entry<String, Double> e : set.entrySet()) {
            Layer l = numbered(now.layer(id).orElseThrow(), e.getKey(), e.getValue());
            now = now.withLayer(id, o -> l);
        }
        for (String word : without) {
            now = now.withLayer(id, o -> o.withSteps(o.steps().stream().filter(x -> !Kind.word(x.getClass()).equals(word)).toList()));
        }
        now = now.withLayer(id, l -> {
            Layer from = begins == null ? l : Layers.beginning(l, begins);
            Layer to = ends == null ? from : Layers.ending(from, ends);
            return later == 0 ? to : Layers.later(to, later);
        });
        now = now.withLayer(id, l -> l.withBlend(blend == null ? l.blend() : blend).withName(name == null ? l.name() : name));
        now = Layers.moved(copy ? Layers.copied(now, id) : now, id, up);
        return away ? Layers.without(now, id) : now;
    }

    private Layer numbered(Layer l, String code, double value) throws InputException {
        for (int i = 0; i < l.steps().size(); i++) {
            Step step = l.steps().get(i);
            for (Parameter<?> p : Parameters.of(step)) {
                if (p.code().equals(code)) {
                    within(p, value);
                    Step changed = p.with(keyframe && Keys.can(step) ? Keys.set(step, at) : step, at, value);
                    if (Math.abs(p.get(changed, at) - value) > 1e-6) {
                        throw new InputException(code + "=" + value + ": the four corners would not go round one way any more; set the others first.");
                    }
                    return l.with(i, changed);
                }
            }
        }
        throw new InputException("the layer " + l.id() + " has no number " + code + "; it has " + names(l.steps().stream().flatMap(x -> Parameters.of(x).stream()).map(Parameter::code).toList()) + ".");
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
