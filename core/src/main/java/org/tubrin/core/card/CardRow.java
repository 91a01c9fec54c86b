package org.tubrin.core.card;

import java.time.Instant;
import java.util.Optional;
import org.tubrin.core.metering.ReadingRole;
import org.tubrin.core.quantity.Quantity;
import org.tubrin.core.quantity.Unit;
import org.tubrin.core.run.Control;
import org.tubrin.core.run.RunState;
import org.tubrin.core.run.School;
import org.tubrin.core.run.Step;
import org.tubrin.core.run.Use;
import org.tubrin.core.station.Band;
import org.tubrin.core.station.Mode;
import org.tubrin.core.station.ModeSwitch;

/**
 * One row of a tune card: the dials of one band into one load or antenna.
 *
 * @param amplifier name of the amplifier
 * @param band the band
 * @param frequencyHz where it was tuned
 * @param termination name of the load or antenna
 * @param exciter name of the exciter
 * @param carrier mode of the carrier
 * @param use what the dials are for
 * @param pulsed whether it was tuned with pulses: output is then the peak that the meter held
 * @param plate PLATE position
 * @param load LOAD position
 * @param driveW drive
 * @param outputW output on a steady carrier, or at the peak of a pulse
 * @param plateCurrentA plate current, where read
 * @param gridCurrentA grid current, where read
 * @param plateVoltageV plate voltage under load, where read
 * @param efficiency output over plate input, where known
 * @param switchPosition of the amplifier's own mode switch; absent where it has none
 * @param verifiedAt when the run ended
 */
public record CardRow(
        String amplifier,
        Band band,
        double frequencyHz,
        String termination,
        String exciter,
        Mode carrier,
        Use use,
        boolean pulsed,
        double plate,
        double load,
        double driveW,
        Quantity outputW,
        Optional<Quantity> plateCurrentA,
        Optional<Quantity> gridCurrentA,
        Optional<Quantity> plateVoltageV,
        Optional<Quantity> efficiency,
        Optional<String> switchPosition,
        Instant verifiedAt) {

    /** Dials hold for frequencies this near, as a share. */
    private static final double HOLDS_SHARE = 0.002;

    /** Returns whether the dials hold at a frequency into a load or antenna, so that nothing need be predicted. */
    public boolean holdsAt(double hertz, String into) {
        return termination.equals(into) && Math.abs(frequencyHz / hertz - 1) <= HOLDS_SHARE;
    }

    /** Returns output over plate input, where all of it is known and there is an input. */
    public static Optional<Quantity> efficiency(
            Quantity outputW, Optional<Quantity> plateCurrentA, Optional<Quantity> plateVoltageV) {
        return plateVoltageV
                .flatMap(voltage -> plateCurrentA.map(current -> voltage.times(current, Unit.WATT)))
                .filter(input -> input.value() > 0)
                .map(input -> outputW.over(input, Unit.ONE));
    }

    /** Returns the row that a finished run leaves; absent unless it has dials, and finished with a step that has all that a row needs. */
    public static Optional<CardRow> of(RunState state) {
        // Without dials there is nothing to write on a card: what each band wants is in its drive table.
        if (state.ending().filter(RunState.Ending.FINISHED::equals).isEmpty()
                || !state.setup().stage().isTuned()) {
            return Optional.empty();
        }
        return state.lastStep().filter(Step::isComplete).map(step -> row(state, step));
    }

    private static CardRow row(RunState state, Step step) {
        return new CardRow(
                state.setup().amplifier().name(),
                state.setup().band(),
                state.setup().frequencyHz(),
                state.setup().termination().name(),
                state.setup().exciter().name(),
                state.setup().carrier(),
                state.setup().use(),
                state.school() == School.PULSED,
                step.position(Control.PLATE).orElseThrow(),
                step.position(Control.LOAD).orElseThrow(),
                step.driveW().value(),
                step.measured(ReadingRole.OUTPUT).orElseThrow(),
                step.measured(ReadingRole.PLATE_CURRENT),
                step.measured(ReadingRole.GRID_CURRENT),
                step.measured(ReadingRole.PLATE_VOLTAGE),
                step.efficiency(),
                state.setup().amplifier().modeSwitch().map(ModeSwitch::at),
                state.lastAt());
    }
}
