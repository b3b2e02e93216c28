package org.scenothesis.production.paper;

import java.io.IOException;
import java.io.StringReader;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeSet;
import java.util.stream.Collectors;
import org.apache.commons.csv.CSVFormat;
import org.apache.commons.csv.CSVParser;
import org.apache.commons.csv.CSVRecord;
import org.scenothesis.core.breakdown.fact.Fact;
import org.scenothesis.core.shot.Ids;
import org.scenothesis.core.shot.Illusion;
import org.scenothesis.core.shot.IllusionKind;
import org.scenothesis.core.shot.Production;
import org.scenothesis.core.shot.Shot;
import org.scenothesis.production.words.Words;

/// Shots and their illusions from a table: comma, semicolon or tab separated, a heading line, any order of columns.
///
/// - Columns: `shot`, `title`, `story`, `seconds`, `illusion`, `subject`, `from`, `to`, `facts` (such as `motion=still; heightM=0.4`), or a
///   column named like any fact.
/// - Lines with one shot id belong to one shot. What is not understood is reported with its line and column and otherwise left out; nothing
///   is guessed.
public record ShotList(List<Shot> shots, List<Note> notes) {
    private static final int MOST_LINES = 5_000;
    private static final Set<String> COLUMNS = Set.of("shot", "title", "story", "seconds", "wonder", "subject", "from", "to", "facts");

    /// What was not understood: line of the file, column, the text there, and why.
    public record Note(long line, String column, String text, String why) {
        public String sentence() {
            return "line " + line + (column.isEmpty() ? "" : ", column " + column) + (text.isEmpty() ? "" : ", \u201c" + text + "\u201d")
                    + ": " + why;
        }
    }

    public ShotList {
        shots = List.copyOf(shots);
        notes = List.copyOf(notes);
    }

    public static ShotList read(String csv) {
        return new Reader().read(csv);
    }

    /// The production with these shots added; one whose id is there already gets the illusions it lacks.
    public Production into(Production p) {
        List<Shot> all = new ArrayList<>(p.shots());
        for (Shot s : shots) {
            Optional<Shot> there = all.stream().filter(o -> o.id().equals(s.id())).findFirst();
            if (there.isEmpty()) {
                all.add(s.withNumber(number(s.id(), all)));
            } else {
                Set<String> ids = new TreeSet<>(there.get().illusions().stream().map(Illusion::id).toList());
                List<Illusion> illusions = new ArrayList<>(there.get().illusions());
                s.illusions().stream().filter(w -> !ids.contains(w.id())).forEach(illusions::add);
                all.set(all.indexOf(there.get()), there.get().withIllusions(illusions));
            }
        }
        return p.withShots(all);
    }

    private static int number(String id, List<Shot> all) {
        int next = all.stream().mapToInt(Shot::number).max().orElse(0) + 1;
        return id.matches("\\d{1,6}") ? Integer.parseInt(id) : next;
    }

    private static final class Reader {
        private final Map<String, Shot> shots = new LinkedHashMap<>();
        private final List<Note> notes = new ArrayList<>();

        ShotList read(String csv) {
            String text = csv.startsWith("\ufeff") ? csv.substring(1) : csv;
            String head = text.lines().findFirst().orElse("");
            char separator = head.indexOf('\t') >= 0 ? '\t' : head.chars().filter(c -> c == ';').count() > head.chars()
                    .filter(c -> c == ',').count() ? ';' : ',';
            CSVFormat format = CSVFormat.DEFAULT.builder().setDelimiter(separator).setHeader().setSkipHeaderRecord(true)
                    .setIgnoreHeaderCase(true).setTrim(true)
                    .setIgnoreEmptyLines(true).setAllowMissingColumnNames(true).get();
            try (CSVParser parser = CSVParser.parse(new StringReader(text), format)) {
                heads(parser.getHeaderNames());
                for (CSVRecord r : parser) {
                    if (r.getRecordNumber() > MOST_LINES) {
                        notes.add(new Note(parser.getCurrentLineNumber(), "", "", Words.of("shot-list.a-list-has-at-most-lines",
                                MOST_LINES)));
                        break;
                    }
                    line(r, parser.getCurrentLineNumber());
                }
            } catch (IOException | RuntimeException e) {
                notes.add(new Note(1, "", "", Words.of("shot-list.this-is-not-a-table-that",
                        String.valueOf(e.getMessage()).lines().findFirst().orElse(""))));
            }
            return new ShotList(List.copyOf(shots.values()), notes);
        }

        private void heads(List<String> names) {
            for (String n : names) {
                if (!COLUMNS.contains(n.toLowerCase(Locale.ROOT)) && fact(n).isEmpty() && !n.isBlank()) {
                    notes.add(new Note(1, n, "", Words.of("shot-list.no-such-column-is-known-it")));
                }
            }
            if (names.stream().noneMatch(n -> n.equalsIgnoreCase("shot"))) {
                notes.add(new Note(1, "", "", Words.of("shot-list.there-is-no-column-named-shot")));
            }
        }

        private static Optional<Fact> fact(String name) {
            return Arrays.stream(Fact.values()).filter(f -> f.key().equalsIgnoreCase(name.strip())).findFirst();
        }

        private static String cell(CSVRecord r, String column) {
            return r.isMapped(column) && r.isSet(column) ? r.get(column).strip() : "";
        }

