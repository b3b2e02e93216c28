package org.scenothesis.production.measure;

import java.util.ArrayList;
import java.util.List;
import java.util.stream.IntStream;
import org.jspecify.annotations.Nullable;
import org.scenothesis.core.match.AnalysisFrame;
import org.scenothesis.core.match.FrameLock;
import org.scenothesis.core.match.LockMeter;
import org.scenothesis.core.match.LockReport;
import org.scenothesis.core.match.LockSeries;
import org.scenothesis.core.picture.Bands;
import org.scenothesis.core.picture.CodeCurve;
import org.scenothesis.core.picture.ColourMatrix;
import org.scenothesis.media.Footage;
import org.scenothesis.media.FootageException;
import org.scenothesis.media.FootageSource;
import org.scenothesis.media.decode.Footages;
import org.scenothesis.production.words.Words;

/// Runs the lock check over footage: frames are decoded one ahead of being measured, so memory does not grow with the take.
public final class LockCheck {
    private static final int REFERENCE_FRAMES = 3;
    private static final int LOOKS = 5;
    /// Mean difference of code values from which a wrong matrix is suspected, and by how much the other must agree better.
    private static final double CLEARLY = 0.003;
    private static final double CLEARLY_LESS = 0.6;

    private LockCheck() {}

    /// Which of the two could not be read: a fault of the reference is none of the take.
    public static final class ReferenceException extends FootageException {
        private static final long serialVersionUID = 1;

        ReferenceException(FootageException cause) {
            super(cause.path(), cause);
        }
    }

    /// Measures every frame of `take` against the start of `reference`.
    ///
    /// @throws ReferenceException if the reference cannot be read
    /// @throws FootageException if the take cannot be read or they differ in size
    /// @throws Stopped if progress asks for it
    public static LockReport run(FootageSource reference, FootageSource take, Bands bands, Progress progress) throws FootageException {
        return read(reference, take, bands, progress).report();
    }

    /// The same, with the colour matrix that it was read by where neither file says one and another than the assumed agrees.
    ///
    /// @throws ReferenceException if the reference cannot be read
    /// @throws FootageException if the take cannot be read or they differ in size
    /// @throws Stopped if progress asks for it
    public static LockReading read(FootageSource reference, FootageSource take, Bands bands, Progress progress) throws FootageException {
        Agreed by = agreed(reference, take, bands);
        try (Footage t = Footages.open(by.take)) {
            return new LockReading(frames(t, meter(by.reference, t, bands), progress), by.matrix, by.ofReference);
        }
    }

    /// A first look at a few frames spread over the take.
    ///
    /// @throws ReferenceException if the reference cannot be read
    /// @throws FootageException if the take cannot be read or they differ in size
    public static LockReading look(FootageSource reference, FootageSource take, Bands bands, Progress progress) throws FootageException {
        Agreed by = agreed(reference, take, bands);
        try (Footage t = Footages.open(by.take)) {
            LockMeter meter = meter(by.reference, t, bands);
            int n = t.info().frames();
            int count = Math.min(n, LOOKS);
            List<FrameLock> locks = new ArrayList<>();
            List<Integer> numbers = new ArrayList<>();
            for (int k = 0; k < count; k++) {
                if (!progress.at(k, count)) {
                    throw new Stopped();
                }
                int i = count == 1 ? 0 : (int) ((long) k * (n - 1) / (count - 1));
                locks.add(meter.measure(t.lockFrame(i)));
                numbers.add(i);
            }
            return new LockReading(new LockSeries(t.info().width(), t.info().height(), locks, numbers).report(n), by.matrix,
                    by.ofReference);
        }
    }

    private static LockMeter meter(FootageSource reference, Footage take, Bands bands) throws FootageException {
        Footage ref = openReference(reference);
        try (ref) {
            if (ref.info().width() != take.info().width() || ref.info().height() != take.info().height()) {
                throw new UnsuitableException(
                        take.info().path(),
                        Words.of("lock-check.the-take-is-x-but-its", take.info().width(), take.info().height(), ref.info().width(),
                                ref.info().height()));
            }
            return new LockMeter(start(ref), take.info().frames() == 1 ? LockMeter.POINTS_OF_STILL : LockMeter.POINTS, bands);
        }
    }

