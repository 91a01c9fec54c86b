package org.tubrin.core.metering;

import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import org.tubrin.core.quantity.Checks;
import org.tubrin.core.quantity.ErrorSource;
import org.tubrin.core.quantity.Quantity;
import org.tubrin.core.quantity.Standing;
import org.tubrin.core.quantity.Unit;

/**
 * One thing that a meter reads.
 *
 * @param role what it reads
 * @param scaleUnit unit printed on the scale
 * @param ranges 1 to 8, with different names
 * @param accuracy class of the meter
 * @param indication average or peak
 * @param correctionFactor what a raw reading is multiplied by, from comparison with a better meter, 0.2 to 5; 1 where none
 */
public record Channel(
        ReadingRole role,
        ScaleUnit scaleUnit,
        List<MeterRange> ranges,
        Accuracy accuracy,
        Indication indication,
        double correctionFactor) {

    public Channel {
        ranges = ranges.stream()
                .sorted(Comparator.comparingDouble(MeterRange::fullScale))
                .toList();
        new Checks()
                .size("ranges", ranges, 1, 8)
                .distinct("ranges", ranges.stream().map(MeterRange::name).toList())
                .range("correctionFactor", correctionFactor, 0.2, 5, Unit.ONE)
                .done();
    }

    /** Returns the range of that name. */
    public Optional<MeterRange> range(String name) {
        return ranges.stream().filter(range -> range.name().equals(name)).findFirst();
    }

    /** Returns the finest range that holds the value, or the widest where none does. */
    public MeterRange rangeFor(double value) {
        return ranges.stream()
                .filter(range -> range.fullScale() >= value)
                .findFirst()
                .orElseGet(() -> ranges.get(ranges.size() - 1));
    }

    /** Returns what a reading on a range is worth: as {@link #measured(double, String, MeterRange)}, with its own spread. */
    public Quantity measured(Reading reading, MeterRange range) {
        Quantity classed = measured(reading.rawValue(), reading.instrument(), range);
        if (reading.spread().isEmpty()) {
            return classed;
        }
        ErrorSource restless =
                new ErrorSource(reading.instrument(), role.name(), range.name() + " at " + reading.textAsTyped());
        return classed.plus(Quantity.of(
                0, role.unit(), Standing.MEASURED, restless, reading.spread().getAsDouble() * correctionFactor));
    }

    /**
     * Returns what a raw reading on a range is worth: the correction applied, the class error on it. Readings of one
     * instrument, role and range share the error's source.
     */
    public Quantity measured(double rawValue, String instrument, MeterRange range) {
        double value = rawValue * correctionFactor;
        double standardUncertainty = accuracy.standardUncertainty(rawValue, range.fullScale()) * correctionFactor;
        ErrorSource source = new ErrorSource(instrument, role.name(), range.name());
        return Quantity.of(value, role.unit(), Standing.MEASURED, source, standardUncertainty);
    }
}
