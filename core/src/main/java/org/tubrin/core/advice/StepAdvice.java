package org.tubrin.core.advice;

import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.function.Predicate;
import org.tubrin.core.device.Construction;
import org.tubrin.core.foresee.Foresight;
import org.tubrin.core.metering.ReadingRole;
import org.tubrin.core.quantity.Quantity;
import org.tubrin.core.run.ClimbEnd;
import org.tubrin.core.run.Control;
import org.tubrin.core.run.Ladder;
import org.tubrin.core.run.Preset;
import org.tubrin.core.run.RecordTwin;
import org.tubrin.core.run.RunState;
import org.tubrin.core.run.School;
import org.tubrin.core.run.Step;
import org.tubrin.core.run.TuneSetup;
import org.tubrin.core.run.Use;
import org.tubrin.core.twin.Peak;

/** The next move within a step of the climb, or within the finish. */
final class StepAdvice {
    /** Share of its limit from which on a grid's current asks for heavier coupling before more drive. */
    private static final double MUCH_GRID = 0.6;

    /** A grid that holds the drive below this share of the full one is worth heavier coupling. */
    private static final double WORTH_HEAVIER = 0.93;

    /** Growth per doubling to expect when LOAD and PLATE are peaked afresh, from least to most. */
    private static final double LEAST_GROWTH = 1.4;

    private static final double MOST_GROWTH = 2.0;

    /** Share of a notch where the grid is not seen: the steps are smaller, and heat that comes of too heavy a LOAD is not seen. */
    private static final double BLIND_NOTCH = 0.7;

    /** A first step brings at most so much more than its share of what the maker claims. */
    private static final double FIRST_MOST = 1.5;

    /** Output over what the twin foresees, from least to most. */
    private static final double FORESEEN_LEAST = 0.88;

    private static final double FORESEEN_MOST = 1.1;
    private static final double FINISH_LEAST = 0.94;
    /** Share of a finish that costs too much by which LOAD goes back. */
    private static final double TAKEN_BACK = 0.7;

    private static final double FINISH_MOST = 1.01;

    /** How far beyond the twin's own finish the finish may lie, since amplifier and twin differ a little. */
    private static final double BEYOND_FINISH_MARKS = 0.4;

    /** LOAD further than this from where it should end is worth another key-down. */
    private static final double OFF_MARKS = 0.4;

    private static final int MOST_CORRECTIONS = 3;

    /** An output below this share of what was foreseen says that LOAD may stand wrong. */
    private static final double SHORT = 0.93;

    /** Without a plate meter LOAD goes no heavier at the end where the output is below this share of the maker's claim. */
    private static final double BELOW_CLAIM = 0.85;

    /** Nor on the way up, where nothing says where LOAD belongs; it must be this far below, since a lighter LOAD strains the grid. */
    private static final double FAR_BELOW_CLAIM = 0.65;

    /** Heavier without a meter that tells of LOAD may cost so little of the output. */
    private static final double BLIND_KEPT = 0.985;

    /** Heavier goes on where it brings so much. */
    private static final double HEAVIER_GAIN = 1.01;

    /** An output of a long carrier off what is wanted by more than this ratio is worth another key-down. */
    private static final double OFF_WANTED = 1.08;

    /** A drive raised by less than this ratio is not worth another step. */
    private static final double WORTH_RAISING = 1.05;

    /** A turn smaller than this is not worth asking for. */
    private static final double LEAST_TURN_MARKS = 0.08;

    private final RunState state;
    private final TuneSetup setup;
    private final Step draft;
    private final Instant now;
    private final Peaking peaking;
    private final boolean foresees;

    private StepAdvice(RunState state, Instant now) {
        this.state = state;
        this.setup = state.setup();
        this.draft = state.draft();
        this.now = now;
        peaking = new Peaking(state);
        foresees = RecordTwin.foresees(setup);
    }

    static Advice of(RunState state, Instant now) {
        return new StepAdvice(state, now).next();
    }

