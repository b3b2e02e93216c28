package org.scenothesis.core.breakdown.plate;

import java.util.Collection;
import org.scenothesis.core.breakdown.fact.Answer;
import org.scenothesis.core.breakdown.fact.Answers;
import org.scenothesis.core.breakdown.fact.Fact;
import org.scenothesis.core.shot.PlateRole;

/// How much a day's footage weighs, and the smallest usual card that holds it with a fifth to spare.
public record Storage(double gigabytes, int cardGigabytes, int cards) {
    private static final double SPARE = 1.2;
    private static final int LARGEST = 1024;
    /// A still is filmed as a short roll to be averaged.
    private static final double STILL_S = 5;

    /// Room on cards for takes and photographs, from what was told of the camera's rate in megabits a second.
    public static Storage of(Collection<PlateNeed> needs, Answers told, int photographs) {
        double megabytes = 0;
        for (PlateNeed n : needs) {
            if (n.role() != PlateRole.STILLS && n.filmed()) {
                megabytes += n.length().takes() * Math.max(STILL_S, n.rollSeconds()) * megabits(told) / 8;
            }
        }
        return forGigabytes((megabytes + photographs * told.number(Fact.STILL_MEGABYTES)) / 1000);
    }

    /// What the camera writes in a second: as told, else what its kind of recording usually takes for these lines and this rate.
    static double megabits(Answers told) {
        if (told.given(Fact.MEGABITS)) {
            return told.number(Fact.MEGABITS);
        }
        double lines = told.number(Fact.RECORD_PX) / 1080;
        double at1080 = switch (told.choice(Answer.Records.class)) {
            case CAMERA -> 50;
            case INTRA -> 190;
            case RAW -> 500;
            case PHONE -> 20;
        };
        return at1080 * lines * lines * told.number(Fact.RATE_PER_S) / 24;
    }

    /// Cards with some to spare for so many gigabytes of 10⁹ bytes.
    public static Storage forGigabytes(double gb) {
        int card = 32;
        while (card < gb * SPARE && card < LARGEST) {
            card *= 2;
        }
        return new Storage(gb, card, Math.max(1, (int) Math.ceil(gb * SPARE / card)));
    }

    /// Cards for both together.
    public Storage plus(Storage o) {
        return forGigabytes(gigabytes + o.gigabytes);
    }
}
