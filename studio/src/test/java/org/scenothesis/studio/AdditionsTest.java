package org.scenothesis.studio;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Set;
import java.util.TreeSet;
import java.util.regex.Pattern;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;

/// The table of what a new kind touches, in `docs/architecture.md`, against where its example stands in the code.
class AdditionsTest {
    private static final Pattern ROW = Pattern.compile("^\\| [^|]+ \\| ([\\w, ]+) \\| (.+) \\|$");
    private static final Pattern NAME = Pattern.compile("`(\\w+)`");

    static List<String> rows() throws IOException {
        List<String> lines = Files.readAllLines(Path.of("../docs/architecture.md"));
        int from = lines.indexOf("|---|---|---|");
        List<String> rows = lines.subList(from + 1, lines.size()).stream().takeWhile(l -> l.startsWith("|")).toList();
        assertThat(rows).hasSizeGreaterThanOrEqualTo(5);
        return rows;
    }

    @ParameterizedTest
    @MethodSource("rows")
    void aNewKindTouchesTheseFilesAndNoOther(String row) throws IOException {
        var m = ROW.matcher(row);
        assertThat(m.matches()).isTrue();
        Set<String> told = NAME.matcher(m.group(2)).results().map(r -> r.group(1)).collect(Collectors.toCollection(TreeSet::new));
        assertThat(mentioning(m.group(1))).isEqualTo(told);
    }

    private static Set<String> mentioning(String examples) throws IOException {
        Pattern word = Pattern.compile("\\b(?:" + examples.replace(", ", "|") + ")(?:Unit)?\\b");
        Set<String> out = new TreeSet<>();
        for (String module : List.of("core", "media", "production", "cli", "studio")) {
            try (Stream<Path> all = Files.walk(Path.of("..", module, "src/main"))) {
                for (Path p : all.filter(p -> p.toString().endsWith(".java")).toList()) {
                    if (word.matcher(Files.readString(p)).find()) {
                        out.add(p.getFileName().toString().replace(".java", ""));
                    }
                }
            }
        }
        return out;
    }
}
