package org.scenothesis.studio;

import java.io.PrintWriter;
import org.junit.platform.engine.discovery.DiscoverySelectors;
import org.junit.platform.launcher.core.LauncherDiscoveryRequestBuilder;
import org.junit.platform.launcher.core.LauncherFactory;
import org.junit.platform.launcher.listeners.SummaryGeneratingListener;

/// The window driven by chance for minutes, by other chances each time: `./soak`'s.
final class RandomHandsSoak {
    private RandomHandsSoak() {}

    public static void main(String[] args) {
        long end = System.nanoTime() + (long) (Double.parseDouble(args[0]) * 60e9);
        long broken = 0;
        for (int n = 0; n == 0 || System.nanoTime() < end; n++) {
            long seed = System.nanoTime();
            System.setProperty("scenothesis.hands.seed", String.valueOf(seed));
            System.setProperty("scenothesis.hands.seconds", String.valueOf(Math.clamp((end - System.nanoTime()) / 1e9, 20, 120)));
            SummaryGeneratingListener heard = new SummaryGeneratingListener();
            LauncherFactory.create().execute(LauncherDiscoveryRequestBuilder.request()
                    .selectors(DiscoverySelectors.selectClass(RandomHandsTest.class)).build(), heard);
            broken += heard.getSummary().getTotalFailureCount();
            heard.getSummary().printFailuresTo(new PrintWriter(System.out, true));
            System.out.printf("a window driven by chance (%d), %d times; broken: %d%n", seed, n + 1, broken);
        }
        System.exit(broken == 0 ? 0 : 1);
    }
}
