package org.scenothesis.core.breakdown.camera;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.stream.Stream;
import org.jspecify.annotations.Nullable;
import org.scenothesis.core.breakdown.fact.Answers;
import org.scenothesis.core.breakdown.fact.Fact;
import org.scenothesis.core.breakdown.method.Screen;
import org.scenothesis.core.breakdown.plate.Case;
import org.scenothesis.core.breakdown.plate.PlateKey;
import org.scenothesis.core.breakdown.plate.PlateNeed;
import org.scenothesis.core.breakdown.plate.Reason;
import org.scenothesis.core.breakdown.plate.Region;
import org.scenothesis.core.optics.Lens;
import org.scenothesis.core.shot.Shot;

/// How one set-up is photographed: everything by hand, and nothing that the camera does by itself.
///
/// - `group`: its lock group. `plates`: keys of the plates filmed from it. `lensM`, `awayM`: height of the lens, and its distance from who
///   is filmed.
/// - `focalMm`: which gives the told frame at that distance. `nearM`, `farM`: what is sharp within two pixels of the finished picture;
///   `farM` infinite beyond the hyperfocal distance.
/// - `whiteK`: the white balance that was told with the main light, 0 where nobody told it and the card decides.
/// - `clothBlurPx`: how wide a point of the cloth becomes, in pixels of the finished picture; 0 without a cloth.
/// - `leads`: key of the plate that leads all others of the shot, null for none. `outline`: key of the plate whose outline is kept on the
///   monitor, null for none.
///
/// - `assumed`: what the numbers rest on that nobody told.
///
/// Source: thin-lens geometry; handbook, *Camera card*.
public record CameraCard(
        String group, List<PlateKey> plates, double lensM, double awayM, double focalMm, double fNumber, double nearM, double farM,
        double clothBlurPx, double whiteK, @Nullable PlateKey leads, @Nullable PlateKey outline, List<Fact> assumed) {
    /// What counts as sharp, in pixels of the finished picture.
    private static final double SHARP_PX = 2;

    public CameraCard {
        plates = List.copyOf(plates);
        assumed = List.copyOf(assumed);
    }

    /// One card for every camera that films somebody or something, in the order of the plan.
    public static List<CameraCard> of(Shot shot, List<PlateNeed> needs) {
        Map<String, List<PlateNeed>> groups = new LinkedHashMap<>();
        needs.stream().filter(PlateNeed::filmed).filter(n -> n.reason() != Reason.SIZE_HEADROOM)
                .forEach(n -> groups.computeIfAbsent(n.lockGroup(), k -> new ArrayList<>()).add(n));
        PlateKey leads = needs.stream().filter(n -> n.notes().record().contains(Leads.LEADS)).map(PlateNeed::key).findFirst().orElse(null);
        List<CameraCard> out = new ArrayList<>();
        groups.forEach((group, of) -> out.add(card(shot, group, of, needs, leads)));
        return out;
    }

    private static List<Fact> assumed(Shot shot, List<PlateNeed> of) {
        List<Answers> all = new ArrayList<>(List.of(Answers.of(shot.setting())));
        shot.illusions().stream().filter(w -> of.stream().anyMatch(n -> n.illusions().contains(w.id())))
                .map(w -> Answers.of(w, shot.setting())).forEach(all::add);
        return Stream.of(Fact.LENS_M, Fact.BACKGROUND_M, Fact.FRAME_M, Fact.SENSOR_MM, Fact.F_NUMBER)
                .filter(f -> all.stream().noneMatch(t -> t.given(f))).toList();
    }

    private static CameraCard card(Shot shot, String group, List<PlateNeed> of, List<PlateNeed> all, @Nullable PlateKey leads) {
        Answers told = Answers.of(shot.setting());
        Region.Sweep sweep = of.stream().map(n -> n.region().sweep()).filter(s -> s.awayM() > 0).findFirst()
                .orElse(new Region.Sweep(0, 0, 0, told.number(Fact.LENS_M), told.number(Fact.BACKGROUND_M), 0));
        double finishHigh = told.number(Fact.FINISH_PX);
        double sensorM = told.number(Fact.SENSOR_MM) / 1000;
        double frameM = told.number(Fact.FRAME_M) * sweep.awayM() / told.number(Fact.BACKGROUND_M);
        Lens lens = new Lens(sensorM / Case.WIDE_HIGH * sweep.awayM() / frameM, sensorM, told.number(Fact.F_NUMBER));
        double circle = SHARP_PX * sensorM / (finishHigh * Case.WIDE_HIGH);
        boolean cloth = of.stream().anyMatch(n -> n.screen() == Screen.GREEN || n.screen() == Screen.BLUE);
        double focus = Math.max(2 * lens.focalM(), sweep.awayM());
        double blur = cloth && sweep.behindM() > 0
                ? lens.blurCircleM(focus + sweep.behindM(), focus) / sensorM * finishHigh * Case.WIDE_HIGH : 0;
        PlateKey clean = all.stream().map(PlateNeed::key).filter(PlateKey.CLEAN::equals).findFirst().orElse(null);
        PlateKey outline = leads != null ? leads : clean;
        return new CameraCard(
                group, of.stream().map(PlateNeed::key).toList(), sweep.lensM(), sweep.awayM(), lens.focalM() * 1000, lens.fNumber(),
                lens.nearM(focus, circle), lens.farM(focus, circle), blur,
                told.given(Fact.KEY_K) ? told.number(Fact.KEY_K) : 0, leads, of.stream().allMatch(n -> n.key().equals(outline)) ? null
                : outline, assumed(shot, of));
    }
}
