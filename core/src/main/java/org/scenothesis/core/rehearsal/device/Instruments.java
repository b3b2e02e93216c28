package org.scenothesis.core.rehearsal.device;

import java.util.Optional;
import java.util.Set;
import org.scenothesis.core.optics.Vec;
import org.scenothesis.core.picture.Bands;
import org.scenothesis.core.picture.Picture;
import org.scenothesis.core.picture.Point;

/// What a crew measures with, each behind an interface of its own: an instrument that is plugged in takes the place of its stand-in.
public record Instruments(IncidentMeter incident, SpotMeter spot, ColourMeter colour, SpiritLevel level, TapeMeasure tape,
        CameraFeed feed) {
    /// Light that falls on a place, in lux, its dome turned towards a direction.
    public interface IncidentMeter {
        InstrumentReading at(Vec place, Vec towards);
    }

    /// Light that comes from a small spot of the picture: stops above 18 % grey as the camera is exposed; `at` in shares of the picture.
    public interface SpotMeter {
        InstrumentReading at(Point at);
    }

    /// Colour of the light that falls on a place, in kelvin; nothing where it is dark.
    public interface ColourMeter {
        Optional<InstrumentReading> at(Vec place, Vec towards);
    }

    /// A level on the camera, in degrees: up and clockwise positive.
    public interface SpiritLevel {
        InstrumentReading tilt();

        InstrumentReading roll();
    }

    /// A tape between two places, in metres.
    public interface TapeMeasure {
        InstrumentReading between(Vec from, Vec to);
    }

    /// What the camera can be kept from deciding by itself.
    public enum Lock {
        EXPOSURE,
        WHITE,
        FOCUS,
        STABILISER
    }

    /// The live picture of the camera.
    public interface CameraFeed {
        /// What is locked by hand.
        Set<Lock> locked();

        /// The same camera with other locks.
        CameraFeed locking(Set<Lock> locks);

        /// The frame at a time, in seconds since it was switched on; scene-linear.
        Picture frame(double seconds, Bands bands);
    }
}
