package org.mobrak.desktop.job;

import java.util.Optional;
import javax.sound.sampled.AudioFormat;
import javax.sound.sampled.AudioSystem;
import javax.sound.sampled.Clip;
import javax.sound.sampled.LineUnavailableException;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;

/** A short tone each second while keys are held, a higher one when something is to be done. Where there is no sound, silence. */
final class Clicks {
    private static final Logger LOG = LoggerFactory.getLogger(Clicks.class);
    private static final float RATE = 22_050;
    private static final double SECONDS = 0.08;
    private static final int LOW = 440;
    private static final int HIGH = 880;

    private final Optional<Clip> low = tone(LOW);
    private final Optional<Clip> high = tone(HIGH);

    void second() {
        play(low);
    }

    void now() {
        play(high);
    }

    void close() {
        low.ifPresent(Clip::close);
        high.ifPresent(Clip::close);
    }

    private static void play(Optional<Clip> tone) {
        tone.ifPresent(clip -> {
            clip.setFramePosition(0);
            clip.start();
        });
    }

    private static Optional<Clip> tone(int hertz) {
        byte[] samples = new byte[(int) (RATE * SECONDS)];
        for (int i = 0; i < samples.length; i++) {
            double fading = 1 - (double) i / samples.length;
            samples[i] = (byte) (Byte.MAX_VALUE * fading * Math.sin(2 * Math.PI * hertz * i / RATE));
        }
        try {
            Clip clip = AudioSystem.getClip();
            clip.open(new AudioFormat(RATE, Byte.SIZE, 1, true, false), samples, 0, samples.length);
            return Optional.of(clip);
        } catch (LineUnavailableException | IllegalArgumentException silent) {
            LOG.info("There is no sound here: {}", silent.getMessage());
            return Optional.empty();
        }
    }
}