    private static Footage openReference(FootageSource reference) throws ReferenceException {
        try {
            return Footages.open(reference);
        } catch (FootageException e) {
            throw new ReferenceException(e);
        }
    }

    private static AnalysisFrame start(Footage ref) throws ReferenceException {
        try {
            List<AnalysisFrame> first = new ArrayList<>();
            for (int i = 0; i < Math.min(REFERENCE_FRAMES, ref.info().frames()); i++) {
                first.add(ref.lockFrame(i));
            }
            return LockMeter.mean(first);
        } catch (FootageException e) {
            throw new ReferenceException(e);
        }
    }

    private static LockReport frames(Footage take, LockMeter meter, Progress progress) throws FootageException {
        int n = take.info().frames();
        List<FrameLock> locks = new ArrayList<>();
        List<Integer> numbers = new ArrayList<>();
        try (ReadAhead ahead = new ReadAhead(take, IntStream.range(0, n).toArray())) {
            for (int i = 0; i < n; i++) {
                if (!progress.at(i, n)) {
                    throw new Stopped();
                }
                locks.add(meter.measure(ahead.next()));
                numbers.add(i);
            }
        }
        progress.at(n, n);
        return new LockSeries(take.info().width(), take.info().height(), locks, numbers).report(n);
    }

    /// How the two are read: as they say, or as is assumed; else by the matrix with which they agree.
    ///
    /// - `matrix`: that one, null where none is asked for. `ofReference`: it is the reference that names none, not the take.
    private record Agreed(FootageSource reference, FootageSource take, @Nullable ColourMatrix matrix, boolean ofReference) {}

    /// A file that names no matrix is read by the one with which its first frame agrees clearly better with the other file, where there is
    /// such a one: a frame exported from it then reads like it.
    private static Agreed agreed(FootageSource reference, FootageSource take, Bands bands) throws FootageException {
        Agreed asAssumed = new Agreed(reference, take, null, false);
        ColourMatrix ofTake = unnamed(take);
        ColourMatrix ofReference;
        try {
            ofReference = unnamed(reference);
        } catch (FootageException e) {
            throw new ReferenceException(e);
        }
        // Where neither says anything both may be wrong alike.
        if (reference.equals(take) || (ofTake == null) == (ofReference == null)) {
            return asAssumed;
        }
        boolean first = ofReference != null;
        ColourMatrix other = (first ? ofReference : ofTake) == ColourMatrix.BT709 ? ColourMatrix.BT601 : ColourMatrix.BT709;
        Agreed by = first ? new Agreed(by(reference, other), take, other, true) : new Agreed(reference, by(take, other), other, false);
        double with = apart(asAssumed, bands);
        return with > CLEARLY && apart(by, bands) < CLEARLY_LESS * with ? by : asAssumed;
    }

    private static FootageSource by(FootageSource source, ColourMatrix matrix) {
        return new FootageSource(source.path(), source.reading().withMatrix(matrix));
    }

    /// The matrix that is assumed of a file that names none, null where it does or somebody said it.
    private static @Nullable ColourMatrix unnamed(FootageSource source) throws FootageException {
        try (Footage f = Footages.open(source)) {
            return f.info().coding().matrixNamed() || source.reading().matrix() != null ? null : f.info().coding().matrix();
        }
    }

    /// How far the colours of the first frame lie from the reference's: mean difference of code values over the picture, exposure brought
    /// alike.
    private static double apart(Agreed by, Bands bands) throws FootageException {
        try (Footage t = Footages.open(by.take); Footage r = openReference(by.reference)) {
            AnalysisFrame seen = t.lockFrame(0);
            AnalysisFrame wanted = r.lockFrame(0);
            var gains = new LockMeter(wanted, bands).measure(seen).gains();
            float even = gains == null ? 1 : (float) Math.pow(2, -gains.stops());
            CodeCurve curve = new CodeCurve();
            double sum = 0;
            int n = 0;
            for (int c = 0; c < 3; c++) {
                float[] x = seen.small().colours().get(c).data();
                float[] y = wanted.small().colours().get(c).data();
                for (int i = 0; i < Math.min(x.length, y.length); i++) {
                    sum += Math.abs(curve.code(x[i] * even) - curve.code(y[i]));
                    n++;
                }
            }
            return n == 0 ? 0 : sum / n;
        }
    }
}
