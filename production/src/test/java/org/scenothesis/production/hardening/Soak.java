package org.scenothesis.production.hardening;

import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import org.scenothesis.core.picture.Bands;
import org.scenothesis.core.shot.Shot;
import org.scenothesis.core.shot.step.Exposure;
import org.scenothesis.core.shot.step.Key;
import org.scenothesis.production.Lantern;
import org.scenothesis.production.measure.Measured;
import org.scenothesis.production.measure.Progress;
import org.scenothesis.production.measure.Surveyor;
import org.scenothesis.production.render.RenderJob;
import org.scenothesis.production.render.ShotRenderer;
import org.scenothesis.production.store.ProductionFolder;
import org.scenothesis.testkit.TinyShoot;

/// The hardening tests at length: `./soak [minutes]`. Prints what was survived; ends with 1 if anything was not.
final class Soak {
    private Soak() {}

    public static void main(String[] args) throws Exception {
        double minutes = args.length == 0 ? 10 : Double.parseDouble(args[0]);
        long end = System.nanoTime() + (long) (minutes * 60e9);
        Path home = Files.createTempDirectory("scenothesis-soak");
        System.setProperty("scenothesis.user", home.resolve("user").toString());
        List<String> broken = new ArrayList<>();
        int saves = 0;
        int renders = 0;
        int full = 0;
        int used = 0;
        long lost = 0;
        for (int round = 0; System.nanoTime() < end || round == 0; round++) {
            Kills kills = new Kills(Files.createDirectories(home.resolve("kills-" + round)), round);
            kills.saves(6);
            kills.renders(4);
            saves += 6;
            renders += 4;
            lost = Math.max(lost, kills.worstLostMs());
            broken.addAll(kills.broken());
            FullDisk disk = FullDisk.mounted(home.resolve("disk-" + round), 4).orElse(null);
            if (disk != null) {
                disk.fill(3);
                disk.unmount();
                broken.addAll(disk.broken());
                full += 3;
            }
            used += 20;
            long heap = use(Files.createDirectories(home.resolve("use-" + round)), 20);
            System.out.printf(
                    "%d kills while saving, %d while rendering, %d full disks, %d rounds of measuring and rendering; oldest change lost "
                            + "%d ms before its kill; heap %d MB; broken: %d%n",
                    saves, renders, full, used, lost, heap >> 20, broken.size());
        }
        broken.forEach(b -> System.out.println("BROKEN " + b));
        System.out.println(full == 0 ? "no small disk could be mounted: run it as root for full disks" : "survived");
        System.exit(broken.isEmpty() ? 0 : 1);
    }

    /// Measures and renders a changing shot over and over; gives the heap in use afterwards.
    private static long use(Path folder, int rounds) throws Exception {
        ProductionFolder.create(folder.resolve("p"), Lantern.production()).close();
        TinyShoot.film(folder.resolve("p"));
        try (ProductionFolder f = ProductionFolder.open(folder.resolve("p"), false); Bands bands = Bands.pooled(2)) {
            for (int i = 0; i < rounds; i++) {
                double gain = i % 5 / 10.0;
                Shot shot = f.production().shot("12").withLayer("lantern", l -> l.with(new Exposure(gain, false))
                        .with(new Key(l.key().withChokePx(gain))));
                Surveyor s = new Surveyor(f, bands);
                Measured m = s.survey(shot, List.of(), Measured.NOTHING, Progress.NONE, t -> {});
                try (ShotRenderer r = new ShotRenderer(f, m, s.contents(), bands)) {
                    new RenderJob(r, shot, RenderJob.Target.of(f.renders().resolve("out.mkv"), 0, 11)).run(Progress.NONE);
                }
            }
        }
        System.gc();
        Runtime r = Runtime.getRuntime();
        return r.totalMemory() - r.freeMemory();
    }
}
