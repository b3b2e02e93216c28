package org.scenothesis.studio;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.regex.Pattern;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;

/// What the compiler does not see: how the sources of all modules read.
class SourcesTest {
    private static final Pattern QUALIFIED =
            Pattern.compile("(?<![\\w.\"/])(?:java|javax|javafx|org|com|jdk)(?:\\.[a-z]\\w*)+\\.[A-Z]\\w*");
    private static final Pattern TEXT = Pattern.compile("\"(?:[^\"\\\\]|\\\\.)*\"");

    private static final Pattern PUBLIC_METHOD = Pattern.compile("^    public (?!.*\\b(?:class|record|enum|interface)\\b)[^=;]*\\([^;]*$");

    private static List<Path> sources() throws IOException {
        List<Path> out = new ArrayList<>();
        for (String module : List.of("core", "media", "testkit", "production", "cli", "studio", "benchmark")) {
            try (Stream<Path> all = Files.walk(Path.of("..", module, "src"))) {
                all.filter(p -> p.toString().endsWith(".java")).forEach(out::add);
            }
        }
        return out;
    }

    /// Names are imported; only a clash of two is a reason to write one out, and there is none.
    private static boolean writtenOut(String line) {
        String code = TEXT.matcher(line.strip()).replaceAll("\"\"");
        boolean other = code.startsWith("import ") || code.startsWith("package ") || code.startsWith("//");
        return !other && QUALIFIED.matcher(code).find();
    }

    @Test
    void namesAreImportedNotWrittenOut() throws IOException {
        List<String> found = new ArrayList<>();
        for (Path p : sources()) {
            Files.readAllLines(p).stream().filter(SourcesTest::writtenOut).forEach(l -> found.add(p.getFileName() + ": " + l.strip()));
        }
        assertThat(found).isEmpty();
        assertThat(writtenOut("List<X> a = new java.util.ArrayList<>();")).isTrue();
    }

    @Test
    void noLineIsLongerThan140() throws IOException {
        List<String> found = new ArrayList<>();
        for (Path p : sources()) {
            Files.readAllLines(p).stream().filter(l -> l.codePointCount(0, l.length()) > 140).forEach(l -> found.add(p + ": " + l.strip()));
        }
        assertThat(found).isEmpty();
    }

    private static boolean sentence(String text) {
        String own = text.replaceAll("\\$\\{[^}]*}", "");
        return own.contains(" ") && Pattern.compile("[A-Za-z][A-Za-z'\u2019-]+").matcher(own).results().count() >= 3;
    }

    /// Sentences stand in the bundles, where they are read as a whole.
    @Test
    void noClassOfAWindowOrACommandHoldsASentence() throws IOException {
        List<String> found = new ArrayList<>();
        for (Path p : sources()) {
            if (p.startsWith(Path.of("..", "studio", "src", "main")) || p.startsWith(Path.of("..", "cli", "src", "main"))) {
                Files.readAllLines(p).stream().filter(l -> !l.strip().startsWith("//"))
                        .forEach(l -> TEXT.matcher(l).results().filter(t -> sentence(t.group()))
                        .forEach(t -> found.add(p.getFileName() + ": " + t.group())));
            }
        }
        assertThat(found).isEmpty();
        assertThat(sentence("Words that are said")).isTrue();
    }

    private static String last(String imported) {
        return imported.substring(imported.lastIndexOf('.') + 1, imported.length() - 1);
    }

    @Test
    void importsAreUsedAndInOrder() throws IOException {
        List<String> found = new ArrayList<>();
        for (Path p : sources()) {
            List<String> lines = Files.readAllLines(p);
            List<String> imports = lines.stream().filter(l -> l.startsWith("import ") && !l.startsWith("import static ")).toList();
            String code = String.join("\n", lines.stream().filter(l -> !l.startsWith("import ")).toList());
            imports.stream().filter(l -> !Pattern.compile("\\b" + last(l) + "\\b").matcher(code).find())
                    .forEach(l -> found.add(p.getFileName() + ": " + l));
            List<String> names = imports.stream().map(l -> l.substring(0, l.length() - 1)).toList();
            if (!names.equals(names.stream().sorted().toList())) {
                found.add(p.getFileName() + ": imports out of order");
            }
        }
        assertThat(found).isEmpty();
    }

    private static List<String> undocumented(List<String> lines) {
        List<String> found = new ArrayList<>();
        for (int i = 1; i < lines.size(); i++) {
            int before = i - 1;
            while (lines.get(before).startsWith("    @")) {
                before--;
            }
            boolean overrides = lines.subList(before + 1, i).contains("    @Override");
            if (PUBLIC_METHOD.matcher(lines.get(i)).find() && !overrides && !lines.get(before).startsWith("    ///")) {
                found.add(lines.get(i).strip());
            }
        }
        return found;
    }

    @Test
    void publicMethodsOfTheCoreSayWhatTheyDo() throws IOException {
        List<String> found = new ArrayList<>();
        for (Path p : sources()) {
            if (p.startsWith(Path.of("..", "core", "src", "main"))) {
                undocumented(Files.readAllLines(p)).forEach(l -> found.add(p.getFileName() + ": " + l));
            }
        }
        assertThat(found).isEmpty();
        assertThat(undocumented(List.of("class A {", "    public int a() {", "    /// B.", "    public int b() {")))
                .containsExactly("public int a() {");
    }
}
