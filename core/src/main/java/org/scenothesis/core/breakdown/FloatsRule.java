package org.scenothesis.core.breakdown;

import java.util.ArrayList;
import java.util.List;
import java.util.Set;
import org.scenothesis.core.finding.HouseRules;
import org.scenothesis.core.shot.PlateRole;
import org.scenothesis.core.shot.Wonder;
import org.scenothesis.core.shot.WonderKind;

/// Something leaves the ground.
///
/// Still and untouched, a mask over a clean plate may do; drifting, turning, or with a fine edge it must be separable, so it is screened.
/// Source: the handbook's table of wonders.
public final class FloatsRule implements WonderRule {
    private static final double HANDLES_S = 1;
    private static final double FRAMES_PER_SECOND = 24;

    @Override
    public WonderKind kind() {
        return WonderKind.FLOATS;
    }

    @Override
    public List<Question> questions(Wonder w) {
        List<Question> q = new ArrayList<>();
        q.add(Question.choice("who", "thing", "thing", "person"));
        q.add(Question.number("heightM", 0.4, "m"));
        q.add(Question.choice("motion", "drifts", "still", "drifts", "turns"));
        q.add(w.fact("who", "thing").equals("person")
                ? Question.choice("support", "stool", "stool", "box", "harness")
                : Question.choice("support", "rod", "rod", "line", "hand"));
        q.add(Question.choice("edge", "clean", "clean", "hair", "glass"));
        q.add(Question.choice("performer", "yes", "yes", "no"));
        q.add(Question.choice("shadow", "yes", "yes", "no"));
        q.add(Question.choice("glows", "no", "no", "yes"));
        q.add(Question.choice("background", "quiet", "quiet", "moves"));
        if (screened(w)) {
            q.add(Question.choice("greenNear", "no", "no", "yes"));
            q.add(Question.choice("place", "real", "real", "studio"));
        }
        return q;
    }

    private static boolean screened(Wonder w) {
        return !w.fact("motion", "drifts").equals("still") || !w.fact("edge", "clean").equals("clean");
    }

    private static double roll(Wonder w) {
        return w.toSeconds() - w.fromSeconds() + 2 * HANDLES_S;
    }

    @Override
    public List<PlateNeed> plates(Wonder w, HouseRules rules) {
        String lock = "A";
        String light = w.fact("place", "real").equals("real") ? "A" : "B";
        boolean performer = w.fact("performer", "yes").equals("yes");
        boolean moves = w.fact("background", "quiet").equals("moves");
        SetState bare = new SetState(SetState.Screen.NONE, false, false, false);
        List<PlateNeed> needs = new ArrayList<>();
        needs.add(need(PlateRole.CLEAN, moves ? "floats.clean.moves" : "floats.clean", w, lock, "A", roll(w), bare));
        if (performer) {
            needs.add(need(PlateRole.PRACTICAL, "floats.practical", w, lock, "A", roll(w), new SetState(SetState.Screen.NONE, true, false, false)));
        }
        if (screened(w)) {
            SetState.Screen cloth = w.fact("greenNear", "no").equals("yes") ? SetState.Screen.BLUE : SetState.Screen.GREEN;
            String code = cloth == SetState.Screen.BLUE ? "floats.element.blue" : "floats.element";
            String elementLock = light.equals("A") ? lock : "B";
            needs.add(need(PlateRole.ELEMENT, code, w, elementLock, light, roll(w), new SetState(cloth, false, true, false)));
            needs.add(need(PlateRole.SCREEN_ONLY, "floats.screen", w, elementLock, light, 0, new SetState(cloth, false, false, false)));
        } else {
            needs.add(need(PlateRole.ELEMENT, "floats.masked", w, lock, "A", roll(w), new SetState(SetState.Screen.NONE, false, true, false)));
        }
        if (w.fact("glows", "no").equals("yes")) {
            needs.add(new PlateNeed(
                    PlateRole.LIGHT_PASS, "floats.light", Set.of(w.id()), lock, "", 0, new SetState(SetState.Screen.NONE, false, true, false), List.of(), true));
        }
        needs.add(new PlateNeed(
                PlateRole.REFERENCE, "floats.reference", Set.of(w.id()), lock, "A", 0, new SetState(SetState.Screen.NONE, false, false, true), List.of(), false));
        return needs;
    }

    private static PlateNeed need(PlateRole role, String code, Wonder w, String lock, String light, double seconds, SetState state) {
        return new PlateNeed(role, code, Set.of(w.id()), lock, light, seconds, state, List.of(), false);
    }

    @Override
    public List<Method> methods(Wonder w) {
        double frames = (w.toSeconds() - w.fromSeconds()) * FRAMES_PER_SECOND;
        boolean fine = !w.fact("edge", "clean").equals("clean");
        boolean screened = screened(w);
        int rotoKeys = (int) Math.ceil(frames / (fine ? 1 : 3));
        double rotoMinutes = fine ? 12 : 5;
        Method mask = new Method("mask", 4, 0.3, 1, 15, !screened);
        Method key = new Method("key", 24, 0.5, 6, 5, screened);
        Method hand = new Method("roto", 0, rotoKeys * rotoMinutes / 60, rotoKeys, rotoMinutes, false);
        return screened ? List.of(key, hand) : List.of(mask, key, hand);
    }

    @Override
    public List<String> cautions(Wonder w) {
        List<String> c = new ArrayList<>();
        switch (w.fact("support", "rod")) {
            case "stool", "box" -> c.add("height");
            case "harness" -> c.add("suspended");
            case "line" -> c.add("line");
            default -> {}
        }
        c.add("lamps");
        if (screened(w)) {
            c.add("stands");
        }
        return c;
    }

    @Override
    public List<String> kit(Wonder w) {
        List<String> k = new ArrayList<>(List.of("tripod", "card", "ruler", "tape"));
        if (screened(w)) {
            k.addAll(List.of(w.fact("greenNear", "no").equals("yes") ? "cloth.blue" : "cloth.green", "stands", "clips"));
        }
        k.add("support." + w.fact("support", "rod"));
        if (w.fact("glows", "no").equals("yes")) {
            k.add("bulb");
        }
        return k;
    }
}