    /** Returns what to turn while the key is down: what was asked for before. */
    static Advice whileKeyed(RunState state, KeyClock clock, Instant now) {
        return new StepAdvice(state, now).keyed(clock);
    }

    private Advice keyed(KeyClock clock) {
        if (!draft.readings().isEmpty() && draft.missing().stream().anyMatch(setup::isSwitched)) {
            return Advice.of(new Move.ReadOff(clock.aimS()), Reason.ONE_METER_READ);
        }
        boolean stays = draft.kind() == Step.Kind.FINISH && !peaking.isAfresh();
        boolean plateOnly = stays || peaking.order().size() == 1;
        Reason reason = peaking.aim() != School.Aim.OUTPUT
                ? peaking.reason()
                : plateOnly ? Reason.KEY_DOWN_PLATE_ONLY : Reason.KEY_IS_DOWN;
        Optional<Double> target = plateOnly ? Optional.empty() : TargetAdvice.targetA(state);
        return Advice.of(new Move.PeakAndRead(clock.aimS(), peaking.aim(), target), reason);
    }

    private Advice next() {
        return finishTooHeavy()
                .filter(advice -> draft.readings().keySet().stream()
                        .noneMatch(role -> state.doubt(role).isPresent()))
                .or(() -> Entries.toSettle(state).map(this::rested))
                .or(() -> draft.isComplete()
                        ? Optional.of(completed())
                        : handAtOnce().or(this::missing))
                .or(this::heavierAfterStop)
                .or(() -> RangeAdvice.forLessDrive(state))
                .orElseGet(() -> draft.kind() == Step.Kind.FINISH ? prepareFinish() : prepareClimb());
    }

    private Advice completed() {
        return (foresees ? settledByTwin() : TargetAdvice.of(state))
                .or(this::endsAtGrid)
                .or(this::toWanted)
                .orElseGet(() -> Entries.record(state, this::goodReason).warning(blind()));
    }

    /** A meter with a switch is read in one key-down after the other, with rest between. */
    private Optional<Advice> missing() {
        return Entries.missing(draft).map(this::rested);
    }

    /** A key-down that a try already read asks for, to peak afresh or to read the next quantity, is rested for. */
    private Advice rested(Advice advice) {
        return advice.move() instanceof Move.KeyAndPeak || advice.move() instanceof Move.SwitchAndRead
                ? Resting.of(state, now).map(advice::restedBy).orElse(advice)
                : advice;
    }

    /** Returns what cannot be seen in a run, where there is no meter for it. */
    static List<Caution> withoutMeters(TuneSetup setup) {
        return setup.stage().isTuned()
                ? unseen(setup, role -> setup.channelFor(role).isPresent())
                : List.of();
    }

    /** Returns what cannot be seen of a step, where a current was not read; low down no grid current shows that could be missed. */
    private List<Caution> blind() {
        return unseen(
                setup,
                role -> draft.measured(role).isPresent() || (role == ReadingRole.GRID_CURRENT && !draft.gridShows()));
    }

    private static List<Caution> unseen(TuneSetup setup, Predicate<ReadingRole> isRead) {
        List<Caution> cautions = new ArrayList<>();
        boolean tellsByGrid = setup.tubes().tube().construction() == Construction.TRIODE;
        if (tellsByGrid && !isRead.test(ReadingRole.GRID_CURRENT)) {
            cautions.add(Caution.GRID_UNREAD);
        }
        if (!isRead.test(ReadingRole.PLATE_CURRENT)) {
            cautions.add(Caution.PLATE_UNREAD);
        }
        return cautions;
    }

    /** Where the twin chose LOAD, the last step shows whether it belongs there: returns what is to be done where it does not. */
    private Optional<Advice> settledByTwin() {
        if (draft.kind() != Step.Kind.FINISH) {
            return Optional.empty();
        }
        boolean forOutput = state.school().aim() == School.Aim.OUTPUT;
        if (!RecordTwin.tellsOfLoad(setup)) {
            return forOutput && isFull() ? settledUnseen() : heavierWhileShort();
        }
        if (!forOutput) {
            return corrected();
        }
        return peaking.mayBeByHand() ? peakedByHand().or(this::corrected) : heavierWhileShort();
    }

