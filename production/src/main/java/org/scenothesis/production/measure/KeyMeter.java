package org.scenothesis.production.measure;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.EnumSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import org.jspecify.annotations.Nullable;
import org.scenothesis.core.breakdown.fact.Answer;
import org.scenothesis.core.breakdown.fact.Answers;
import org.scenothesis.core.breakdown.fact.Fact;
import org.scenothesis.core.finding.Finding;
import org.scenothesis.core.finding.HouseRules;
import org.scenothesis.core.finding.Measure;
import org.scenothesis.core.finding.Subject;
import org.scenothesis.core.key.KeyJudge;
import org.scenothesis.core.shot.Illusion;
import org.scenothesis.core.shot.Layer;
import org.scenothesis.core.shot.Plate;
import org.scenothesis.core.shot.PlateRole;
import org.scenothesis.core.shot.Shot;
import org.scenothesis.core.shot.Take;
import org.scenothesis.core.shot.step.Key;
import org.scenothesis.core.shot.step.Outline;
import org.scenothesis.core.shot.step.TrackBinding;
import org.scenothesis.core.value.Animated;
import org.scenothesis.media.FootageException;
import org.scenothesis.production.store.ProductionFolder;
import org.scenothesis.production.store.ProductionJson;

/// What a key of a plate leaves to be wished for, with the settings of its layer.
public final class KeyMeter implements Meter<KeyReport> {
    @Override
    public String code() {
        return "key";
    }

    @Override
    public int version() {
        return 14;
    }

    @Override
    public Class<KeyReport> kind() {
        return KeyReport.class;
    }

    static Subject subject(Plate plate) {
        return new Subject.OfPlate(plate.id());
    }

    /// The chosen take of a plate to be keyed; footage with a matte of its own needs no key.
    @Override
    public Optional<Target> target(ProductionFolder folder, Shot shot, Plate plate, Take take, FootageBrief brief) {
        if (!asked(shot, plate) || brief.alpha() || !take.equals(plate.chosen())) {
            return Optional.empty();
        }
        Take bare = screenTake(folder, shot, plate).orElse(null);
        List<Take> footage = new ArrayList<>(List.of(take));
        if (bare != null) {
            footage.add(bare);
        }
        Layer l = layer(shot, plate);
        List<@Nullable Object> settings = new ArrayList<>(Arrays.asList(l.key(), outline(l.garbage()), take.reading(), bare == null ? null
                : bare.reading()));
        KeyCheck.Used used = used(shot, l);
        if (used != null) {
            settings.add(ProductionJson.part(used.layer().time()));
            settings.add(shot.seconds());
            if (!changes(l).isEmpty()) {
                settings.add(ProductionJson.part(changes(l)));
            }
            TrackBinding by = l.garbage().hung();
            settings.add(by == null ? null : shot.track(by.track()).map(ProductionJson::part).orElse(null));
        }
        return Optional.of(new Target(shot, plate, take, subject(plate), footage, settings, ""));
    }

    /// Whether anybody wants to know how a plate keys: nobody whose layers use it and key it in none.
    private static boolean asked(Shot shot, Plate plate) {
        boolean used = shot.layers().stream().anyMatch(l -> l.source().plates().contains(plate.id()));
        return plate.role().keyed() && (!used || shot.keyOf(plate.id()).isPresent());
    }

    /// An outline that moves, or goes along with something, and a key whose numbers change belong to moments of the shot.
    private static KeyCheck.@Nullable Used used(Shot shot, Layer l) {
        return l.garbage().corners().keys().isEmpty() && l.garbage().hung() == null && changes(l).isEmpty() ? null
                : new KeyCheck.Used(shot, l);
    }

    private static Map<String, Animated<Double>> changes(Layer l) {
        return l.step(Key.class).map(Key::keyed).orElse(Map.of());
    }

    private static Layer layer(Shot shot, Plate plate) {
        return shot.keyOf(plate.id()).orElse(Layer.of("", "", plate.id()));
    }

    /// An outline that stands still is its corners only, as it was before outlines could move.
    private static Object outline(Outline o) {
        return o.equals(Outline.of(o.corners().still(), o.softnessPx())) ? o.corners().still() : ProductionJson.part(o);
    }

    @Override
    public KeyReport measure(Target t, MeasureContext means, Progress progress) throws FootageException {
        return KeyCheck.run(wish(t, means), means.keying(), progress);
    }

    @Override
    public Optional<KeyReport> every(Target t, MeasureContext means, Progress progress) throws FootageException {
        return Optional.of(KeyCheck.every(wish(t, means), means.keying(), progress));
    }

    private static KeyCheck.Wish wish(Target t, MeasureContext means) throws FootageException {
        @Nullable Take bare = t.footage().size() > 1 ? t.footage().get(1) : null;
        Layer l = layer(t.shot(), t.plate());
        return new KeyCheck.Wish(means.source(t.take()), means.sourceOrNull(bare), l.key(), l.garbage(), used(t.shot(), l));
    }

    @Override
    public List<Finding> unmeasured(Shot shot, Plate plate, Take take, @Nullable FootageBrief brief, String why) {
        boolean none = !asked(shot, plate) || !take.equals(plate.chosen()) || brief != null && brief.alpha();
        return none ? List.of() : List.of(
                Finding.unmeasured(Measure.SCREEN_EVENNESS, subject(plate), why), Finding.unmeasured(Measure.GREY_INSIDE, subject(plate),
                why));
    }

    @Override
    public List<Finding> judge(KeyReport k, Target t, HouseRules rules) {
        return k.judge(t.subject(), edge(t.shot()), rules);
    }

    /// What was told of the edges of what the shot keys; untold where its illusions say different things.
    public static KeyJudge.Edge edge(Shot shot) {
        Set<KeyJudge.Edge> told = EnumSet.noneOf(KeyJudge.Edge.class);
        for (Illusion i : shot.illusions()) {
            Answers a = new Answers(i.facts(), Map.of());
            told.add(edge(a.given(Fact.EDGE) ? a.choice(Answer.Edge.class) : null));
        }
        return told.size() == 1 ? told.iterator().next() : KeyJudge.Edge.UNTOLD;
    }

    /// What an answer about edges means for a key; null: nobody said.
    public static KeyJudge.Edge edge(Answer.@Nullable Edge told) {
        return switch (told) {
            case null -> KeyJudge.Edge.UNTOLD;
            case CLEAN -> KeyJudge.Edge.CLEAN;
            case HAIR -> KeyJudge.Edge.LOOSE;
            case GLASS, SMOKE -> KeyJudge.Edge.SEE_THROUGH;
        };
    }

    /// The screen-only take of a plate's lock group that may be read.
    static Optional<Take> screenTake(ProductionFolder folder, Shot shot, Plate plate) {
        return shot.plates().stream()
                .filter(p -> p.role() == PlateRole.SCREEN_ONLY && p.lockGroup().equals(plate.lockGroup()) && p.chosen() != null)
                .findFirst().map(Plate::chosen).filter(t -> folder.refusal(folder.footage(t)) == null);
    }
}
