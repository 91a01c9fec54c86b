package org.tubrin.core.drive;

import java.util.Optional;
import org.tubrin.core.metering.Accuracy;
import org.tubrin.core.metering.Channel;
import org.tubrin.core.metering.Reading;
import org.tubrin.core.metering.ReadingRole;
import org.tubrin.core.quantity.ErrorSource;
import org.tubrin.core.quantity.Quantity;
import org.tubrin.core.quantity.Unit;
import org.tubrin.core.run.Control;
import org.tubrin.core.run.Step;

/**
 * One key-down of a drive table.
 *
 * @param setW what the exciter was set to, as its scale shows it, in watts
 * @param driveW what reached the amplifier's input
 * @param outputW into the load
 * @param gainDb output over drive; empty where the output is not known well enough for a ratio to have an interval
 * @param inputSwr while amplifying
 * @param supplyV at the amplifier
 * @param supplyA drawn by it
 * @param efficiency output over what the supply gave
 * @param heatW what the supply gave less output
 * @param heatSinkC at the end of the key-down
 */
public record DriveRow(
        double setW,
        Quantity driveW,
        Quantity outputW,
        Optional<Quantity> gainDb,
        Optional<Quantity> inputSwr,
        Optional<Quantity> supplyV,
        Optional<Quantity> supplyA,
        Optional<Quantity> efficiency,
        Optional<Quantity> heatW,
        Optional<Quantity> heatSinkC) {

    /** An output that is not known better than this, such as one read at the foot of a wide range, is no row. */
    private static final double KNOWN_SHARE = 0.4;

    private static final double RATIO_SHARE = 0.12;

    /** How the error of an eye is named; it is another one at each reading. */
    private static final String EYE = "read as ";

    /** Returns whether an error is that of an eye. */
    static boolean isOfTheEye(ErrorSource source) {
        return source.range().startsWith(EYE);
    }

    /** Returns the row of a step; empty where drive or output is missing, or the output is hardly known. */
    static Optional<DriveRow> of(Step step) {
        Quantity driveW = readOff(step, ReadingRole.INPUT_POWER, step.driveW());
        return step.measured(ReadingRole.OUTPUT)
                .filter(output -> driveW.value() > 0 && output.standardUncertainty() < KNOWN_SHARE * output.value())
                .map(output -> {
                    Quantity outputW = readOff(step, ReadingRole.OUTPUT, output);
                    return new DriveRow(
                            step.setup().exciterOfW(step.position(Control.DRIVE).orElse(driveW.value())),
                            driveW,
                            outputW,
                            gainDb(outputW, driveW),
                            step.measured(ReadingRole.INPUT_SWR),
                            step.measured(ReadingRole.SUPPLY_VOLTAGE),
                            step.measured(ReadingRole.SUPPLY_CURRENT),
                            step.efficiency(),
                            step.budget().heatPerDeviceW(),
                            step.measured(ReadingRole.HEAT_SINK));
                });
    }

    private static Optional<Quantity> gainDb(Quantity outputW, Quantity driveW) {
        return outputW.standardUncertainty() < RATIO_SHARE * outputW.value()
                ? Optional.of(outputW.over(driveW, Unit.ONE).inDecibels())
                : Optional.empty();
    }

    /** What an eye leaves open of a scale is another thing at each reading, whatever the meter's class. */
    private static Quantity readOff(Step step, ReadingRole role, Quantity worth) {
        return Optional.ofNullable(step.readings().get(role))
                .filter(reading ->
                        reading.ownUncertainty().isEmpty() && reading.spread().isEmpty())
                .flatMap(reading -> step.setup()
                        .channelFor(role)
                        // Digits are read as they stand.
                        .filter(channel -> channel.accuracy() instanceof Accuracy.OfFullScale)
                        .flatMap(channel -> channel.range(reading.range()))
                        .map(range -> worth.with(eye(reading, worth.value()), Channel.readingUncertainty(range))))
                .orElse(worth);
    }

    private static ErrorSource eye(Reading reading, double value) {
        return new ErrorSource(
                reading.instrument(), reading.role().name(), EYE + reading.textAsTyped() + " at " + value);
    }
}
