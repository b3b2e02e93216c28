package org.scenothesis.core.breakdown.day;

import java.util.Arrays;
import java.util.BitSet;
import java.util.List;
import org.scenothesis.core.shot.PlateRole;

/// Which jobs must be done before which: the clean plate's place by the house's approach, then what needs ask for.
///
/// A wish that would run in a circle with earlier ones, of jobs or of lock groups, is left out: the day must be possible.
final class Precedence {
    private final List<Job> jobs;
    private final int[] lock;
    private final BitSet[] before;
    private final BitSet[] groupBefore;

    private Precedence(List<Job> jobs, int[] lock) {
        this.jobs = jobs;
        this.lock = lock;
        before = empty(jobs.size());
        groupBefore = empty(jobs.size());
    }

    private static BitSet[] empty(int n) {
        BitSet[] out = new BitSet[n];
        Arrays.setAll(out, i -> new BitSet(n));
        return out;
    }

    static BitSet[] of(List<Job> jobs, int[] lock) {
        Precedence p = new Precedence(jobs, lock);
        p.each(p::clean);
        p.each(p::asked);
        return p.before;
    }

    private interface Wish {
        boolean first(int i, int j);
    }

    private void each(Wish wish) {
        for (int j = 0; j < jobs.size(); j++) {
            for (int i = 0; i < jobs.size(); i++) {
                if (i != j && wish.first(i, j) && !follows(before, i, j)
                        && (lock[i] == lock[j] || !follows(groupBefore, lock[i], lock[j]))) {
                    before[j].set(i);
                    if (lock[i] != lock[j]) {
                        groupBefore[lock[j]].set(lock[i]);
                    }
                }
            }
        }
    }

    /// Whether `i` already has to come after `j`.
    private static boolean follows(BitSet[] before, int i, int j) {
        BitSet seen = new BitSet();
        BitSet open = new BitSet();
        open.set(i);
        while (!open.isEmpty()) {
            int k = open.nextSetBit(0);
            open.clear(k);
            seen.set(k);
            if (before[k].get(j)) {
                return true;
            }
            open.or(before[k]);
            open.andNot(seen);
        }
        return false;
    }

    private boolean asked(int i, int j) {
        Job first = jobs.get(i);
        Job then = jobs.get(j);
        return first.shot().equals(then.shot()) && first.part() != Job.Part.CLOSING && !last(first) && then.need().after()
                .contains(first.need().key());
    }

    /// A clean plate that the house rolls last holds nothing up.
    private static boolean last(Job j) {
        return j.need().role() == PlateRole.CLEAN && j.part() == Job.Part.WHOLE;
    }

    private boolean clean(int i, int j) {
        if (lock[i] != lock[j]) {
            return false;
        }
        Job first = jobs.get(i);
        Job then = jobs.get(j);
        boolean opens = first.part() == Job.Part.OPENING && then.part() != Job.Part.OPENING;
        boolean closes = (then.part() == Job.Part.CLOSING || last(then)) && first.part() != Job.Part.CLOSING && !last(first);
        return opens || closes;
    }
}
