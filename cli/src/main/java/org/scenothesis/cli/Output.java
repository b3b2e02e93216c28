package org.scenothesis.cli;

import com.fasterxml.jackson.core.JsonProcessingException;
import com.fasterxml.jackson.databind.JsonNode;
import com.fasterxml.jackson.databind.json.JsonMapper;
import com.fasterxml.jackson.databind.node.ArrayNode;
import com.fasterxml.jackson.databind.node.ObjectNode;
import java.io.PrintWriter;
import java.util.List;
import java.util.Locale;
import org.jspecify.annotations.Nullable;
import org.scenothesis.core.finding.Finding;
import org.scenothesis.core.finding.Subject;
import org.scenothesis.production.measure.Progress;
import org.scenothesis.production.words.Words;
import picocli.CommandLine.Model.CommandSpec;
import picocli.CommandLine.Option;
import picocli.CommandLine.Spec;

/// What all commands print with: plain lines or one JSON object, progress on standard error.
final class Output {
    private static final JsonMapper MAPPER = JsonMapper.builder().build();

    @Spec(Spec.Target.MIXEE)
    CommandSpec spec;

    @Option(names = "--json", description = "${bundle:output.print-one-json-object-on}")
    boolean json;

    @Option(names = "--quiet", description = "${bundle:output.no-progress-on-standard-error}")
    boolean quiet;

    static ObjectNode object() {
        return MAPPER.createObjectNode();
    }

    static <T> JsonNode tree(T value) {
        return MAPPER.valueToTree(value);
    }

    PrintWriter out() {
        return spec.commandLine().getOut();
    }

    void say(String line) {
        if (!json) {
            out().println(line);
        }
    }

    void print(ObjectNode o) {
        if (json) {
            try {
                out().println(MAPPER.writeValueAsString(o));
            } catch (JsonProcessingException e) {
                throw new IllegalStateException(e);
            }
        }
    }

    /// A line beside the result, on standard error like progress.
    void remark(String line) {
        if (!quiet) {
            spec.commandLine().getErr().println(line);
        }
    }

    /// Progress in whole percent steps of ten on standard error.
    Progress progress(String what) {
        int[] last = {-1};
        return (done, of) -> {
            int tenth = of == 0 ? Math.max(0, last[0]) : (int) (10L * done / of);
            if (!quiet && tenth != last[0]) {
                last[0] = tenth;
                spec.commandLine().getErr().println(what + " " + tenth * 10 + " %");
            }
            return true;
        };
    }

    static ArrayNode findings(List<Finding> findings) {
        ArrayNode out = MAPPER.createArrayNode();
        for (Finding f : findings) {
            ObjectNode o = out.addObject();
            Words.Sentence s = Words.sentence(f);
            o.put("measure", f.measure().name().toLowerCase(Locale.ROOT));
            if (!f.plate().isEmpty()) {
                o.put("plate", f.plate());
            }
            if (f.subject() instanceof Subject.OfTake t && !t.take().isEmpty()) {
                o.put("take", t.take());
            }
            number(o, "value", f.value());
            o.put("unit", f.measure().unit());
            o.put("limit", f.limit().holds());
            o.put("verdict", Words.verdict(f.verdict()));
            o.put("meaning", s.meaning());
            o.put("remedy", s.remedy());
            o.put("minutes_now", f.price().minutesNow());
            o.put("hours_later", f.price().hoursLater());
        }
        return out;
    }

    void sayFindings(List<Finding> findings) {
        for (Finding f : findings) {
            Words.Sentence s = Words.sentence(f);
            say(String.format("  %-13s %-26s %12s   %s", Words.verdict(f.verdict()), s.title(), s.value(), s.meaning()));
            if (!s.remedy().isEmpty()) {
                say("                " + s.remedy());
            }
        }
    }

    /// A number, or null where there is none.
    static void number(ObjectNode o, String name, @Nullable Double v) {
        if (v != null && Double.isFinite(v)) {
            o.put(name, Math.round(v * 1e6) / 1e6);
        } else {
            o.putNull(name);
        }
    }
}
