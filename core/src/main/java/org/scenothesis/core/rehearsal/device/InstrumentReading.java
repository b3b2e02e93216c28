package org.scenothesis.core.rehearsal.device;

/// What an instrument shows.
///
/// - `value` in `unit`, rounded as its display is; `deviation`: one standard deviation in the same unit, as its maker states it.
public record InstrumentReading(double value, String unit, double deviation) {
    /// Rounded to the steps of a display.
    static InstrumentReading shown(double value, String unit, double step, double deviation) {
        return new InstrumentReading(Math.round(value / step) * step, unit, Math.max(deviation, step / Math.sqrt(12)));
    }
}
