package org.scenothesis.cli;

import com.fasterxml.jackson.databind.node.ObjectNode;
import java.nio.file.Path;
import java.util.concurrent.Callable;
import org.jspecify.annotations.Nullable;
import org.scenothesis.core.shot.Shot;
import org.scenothesis.core.shot.Sound;
import org.scenothesis.core.shot.SoundSource;
import org.scenothesis.core.shot.Take;
import org.scenothesis.production.render.ShotSound;
import org.scenothesis.production.store.ProductionFolder;
import org.scenothesis.production.store.StoreException;
import org.scenothesis.production.words.Entered;
import picocli.CommandLine.Command;
import picocli.CommandLine.Mixin;
import picocli.CommandLine.Option;

@Command(name = "sound", description = "${bundle:sound-command.says-what-is-heard-of}", mixinStandardHelpOptions = true)
final class SoundCommand implements Callable<Integer> {
    @Mixin
    OfShot of;

    @Option(names = "--of", paramLabel = "WHAT", description = "${bundle:sound-command.as-filmed-the-lowest-layer-with}")
    @Nullable String what;

    @Option(names = "--at", paramLabel = "S", description = "${bundle:sound-command.when-in-the-shot-it}")
    @Nullable Double at;

    @Option(names = "--level", paramLabel = "DB", description = "${bundle:sound-command.louder-or-softer-in-decibels}")
    @Nullable Double level;

    @Option(names = "--fade-in", paramLabel = "S", description = "${bundle:sound-command.seconds-in-which-it-comes}")
    @Nullable Double fadeIn;

    @Option(names = "--fade-out", paramLabel = "S", description = "${bundle:sound-command.seconds-in-which-it-goes}")
    @Nullable Double fadeOut;

    @Mixin
    Output output;

    @Override
    public Integer call() throws Exception {
        boolean write = what != null || at != null || level != null || fadeIn != null || fadeOut != null;
        return of.open(write, (folder, s) -> {
            Shot now = write ? s.withSound(changed(folder, s.sound())) : s;
            ShotSound heard = ShotSound.of(folder, now);
            if (!now.equals(s)) {
                folder.save(folder.production().withShot(s.id(), x -> now));
            }
            Sound sound = now.sound();
            ObjectNode o = Output.object();
            o.put("of", sound.of().word());
            o.put("from", heard.from());
            o.put("at_seconds", sound.atSeconds());
            o.put("level_db", sound.levelDb());
            o.put("fade_in_seconds", sound.fadeInSeconds());
            o.put("fade_out_seconds", sound.fadeOutSeconds());
            o.put("remark", heard.why());
            var takes = o.putArray("takes_with_sound");
            ShotSound.takes(folder, now).stream().map(Take::id).forEach(takes::add);
            output.print(o);
            output.say(heard.from().isEmpty() ? "silent" : "heard: " + heard.from());
            if (!heard.why().isEmpty()) {
                output.say(heard.why());
            }
        });
    }

    private Sound changed(ProductionFolder folder, Sound was) throws InputException {
        return Entered.made(() -> entered(folder, was), InputException::because);
    }

    private Sound entered(ProductionFolder folder, Sound was) throws InputException {
        try {
            SoundSource heard = what == null ? was.of() : SoundSource.of(what);
            if (what != null && heard instanceof SoundSource.OfFile f) {
                heard = ShotSound.file(folder, Path.of(f.path()));
            }
            return new Sound(heard, or(at, was.atSeconds()), or(level, was.levelDb()), or(fadeIn, was.fadeInSeconds()),
                    or(fadeOut, was.fadeOutSeconds()));
        } catch (StoreException e) {
            throw new InputException(String.valueOf(e.getMessage()));
        }
    }

    private static double or(@Nullable Double told, double was) {
        return told == null ? was : told;
    }
}