    private boolean isFull() {
        return draft.driveW().value() >= setup.topDriveW() / Peaking.SAME_DRIVE;
    }

    /**
     * An amplifier that brings less than its twin foresees at full drive is not wholly what the twin says: a hand that peaks LOAD asks
     * the amplifier. Where the licence holds the drive, LOAD brings no more output, and the hand would only leave it lighter.
     */
    private Optional<Advice> peakedByHand() {
        return isFull() && isShort() ? Optional.of(byHand(Reason.PEAK_BY_HAND)) : Optional.empty();
    }

    /** Where an output that is short has the hand peak afresh, what only another key-down would show of this try is not read first. */
    private Optional<Advice> handAtOnce() {
        return draft.takesAnotherKeyDown() && peaking.mayBeByHand() ? peakedByHand() : Optional.empty();
    }

    private Advice byHand(Reason reason) {
        return rested(Advice.striking(peaking.both(), reason));
    }

    /**
     * Where no meter tells of LOAD, an output that is as foreseen says little of it: the hand always asks the amplifier, from the heavy
     * side where the twin put LOAD. From the peak it goes as much heavier as the twin's own finish lies beyond its own peak.
     */
    private Optional<Advice> settledUnseen() {
        int tries = state.triesInStep();
        if (tries != 2) {
            return tries < 2 ? Optional.of(byHand(Reason.PEAK_UNSEEN)) : heavierWhileShort();
        }
        double loadAt = draft.position(Control.LOAD).orElseThrow();
        double marks = Math.min(
                setup.settings().finishMarks(),
                foresight(state.steps()).finishMarks(draft.driveW().value()));
        double to = setup.tubes().heavier(loadAt, marks);
        return setup.tubes().marksHeavier(loadAt, to) < LEAST_TURN_MARKS || mayBeHot(draft, BELOW_CLAIM)
                ? Optional.empty()
                : Optional.of(Advice.striking(turn(loadAt, to), Reason.FINISH_HEAVIER));
    }

    /** At the end the currents tell best where LOAD is: returns how it goes to where it should end, when it is off by much. */
    private Optional<Advice> corrected() {
        if (state.triesInStep() >= MOST_CORRECTIONS) {
            return Optional.empty();
        }
        List<Step> told = new ArrayList<>(state.steps());
        told.add(draft);
        double loadAt = draft.position(Control.LOAD).orElseThrow();
        return foresight(told)
                .loadFinish(draft.driveW().value())
                .filter(to -> Math.abs(setup.tubes().marksHeavier(loadAt, to)) > OFF_MARKS)
                .filter(to -> setup.tubes().marksHeavier(loadAt, to) < 0 || !cameBackFromHeavier(loadAt))
                .map(to -> Advice.striking(
                        turn(loadAt, to),
                        setup.tubes().marksHeavier(loadAt, to) > 0 ? Reason.CORRECT_HEAVIER : Reason.CORRECT_LIGHTER));
    }

    /**
     * Where the output is less than the twin foresaw, LOAD goes heavier, which spares the grid, as long as that brings output, and back
     * where it cost more than a finish may.
     */
    private Optional<Advice> heavierWhileShort() {
        double loadAt = draft.position(Control.LOAD).orElseThrow();
        double outputW = draft.measured(ReadingRole.OUTPUT).map(Quantity::value).orElse(0.0);
        Optional<Step> before =
                state.struck().filter(step -> step.measured(ReadingRole.OUTPUT).isPresent());
        double wasAt = before.flatMap(step -> step.position(Control.LOAD)).orElse(loadAt);
        double ratio = before.flatMap(step -> step.measured(ReadingRole.OUTPUT))
                .map(was -> outputW / was.value())
                .orElse(Double.POSITIVE_INFINITY);
        double turned = setup.tubes().marksHeavier(wasAt, loadAt);
        double kept = RecordTwin.tellsOfLoad(setup) ? FINISH_LEAST : BLIND_KEPT;
        if (turned > 0 && ratio < kept) {
            return Optional.of(Advice.striking(turn(loadAt, wasAt), Reason.HEAVIER_COST_OUTPUT));
        }
        double to = setup.tubes().heavier(loadAt, setup.settings().finishMarks());
        boolean mayTry = state.triesInStep() < MOST_CORRECTIONS && turned >= 0 && ratio >= HEAVIER_GAIN;
        return mayTry && to != loadAt && isShort()
                ? Optional.of(Advice.striking(
                        turn(loadAt, to), RecordTwin.tellsOfLoad(setup) ? Reason.SHORT_HEAVIER : Reason.BLIND_HEAVIER))
                : Optional.empty();
    }

