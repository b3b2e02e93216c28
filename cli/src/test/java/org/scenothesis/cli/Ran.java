package org.scenothesis.cli;

import com.fasterxml.jackson.databind.JsonNode;
import com.fasterxml.jackson.databind.ObjectMapper;
import java.io.PrintWriter;
import java.io.StringWriter;
import java.util.Arrays;

/// What a command line gave back.
record Ran(int exit, String out, String err) {
    /// Runs the command line as the shell would, with words of any kind.
    static Ran run(Object... args) {
        StringWriter out = new StringWriter();
        StringWriter err = new StringWriter();
        String[] words = Arrays.stream(args).map(String::valueOf).toArray(String[]::new);
        int exit = Main.run(new PrintWriter(out, true), new PrintWriter(err, true), words);
        return new Ran(exit, out.toString(), err.toString());
    }

    JsonNode json() throws Exception {
        return new ObjectMapper().readTree(out);
    }
}
