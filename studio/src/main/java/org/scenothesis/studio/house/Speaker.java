package org.scenothesis.studio.house;

import java.util.concurrent.atomic.AtomicBoolean;
import java.util.function.Consumer;
import javax.sound.sampled.AudioFormat;
import javax.sound.sampled.AudioSystem;
import javax.sound.sampled.LineUnavailableException;
import javax.sound.sampled.SourceDataLine;
import org.jspecify.annotations.Nullable;
import org.scenothesis.media.FootageException;
import org.scenothesis.media.sound.SoundFeed;
import org.scenothesis.media.sound.SoundTrack;
import org.scenothesis.production.words.Words;

/// Lets a sound track be heard while the shot plays. A machine without sound plays on in silence, and says so once.
final class Speaker {
    /// Samples handed over at a time: short, so that it stops at once.
    private static final int PIECE = SoundFeed.RATE / 25;
    private static final int BYTES = 4;

    /// Where samples go: a line of the machine, or a stand-in.
    interface Line extends AutoCloseable {
        /// Waits until they are taken.
        void write(byte[] samples);

        @Override
        void close();
    }

    /// Opens a line.
    @FunctionalInterface
    interface Lines {
        Line open() throws LineUnavailableException;
    }

    private final Lines lines;
    private final Consumer<String> say;
    private @Nullable AtomicBoolean playing;
    private boolean said;

    /// - `say`: told why nothing is heard, on whatever thread.
    Speaker(Lines lines, Consumer<String> say) {
        this.lines = lines;
        this.say = say;
    }

    /// The loudspeaker of this machine.
    static Line ofMachine() throws LineUnavailableException {
        try {
            AudioFormat format = new AudioFormat(SoundFeed.RATE, 16, 2, true, false);
            SourceDataLine line = AudioSystem.getSourceDataLine(format);
            line.open(format, 4 * PIECE * BYTES);
            line.start();
            return new Line() {
                @Override
                public void write(byte[] samples) {
                    line.write(samples, 0, samples.length);
                }

                @Override
                public void close() {
                    line.flush();
                    line.close();
                }
            };
        } catch (IllegalArgumentException | SecurityException e) {
            throw new LineUnavailableException(String.valueOf(e.getMessage()));
        }
    }

    /// Plays from the track's beginning until it is stopped; what played before stops.
    void play(SoundTrack track) {
        stop();
        AtomicBoolean on = new AtomicBoolean(true);
        playing = on;
        Thread.ofPlatform().daemon().name("speaker").start(() -> run(track, on));
    }

    void stop() {
        if (playing != null) {
            playing.set(false);
            playing = null;
        }
    }

    private void run(SoundTrack track, AtomicBoolean on) {
        try (SoundFeed feed = SoundFeed.open(track); Line line = lines.open()) {
            float[] l = new float[PIECE];
            float[] r = new float[PIECE];
            while (on.get()) {
                feed.fill(l, r);
                line.write(bytes(l, r));
            }
        } catch (LineUnavailableException e) {
            silent(Words.of("speaker.this-machine-has-no-sound"));
        } catch (FootageException e) {
            silent(String.valueOf(e.getMessage()));
        }
    }

    private synchronized void silent(String why) {
        if (!said) {
            said = true;
            say.accept(why);
        }
    }

    private static byte[] bytes(float[] l, float[] r) {
        byte[] out = new byte[l.length * BYTES];
        for (int i = 0; i < l.length; i++) {
            put(out, BYTES * i, l[i]);
            put(out, BYTES * i + 2, r[i]);
        }
        return out;
    }

    private static void put(byte[] out, int at, float v) {
        int code = Math.round(Math.clamp(v, -1f, 1f) * Short.MAX_VALUE);
        out[at] = (byte) code;
        out[at + 1] = (byte) (code >> 8);
    }
}
