package org.scenothesis.production.render;

import static org.assertj.core.api.Assertions.assertThat;

import java.awt.Color;
import java.awt.Font;
import java.awt.Graphics2D;
import java.awt.RenderingHints;
import java.awt.image.BufferedImage;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Arrays;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.TreeMap;
import javax.imageio.ImageIO;
import org.junit.jupiter.api.AfterAll;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;
import org.scenothesis.core.picture.Bands;
import org.scenothesis.core.picture.Picture;
import org.scenothesis.core.picture.Transfer;
import org.scenothesis.core.shot.IllusionKind;
import org.scenothesis.core.shot.Shot;
import org.scenothesis.media.Footage;
import org.scenothesis.media.FootageException;
import org.scenothesis.media.decode.Footages;
import org.scenothesis.production.measure.Measured;
import org.scenothesis.production.measure.Surveyor;
import org.scenothesis.production.store.ProductionFolder;
import org.scenothesis.testkit.IllusionShoot;

/// Every kind of illusion from its file in `docs/illusions`, over plates of the simulated camera: it opens, renders, and what is to be seen
/// is where it should be.
///
/// With `-Dscenothesis.sheet=FILE.png` three frames of each are put together on a sheet.
class IllusionsTest {
    private static final Path FILES = Path.of("../docs/illusions");
    private static final double[] MOMENTS = {0.084, 0.5, 11 / 12.0};
    private static final double CHANGED = 0.06;
    private static final Map<String, List<Picture>> SHEET = new TreeMap<>();
    private static final Bands BANDS = Bands.pooled(2);

    @TempDir
    static Path shoot;

    @TempDir
    Path home;

    /// What is to be seen: `changed` against the empty room, or the `room` itself, at a moment and a place in shares of the picture.
    private static final Map<String, String> SEEN = new LinkedHashMap<>();

    static {
        SEEN.put("floats", "0.9 0.5 0.15 changed; 0.9 0.472 0.62 changed; 0.9 0.5 0.9 room; 0.9 0.1 0.3 room");
        SEEN.put("copies", "0.5 0.5 0.4 changed; 0.5 0.77 0.4 changed; 0.5 0.23 0.4 changed; 0.5 0.64 0.25 room");
        SEEN.put("other-size", "0.5 0.5 0.4 room; 0.5 0.749 0.52 changed");
        SEEN.put("hidden", "0.5 0.5 0.27 changed; 0.5 0.5 0.5 room; 0.5 0.5 0.8 room");
        SEEN.put("moved", "0 0.2 0.9 changed; 0.5 0.2 0.9 room; 0.5 0.5 0.6 changed; 0.917 0.8 0.9 changed");
        SEEN.put("becomes", "0 0.5 0.75 room; 0 0.15 0.8 changed; 0.917 0.5 0.75 changed; 0.917 0.15 0.8 room");
        SEEN.put("elsewhere", "0.5 0.5 0.4 changed; 0.5 0.05 0.2 changed; 0.5 0.95 0.2 changed");
        SEEN.put("through-frame", "0 0.5 0.5 room; 0.917 0.45 0.5 changed; 0.917 0.245 0.3 changed");
        SEEN.put("energy", "0 0.42 0.62 changed; 0.75 0.32 0.38 changed; 0.75 0.3 0.55 changed");
        SEEN.put("passes-around", "0 0.25 0.58 changed; 0 0.5 0.4 changed; 0.5 0.74 0.55 changed; 0.5 0.05 0.5 room");
        SEEN.put("wiped", "0 0.5 0.3 changed; 0.417 0.5 0.3 room; 0.417 0.472 0.75 changed; 0.917 0.472 0.75 room");
        SEEN.put("written", "0.917 0.5 0.02 changed; 0.5 0.8 0.5 room");
        SEEN.put("frame-by-frame", "0 0.05 0.5 room");
        SEEN.put("opening", "0 0.5 0.2 room; 0.917 0.5 0.45 changed; 0.917 0.9 0.45 room");
        SEEN.put("reshaped", "0 0.59 0.62 room; 0.917 0.5 0.35 changed; 0.917 0.05 0.3 room");
    }

    @BeforeAll
    static void film() throws Exception {
        IllusionShoot.film(shoot, BANDS);
    }

    static List<String> names() {
        return List.copyOf(SEEN.keySet());
    }

    @Test
    void thereIsOneOfEveryKind() throws Exception {
        try (var files = Files.list(FILES)) {
            assertThat(files.map(p -> p.getFileName().toString()).filter(n -> n.endsWith(".json")).map(n -> n.replace(".json", "")))
                    .containsExactlyInAnyOrderElementsOf(Arrays.stream(IllusionKind.values())
                    .map(k -> k.name().toLowerCase(Locale.ROOT).replace('_', '-')).toList());
        }
    }

