package org.scenothesis.cli;

import com.fasterxml.jackson.databind.JsonNode;
import com.fasterxml.jackson.databind.json.JsonMapper;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.concurrent.Callable;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import org.jspecify.annotations.Nullable;
import org.scenothesis.core.breakdown.fact.Answer;
import org.scenothesis.core.finding.Finding;
import org.scenothesis.core.finding.HouseRules;
import org.scenothesis.core.finding.Subject;
import org.scenothesis.core.key.KeyJudge;
import org.scenothesis.core.key.Keyed;
import org.scenothesis.core.key.Keyer;
import org.scenothesis.core.key.Neutral;
import org.scenothesis.core.key.ScreenModel;
import org.scenothesis.core.layer.Composer;
import org.scenothesis.core.layer.LayerPicture;
import org.scenothesis.core.picture.Bands;
import org.scenothesis.core.picture.Picture;
import org.scenothesis.core.picture.Plane;
import org.scenothesis.core.picture.Point;
import org.scenothesis.core.picture.Polygon;
import org.scenothesis.core.shot.Layer;
import org.scenothesis.core.shot.step.KeySettings;
import org.scenothesis.core.shot.step.Outline;
import org.scenothesis.core.shot.step.OwnAlpha;
import org.scenothesis.media.Footage;
import org.scenothesis.media.FootageException;
import org.scenothesis.media.FootageSource;
import org.scenothesis.media.MemoryAtHand;
import org.scenothesis.media.decode.Footages;
import org.scenothesis.media.encode.Stills;
import org.scenothesis.production.measure.KeyCheck;
import org.scenothesis.production.measure.KeyInMemory;
import org.scenothesis.production.measure.KeyMeter;
import org.scenothesis.production.measure.KeyReport;
import org.scenothesis.production.measure.KeyTally;
import org.scenothesis.production.measure.Keying;
import org.scenothesis.production.measure.Progress;
import org.scenothesis.production.store.ResultFile;
import org.scenothesis.production.words.Words;
import picocli.CommandLine.Command;
import picocli.CommandLine.Mixin;
import picocli.CommandLine.Option;
import picocli.CommandLine.Parameters;

@Command(name = "key", description = "${bundle:key-command.keys-take-mattes-elements-and}", mixinStandardHelpOptions = true)
final class KeyCommand implements Callable<Integer> {
    private static final String MATTE = "matte";
    private static final String ELEMENT = "element";
    private static final String COMP = "comp";
    private static final String SHADOW = "shadow";

    @Parameters(index = "0", paramLabel = "TAKE", description = "${bundle:key-command.video-still-or-folder-of}")
    Path take;

    @Option(names = "--screen-plate", paramLabel = "FILE", description = "${bundle:key-command.the-screen-only-frame-of-the}")
    @Nullable Path screenPlate;

    @Option(names = "--garbage", paramLabel = "POLYGON.json", description = "${bundle:key-command.outline-to-keep-in-pixels}")
    @Nullable Path garbage;

    @Option(names = "--background", paramLabel = "FILE", description = "${bundle:key-command.also-put-the-element-over}")
    @Nullable Path background;

    @Option(names = "--out", required = true, paramLabel = "DIR", description = "${bundle:key-command.where-matte--png-and-element-}")
    Path out;

    @Option(names = "--empty-below", paramLabel = "0…0.9", description = "${bundle:key-command.lower-cut-on-the-separation}")
    @Nullable Double emptyBelow;

    @Option(names = "--solid-above", paramLabel = "0.05…1.5", description = "${bundle:key-command.upper-cut-on-the-separation}")
    @Nullable Double solidAbove;

    @Option(names = "--choke", paramLabel = "PX", defaultValue = "0", description = "${bundle:key-command.pulls-the-edge-in-positive}")
    double choke;

    @Option(names = "--softness", paramLabel = "PX", defaultValue = "0", description = "${bundle:key-command.softens-the-edge}")
    double softness;

    @Option(names = "--despill", paramLabel = "0…4", description = "${bundle:key-command.how-much-of-the-screens}")
    @Nullable Double despill;

    @Option(names = "--spill", paramLabel = "LIGHT|LIMIT", defaultValue = "LIGHT",
            description = "${bundle:key-command.how-it-is-taken-off}")
    KeySettings.Spill spill = KeySettings.Spill.LIGHT;

