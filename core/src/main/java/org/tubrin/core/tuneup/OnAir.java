package org.tubrin.core.tuneup;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import org.tubrin.core.metering.ReadingRole;
import org.tubrin.core.quantity.Quantity;
import org.tubrin.core.station.Mode;

/**
 * What to mind on the air after a run.
 *
 * @param code what
 * @param modes modes concerned
 * @param numbers powers in watts by name; what an exciter is set to, before a pad
 */
public record OnAir(Code code, List<Mode> modes, Map<String, Double> numbers) {

    public OnAir {
        modes = List.copyOf(modes);
        numbers = Map.copyOf(numbers);
    }

    /** What to mind. */
    public enum Code {
        MODE_ABOVE_TUNED_DRIVE,
        CHECK_DRIVE_PER_MODE,
        WIDE_DUTY_LESS,
        RETUNE_WHEN_MOVING,
        MODE_SWITCH_IS_OTHER_ROW
    }

    /** Returns the points for a run with at least one step done. */
    public static List<OnAir> of(RunState state) {
        List<OnAir> points = new ArrayList<>();
        if (state.lastStep().isEmpty()) {
            return points;
        }
        Step last = state.lastStep().get();
        double driveW = state.setup().exciterOfW(last.driveW().value());
        for (ModeGuard row : ModeGuard.of(state)) {
            if (row.above() && !row.mode().wideDuty()) {
                points.add(new OnAir(
                        Code.MODE_ABOVE_TUNED_DRIVE, List.of(row.mode()), Map.of("set", row.setW(), "drive", driveW)));
            }
        }
        points.add(new OnAir(Code.CHECK_DRIVE_PER_MODE, List.of(), Map.of("drive", driveW)));
        double outputW = last.measured(ReadingRole.OUTPUT).map(Quantity::value).orElse(0.0);
        points.add(new OnAir(
                Code.WIDE_DUTY_LESS,
                List.of(Mode.RTTY, Mode.FM, Mode.DATA, Mode.AM),
                Map.of("output", outputW * state.setup().settings().wideDutyFraction())));
        if (state.setup().band().isLow()) {
            points.add(new OnAir(Code.RETUNE_WHEN_MOVING, List.of(), Map.of()));
        }
        if (state.setup().amplifier().modeSwitch().isPresent()) {
            points.add(new OnAir(Code.MODE_SWITCH_IS_OTHER_ROW, List.of(), Map.of()));
        }
        return List.copyOf(points);
    }
}