    @ParameterizedTest
    @MethodSource("names")
    void itsIllusionIsSeen(String name) throws Exception {
        Files.createDirectories(home.resolve("footage"));
        try (var all = Files.list(shoot.resolve("footage"))) {
            for (Path p : all.toList()) {
                Files.copy(p, home.resolve("footage").resolve(p.getFileName()));
            }
        }
        Files.copy(FILES.resolve(name + ".json"), home.resolve(ProductionFolder.FILE));
        try (ProductionFolder folder = ProductionFolder.open(home);
                ShotRenderer r = new ShotRenderer(folder, Measured.NOTHING, new Surveyor(folder, BANDS).contents(), BANDS);
                Footage room = Footages.open(home.resolve("footage/room.png"))) {
            Shot shot = folder.production().shots().getFirst();
            SHEET.put(name, Arrays.stream(MOMENTS).mapToObj(s -> frame(r, shot, s)).toList());
            Picture empty = room.frame(0);
            for (String seen : SEEN.get(name).split("; ")) {
                String[] w = seen.split(" ");
                double off = off(frame(r, shot, Double.parseDouble(w[0])), empty, Double.parseDouble(w[1]), Double.parseDouble(w[2]));
                assertThat(off > CHANGED).as("%s: %s, differs by %.3f", name, seen, off).isEqualTo(w[3].equals("changed"));
            }
        }
    }

    private static Picture frame(ShotRenderer r, Shot shot, double seconds) {
        try {
            return r.frame(shot, seconds);
        } catch (FootageException e) {
            throw new IllegalStateException(e);
        }
    }

    /// The largest difference of a channel in code values, of the mean of 3 × 3 pixels.
    private static double off(Picture a, Picture b, double x, double y) {
        double most = 0;
        for (int c = 0; c < 3; c++) {
            double sumA = 0;
            double sumB = 0;
            for (int dy = -1; dy <= 1; dy++) {
                for (int dx = -1; dx <= 1; dx++) {
                    int i = Math.clamp((int) (y * a.height()) + dy, 0, a.height() - 1) * a.width() + Math.clamp((int) (x * a.width()) + dx,
                            0, a.width() - 1);
                    sumA += Transfer.SRGB.toCode(a.colours().get(c).data()[i]) / 9;
                    sumB += Transfer.SRGB.toCode(b.colours().get(c).data()[i]) / 9;
                }
            }
            most = Math.max(most, Math.abs(sumA - sumB));
        }
        return most;
    }

    /// Three strips side by side, five rows of them.
    @AfterAll
    static void sheet() throws Exception {
        BANDS.close();
        String to = System.getProperty("scenothesis.sheet", "");
        if (to.isEmpty()) {
            return;
        }
        int w = 192;
        int h = 108;
        BufferedImage all = new BufferedImage(9 * w + 40, 5 * (h + 26) + 10, BufferedImage.TYPE_INT_RGB);
        Graphics2D g = all.createGraphics();
        g.setRenderingHint(RenderingHints.KEY_INTERPOLATION, RenderingHints.VALUE_INTERPOLATION_BICUBIC);
        g.setRenderingHint(RenderingHints.KEY_TEXT_ANTIALIASING, RenderingHints.VALUE_TEXT_ANTIALIAS_ON);
        g.setColor(new Color(0x2b2d2e));
        g.fillRect(0, 0, all.getWidth(), all.getHeight());
        int k = 0;
        for (Map.Entry<String, List<Picture>> e : SHEET.entrySet()) {
            int left = 10 + k % 3 * (3 * w + 10);
            int top = 10 + k / 3 * (h + 26);
            g.setColor(new Color(0xf2eee3));
            g.setFont(new Font(Font.SANS_SERIF, Font.PLAIN, 13));
            g.drawString(e.getKey().replace('-', ' '), left, top + 12);
            for (int i = 0; i < 3; i++) {
                g.drawImage(image(e.getValue().get(i)), left + i * w, top + 18, w - 2, h, null);
            }
            k++;
        }
        ImageIO.write(all, "png", Path.of(to).toFile());
    }

    private static BufferedImage image(Picture p) {
        BufferedImage out = new BufferedImage(p.width(), p.height(), BufferedImage.TYPE_INT_RGB);
        for (int y = 0; y < p.height(); y++) {
            for (int x = 0; x < p.width(); x++) {
                int rgb = 0;
                for (int c = 0; c < 3; c++) {
                    rgb = rgb << 8 | (int) Math.round(255 * Math.clamp(Transfer.SRGB.toCode(p.colours().get(c).at(x, y)), 0, 1));
                }
                out.setRGB(x, y, rgb);
            }
        }
        return out;
    }
}