    @Option(names = "--neutral", paramLabel = "X,Y", description = "${bundle:key-command.something-neutral}")
    @Nullable String neutral;

    @Option(names = "--card", paramLabel = "FOOTAGE", description = "${bundle:key-command.a-picture-of-a-card}")
    @Nullable Path card;

    @Option(names = "--edge", paramLabel = "CLEAN|HAIR|GLASS|SMOKE", description = "${bundle:key-command.what-the-edges-are}")
    Answer.@Nullable Edge edge;

    @Option(names = "--shadow", description = "${bundle:key-command.also-write-the-light-the}")
    boolean shadow;

    @Mixin
    Output output;

    @Override
    public Integer call() throws Exception {
        KeySettings asked = new KeySettings(
                emptyBelow == null ? KeySettings.DEFAULT.emptyBelow() : emptyBelow,
                solidAbove == null ? KeySettings.DEFAULT.solidAbove() : solidAbove, choke, softness, despill == null ? 1 : despill, spill);
        List<Point> outline = garbage == null ? List.of() : outline(garbage);
        Outputs.apart(out, take, screenPlate, background, card);
        try (Bands bands = Bands.allCores()) {
            FootageSource bare = screenPlate == null ? null : FootageSource.of(screenPlate);
            KeyReport r;
            Neutral grey;
            try (Footage t = Footages.open(take)) {
                if (background != null) {
                    MemoryAtHand.require(take, (long) t.info().width() * t.info().height(), MemoryAtHand.OVER);
                }
                ResultFile.mayBe(out, IntStream.range(0, t.info().frames()).boxed().flatMap(i -> names(i).stream()).toList());
                ScreenModel model = KeyInMemory.screen(t, bare, bands);
                grey = neutral(t, model, bands);
                KeySettings settings = grey == null || despill != null ? asked : asked.withDespill(grey.despill());
                List<Point> shares = outline.stream().map(p -> new Point(p.x() / t.info().width(), p.y() / t.info().height())).toList();
                Files.createDirectories(out);
                KeyTally tally = write(t, model, settings, shares, bands);
                r = tally != null ? tally.report(t.info().frames(), shares.isEmpty() && model.garbage(shares) != null, true)
                        : KeyCheck.every(new KeyCheck.Wish(FootageSource.of(take), bare, settings, Outline.of(shares, 0)),
                        new Keying(bands), output.progress("measure"));
            }
            KeyJudge.Edge told = KeyMeter.edge(edge);
            List<Finding> findings = r.judge(new Subject.OfPlate(""), told, HouseRules.DEFAULT);
            output.print(KeyJson.of(r, findings, told, grey));
            output.say(Words.frames(r.frames()) + " keyed into " + out);
            if (grey != null) {
                output.say(Words.of("key-command.neutral-asks-for", Words.signed(100 * grey.lean(), 1), Words.number(grey.despill(), 2)));
            }
            KeyJson.hands(r, told).forEach(output::say);
            output.sayFindings(findings);
            return 0;
        } catch (IOException e) {
            throw new InputException(Words.of("key-command.the-folder-cannot-be-written", out));
        }
    }

    /// What the neutral that was named tells; null where none was.
    private @Nullable Neutral neutral(Footage t, ScreenModel model, Bands bands) throws FootageException, InputException {
        if (neutral == null && card == null) {
            return null;
        }
        int times = Math.max(1, Math.round(t.info().width() / (float) model.colour().width()));
        try (Footage c = Footages.open(card == null ? take : card)) {
            if (c.info().width() != t.info().width() || c.info().height() != t.info().height()) {
                throw new InputException(Words.of("key-command.card-is-of-another-size", card, c.info().width(), c.info().height(),
                        t.info().width(), t.info().height()));
            }
            Point at = neutral == null ? new Point(c.info().width() / 2.0, c.info().height() / 2.0) : pixel(neutral);
            Neutral n = Neutral.at(at.times(1.0 / times), c.reduced(0, times).withAlpha(null), model, bands);
            if (n.why() != null) {
                throw new InputException(Words.of("key-command.neutral." + n.why(), Words.number(at.x(), 0) + ","
                        + Words.number(at.y(), 0)));
            }
            return n;
        }
    }

