package org.tubrin.core.advice;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Stream;
import org.tubrin.core.run.RunState;
import org.tubrin.core.run.Step;
import org.tubrin.core.run.TuneSetup;
import org.tubrin.core.run.Use;
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
        /** Less drive at these dials makes the plates hotter: such modes want dials of their own. */
        WIDE_DUTY_HOTTER,
        /** These dials are for such modes; speech and CW at full drive want others. */
        LONG_CARRIER_ROW,
        AM_A_QUARTER,
        RETUNE_WHEN_MOVING,
        MODE_SWITCH_IS_OTHER_ROW
    }

    /** Modes whose carrier stands long at all of its power; AM, whose peaks are beyond its carrier, has a point of its own. */
    private static final List<Mode> WIDE_DUTY = Stream.of(Mode.values())
            .filter(mode -> mode.wideDuty() && mode.carrierShare() == 1)
            .toList();

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
        boolean isLong = state.setup().use() == Use.LONG_CARRIER;
        if (!isLong) {
            points.add(new OnAir(Code.CHECK_DRIVE_PER_MODE, List.of(), Map.of("drive", driveW)));
        }
        AtCardDials dials = AtCardDials.of(state).orElseThrow();
        if (dials.tunedOutputW() > 0) {
            points.add(
                    isLong
                            ? new OnAir(
                                    Code.LONG_CARRIER_ROW,
                                    WIDE_DUTY,
                                    Map.of("set", driveW, "output", dials.tunedOutputW()))
                            : wideDuty(state.setup(), dials));
            double carrierW = ModeGuard.mostDriveW(state.setup(), dials, Mode.AM);
            points.add(new OnAir(
                    Code.AM_A_QUARTER,
                    List.of(Mode.AM),
                    Map.of("set", state.setup().exciterOfW(carrierW), "output", dials.outputW(carrierW))));
        }
        if (state.setup().band().isLow()) {
            points.add(new OnAir(Code.RETUNE_WHEN_MOVING, List.of(), Map.of()));
        }
        if (state.setup().amplifier().modeSwitch().isPresent()) {
            points.add(new OnAir(Code.MODE_SWITCH_IS_OTHER_ROW, List.of(), Map.of()));
        }
        return List.copyOf(points);
    }

    private static OnAir wideDuty(TuneSetup setup, AtCardDials dials) {
        double mostW = ModeGuard.mostDriveW(setup, dials, Mode.RTTY);
        Map<String, Double> numbers = new HashMap<>();
        numbers.put("set", setup.exciterOfW(mostW));
        numbers.put("output", dials.outputW(mostW));
        Optional<ModeGuard.LongCarrier> heat =
                ModeGuard.longCarrier(setup, dials, mostW).filter(ModeGuard.LongCarrier::isHotter);
        heat.ifPresent(one -> {
            numbers.put("heat", one.plateHeatPerTubeW());
            numbers.put("tuned", one.tunedHeatPerTubeW());
            numbers.put("own", one.ownHeatPerTubeW());
            numbers.put("ownSet", one.ownExciterW());
            numbers.put("plate", one.ownPlate());
            numbers.put("load", one.ownLoad());
        });
        return new OnAir(heat.isPresent() ? Code.WIDE_DUTY_HOTTER : Code.WIDE_DUTY_LESS, WIDE_DUTY, numbers);
    }
}
