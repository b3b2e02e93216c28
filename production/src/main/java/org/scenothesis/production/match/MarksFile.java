package org.scenothesis.production.match;

import com.fasterxml.jackson.core.JacksonException;
import com.fasterxml.jackson.databind.JsonNode;
import com.fasterxml.jackson.databind.json.JsonMapper;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.function.Function;
import org.jspecify.annotations.Nullable;
import org.scenothesis.core.Check;
import org.scenothesis.core.light.Area;
import org.scenothesis.core.light.LightMarks;
import org.scenothesis.core.perspective.Estimate;
import org.scenothesis.core.perspective.Marks;
import org.scenothesis.core.perspective.PictureCamera;
import org.scenothesis.core.picture.Point;
import org.scenothesis.core.stage.Evidence;
import org.scenothesis.production.store.StoreException;
import org.scenothesis.production.words.Entered;
import org.scenothesis.production.words.Words;

/// Marks in a picture as a JSON file, read strictly: what is no mark is said with its place.
///
/// Of its numbers nothing is guessed; keys that are not known are left alone, so that one file may serve several questions.
public final class MarksFile {
    private static final long MOST_BYTES = 4 << 20;
    private static final JsonMapper JSON = JsonMapper.builder().build();

    private final Path file;
    private final JsonNode root;

    private MarksFile(Path file, JsonNode root) {
        this.file = file;
        this.root = root;
    }

    /// @throws StoreException if it cannot be read, or is no JSON object
    public static MarksFile read(Path file) throws StoreException {
        try {
            if (!Files.isRegularFile(file)) {
                throw new StoreException(file, Words.of("marks-file.there-is-no-such-file-give"));
            }
            if (Files.size(file) > MOST_BYTES) {
                throw new StoreException(file, Words.of("marks-file.this-is-too-large-for-a"));
            }
            JsonNode n = JSON.readTree(Files.readAllBytes(file));
            if (n == null || !n.isObject()) {
                throw new StoreException(file, Words.of("marks-file.marks-are-one-json-object-this"));
            }
            return new MarksFile(file, n);
        } catch (JacksonException e) {
            throw new StoreException(file, Words.of("marks-file.this-is-no-json", e.getOriginalMessage()), e);
        } catch (IOException e) {
            throw new StoreException(file, Words.of("file.could-not-be-read"), e);
        }
    }

    /// The marks for a camera, of a picture so large.
    ///
    /// @throws StoreException if one is not as it should be
    public Marks camera(int width, int height) throws StoreException {
        List<Marks.Line> lines = each(root, "lines", n -> new Marks.Line(direction(text(n, "direction")), point(n.path("px").path(0)),
                point(n.path("px").path(1))));
        List<Marks.Length> lengths = each(root, "lengths", n -> new Marks.Length(point(n.path("px").path(0)), point(n.path("px").path(1)),
                number(n.path("metres")), stands(n)));
        List<Marks.Tiles> tiles = each(root, "tiles", n -> new Marks.Tiles(points(n.path("px")), whole(n, "across"), whole(n, "away"),
                or0(n, "metres")));
        return Entered.made(() -> {
            JsonNode h = root.path("horizon");
            Marks.Line horizon = absent(h) ? null : new Marks.Line(Marks.Direction.X, new Point(number(h.path(0)), number(h.path(1))),
                    new Point(number(h.path(2)), number(h.path(3))));
            JsonNode c = root.path("principal_point_px");
            return new Marks(width, height, lines, horizon, lengths, tiles, optional(root, "lens_height_m"), optional(root, "focal_px"),
                    absent(c) ? null : point(c));
        }, this::refused);
    }

    /// Points that are asked for.
    public List<Point> asked() throws StoreException {
        return each(root, "ask", MarksFile::point);
    }

    /// A measuring tape laid on the ground, or a staff that stands on it.
    public record Tape(Point from, Point to, Marks.Stands stands) {
        /// What it reads; empty where the picture cannot be measured there.
        public Optional<Estimate> read(PictureCamera c) {
            return stands == Marks.Stands.GROUND ? c.tape(from, to) : c.staff(from, to);
        }
    }

    /// What is to be measured.
    public List<Tape> tapes() throws StoreException {
        return each(root, "tape", n -> new Tape(point(n.path("px").path(0)), point(n.path("px").path(1)), stands(n)));
    }

    /// The camera that a picture was taken with, as `perspective` says it, or told; empty where focal length, tilt or roll are missing.
    ///
    /// @throws StoreException if one of its numbers is none
    public Optional<PictureCamera> known(int width, int heightPx) throws StoreException {
        JsonNode c = root.path("camera");
        if (absent(c) || absent(c.path("focal_px")) || absent(c.path("tilt_deg")) || absent(c.path("roll_deg"))) {
            return Optional.empty();
        }
        return Entered.made(() -> {
            double focal = Check.range("focal_px", number(c.path("focal_px")), 0.05 * width, 50.0 * width);
            Double lens = optional(c, "lens_height_m");
            Estimate height = lens == null ? null : new Estimate(Check.range("lens_height_m", lens, 1e-3, 1e4),
                    lens * or0(c, "lens_height_std_percent") / 100);
            return Optional.of(PictureCamera.known(
                    width, heightPx, new Estimate(focal, focal * or0(c, "focal_std_percent") / 100),
                    new Estimate(Check.range("tilt_deg", number(c.path("tilt_deg")), -89, 89), or0(c, "tilt_std_deg")),
                    new Estimate(Check.range("roll_deg", number(c.path("roll_deg")), -180, 180), or0(c, "roll_std_deg")), height));
        }, why -> refused("\"camera\": " + why));
    }