        private void line(CSVRecord r, long line) {
            String id = cell(r, "shot");
            if (id.isEmpty()) {
                notes.add(new Note(line, "shot", "", Words.of("shot-list.no-shot-is-named-the-line")));
                return;
            }
            Shot s = shots.computeIfAbsent(id, k -> new Shot(k, 0, "Shot " + k, "", 6, List.of(), List.of(), List.of(), List.of(), null));
            double seconds = number(r, line, "seconds", s.seconds());
            String title = cell(r, "title").isEmpty() ? s.title() : cell(r, "title");
            String story = cell(r, "story").isEmpty() ? s.story() : cell(r, "story");
            s = s.told(title, story, Math.max(0.1, seconds));
            Optional<IllusionKind> kind = kind(r, line);
            if (kind.isPresent()) {
                String subject = cell(r, "subject").isEmpty() ? "something" : cell(r, "subject");
                double from = number(r, line, "from", 0);
                double to = number(r, line, "to", s.seconds());
                if (to < from) {
                    notes.add(new Note(line, "to", cell(r, "to"), Words.of("shot-list.it-ends-before-it-begins-the")));
                    from = 0;
                    to = s.seconds();
                }
                Map<String, String> facts = new LinkedHashMap<>();
                Shot told = facts(r, line, s, facts);
                String illusion = kind.get().name().toLowerCase(Locale.ROOT).replace('_', '-') + "-" + Ids.slug(subject);
                List<Illusion> more = new ArrayList<>(told.illusions());
                more.add(new Illusion(free(illusion, more), kind.get(), subject, from, to, facts));
                s = told.withIllusions(more);
            }
            shots.put(id, s);
        }

        private static String free(String id, List<Illusion> taken) {
            String out = id;
            for (int i = 2; contains(taken, out); i++) {
                out = id + "-" + i;
            }
            return out;
        }

        private static boolean contains(List<Illusion> taken, String id) {
            return taken.stream().anyMatch(w -> w.id().equals(id));
        }

        private double number(CSVRecord r, long line, String column, double otherwise) {
            String text = cell(r, column);
            if (text.isEmpty()) {
                return otherwise;
            }
            try {
                double v = Double.parseDouble(text.replace(',', '.').replaceAll("\\s*s$", ""));
                if (v >= 0 && v <= 86_400) {
                    return v;
                }
            } catch (NumberFormatException e) {
                // Told below, like a number out of range.
            }
            notes.add(new Note(line, column, text, Words.of("shot-list.this-is-no-number-of-seconds", Words.number(otherwise, 1))));
            return otherwise;
        }

        private Optional<IllusionKind> kind(CSVRecord r, long line) {
            String text = cell(r, "wonder");
            if (text.isEmpty()) {
                return Optional.empty();
            }
            String plain = text.toLowerCase(Locale.ROOT).replace('_', ' ').replace('-', ' ');
            for (IllusionKind k : IllusionKind.values()) {
                String code = k.name().toLowerCase(Locale.ROOT).replace('_', ' ');
                if (plain.equals(code) || plain.equals(Words.of("illusion." + k))
                        || plain.equals(Words.of("illusion.add." + k).toLowerCase(Locale.ROOT))) {
                    return Optional.of(k);
                }
            }
            notes.add(new Note(line, "wonder", text, Words.of("shot-list.no-illusion-is-called-that-one",
                    Arrays.stream(IllusionKind.values()).map(k -> k.name().toLowerCase(Locale.ROOT).replace('_',
                            ' ')).collect(Collectors.joining(", ")))));
            return Optional.empty();
        }

        private Shot facts(CSVRecord r, long line, Shot s, Map<String, String> to) {
            Map<String, String> told = new LinkedHashMap<>();
            for (String part : cell(r, "facts").split(";")) {
                int equals = part.indexOf('=');
                if (equals > 0) {
                    told.put(part.substring(0, equals).strip(), part.substring(equals + 1).strip());
                } else if (!part.isBlank()) {
                    notes.add(new Note(line, "facts", part.strip(), Words.of("shot-list.facts-are-written-as-name-answer")));
                }
            }
            r.toMap().forEach((k, v) -> {
                if (v != null && !v.isBlank() && !COLUMNS.contains(k.toLowerCase(Locale.ROOT)) && fact(k).isPresent()) {
                    told.put(k, v.strip());
                }
            });
            Shot out = s;
            for (Map.Entry<String, String> e : told.entrySet()) {
                Optional<Fact> f = fact(e.getKey());
                if (f.isEmpty()) {
                    notes.add(new Note(line, "facts", e.getKey(), Words.of("shot-list.no-fact-is-called-that")));
                } else if (!f.get().accepts(e.getValue())) {
                    String may = f.get().isNumber() ? Words.of("shot-list.a-number-of", f.get().unit()) : String.join(", ",
                            f.get().answers());
                    notes.add(new Note(line, e.getKey(), e.getValue(), Words.of("shot-list.this-is-no-answer-to-it",
                            Words.of("ask." + f.get().key()), may)));
                } else if (f.get().ofSetting()) {
                    out = out.withSetting(x -> x.withFact(f.get().key(), e.getValue()));
                } else {
                    to.put(f.get().key(), e.getValue());
                }
            }
            return out;
        }
    }
}