    private static Point pixel(String text) throws InputException {
        String[] parts = text.split(",", -1);
        try {
            if (parts.length == 2) {
                return new Point(Double.parseDouble(parts[0].strip()), Double.parseDouble(parts[1].strip()));
            }
        } catch (NumberFormatException e) {
            // Said below.
        }
        throw new InputException(Words.of("key-command.neutral-is-x-y", text));
    }

    /// Writes all frames; what they measure, or null where they are too large to be measured while they are keyed.
    private @Nullable KeyTally write(Footage t, ScreenModel model, KeySettings settings, List<Point> outline, Bands bands)
            throws FootageException, InputException {
        Progress progress = output.progress("key");
        Polygon counts = model.garbage(outline);
        KeyTally tally = t.info().width() == model.colour().width() ? new KeyTally(model, 1, bands) : null;
        try (Footage bg = background == null ? null : Footages.open(background)) {
            int n = t.info().frames();
            Plane before = null;
            for (int i = 0; i < n; i++) {
                progress.at(i, n);
                Picture frame = t.frame(i).withAlpha(null);
                Picture element;
                if (tally == null) {
                    element = KeyInMemory.element(frame, model, settings, counts, bands).spread(frame.width(), frame.height());
                } else {
                    Keyed k = Keyer.key(frame, model, settings, counts, bands);
                    tally.add(i, k, before);
                    before = k.alpha();
                    element = k.element();
                }
                Stills.writeMatte(out.resolve(name(MATTE, i)), element.alpha());
                Stills.write(out.resolve(name(ELEMENT, i)), element, Stills.Format.PNG16);
                if (bg != null) {
                    Stills.write(out.resolve(name(COMP, i)), over(bg, element, i, bands), Stills.Format.PNG8);
                }
                if (shadow) {
                    Stills.writeMatte(out.resolve(name(SHADOW, i)), KeyInMemory.kept(frame, model, model.garbage(List.of()), bands));
                }
                names(i).forEach(name -> ResultFile.made(out.resolve(name)));
            }
            progress.at(n, n);
        }
        return tally;
    }

    /// What is written of a frame: matte, element, the element over a background where there is one, and its shadow where it is asked for.
    private List<String> names(int frame) {
        return Stream.of(MATTE, ELEMENT, background == null ? "" : COMP, shadow ? SHADOW : "").filter(w -> !w.isEmpty())
                .map(what -> name(what, frame)).toList();
    }

    private static String name(String what, int frame) {
        return String.format("%s-%06d.png", what, frame);
    }

    private static Picture over(Footage bg, Picture element, int i, Bands bands) throws FootageException, InputException {
        Picture base = bg.frame(Math.min(i, bg.info().frames() - 1)).withAlpha(null);
        if (!base.sameShape(element)) {
            throw new InputException(Words.of("key-command.the-background-is-but-the", bg.info().path(), base.width(), base.height(),
                    element.width(), element.height()));
        }
        return Composer.compose(
                List.of(
                        LayerPicture.of(Layer.of("base", "", ""), base),
                        LayerPicture.of(Layer.of("element", "", "", new OwnAlpha()), element)),
                null, 0, bands);
    }

    private static List<Point> outline(Path file) throws InputException {
        try {
            JsonNode tree = JsonMapper.builder().build().readTree(file.toFile());
            JsonNode list = tree.isObject() ? tree.path("points") : tree;
            List<Point> points = new ArrayList<>();
            for (JsonNode p : list) {
                if (!(p.isArray() && p.size() == 2 && p.get(0).isNumber() && p.get(1).isNumber()) && !(p.has("x") && p.has("y"))) {
                    throw new InputException(Words.of("key-command.corner-is-not-write-the", file, (points.size() + 1)));
                }
                points.add(p.isArray() ? new Point(p.get(0).asDouble(), p.get(1).asDouble())
                        : new Point(p.get("x").asDouble(), p.get("y").asDouble()));
            }
            if (points.size() < 3) {
                throw new InputException(Words.of("key-command.an-outline-needs-at-least", file));
            }
            return points;
        } catch (IOException e) {
            throw new InputException(Words.of("key-command.the-outline-cannot-be-read", file));
        }
    }
}