    private static double or0(JsonNode n, String key) {
        Double v = optional(n, key);
        return v == null ? 0 : v;
    }

    /// What is marked of the light.
    ///
    /// @throws StoreException if a mark is not as it should be
    public LightMarks light() throws StoreException {
        List<LightMarks.Shadow> shadows = new ArrayList<>();
        // What throws no shadow is marked without its tip.
        each(root, "shadow", n -> absent(n.path("tip")) ? Optional.<LightMarks.Shadow>empty()
                : Optional.of(new LightMarks.Shadow(point(n.path("base")), point(n.path("top")), point(n.path("tip")))))
                .forEach(s -> s.ifPresent(shadows::add));
        return Entered.made(() -> new LightMarks(shadows, each(root, "grey", MarksFile::area), each(root, "lit", MarksFile::face),
                each(root, "unlit", MarksFile::face), each(root, "round", n -> new LightMarks.Round(shape(text(n, "shape")),
                point(n.path("px").path(0)), point(n.path("px").path(1)))), each(root, "lamps", MarksFile::point)), this::refused);
    }

    /// The same thing in two pictures.
    public record Pair(Area plate, Area other) {}

    /// What is chosen in both pictures; none where nothing is.
    ///
    /// @throws StoreException if one is not as it should be
    public List<Pair> pairs() throws StoreException {
        return each(root, "pairs", n -> new Pair(area(n.path("plate")), area(n.path("other"))));
    }

    /// One area, under that name.
    ///
    /// @throws StoreException if there is none
    public Area area() throws StoreException {
        return Entered.made(() -> area(root.path("area")), why -> refused("\"area\": " + why));
    }

    private static Area area(JsonNode n) {
        if (!n.isArray()) {
            throw new IllegalArgumentException(Words.of("marks-file.an-area-is-a-list-of"));
        }
        return new Area(points(n));
    }

    private static List<Point> points(JsonNode n) {
        List<Point> out = new ArrayList<>();
        n.forEach(p -> out.add(point(p)));
        return out;
    }

    private static int whole(JsonNode n, String key) {
        if (!n.path(key).isIntegralNumber() || !n.path(key).canConvertToInt()) {
            throw new IllegalArgumentException(Words.of("marks-file.is-a-whole-number", key));
        }
        return n.path(key).intValue();
    }

    private static Evidence.Shape shape(String word) {
        return switch (word) {
            case "ball", "" -> Evidence.Shape.BALL;
            case "head" -> Evidence.Shape.HEAD;
            case "figure" -> Evidence.Shape.FIGURE;
            default -> throw new IllegalArgumentException(Words.of("marks-file.a-round-thing-is-a-ball", word));
        };
    }

    private static LightMarks.Face face(JsonNode n) {
        return new LightMarks.Face(area(n.path("polygon")), switch (text(n, "surface")) {
            case "ground", "" -> Evidence.Lies.GROUND;
            case "upright" -> Evidence.Lies.UPRIGHT;
            case "facing" -> Evidence.Lies.FACING;
            default -> throw new IllegalArgumentException(Words.of("marks-file.a-surface-is-ground-upright-or", text(n, "surface")));
        });
    }

    /// The entries of a list, each made by `of`; none where it is not there.
    ///
    /// @throws StoreException naming the entry that is not as it should be
    <T> List<T> each(JsonNode in, String key, Function<JsonNode, T> of) throws StoreException {
        JsonNode all = in.path(key);
        List<T> out = new ArrayList<>();
        if (absent(all)) {
            return out;
        }
        if (!all.isArray()) {
            throw new StoreException(file, Words.of("marks-file.is-a-list-here-it-is", key));
        }
        for (JsonNode n : all) {
            out.add(Entered.made(() -> of.apply(n), why -> refused("number " + (out.size() + 1) + " of \"" + key + "\": " + why)));
        }
        return out;
    }

    private StoreException refused(String why) {
        return new StoreException(file, why + ".");
    }

    JsonNode root() {
        return root;
    }

    Path file() {
        return file;
    }

    static boolean absent(JsonNode n) {
        return n.isMissingNode() || n.isNull();
    }

    private static @Nullable Double optional(JsonNode n, String key) {
        return absent(n.path(key)) ? null : Double.valueOf(number(n.path(key)));
    }

    static double number(JsonNode n) {
        if (!n.isNumber() || !Double.isFinite(n.doubleValue())) {
            throw new IllegalArgumentException(Words.of("marks-file.a-number-is-missing"));
        }
        return n.doubleValue();
    }

    static Point point(JsonNode n) {
        if (!n.isArray() || n.size() != 2) {
            throw new IllegalArgumentException(Words.of("marks-file.a-point-is-two-numbers"));
        }
        return new Point(number(n.get(0)), number(n.get(1)));
    }

    private static String text(JsonNode n, String key) {
        return n.path(key).asText("");
    }

    private static Marks.Direction direction(String word) {
        for (Marks.Direction d : Marks.Direction.values()) {
            if (d.name().equals(word)) {
                return d;
            }
        }
        throw new IllegalArgumentException(Words.of("marks-file.a-direction-is-x-y-or", word));
    }

    private static Marks.Stands stands(JsonNode n) {
        return switch (text(n, "stands")) {
            case "ground", "" -> Marks.Stands.GROUND;
            case "upright" -> Marks.Stands.UPRIGHT;
            default -> throw new IllegalArgumentException(Words.of("marks-file.a-length-stands-on-the-ground", text(n, "stands")));
        };
    }
}
