package org.scenothesis.studio.house;

import com.sun.management.HotSpotDiagnosticMXBean;
import java.lang.management.ManagementFactory;

/// How eagerly memory is taken back while a film is made.
///
/// Planes of pictures are garbage after a moment, but too large to be found by small collections, and hardly anything small is made
/// meanwhile: left alone, the heap fills to its end before the collector looks. So it looks more often during long work, and between two
/// frames where much lies about.
final class HeapPace {
    private static final String INTERVAL = "G1PeriodicGCInterval";
    private static final String BRISK_MS = "300";
    private static final String CALM_MS = "15000";
    /// Of the heap, in use from where it is tidied.
    private static final double MUCH = 0.15;
    private static final long SELDOM_NS = 1_200_000_000;

    private long last = System.nanoTime() - SELDOM_NS;

    /// Whether long work goes on.
    void working(boolean on) {
        try {
            ManagementFactory.getPlatformMXBean(HotSpotDiagnosticMXBean.class).setVMOption(INTERVAL, on ? BRISK_MS : CALM_MS);
        } catch (IllegalArgumentException e) {
            // Another machine or collector, which has no such pace: nothing is lost but memory.
        }
    }

    /// Takes back what lies about, where that is much; seldom enough not to be felt.
    synchronized void tidy() {
        Runtime r = Runtime.getRuntime();
        if (r.totalMemory() - r.freeMemory() > MUCH * r.maxMemory() && System.nanoTime() - last > SELDOM_NS) {
            System.gc();
            last = System.nanoTime();
        }
    }
}
