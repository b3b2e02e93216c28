package org.scenothesis.core.finding;

import java.util.Comparator;
import java.util.List;

/// All findings of a shot, the most serious first; Board, findings line, strike list and `--json` are views of it.
public record Judgement(List<Finding> findings) {
    public static final Judgement NONE = new Judgement(List.of());

    public Judgement {
        findings = findings.stream().sorted(Comparator.comparingInt((Finding f) -> -f.verdict().weight())).toList();
    }

    /// How much of what has to be measured was measured.
    public record Known(long measured, long of) {
        public boolean all() {
            return measured == of;
        }
    }

    /// What concerns one plate.
    public Judgement of(String plate) {
        return new Judgement(findings.stream().filter(f -> f.subject().plate().equals(plate)).toList());
    }

    /// Never better than its least known part.
    public Verdict verdict() {
        return Verdict.of(findings.stream().map(Finding::verdict).toList());
    }

    /// How many of all things that should be known are.
    public Known known() {
        return new Known(findings.stream().filter(f -> f.verdict() != Verdict.NOT_MEASURED).count(), findings.size());
    }

    /// Whether one may go on: strike the set, hand the shot over.
    public enum Answer {
        YES,
        /// Something must be redone.
        NO,
        /// Nothing must, as far as it is known, but not all is.
        NOT_KNOWN
    }

    /// No as soon as one thing must be done again; yes only when everything is known.
    public Answer go() {
        return verdict() == Verdict.REDO ? Answer.NO : !findings.isEmpty() && known().all() ? Answer.YES : Answer.NOT_KNOWN;
    }

    /// What is to be watched or redone, dearer later first within each.
    public List<Finding> open() {
        return findings.stream().filter(f -> f.verdict() == Verdict.REDO || f.verdict() == Verdict.WATCH)
                .sorted(Comparator.<Finding>comparingInt(f -> -f.verdict().weight()).thenComparingDouble(f -> -f.price().hoursLater()))
                .toList();
    }

    /// What should be known and is not.
    public List<Finding> unmeasured() {
        return findings.stream().filter(f -> f.verdict() == Verdict.NOT_MEASURED).toList();
    }
}
