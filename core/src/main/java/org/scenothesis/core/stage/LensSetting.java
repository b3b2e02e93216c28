package org.scenothesis.core.stage;

import io.soabase.recordbuilder.core.RecordBuilder;
import org.scenothesis.core.Check;
import org.scenothesis.core.optics.Lens;
import org.scenothesis.core.value.Given;

/// What the camera of a stage is set to. Its focal length follows from the angle of view and the sensor.
@RecordBuilder
public record LensSetting(Given<Double> sensorMm, Given<Double> fNumber, Given<Double> focusM) implements LensSettingBuilder.With {
    public LensSetting {
        Check.range("sensorMm", sensorMm.value(), 2, 70);
        Check.range("fNumber", fNumber.value(), 0.7, 64);
        Check.range("focusM", focusM.value(), 0.02, 1e4);
    }

    /// The lens before its sensor, at a focal length that is so large a share of the picture's width.
    public Lens lens(double widthShareFocal) {
        return new Lens(widthShareFocal * sensorMm.value() / 1000, sensorMm.value() / 1000, fNumber.value());
    }

    /// Its focal length, in millimetres.
    public double focalMm(double widthShareFocal) {
        return widthShareFocal * sensorMm.value();
    }
}
