package org.tubrin.core.advice;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import org.tubrin.core.budget.LimitKind;
import org.tubrin.core.metering.ReadingRole;
import org.tubrin.core.quantity.Quantity;
import org.tubrin.core.run.Control;
import org.tubrin.core.run.Ladder;
import org.tubrin.core.run.Preset;
import org.tubrin.core.run.RecordTwin;
import org.tubrin.core.run.RunKind;
import org.tubrin.core.run.RunState;
import org.tubrin.core.run.School;
import org.tubrin.core.run.SeenSign;
import org.tubrin.core.run.Step;
import org.tubrin.core.run.Stop;
import org.tubrin.core.run.TuneSetup;
import org.tubrin.core.signs.Evidence;
import org.tubrin.core.signs.Sign;
import org.tubrin.core.signs.Signs;
import org.tubrin.core.tank.Dial;

/** What to do about a sign of the step in hand; nothing where the signs let the step be recorded. */
final class SignAdvice {
    /** Less than this is too little to lower a drive by. */
    private static final double LEAST_LOWER = 0.95;

    private static final int RUNGS_AFTER_TRIP = 2;

    private static final double LOST_MARKS = 0.8;

    /** Every stage that amplifies has more power gain than this, as a ratio. */
    private static final double LEAST_GAIN = 2;

    /** With LOAD at its heavy end a PLATE that brings this much gain is near resonance: LOAD is what holds the output down. */
    private static final double FOUND_GAIN = 1;

    /** Low down a stage that is loaded well gives more than in proportion to its claim; where it gives this share, LOAD is about right. */
    private static final double CLAIMED_SHARE = 1.2;

    /** Below this share LOAD is far from right. */
    private static final double LITTLE_OF_CLAIM = 0.6;

    /** A turn that leaves less of the output went past the best; where there was little of it, PLATE may not have been found again at once. */
    private static final double KEPT = 0.9;

    private static final double LITTLE_KEPT = 0.75;

    private static final int MOST_SEEKINGS = 24;

    /** With the second step it shows whether the output of the first was a tuned stage's: it grows. */
    private static final int SEEKING_STEPS = 2;

    /** So far to either side a key-down finds a peak. */
    private static final double SEEK_MARKS = 2;

    /** With the second key-down a reading stands, or it does not. */
    private static final int READ_AGAIN = 2;

