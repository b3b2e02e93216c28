package org.scenothesis.cli;

import java.util.ArrayList;
import java.util.List;
import java.util.stream.Stream;
import org.scenothesis.core.shot.Layer;
import org.scenothesis.core.shot.Layers;
import org.scenothesis.core.shot.Plate;
import org.scenothesis.core.shot.PlateRole;
import org.scenothesis.core.shot.Plates;
import org.scenothesis.core.shot.Shot;
import org.scenothesis.core.shot.StepKind;
import org.scenothesis.core.shot.step.Choices;
import org.scenothesis.core.shot.step.Parameter;
import org.scenothesis.core.shot.step.SetPlace;
import org.scenothesis.core.shot.step.Step;
import org.scenothesis.core.value.Kind;
import org.scenothesis.production.words.Words;

/// The numbers and words of all steps for the help of a command, from where forms and checks have them.
final class StepHelp {
    private StepHelp() {}

    static String[] lines() {
        List<String> out = new ArrayList<>(List.of("", Words.of("step-help.steps-add-without-and-their")));
        for (Step s : all()) {
            out.add("  " + Kind.word(s.getClass()));
            StepKind.parameters(s).forEach(p -> out.add("    " + number(p)));
            Choices.of(s, List.of(), t -> 0).stream().filter(c -> !c.options().isEmpty())
                    .forEach(c -> out.add("    " + c.code() + " (--choose): " + String.join(", ", c.options())));
        }
        return out.stream().map(l -> l.replace("%", "%%")).toArray(String[]::new);
    }

    private static String number(Parameter<?> p) {
        String unit = p.unit().isEmpty() ? "" : " " + p.unit();
        return String.format("%-26s %s to %s%s", p.code(), Words.number(p.span().low(), decimals(p)),
                Words.number(p.span().high(), decimals(p)), unit) + (p.keying().can() ? "" : "; " + Words.of("keying." + p.keying()));
    }

    private static int decimals(Parameter<?> p) {
        return p.span().low() == Math.rint(p.span().low()) && p.span().high() == Math.rint(p.span().high()) ? 0 : p.span().decimals();
    }

    /// One step of every kind: those of a keyed layer that stands on a set, and those of the whole picture.
    private static List<Step> all() {
        Shot bare = new Shot("1", 1, "", "", 1, List.of(), List.of(), List.of(), List.of(), null);
        Plate clean = Plates.made(bare, "clean", "", PlateRole.CLEAN);
        Shot s = bare.withPlateAdded(clean).withPlateAdded(Plates.made(bare, "element", "", PlateRole.ELEMENT));
        Layer element = Layer.of("element", "", "element", SetPlace.asFilmed(s.somewhere()));
        Layer open = Layer.of("open", "", "element");
        Layer whole = Layers.whole(s);
        List<Step> out = new ArrayList<>(Layers.addable(s, open));
        Stream.of(Layers.addable(s, element), Layers.addable(s, whole), whole.steps()).flatMap(List::stream)
                .filter(x -> out.stream().noneMatch(o -> o.getClass() == x.getClass())).forEach(out::add);
        return out;
    }
}
