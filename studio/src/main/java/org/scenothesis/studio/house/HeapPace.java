package org.scenothesis.studio.house;

import com.sun.management.HotSpotDiagnosticMXBean;
import java.lang.management.ManagementFactory;

/// How eagerly memory is taken back while pictures are made.
///
/// Planes of pictures are garbage after a moment, but too large to be found by small collections, and hardly anything small is made
/// meanwhile: left alone, the heap fills to its end before the collector looks. So it looks more often during long work, and wherever much
/// lies about. Where the collector is told so, as by the launcher, it looks while everything goes on.
final class HeapPace implements AutoCloseable {
    private static final String INTERVAL = "G1PeriodicGCInterval";
    private static final String CONCURRENT = "ExplicitGCInvokesConcurrent";
    private static final String BRISK_MS = "300";
    private static final String CALM_MS = "15000";
    /// Of the heap, in use from where it is tidied.
    private static final double MUCH = 0.09;
    /// Of the heap, in use from where what comes next waits until it is tidied; and of what was in use after it was tidied last.
    private static final double FULL = 0.17;
    private static final double GROWN = 1.25;
    private static final long SELDOM_NS = 700_000_000;

    private static final long LOOK_MS = 250;

    private final HotSpotDiagnosticMXBean machine = ManagementFactory.getPlatformMXBean(HotSpotDiagnosticMXBean.class);
    private final boolean concurrent;
    private long last = System.nanoTime() - SELDOM_NS;
    private volatile long left;
    private final Thread watch = Thread.ofPlatform().daemon().name("heap").unstarted(this::watch);

    HeapPace() {
        concurrent = set(CONCURRENT).equals("true");
        if (concurrent) {
            watch.start();
        }
    }

    /// How an option of the machine is set; empty on one that has no such.
    private String set(String option) {
        try {
            return machine.getVMOption(option).getValue();
        } catch (IllegalArgumentException e) {
            return "";
        }
    }

    private void watch() {
        try {
            while (true) {
                Thread.sleep(LOOK_MS);
                tidy();
            }
        } catch (InterruptedException e) {
            // Closed.
        }
    }

    /// Whether long work goes on.
    void working(boolean on) {
        // Another machine or collector has no such pace: nothing is lost but memory.
        if (!set(INTERVAL).isEmpty()) {
            machine.setVMOption(INTERVAL, on ? BRISK_MS : CALM_MS);
        }
    }

    /// Takes back what lies about, where that is much; seldom enough not to be felt.
    synchronized void tidy() {
        if (used() > MUCH * Runtime.getRuntime().maxMemory() && System.nanoTime() - last > SELDOM_NS) {
            collect();
        }
    }

    private boolean full() {
        return used() > Math.max(FULL * Runtime.getRuntime().maxMemory(), GROWN * left);
    }

    /// Before something large is made: waits until it is tidied where the heap is nearly as full as it should become. Otherwise two busy
    /// cores make new planes faster than the collector finds dead ones.
    void room() {
        if (concurrent && full()) {
            synchronized (this) {
                // Another that waited may have had it tidied.
                if (full()) {
                    collect();
                }
            }
        }
    }

    private void collect() {
        System.gc();
        last = System.nanoTime();
        left = used();
    }

    private static long used() {
        Runtime r = Runtime.getRuntime();
        return r.totalMemory() - r.freeMemory();
    }

    @Override
    public void close() {
        watch.interrupt();
    }
}