    /** Returns whether the output is less than the steps before led the twin to foresee. */
    private boolean isShort() {
        double outputW = draft.measured(ReadingRole.OUTPUT).map(Quantity::value).orElse(0.0);
        return foresight(state.steps())
                .outputW(draft.driveW().value(), draft.position(Control.LOAD).orElseThrow())
                .filter(foreseen -> outputW < SHORT * foreseen)
                .isPresent();
    }

    /** Where LOAD is left alone on the way up and the grid would end the climb far below full drive, half a mark heavier lets it go on. */
    private Optional<Advice> endsAtGrid() {
        School school = state.school();
        double driveW = draft.driveW().value();
        boolean mayTurn = draft.kind() == Step.Kind.CLIMB
                && !foresees
                && !school.tunesLoadEachStep()
                && school.aim() == School.Aim.OUTPUT
                && state.keyDownsInStep() < MOST_CORRECTIONS;
        if (!mayTurn
                || driveW > WORTH_HEAVIER * setup.topDriveW()
                || !drawsMuchGrid(draft)
                || TargetAdvice.isHot(draft)) {
            return Optional.empty();
        }
        double outputW = draft.measured(ReadingRole.OUTPUT).map(Quantity::value).orElse(0.0);
        boolean costs = Peaking.struckAtThisDrive(state)
                .flatMap(before -> before.measured(ReadingRole.OUTPUT))
                .filter(was -> outputW < FINISH_LEAST * was.value())
                .isPresent();
        List<Step> told = new ArrayList<>(state.steps());
        told.add(draft);
        boolean ends = ClimbEnd.isHeldByCurrent(setup, told, state.stopped())
                && ClimbEnd.nextDriveW(setup, told, state.stopped()) < driveW * ClimbEnd.WORTH_A_STEP;
        double loadAt = draft.position(Control.LOAD).orElse(0.0);
        double heavier = setup.tubes().heavier(loadAt, HeavierForGrid.onTheWayUp(state));
        return ends && !costs && heavier != loadAt
                ? Optional.of(Advice.striking(turn(loadAt, heavier), Reason.GRID_HOLDS_DRIVE))
                : Optional.empty();
    }

    /** Dials for a long carrier end with the output that is wanted: returns the drive for it, where the output is off by much. */
    private Optional<Advice> toWanted() {
        boolean ends = draft.kind() == Step.Kind.FINISH && setup.use() == Use.LONG_CARRIER;
        if (!ends || state.keyDownsInStep() > MOST_CORRECTIONS) {
            return Optional.empty();
        }
        double driveW = draft.driveW().value();
        return draft.measured(ReadingRole.OUTPUT)
                .map(Quantity::value)
                .filter(output -> output > 0)
                .map(output -> driveForWantedW(driveW, output))
                .filter(to -> Math.abs(Math.log(to / driveW)) > Math.log(OFF_WANTED))
                .map(to -> Advice.striking(new Move.Turn(Control.DRIVE, driveW, to, 0), Reason.LONG_CARRIER_TO_OUTPUT));
    }

    /** Output goes with drive, near enough for one more key-down. */
    private double driveForWantedW(double driveW, double outputW) {
        double wantedW = driveW * setup.climbsToW() / outputW;
        return setup.settableWithinW(wantedW > driveW ? Math.min(wantedW, mayRiseToW()) : wantedW);
    }

