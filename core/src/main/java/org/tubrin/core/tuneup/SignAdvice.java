package org.tubrin.core.tuneup;

import java.util.List;
import java.util.Optional;
import org.tubrin.core.metering.ReadingRole;
import org.tubrin.core.quantity.Quantity;

/** What to do about a sign of the step in hand; nothing where the signs let the step be recorded. */
final class SignAdvice {
    /** How much below the cause of excess the drive goes. */
    private static final double MARGIN = 0.97;

    private static final int RUNGS_AFTER_TRIP = 2;

    private final RunState state;
    private final TuneSetup setup;
    private final Step draft;

    private SignAdvice(RunState state) {
        this.state = state;
        this.setup = state.setup();
        this.draft = state.draft();
    }

    static Optional<Advice> of(RunState state) {
        return new SignAdvice(state).next();
    }

    private Optional<Advice> next() {
        if (state.openSign().isPresent()) {
            return Optional.of(seen(state.openSign().get()));
        }
        if (!draft.missing().isEmpty()) {
            return Optional.empty();
        }
        List<Sign> signs = Signs.of(draft, state.lastStep());
        return signs.stream().map(this::mend).flatMap(Optional::stream).findFirst();
    }

    private Advice seen(SeenSign sign) {
        return switch (sign) {
            case TRIP -> lowerDrive(Ladder.belowW(setup, draft.driveW().value(), RUNGS_AFTER_TRIP), Reason.AFTER_TRIP);
            case ARC ->
                heavier(setup.settings().finishMarks(), Reason.AFTER_ARC)
                        .orElseGet(() -> workThrough(Sign.Code.ARC_SEEN, Reason.AFTER_ARC));
            case KNOB_SLIPS -> workThrough(Sign.Code.KNOB_SLIPS, Reason.KNOB_FIRST);
        };
    }

    private Optional<Advice> mend(Sign sign) {
        double step = setup.settings().finishMarks();
        return switch (sign.code()) {
            case PLATE_CURRENT_WITHOUT_OUTPUT -> Optional.of(workThrough(sign.code(), Reason.PLATE_OFF_RESONANCE));
            case METERS_STILL -> Optional.of(workThrough(sign.code(), Reason.NOTHING_MOVES));
            case GRID_CURRENT_LIMIT ->
                Optional.of(heavier(step, Reason.GRID_CURRENT_OVER).orElseGet(() -> oneRungLower(Reason.LOAD_AT_STOP)));
            case SCREEN_CURRENT_LIMIT, COUPLED_TOO_LIGHTLY -> heavier(step, Reason.TOO_LIGHT);
            case PLATE_CURRENT_LIMIT -> Optional.of(driveForCurrent(sign, Reason.PLATE_CURRENT_OVER));
            case HEAT_LIMIT -> Optional.of(heatOver(sign));
            case OUTPUT_LIMIT ->
                Optional.of(lowerDrive(
                        driveForOutputW(setup.station().licenceLimitW()), Reason.OUTPUT_OVER, Caution.LICENCE));
            case LOAD_POWER_LIMIT -> Optional.of(oneRungLower(Reason.LOAD_POWER_OVER));
            case DRIVE_LIMIT -> Optional.of(lowerDrive(setup.amplifier().driveLimitW(), Reason.DRIVE_OVER));
            case COUPLED_TOO_HEAVILY -> once(rePeak(Reason.TOO_HEAVY_OR_OFF));
            case EFFICIENCY_TOO_HIGH -> once(workThrough(sign.code(), Reason.METER_LIES));
            case EFFICIENCY_LOW -> once(workThrough(sign.code(), Reason.OUTPUT_POOR));
            default -> Optional.empty();
        };
    }

    /** Lets a doubt be looked into once per reading: when the operator says the reading stands, the step goes on. */
    private Optional<Advice> once(Advice advice) {
        return draft.confirmed().contains(ReadingRole.OUTPUT) ? Optional.empty() : Optional.of(advice);
    }

    private Advice heatOver(Sign sign) {
        boolean poor = draft.budget()
                .efficiency()
                .map(Quantity::value)
                .filter(efficiency -> efficiency < setup.settings().efficiencyLow())
                .isPresent();
        return poor ? rePeak(Reason.HEAT_OVER) : driveForCurrent(sign, Reason.HEAT_OVER);
    }

    private Advice rePeak(Reason reason) {
        return Advice.striking(
                new Move.KeyAndPeak(
                        List.of(Control.PLATE, Control.LOAD, Control.PLATE),
                        draft.driveW().value()),
                reason);
    }

    private Optional<Advice> heavier(double marks, Reason reason) {
        return draft.position(Control.LOAD)
                .map(at -> new Move.Turn(Control.LOAD, at, setup.tubes().heavier(at, marks), marks))
                .filter(turn -> turn.from() != turn.to())
                .map(turn -> Advice.striking(turn, reason));
    }

    /** Lowers the drive so that what grows like a current, with the square root of the drive, comes under its limit. */
    private Advice driveForCurrent(Sign sign, Reason reason) {
        double ratio = number(sign, "limit") / number(sign, "value");
        return lowerDrive(Ladder.settable(draft.driveW().value() * ratio * ratio * MARGIN), reason);
    }

    private static double number(Sign sign, String name) {
        return java.util.Objects.requireNonNull(sign.numbers().get(name), name);
    }

    private Advice oneRungLower(Reason reason) {
        return lowerDrive(Ladder.belowW(setup, draft.driveW().value(), 1), reason);
    }

    private Advice lowerDrive(double toW, Reason reason, Caution... cautions) {
        return Advice.striking(new Move.Turn(Control.DRIVE, draft.driveW().value(), toW, 0), reason, cautions);
    }

    private double driveForOutputW(double limitW) {
        double outputW = draft.measured(ReadingRole.OUTPUT).map(Quantity::value).orElse(limitW);
        return Ladder.settable(draft.driveW().value() * limitW / outputW * MARGIN);
    }

    private static Advice workThrough(Sign.Code sign, Reason reason) {
        Caution[] cautions = sign == Sign.Code.PLATE_CURRENT_WITHOUT_OUTPUT || sign == Sign.Code.METERS_STILL
                ? new Caution[] {Caution.BAND_SWITCH_UNKEYED}
                : new Caution[0];
        return Advice.striking(new Move.WorkThrough(sign), reason, cautions);
    }
}
