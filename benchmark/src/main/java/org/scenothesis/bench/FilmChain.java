package org.scenothesis.bench;

import java.io.IOException;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.concurrent.TimeUnit;
import org.bytedeco.ffmpeg.ffmpeg;
import org.bytedeco.javacpp.Loader;

/// The demo shot made into a film by the program of the shipped FFmpeg: decoding three takes, chroma key, despill, overlay, the same
/// encoder with the same settings. A poorer version of the shot: one screen colour, no unmixed edges, no shadow, no corrected light.
final class FilmChain {
    private FilmChain() {}

    /// Seconds it takes as a whole command.
    static double seconds(Path demo, Path out) throws IOException, InterruptedException {
        List<String> command = new ArrayList<>(List.of(Loader.load(ffmpeg.class), "-v", "error", "-y"));
        for (String take : List.of("clean-2", "maker-1", "lantern-1")) {
            command.addAll(List.of("-i", demo.resolve("footage/" + take + ".mp4").toString()));
        }
        command.addAll(List.of(
                "-filter_complex", "[2]chromakey=0x3c8c4a:0.15:0.05,despill=type=green[e];[0][1]overlay[b];[b][e]overlay", "-t", "4",
                "-c:v", "libvpx-vp9",
                "-deadline", "realtime", "-cpu-used", "5", "-crf", "14", "-b:v", "0", "-row-mt", "1", "-threads", "2", out.toString()));
        return seconds(command);
    }

    /// Seconds of our own command for the whole shot.
    static double own(Path application, Path demo, Path out) throws IOException, InterruptedException {
        return seconds(List.of(application.resolve("scenothesis").toString(), "render", demo.toString(), "--shot=12", "--quiet",
                "--out=" + out));
    }

    private static double seconds(List<String> command) throws IOException, InterruptedException {
        long start = System.nanoTime();
        Process p = new ProcessBuilder(command).redirectErrorStream(true).redirectOutput(ProcessBuilder.Redirect.DISCARD).start();
        if (!p.waitFor(10, TimeUnit.MINUTES) || p.exitValue() != 0) {
            p.destroyForcibly();
            throw new IOException(command.getFirst() + " failed");
        }
        return (System.nanoTime() - start) / 1e9;
    }
}