    /** Returns how far the drive may rise from the step in hand, by what it shows of the limits. */
    private double mayRiseToW() {
        List<Step> told = new ArrayList<>(state.steps());
        told.add(draft);
        return foresees
                ? foresight(told)
                        .driveWithinW(Ladder.nextAboveW(
                                setup, state.school(), draft.driveW().value()))
                : ClimbEnd.nextDriveW(setup, told, state.stopped());
    }

    /** Who came back from heavier coupling since it cost output is not sent there again. */
    private boolean cameBackFromHeavier(double loadAt) {
        return state.struck()
                .flatMap(before -> before.position(Control.LOAD))
                .filter(was -> setup.tubes().marksHeavier(loadAt, was) > OFF_MARKS)
                .isPresent();
    }

    /** With less drive than what was stopped LOAD goes heavier too, so that the drive can rise again. */
    private Optional<Advice> heavierAfterStop() {
        double marks = setup.settings().finishMarks();
        double loadAt = draft.position(Control.LOAD).orElse(0.0);
        double heavier = setup.tubes().heavier(loadAt, marks);
        return state.stopped()
                .filter(stopped -> !foresees
                        && stopped.heavierHelps()
                        && draft.driveW().value() < stopped.driveW()
                        && state.struck()
                                .filter(before -> before.driveW().value() == stopped.driveW())
                                .isPresent()
                        && !stopped.isHeavierBy(marks, setup, loadAt)
                        && heavier != loadAt)
                .map(stopped -> Advice.of(turn(loadAt, heavier), Reason.STOPPED_HEAVIER));
    }

    /** Heavier than the peak costs a little; where it costs more, most of the way is taken back. */
    private Optional<Advice> finishTooHeavy() {
        Optional<Step> peak = state.lastStep().filter(step -> draft.kind() == Step.Kind.FINISH);
        Optional<Double> output = draft.measured(ReadingRole.OUTPUT).map(Quantity::value);
        if (peak.isEmpty() || output.isEmpty() || state.keyDownsInStep() >= MOST_CORRECTIONS) {
            return Optional.empty();
        }
        double loadAt = draft.position(Control.LOAD).orElseThrow();
        double heavier =
                setup.tubes().marksHeavier(peak.get().position(Control.LOAD).orElseThrow(), loadAt);
        boolean costs = peak.get()
                .measured(ReadingRole.OUTPUT)
                .filter(most -> output.get() < FINISH_LEAST * most.value())
                .isPresent();
        return costs && heavier > LEAST_TURN_MARKS
                ? Optional.of(Advice.striking(
                        turn(loadAt, setup.tubes().heavier(loadAt, -TAKEN_BACK * heavier)), Reason.FINISH_TOO_HEAVY))
                : Optional.empty();
    }

    private Move.Turn turn(double from, double to) {
        return new Move.Turn(Control.LOAD, from, to, setup.tubes().marksHeavier(from, to));
    }

    private Foresight foresight(List<Step> steps) {
        return Foresight.of(setup, state.school(), steps).orElseThrow();
    }

    private Reason goodReason() {
        return draft.kind() == Step.Kind.FINISH
                ? Reason.FINISH_IS_GOOD
                : !draft.isAtTheTop()
                        ? state.steps().isEmpty() ? Reason.FIRST_STEP_IS_GOOD : Reason.STEP_IS_GOOD
                        : state.school().finishesHeavier() ? Reason.STEP_IS_LAST : Reason.FINISH_IS_GOOD;
    }

