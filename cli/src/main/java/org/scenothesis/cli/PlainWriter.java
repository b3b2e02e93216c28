package org.scenothesis.cli;

import java.io.FilterWriter;
import java.io.IOException;
import java.io.Writer;

/// Lets letters and line ends through: what a name could tell a terminal to do stands as a question mark.
final class PlainWriter extends FilterWriter {
    PlainWriter(Writer out) {
        super(out);
    }

    private static char plain(int c) {
        return c < ' ' && c != '\n' && c != '\t' && c != '\r' || c >= 0x7f && c < 0xa0 ? '?' : (char) c;
    }

    @Override
    public void write(int c) throws IOException {
        super.write(plain(c));
    }

    @Override
    public void write(char[] from, int at, int length) throws IOException {
        char[] out = new char[length];
        for (int i = 0; i < length; i++) {
            out[i] = plain(from[at + i]);
        }
        super.write(out, 0, length);
    }

    @Override
    public void write(String from, int at, int length) throws IOException {
        write(from.toCharArray(), at, length);
    }
}
