package org.scenothesis.media;

import java.math.BigInteger;
import java.nio.file.Path;
import java.util.Comparator;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/// File names in the order a person counts: frame_2 before frame_10.
public enum NaturalOrder implements Comparator<Path> {
    INSTANCE;

    private static final Pattern PIECE = Pattern.compile("\\d+|\\D+");

    @Override
    public int compare(Path p, Path q) {
        Matcher a = PIECE.matcher(p.getFileName().toString());
        Matcher b = PIECE.matcher(q.getFileName().toString());
        while (true) {
            boolean more = a.find();
            boolean other = b.find();
            if (!more || !other) {
                return more ? 1 : other ? -1 : 0;
            }
            int c = pieces(a.group(), b.group());
            if (c != 0) {
                return c;
            }
        }
    }

    private static int pieces(String s, String t) {
        if (Character.isDigit(s.charAt(0)) && Character.isDigit(t.charAt(0))) {
            int c = new BigInteger(s).compareTo(new BigInteger(t));
            return c != 0 ? c : Integer.compare(s.length(), t.length());
        }
        return s.compareTo(t);
    }
}