    private Advice prepareClimb() {
        Optional<Step> last = state.lastStep();
        if (last.isEmpty()) {
            return prepareFirst();
        }
        double fromW = last.get().driveW().value();
        double rungW = ClimbEnd.nextDriveW(setup, state.steps(), state.stopped());
        boolean capped = rungW < Ladder.nextAboveW(setup, state.school(), fromW) / Peaking.SAME_DRIVE;
        if (foresees) {
            return foresee(foresight(state.steps()), fromW, capped ? outputCaps() : Reason.LIMITS_CAP_DRIVE);
        }
        double driveW = draft.moved().contains(Control.DRIVE) ? draft.driveW().value() : rungW;
        Optional<Advice.Expectation> expect = expectation(last.get(), fromW, driveW);
        Optional<Advice> range = RangeAdvice.of(state, expect);
        if (range.isPresent()) {
            return range.get();
        }
        double loadAt = draft.position(Control.LOAD).orElseThrow();
        double heavier = anticipated(loadAt, driveW);
        boolean isUnknown = setup.preset().source() == Preset.Source.NONE;
        boolean loadedTooMuch = TargetAdvice.isHot(last.get())
                || (isUnknown && mayBeHot(last.get(), FAR_BELOW_CLAIM))
                || (state.school().aim() == School.Aim.DIP && TargetAdvice.isPoor(last.get()));
        if (state.school().tunesLoadEachStep()
                && !loadedTooMuch
                && !draft.moved().contains(Control.LOAD)
                && heavier != loadAt) {
            return Advice.of(turn(loadAt, heavier), Reason.ANTICIPATE).meantFor(driveW);
        }
        if (!draft.moved().contains(Control.DRIVE)) {
            return Advice.of(
                            new Move.Turn(Control.DRIVE, fromW, rungW, 0),
                            !capped
                                    ? raiseReason()
                                    : ClimbEnd.isHeldByCurrent(setup, state.steps(), state.stopped())
                                            ? Reason.CURRENTS_CAP_DRIVE
                                            : outputCaps())
                    .expecting(expect);
        }
        return keyAndPeak(peaking.reason(), peaking.order(), expect);
    }

    /** Why no more output is gone for. */
    private Reason outputCaps() {
        return setup.climbsToW() < setup.licenceW() ? Reason.LONG_CARRIER_CAPS_DRIVE : Reason.LICENCE_CAPS_DRIVE;
    }

    private boolean drawsMuchGrid(Step step) {
        double gridA =
                step.measured(ReadingRole.GRID_CURRENT).map(Quantity::value).orElse(0.0);
        return gridA > MUCH_GRID * setup.tubes().gridCurrentLimitA();
    }

    /**
     * Returns where LOAD goes in anticipation of a drive: a notch heavier, not beyond where the twin peaks; where a chart or a card
     * says where it belongs at full drive, so far on the way there that it is there by then, and not beyond.
     */
    private double anticipated(double loadAt, double driveW) {
        boolean isSeen = setup.channelFor(RecordTwin.tellingRole(setup.tubes())).isPresent();
        double notch = setup.settings().loadNotchMarks() * (isSeen ? 1 : BLIND_NOTCH);
        Preset preset = setup.preset();
        Optional<Peak> peak = RecordTwin.peak(setup, driveW);
        if (peak.isPresent()) {
            return noHeavierThan(setup.tubes().heavier(peak.get().load(), notch / 2), loadAt, notch);
        }
        if (preset.source() == Preset.Source.NONE) {
            return setup.tubes().heavier(loadAt, notch);
        }
        if (drawsMuchGrid(state.lastStep().orElseThrow())) {
            return setup.tubes().heavier(loadAt, notch / 2);
        }
        double rungsLeft =
                Math.log(setup.topDriveW() / driveW) / Math.log(setup.settings().driveRatio()) + 1;
        return noHeavierThan(
                preset.load(),
                loadAt,
                Math.max(notch, setup.tubes().marksHeavier(loadAt, preset.load()) / Math.max(1, rungsLeft)));
    }