    /** When peaking so often did not help, something else must. */
    private static final int MOST_PEAKINGS = 3;

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
            return stopped().or(() -> draft.takesAnotherKeyDown() ? backFromLighter() : Optional.empty());
        }
        return backFromLighter().or(this::mended).or(this::withoutOutput).or(this::seekLoad);
    }

    /** The output alone tells of it: with one meter it comes before another key-down reads the rest of the try. */
    private Optional<Advice> backFromLighter() {
        return looksForDials() ? Optional.empty() : LighterAdvice.back(state);
    }

    /**
     * Returns how often the step in hand was tried. Without a twin, where every step is tuned by hand, each key-down counts: a meter
     * that is switched takes several for a try.
     */
    private int tries() {
        return RecordTwin.foresees(setup) ? state.triesInStep() : state.keyDownsInStep();
    }

    private Optional<Advice> mended() {
        return Signs.of(draft, state.lastStep()).stream()
                .flatMap(sign -> mend(sign).map(advice -> advice.about(sign.code())).stream())
                .findFirst();
    }

    /**
     * A step that brings hardly more than its drive is no step: nothing is amplified there, and more drive is no remedy. It is recorded
     * where the operator says that the reading stands, or records it all the same.
     */
    private Optional<Advice> withoutOutput() {
        boolean isEnough = amplifies() && !cameToTheLightEndInVain();
        boolean stands = draft.confirmed().contains(ReadingRole.OUTPUT);
        if (!setup.stage().isTuned() || isEnough || stands || !draft.unset().isEmpty()) {
            return Optional.empty();
        }
        return RangeAdvice.finer(state)
                .or(state.steps().isEmpty() ? this::searched : this::backToWhereItAmplified)
                .or(() -> Optional.of(workThrough(Move.Drill.METERS_STILL, Reason.NOTHING_MOVES)));
    }

    /** A PLATE that brings as much as goes in is found, and LOAD comes off its heavy end before PLATE is looked for elsewhere. */
    private Optional<Advice> searched() {
        if (!looksForDials()) {
            return backToStart();
        }
        boolean isFound =
                !isInTheMiddle() && !givesLessThan(FOUND_GAIN * draft.driveW().value());
        Optional<Advice> load = isFound ? seekLoad() : Optional.empty();
        return load.or(this::seekPlate).or(isInTheMiddle() || isAtLightEnd() ? this::seekPlateAgain : this::seekLoad);
    }

    /** Where LOAD has come to its light end with little to show for it, what the meter shows is no tuned stage's output. */
    private boolean cameToTheLightEndInVain() {
        return looksForDials()
                && state.steps().isEmpty()
                && tries() < MOST_SEEKINGS
                && isAtLightEnd()
                && givesLessThan(LITTLE_OF_CLAIM * setup.claimedW(draft.driveW().value()));
    }

    private Optional<Advice> backToWhereItAmplified() {
        return RecordTwin.foresees(setup) ? backToTwin() : backToStep();
    }

    /** Where the dials stand elsewhere than at the step before, they go back to where they amplified. */
    private Optional<Advice> backToStep() {
        return state.lastStep()
                .filter(last -> tries() < MOST_SEEKINGS && standsElsewhere(last))
                .map(last -> Advice.striking(
                        new Move.SetDials(
                                last.position(Control.PLATE).orElseThrow(),
                                last.position(Control.LOAD).orElseThrow(),
                                Preset.Source.NONE),
                        Reason.BACK_TO_STEP));
    }

    private boolean standsElsewhere(Step last) {
        return plateIsLost(last.position(Control.PLATE).orElseThrow())
                || Math.abs(Peaking.marksHeavierThan(state, last)) > SEEK_MARKS / 2;
    }

    /** Returns whether PLATE stands so far from a place that peaking does not find it. */
    private boolean plateIsLost(double place) {
        double mark = setup.tubes().plate().markStep();
        return draft.position(Control.PLATE)
                .filter(at -> Math.abs(place - at) > LOST_MARKS * mark)
                .isPresent();
    }

    private boolean amplifies() {
        return !givesLessThan(LEAST_GAIN * draft.driveW().value());
    }

    private boolean givesLessThan(double watt) {
        return draft.measured(ReadingRole.OUTPUT)
                .filter(output -> output.value() < watt)
                .isPresent();
    }

    /** Returns whether nobody knows where the dials belong, and the first steps are still to show it. */
    private boolean looksForDials() {
        return setup.stage().isTuned()
                && setup.preset().source() == Preset.Source.NONE
                && state.steps().size() < SEEKING_STEPS
                && draft.unset().isEmpty();
    }

    /** A key-down that came to a stop before all was read says enough. */
    private Optional<Advice> stopped() {
        return Stop.of(state.setup(), state.school(), state.ranges()).stream()
                .filter(stop -> stop.isReached(draft))
                .findFirst()
                .map(this::after);
    }

    private Advice after(Stop stop) {
        double found = Math.abs(draft.measured(stop.role()).orElseThrow().value());
        boolean isOutput = stop.role() == ReadingRole.OUTPUT;
        double lowerW = draft.driveW().value()
                * Math.min(LEAST_LOWER, Math.pow(stop.at() / found, isOutput ? 1 : 2) * LighterAdvice.MARGIN);
        // Between its stop and its limit, or where a twin chose the drive, a grid needs heavier coupling alone.
        boolean isWithin = RecordTwin.foresees(setup)
                || setup.limitOf(stop.role()).filter(limit -> found < limit).isPresent();
        return Optional.of(HeavierForGrid.onTheWayUp(state))
                .filter(marks -> isWithin && stop.heavierHelps() && tries() < MOST_PEAKINGS)
                .flatMap(marks -> heavier(marks, Reason.STOPPED_HEAVIER))
                .orElseGet(() -> lowerDrive(setup.settableBelowW(lowerW), Reason.STOPPED_LESS_DRIVE));
    }

    private Advice seen(SeenSign sign) {
        if (setup.stage().kind() == RunKind.MATCHER) {
            return trippedAtMatcher();
        }
        return switch (sign) {
            case TRIP -> lowerThen(Move.Drill.TRIPPED, Reason.AFTER_TRIP);
            case TRIP_GRID -> afterGridTrip();
            case TRIP_PLATE -> lowerThen(Move.Drill.TRIPPED_PLATE, Reason.AFTER_PLATE_TRIP);
            case TRIP_REFLECTED -> lowerThen(Move.Drill.TRIPPED_REFLECTED, Reason.AFTER_REFLECTED_TRIP);
            case TRIP_HEAT ->
                setup.stage().isTuned()
                        ? workThrough(Move.Drill.TRIPPED_HEAT, Reason.AFTER_HEAT_TRIP)
                        : lowerThen(Move.Drill.TRIPPED_HEAT, Reason.AFTER_HEAT_TRIP);
            case TRIP_INPUT -> lowerThen(Move.Drill.TRIPPED_INPUT, Reason.AFTER_INPUT_TRIP);
            case TRIP_OUTPUT -> lowerThen(Move.Drill.TRIPPED_OUTPUT, Reason.AFTER_OUTPUT_TRIP);
            case TRIP_FILTER -> lowerThen(Move.Drill.TRIPPED_FILTER, Reason.AFTER_FILTER_TRIP);
            case ARC ->
                heavier(setup.settings().finishMarks(), Reason.AFTER_ARC)
                        .orElseGet(() -> workThrough(Move.Drill.ARC_SEEN, Reason.AFTER_ARC));
            case KNOB_SLIPS -> workThrough(Move.Drill.KNOB_SLIPS, Reason.KNOB_FIRST);
        };
    }

    /** Power amplifier off, whatever its switch says; then what resets the protection. */
    private Advice trippedAtMatcher() {
        return state.movedSinceSign().contains(Control.POWER_AMPLIFIER)
                ? workThrough(Move.Drill.TRIPPED_BYPASSED, Reason.RESET_BEFORE_MATCHING)
                : Advice.of(
                        new Move.Turn(
                                Control.POWER_AMPLIFIER,
                                draft.position(Control.POWER_AMPLIFIER).orElse(0.0),
                                0,
                                0),
                        draft.position(Control.POWER_AMPLIFIER).orElse(0.0) > 0
                                ? Reason.MATCH_TRIPPED_MATCHED
                                : Reason.MATCH_TRIPPED);
    }

    /** Less drive, heavier, then the drill that resets the protection; one after the other, then from the bottom again. */
    private Advice afterGridTrip() {
        if (!state.movedSinceSign().contains(Control.DRIVE)) {
            return twoRungsDown(Reason.AFTER_GRID_TRIP);
        }
        double marks = setup.settings().loadNotchMarks();
        Optional<Move.Turn> turn = draft.position(Control.LOAD)
                .map(at -> new Move.Turn(Control.LOAD, at, setup.tubes().heavier(at, marks), marks))
                .filter(one -> one.from() != one.to());
        return turn.isPresent() && !state.movedSinceSign().contains(Control.LOAD)
                ? Advice.of(turn.get(), Reason.AFTER_GRID_TRIP)
                : workThrough(Move.Drill.TRIPPED, Reason.RESET_AFTER_TRIP);
    }

    private Advice twoRungsDown(Reason reason) {
        double fromW = draft.driveW().value();
        return Advice.of(new Move.Turn(Control.DRIVE, fromW, Ladder.belowW(setup, fromW, RUNGS_AFTER_TRIP), 0), reason);
    }

    /** Less drive first, then what is to be looked at before the protection is reset. */
    private Advice lowerThen(Move.Drill drill, Reason reason) {
        return state.movedSinceSign().contains(Control.DRIVE) ? workThrough(drill, reason) : twoRungsDown(reason);
    }

    private Optional<Advice> mend(Sign sign) {
        return switch (sign.code()) {
            case PLATE_CURRENT_WITHOUT_OUTPUT ->
                RangeAdvice.finer(state)
                        .or(() -> amplifies() ? Optional.empty() : seekPlate())
                        .or(this::seekLoad)
                        .or(() -> Optional.of(offResonance()));
            case METERS_STILL ->
                RangeAdvice.finer(state)
                        .or(this::seekPlate)
                        .or(this::backToStart)
                        .or(() -> Optional.of(workThrough(Move.Drill.METERS_STILL, Reason.NOTHING_MOVES)));
            case GRID_CURRENT_LIMIT -> Optional.of(currentOver(sign, Reason.GRID_CURRENT_OVER));
            case SCREEN_CURRENT_LIMIT -> Optional.of(currentOver(sign, Reason.TOO_LIGHT));
            case COUPLED_TOO_LIGHTLY -> tooLight(sign);
            case FIRST_CEILING, PLATE_CURRENT_LIMIT -> Optional.of(driveForCurrent(sign, Reason.PLATE_CURRENT_OVER));
            case HEAT_LIMIT ->
                heatIsCertain() || tries() < 2 ? Optional.of(heatOver(sign)) : LighterAdvice.forHeat(state);
            case OUTPUT_LIMIT ->
                Optional.of(lowerDrive(
                        driveForOutputW(setup.station().licenceLimitW()), Reason.OUTPUT_OVER, Caution.LICENCE));
            case LOAD_POWER_LIMIT -> Optional.of(oneRungLower(Reason.LOAD_POWER_OVER));
            case DRIVE_LIMIT -> Optional.of(lowerDrive(setForLimitW(), Reason.DRIVE_OVER));
            case KNOB_SLIPS -> once(workThrough(Move.Drill.KNOB_SLIPS, Reason.KNOB_FIRST));
            case COUPLED_TOO_HEAVILY -> once(rePeak(Reason.TOO_HEAVY_OR_OFF));
            case PLATE_OFF_PEAK -> backToTwin().or(() -> once(rePeak(Reason.TOO_HEAVY_OR_OFF)));
            case GROWTH_TOO_HIGH -> once(workThrough(Move.Drill.GROWTH_TOO_HIGH, Reason.GREW_TOO_MUCH), READ_AGAIN);
            case GROWTH_POOR -> seekPlate().or(() -> once(workThrough(Move.Drill.GROWTH_POOR, Reason.GREW_TOO_LITTLE)));
            case EFFICIENCY_TOO_HIGH -> once(workThrough(Move.Drill.EFFICIENCY_TOO_HIGH, Reason.METER_LIES));
            case EFFICIENCY_LOW ->
                LighterAdvice.forOutput(state)
                        .or(this::peakedByHand)
                        .or(() -> once(workThrough(Move.Drill.EFFICIENCY_LOW, Reason.OUTPUT_POOR)));
            // What the operator saw is answered by seen(); these are said, and the step goes on.
            case ARC_SEEN,
                    TRIPPED,
                    TRIPPED_GRID,
                    TRIPPED_PLATE,
                    TRIPPED_REFLECTED,
                    TRIPPED_HEAT,
                    TRIPPED_INPUT,
                    TRIPPED_OUTPUT,
                    TRIPPED_FILTER -> Optional.empty();
            case SATURATION, SAG_HIGH, WATTMETERS_DISAGREE, INPUT_SWR_HIGH, HIGHEST_BAND_LESS -> Optional.empty();
            case GRID_CURRENT_MAY_EXCEED,
                    SCREEN_CURRENT_MAY_EXCEED,
                    PLATE_CURRENT_MAY_EXCEED,
                    HEAT_MAY_EXCEED,
                    OUTPUT_MAY_EXCEED,
                    LOAD_POWER_MAY_EXCEED -> Optional.empty();
        };
    }

    /** Heavier; where LOAD is at its end less drive is left, as long as there is a lower rung. */
    private Optional<Advice> tooLight(Sign sign) {
        if (tries() >= MOST_PEAKINGS) {
            return Optional.empty();
        }
        Optional<Advice> turn = heavier(HeavierForGrid.onTheWayUp(state), Reason.TOO_LIGHT);
        return turn.isEmpty() && hasLowerRung() && sign.standing() != Sign.Standing.POSSIBLE
                ? Optional.of(oneRungLower(Reason.LOAD_AT_STOP))
                : turn;
    }

    private boolean hasLowerRung() {
        double driveW = draft.driveW().value();
        return Ladder.belowW(setup, driveW, 1) < LEAST_LOWER * driveW;
    }

    /** Heavier, as long as that helps: who peaks LOAD afresh goes back to where the current is high. */
    private Advice currentOver(Sign sign, Reason reason) {
        Evidence beyond = sign.evidence().get(0);
        return tries() < MOST_PEAKINGS
                ? heavier(HeavierForGrid.within(setup, beyond.found().value(), beyond.bound()), reason)
                        .orElseGet(() -> oneRungLower(Reason.LOAD_AT_STOP))
                : driveForCurrent(sign, Reason.CURRENT_STAYS);
    }

    /**
     * Where nobody knows where LOAD belongs either, it comes from its heavy end by big marks, with PLATE alone peaked at each, until the
     * output is more than in proportion, or a turn cost too much of it.
     */
    private Optional<Advice> seekLoad() {
        if (!looksForDials() || !state.steps().isEmpty() || tries() >= MOST_SEEKINGS) {
            return Optional.empty();
        }
        double claimedW = setup.claimedW(draft.driveW().value());
        boolean seeks = givesLessThan(CLAIMED_SHARE * claimedW)
                && !lighterLeft(givesLessThan(LITTLE_OF_CLAIM * claimedW) ? LITTLE_KEPT : KEPT);
        return seeks && !isAtLightEnd() ? heavier(-SEEK_MARKS, Reason.SEEK_LOAD) : Optional.empty();
    }

    /**
     * Returns whether LOAD was turned lighter for this try, PLATE stayed about where it was, and less than this share of the output is
     * left. A turn from the heavy end itself says nothing: with some antennas the output goes through a dip there.
     */
    private boolean lighterLeft(double share) {
        double near = SEEK_MARKS / 2 * setup.tubes().plate().markStep();
        double plate = draft.position(Control.PLATE).orElseThrow();
        return state.struck()
                .filter(before -> before.position(Control.PLATE)
                        .filter(was -> Math.abs(was - plate) < near)
                        .isPresent())
                .filter(before -> before.position(Control.LOAD)
                        .filter(was -> heavierBy(was, SEEK_MARKS) > SEEK_MARKS / 2)
                        .isPresent())
                .flatMap(before -> before.measured(ReadingRole.OUTPUT))
                .filter(before -> givesLessThan(share * before.value()))
                .isPresent();
    }

    /** Returns by how many marks LOAD can go heavier from a position, so many at most. */
    private double heavierBy(double load, double marks) {
        return setup.tubes().marksHeavier(load, setup.tubes().heavier(load, marks));
    }

    /** Where nobody knows where PLATE belongs, it is looked for over the whole dial, from its middle out, at the first drives. */
    private Optional<Advice> seekPlate() {
        List<Double> places = seekPlaces();
        int tried = tries();
        return tried < 1 || tried > places.size()
                ? Optional.empty()
                : Optional.of(Advice.striking(
                        new Move.SetDials(
                                setup.tubes().plate().turned(places.get(tried - 1), 0),
                                draft.position(Control.LOAD)
                                        .orElse(setup.preset().load()),
                                Preset.Source.NONE),
                        Reason.SEEK_PLATE));
    }

    /**
     * Where LOAD came to its light end in vain, PLATE is looked for once more from end to end, with LOAD in the middle of its dial; and
     * again after each time that it was looked why nothing moves.
     */
    private Optional<Advice> seekPlateAgain() {
        Dial plate = setup.tubes().plate();
        double stride = SEEK_MARKS * plate.markStep();
        double first = plate.least() + stride / 2;
        double at = draft.position(Control.PLATE).orElseThrow();
        double beyond = first + stride * Math.floor((at - first) / stride + 1.6);
        boolean wasHere = state.struck()
                .flatMap(before -> before.position(Control.PLATE))
                .filter(was -> Math.abs(was - at) < stride / 2)
                .isPresent();
        boolean begins = !isInTheMiddle() || (wasHere && beyond >= plate.most());
        double next = begins ? first : beyond;
        return next < plate.most()
                ? Optional.of(Advice.striking(
                        new Move.SetDials(plate.turned(next, 0), middle(), Preset.Source.NONE), Reason.SEEK_PLATE))
                : Optional.empty();
    }

    private double middle() {
        Dial load = setup.tubes().load();
        return load.turned((load.least() + load.most()) / 2, 0);
    }

    private boolean isInTheMiddle() {
        double loadAt = draft.position(Control.LOAD).orElseThrow();
        return Math.abs(setup.tubes().marksHeavier(loadAt, middle())) < SEEK_MARKS / 4;
    }

    /** Returns whether LOAD has next to nothing left to turn lighter. */
    private boolean isAtLightEnd() {
        double loadAt = draft.position(Control.LOAD).orElseThrow();
        return Math.abs(heavierBy(loadAt, -SEEK_MARKS)) < Peaking.LEAST_MARKS;
    }

    private List<Double> seekPlaces() {
        List<Double> places = new ArrayList<>();
        if (looksForDials()) {
            Dial dial = setup.tubes().plate();
            double stride = SEEK_MARKS * dial.markStep();
            for (double off = stride; off < (dial.most() - dial.least()) / 2; off += stride) {
                places.add(setup.preset().plate() - off);
                places.add(setup.preset().plate() + off);
            }
        }
        return places;
    }

    /** Where working through it did not help, the dials may have gone far astray: from the start again. */
    private Advice offResonance() {
        Preset preset = setup.preset();
        Optional<Advice> back = preset.source() == Preset.Source.NONE ? backToStep() : Optional.empty();
        if (back.isPresent()) {
            return back.get();
        }
        if (tries() > MOST_PEAKINGS && hasLowerRung()) {
            return oneRungLower(Reason.PLATE_OFF_RESONANCE);
        }
        return backToStart()
                .orElseGet(() -> workThrough(Move.Drill.PLATE_CURRENT_WITHOUT_OUTPUT, Reason.PLATE_OFF_RESONANCE));
    }

    /** Where working through it several times did not help, the dials may have gone far astray: from the start again, once. */
    private Optional<Advice> backToStart() {
        Preset preset = setup.preset();
        boolean astray = setup.stage().isTuned() && tries() == MOST_PEAKINGS && preset.source() != Preset.Source.NONE;
        return astray
                ? Optional.of(Advice.striking(
                        new Move.SetDials(preset.plate(), preset.load(), preset.source()), Reason.BACK_TO_START))
                : Optional.empty();
    }

    /** A PLATE that stands marks away from the twin's resonance is not found by peaking: there is no slope to climb. */
    private Optional<Advice> backToTwin() {
        double load = draft.position(Control.LOAD).orElse(setup.preset().load());
        return RecordTwin.resonantPlate(setup, load)
                .filter(this::plateIsLost)
                .map(twin -> Advice.striking(
                        new Move.SetDials(setup.tubes().plate().turned(twin, 0), load, Preset.Source.TWIN),
                        Reason.BACK_TO_TWIN));
    }

    /** Lets a doubt be looked into, until so many tries show that they do not help. */
    private Optional<Advice> once(Advice advice) {
        return once(advice, MOST_PEAKINGS);
    }

    /** Lets a doubt be looked into: when the operator says the reading stands, or after so many key-downs, the step goes on. */
    private Optional<Advice> once(Advice advice, int keyDowns) {
        boolean lookedInto = draft.confirmed().contains(ReadingRole.OUTPUT) || tries() >= keyDowns;
        return lookedInto ? Optional.empty() : Optional.of(advice);
    }

    /** Returns whether the heat is beyond its limit even by the lower end of what the meters leave open. */
    private boolean heatIsCertain() {
        return draft.room().stream()
                .anyMatch(room ->
                        room.kind() == LimitKind.HEAT_PER_TUBE && room.value().likelyLow() > room.limit());
    }

    private Advice heatOver(Sign sign) {
        boolean poor = TargetAdvice.isPoor(draft);
        // Who loads to a dip and gets little output for it has loaded too heavily.
        boolean loadedTooMuch = poor && state.school().aim() == School.Aim.DIP && !RecordTwin.foresees(setup);
        boolean helps = loadedTooMuch || (draft.kind() == Step.Kind.FINISH && !poor);
        Optional<Advice> lighter = helps && tries() < MOST_PEAKINGS
                ? heavier(-setup.settings().finishMarks() * (loadedTooMuch ? 2 : 1), Reason.HEAT_LIGHTER)
                : Optional.empty();
        if (lighter.isPresent()) {
            return lighter.get();
        }
        // Little output may come from a PLATE that is off its peak: that is looked at first.
        Optional<Advice> bears = poor && tries() < 2 ? Optional.empty() : LighterAdvice.forHeat(state);
        if (bears.isPresent()) {
            return bears.get();
        }
        boolean loadIsUntuned =
                !RecordTwin.foresees(setup) && !new Peaking(state).order().contains(Control.LOAD);
        // A LOAD that nobody tuned at this drive is tuned once.
        return (poor && tries() < MOST_PEAKINGS) || (loadIsUntuned && tries() < 2)
                ? rePeak(Reason.HEAT_OVER)
                : driveForCurrent(sign, Reason.HEAT_OVER);
    }

    /** Where a twin chose LOAD, little output may come of that: the hand looks before the drill does. */
    private Optional<Advice> peakedByHand() {
        return new Peaking(state).mayBeByHand() ? Optional.of(rePeak(Reason.PEAK_BY_HAND)) : Optional.empty();
    }

    private Advice rePeak(Reason reason) {
        return Advice.striking(new Peaking(state).both(), reason);
    }

    private Optional<Advice> heavier(double marks, Reason reason) {
        return draft.position(Control.LOAD)
                .map(at -> new Move.Turn(Control.LOAD, at, setup.tubes().heavier(at, marks), marks))
                .filter(turn -> turn.from() != turn.to())
                .map(turn -> Advice.striking(turn, reason));
    }

    /** Lowers the drive so that what grows like a current, with the square root of the drive, comes under its limit. */
    private Advice driveForCurrent(Sign sign, Reason reason) {
        Evidence beyond = sign.evidence().get(0);
        double ratio = beyond.bound() / beyond.found().value();
        // Heat rests on the resting current too, and follows the drive less than a current does.
        double power = sign.code() == Sign.Code.HEAT_LIMIT ? 4 : 2;
        double lowerW = draft.driveW().value() * Math.min(LEAST_LOWER, Math.pow(ratio, power) * LighterAdvice.MARGIN);
        return lowerDrive(setup.settableWithinW(lowerW), reason);
    }

    private Advice oneRungLower(Reason reason) {
        return lowerDrive(Ladder.belowW(setup, draft.driveW().value(), 1), reason);
    }

    /** Less drive, as far down as exciter and pad go; below that only a pad helps. */
    private Advice lowerDrive(double wantedW, Reason reason, Caution... cautions) {
        double toW = Math.max(wantedW, setup.leastDriveW());
        if (toW >= draft.driveW().value()) {
            return Advice.striking(new Move.WorkThrough(Move.Drill.NEEDS_PAD), Reason.NEEDS_PAD, cautions);
        }
        return Advice.striking(new Move.Turn(Control.DRIVE, draft.driveW().value(), toW, 0), reason, cautions);
    }

    /** Returns what the scale is to show for the most drive: it may show another than a meter reads. */
    private double setForLimitW() {
        double limitW = setup.driveLimitW();
        return draft.position(Control.DRIVE)
                .map(setW -> setup.settableBelowW(
                        limitW * Math.min(1, setW / draft.driveW().value())))
                .orElse(limitW);
    }

    private double driveForOutputW(double limitW) {
        double outputW = draft.measured(ReadingRole.OUTPUT).map(Quantity::value).orElse(limitW);
        return setup.settableWithinW(draft.driveW().value() * limitW / outputW * LighterAdvice.MARGIN);
    }

    private static Advice workThrough(Move.Drill drill, Reason reason) {
        Caution[] cautions = drill == Move.Drill.PLATE_CURRENT_WITHOUT_OUTPUT || drill == Move.Drill.METERS_STILL
                ? new Caution[] {Caution.BAND_SWITCH_UNKEYED}
                : new Caution[0];
        return Advice.striking(new Move.WorkThrough(drill), reason, cautions);
    }
}
