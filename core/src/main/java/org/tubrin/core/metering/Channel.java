package org.tubrin.core.metering;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
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
 * @param corrections what comparisons found of its ranges, in any order; absent where there were none
 */
public record Channel(
        ReadingRole role,
        ScaleUnit scaleUnit,
        List<MeterRange> ranges,
        Accuracy accuracy,
        Indication indication,
        double correctionFactor,
        Optional<List<Correction>> corrections) {
    /** What can be read off a scale, as a share of it. */
    static final double READ_SHARE = 0.005;

    /** Of a class of full scale, what a place of the scale has for itself. */
    private static final double SCALE_SHARE = 0.17;

    private static final int MOST_CORRECTIONS = 200;

    public Channel {
        ranges = ranges.stream()
                .sorted(Comparator.comparingDouble(MeterRange::fullScale))
                .toList();
        corrections = corrections.map(List::copyOf);
        new Checks()
                .size("corrections", corrections.orElse(List.of()), 0, MOST_CORRECTIONS)
                .size("ranges", ranges, 1, 8)
                .distinct("ranges", ranges.stream().map(MeterRange::name).toList())
                .range("correctionFactor", correctionFactor, 0.2, 5, Unit.ONE)
                .done();
    }

    /** Returns one of a meter with pointer that follows, of a class of its full scale and never compared with another. */
    public static Channel ofFullScale(ReadingRole role, ScaleUnit unit, List<MeterRange> ranges, double classShare) {
        return new Channel(
                role, unit, ranges, new Accuracy.OfFullScale(classShare), Indication.AVERAGE, 1, Optional.empty());
    }

    /** Returns how the meter's switches stand when it is read. */
    public Position position() {
        return new Position(role, indication);
    }

    /** Returns how they stand on the meter itself, whichever of two wattmeters in a line it is. */
    public Position ownPosition() {
        return role == ReadingRole.OTHER_OUTPUT ? new Position(ReadingRole.OUTPUT, indication) : position();
    }

    /** Returns the same with what it reads under another role. */
    public Channel as(ReadingRole other) {
        return new Channel(other, scaleUnit, ranges, accuracy, indication, correctionFactor, corrections);
    }

    /** Returns whether a pointer shows it over a scale: its class is then said of the full scale. */
    public boolean hasPointer() {
        return accuracy instanceof Accuracy.OfFullScale;
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
        if (reading.ownUncertainty().isPresent()) {
            ErrorSource own = new ErrorSource(reading.instrument(), role.name(), reading.textAsTyped())
                    .as(ErrorSource.Part.BOUNDS);
            return Quantity.of(
                    reading.rawValue(),
                    role.unit(),
                    Standing.MEASURED,
                    own,
                    reading.ownUncertainty().getAsDouble());
        }
        Quantity classed = measured(reading.rawValue(), reading.instrument(), range);
        if (reading.spread().isEmpty()) {
            return classed;
        }
        ErrorSource restless = new ErrorSource(reading.instrument(), role.name(), reading.textAsTyped())
                .as(ErrorSource.Part.RESTLESSNESS);
        return classed.plus(Quantity.of(
                0, role.unit(), Standing.MEASURED, restless, reading.spread().getAsDouble() * correctionFactor));
    }

    /** Returns how finely a value can be read off a range, as a standard uncertainty: half a hundredth of the scale either way. */
    public static double readingUncertainty(MeterRange range) {
        return READ_SHARE * range.fullScale() / Math.sqrt(3);
    }

    /**
     * Returns what differs from place to place on a range, as a standard uncertainty: digits to the last of them; a scale by the
     * eye, and by a sixth of its class, since its law is not quite the movement's.
     */
    public double fromPlaceToPlace(MeterRange range) {
        if (accuracy instanceof Accuracy.OfReading digits && digits.digit() > 0) {
            return digits.digit() / Math.sqrt(3);
        }
        double scale = accuracy instanceof Accuracy.OfFullScale full ? SCALE_SHARE * full.fraction() : 0;
        return Math.hypot(readingUncertainty(range), scale * range.fullScale() / Math.sqrt(3));
    }

    /**
     * Returns what a raw reading on a range is worth: the correction applied, the class error on it. Readings of one
     * instrument, role and range share the error's source.
     */
    public Quantity measured(double rawValue, String instrument, MeterRange range) {
        Optional<Correction> correction = correction(range.name());
        if (correction.isPresent()) {
            return corrected(rawValue, instrument, range, correction.get());
        }
        double value = rawValue * correctionFactor;
        double standardUncertainty = accuracy.standardUncertainty(rawValue, range.fullScale()) * correctionFactor;
        ErrorSource source = ErrorSource.bounded(instrument, role.name(), range.name());
        return Quantity.of(value, role.unit(), Standing.MEASURED, source, standardUncertainty);
    }

    /** Returns what the newest comparison found of a range. */
    public Optional<Correction> correction(String range) {
        return corrections.orElse(List.of()).stream()
                .filter(one -> one.range().equals(range))
                .max(Comparator.comparing(Correction::at));
    }

    /** A range that was compared is as good as the comparison and the eye, whatever its class. */
    private Quantity corrected(double rawValue, String instrument, MeterRange range, Correction correction) {
        double read = readingUncertainty(range);
        ErrorSource compared = new ErrorSource(instrument, role.name(), range.name()).as(ErrorSource.Part.COMPARISON);
        ErrorSource eye = ErrorSource.bounded(instrument, role.name(), range.name());
        return new Quantity(
                correction.corrected(rawValue),
                role.unit(),
                Standing.MEASURED,
                Map.of(
                        compared,
                        correction.standardUncertainty(rawValue),
                        eye,
                        correction.gain() * correction.gain() * read));
    }

    /** Returns the same with one more comparison. */
    public Channel with(Correction correction) {
        List<Correction> all = new ArrayList<>(corrections.orElse(List.of()));
        all.add(correction);
        return new Channel(role, scaleUnit, ranges, accuracy, indication, correctionFactor, Optional.of(all));
    }
}