    /**
     * The next step with a twin: below the top LOAD stays where it was preset and PLATE alone is peaked; for the last step LOAD
     * goes at once to where it is to end.
     */
    private Advice foresee(Foresight twin, double fromW, Reason cap) {
        double rungW = Ladder.nextAboveW(setup, state.school(), fromW);
        double borneW = twin.driveWithinW(rungW);
        boolean stays = borneW < fromW * WORTH_RAISING;
        double targetW = stays ? fromW : borneW;
        double driveW = draft.moved().contains(Control.DRIVE) ? draft.driveW().value() : targetW;
        double loadAt = draft.position(Control.LOAD).orElseThrow();
        boolean limited = borneW < rungW / Peaking.SAME_DRIVE;
        boolean ends = stays || limited || targetW >= setup.topDriveW() / Peaking.SAME_DRIVE;
        Optional<Double> load = ends || !twin.currentsHold(driveW, loadAt) ? twin.loadFinish(driveW) : Optional.empty();
        Optional<Advice.Expectation> expect = foreseen(twin, driveW, load.orElse(loadAt));
        Optional<Advice> range = RangeAdvice.of(state, expect);
        if (range.isPresent()) {
            return range.get();
        }
        boolean turns = load.filter(to -> Math.abs(setup.tubes().marksHeavier(loadAt, to)) >= LEAST_TURN_MARKS)
                .isPresent();
        if (turns && !draft.moved().contains(Control.LOAD)) {
            Reason reason = RecordTwin.tellsOfLoad(setup) ? Reason.FINISH_AT_ONCE : Reason.FINISH_BLIND;
            Advice turn = Advice.of(turn(loadAt, load.get()), reason).meantFor(driveW);
            return stays ? turn.beginningFinish() : turn;
        }
        if (!draft.moved().contains(Control.DRIVE) && !stays) {
            Advice up = Advice.of(new Move.Turn(Control.DRIVE, fromW, targetW, 0), limited ? cap : raiseReason())
                    .expecting(expect);
            return ends ? up.beginningFinish() : up;
        }
        return keyAndPeak(peaking.reason(), peaking.order(), expect);
    }

    /** Before two steps are done nothing was seen to grow. */
    private Reason raiseReason() {
        return state.steps().size() < 2 ? Reason.RAISE_AFTER_FIRST : Reason.DOUBLE_DRIVE;
    }

    private static Optional<Advice.Expectation> foreseen(Foresight twin, double driveW, double load) {
        return twin.outputW(driveW, load)
                .map(output -> new Advice.Expectation(FORESEEN_LEAST * output, FORESEEN_MOST * output));
    }

    private Optional<Advice.Expectation> expectation(Step last, double fromW, double driveW) {
        double doublings = Math.log(driveW / fromW) / Math.log(2);
        return last.measured(ReadingRole.OUTPUT)
                .map(one -> new Advice.Expectation(
                        one.value() * Math.pow(LEAST_GROWTH, doublings),
                        one.value() * Math.pow(MOST_GROWTH, doublings)));
    }

    private Advice prepareFirst() {
        boolean dialsSet =
                draft.moved().contains(Control.PLATE) && draft.moved().contains(Control.LOAD);
        boolean dialsKnown = draft.position(Control.PLATE).isPresent()
                && draft.position(Control.LOAD).isPresent();
        if (!dialsSet && !dialsKnown) {
            Preset preset = setup.preset();
            Reason reason = switch (preset.source()) {
                case CARD -> Reason.PRESET_FROM_CARD;
                case AHEAD -> Reason.PRESET_AHEAD;
                case CHART -> Reason.PRESET_FROM_CHART;
                case TWIN -> Reason.PRESET_FROM_TWIN;
                case NONE -> Reason.PRESET_UNKNOWN;
            };
            return Advice.of(
                    new Move.SetDials(preset.plate(), preset.load(), preset.source()),
                    reason,
                    Caution.BAND_SWITCH_UNKEYED);
        }
        if (draft.position(Control.DRIVE).isEmpty()) {
            double firstW = Ladder.drivesW(setup, state.school()).get(0);
            return Advice.of(new Move.Turn(Control.DRIVE, 0, firstW, 0), Reason.FIRST_STEP_LOW);
        }
        return Optional.of(setup.preset().source())
                .filter(Preset.Source.NONE::equals)
                .flatMap(unknown -> RangeAdvice.toRead(
                        state, FIRST_MOST * setup.claimedW(draft.driveW().value())))
                .orElseGet(() -> keyAndPeak(peaking.reason(), peaking.order(), Optional.empty()));
    }

    private Advice prepareFinish() {
        Step peak = state.lastStep().orElseThrow();
        double peakLoad = peak.position(Control.LOAD).orElseThrow();
        double driveW = draft.driveW().value();
        Optional<Foresight> twin = foresees ? Optional.of(foresight(state.steps())) : Optional.empty();
        double heavier =
                twin.map(one -> one.loadFinish(driveW).orElse(peakLoad)).orElseGet(() -> finishLoad(peak, peakLoad));
        double loadAt = draft.position(Control.LOAD).orElse(peakLoad);
        Optional<Advice.Expectation> expect = twin.isPresent()
                ? foreseen(twin.get(), driveW, loadAt)
                : peak.measured(ReadingRole.OUTPUT)
                        .map(output ->
                                new Advice.Expectation(output.value() * FINISH_LEAST, output.value() * FINISH_MOST));
        boolean unseenHeat = !foresees && mayBeHot(peak, BELOW_CLAIM);
        boolean tooMuch = unseenHeat || (!foresees && (TargetAdvice.isPoor(peak) || TargetAdvice.isHot(peak)));
        if (!draft.moved().contains(Control.LOAD)
                && heavier != peakLoad
                && !tooMuch
                && Math.abs(setup.tubes().marksHeavier(loadAt, heavier)) >= LEAST_TURN_MARKS) {
            return Advice.of(turn(loadAt, heavier), Reason.FINISH_HEAVIER).expecting(expect);
        }
        boolean moved = Math.abs(setup.tubes().marksHeavier(peakLoad, loadAt)) >= LEAST_TURN_MARKS;
        Reason stays = unseenHeat ? Reason.RE_PEAK_UNSEEN_HEAT : Reason.RE_PEAK_LOAD_STAYS;
        return keyAndPeak(moved ? Reason.RE_PEAK_AFTER_HEAVIER : stays, List.of(Control.PLATE), expect);
    }

    /** Without a plate meter, an output below a share of what the maker claims at that drive may be an input that mostly turns to heat. */
    private boolean mayBeHot(Step step, double share) {
        double claimedW = setup.claimedW(step.driveW().value());
        return setup.channelFor(ReadingRole.PLATE_CURRENT).isEmpty()
                && step.measured(ReadingRole.OUTPUT)
                        .filter(output -> output.value() < share * claimedW)
                        .isPresent();
    }

    /**
     * Returns the LOAD of the finish: as much heavier than the peak as the twin's finish is heavier than its peak, else by the
     * customary marks; where the operator never peaked LOAD and stands beyond the twin's finish, where they are.
     */
    private double finishLoad(Step peak, double peakLoad) {
        double driveW = peak.driveW().value();
        Optional<Peak> most = RecordTwin.peak(setup, driveW);
        Optional<Peak> finish = RecordTwin.finish(setup, driveW);
        if (most.isEmpty() || finish.isEmpty()) {
            return setup.tubes().heavier(peakLoad, setup.settings().finishMarks());
        }
        double marks =
                setup.tubes().marksHeavier(most.get().load(), finish.get().load());
        return noHeavierThan(setup.tubes().heavier(finish.get().load(), BEYOND_FINISH_MARKS), peakLoad, marks);
    }

    /** Returns LOAD so many marks heavier, not beyond a position, but never lighter than it stands. */
    private double noHeavierThan(double most, double loadAt, double marks) {
        int sign = setup.tubes().loadSense().heavierSign();
        double wanted = sign * setup.tubes().heavier(loadAt, marks);
        double limited = sign * Math.min(wanted, Math.max(sign * loadAt, sign * most));
        return Math.abs(setup.tubes().marksHeavier(loadAt, limited)) < LEAST_TURN_MARKS
                ? loadAt
                : setup.tubes().heavier(limited, 0);
    }

    private Advice keyAndPeak(Reason reason, List<Control> order, Optional<Advice.Expectation> expect) {
        return Resting.of(state, now)
                .orElseGet(() -> Advice.of(peaking.move(order), reason).expecting(expect));
    }
}
