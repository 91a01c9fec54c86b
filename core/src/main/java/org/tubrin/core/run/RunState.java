package org.tubrin.core.run;

import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeSet;
import org.tubrin.core.metering.ReadingRole;
import org.tubrin.core.quantity.Quantity;
import org.tubrin.core.scope.Waveform;
import org.tubrin.core.twin.Products;

/**
 * Where a run stands: a pure function of its events.
 *
 * @param setup what it is about
 * @param school by which it goes now
 * @param sequence of the last event
 * @param startedAt when it began
 * @param lastAt when the last event happened
 * @param checks points answered
 * @param unmeasured closing points that were left, for want of an instrument
 * @param heatersOnSince since when the heaters are on, where told
 * @param stepSince since when the step in hand is: the last one was done, or was undone
 * @param steps steps done, in their order
 * @param draft the step in hand
 * @param ranges range in use by role
 * @param keyDowns every key-down
 * @param keyDownsInStep how many of them since the last step was done, tries that were struck counted
 * @param triesInStep how many tries had a key-down since the last step was done, those that were struck counted; with a meter that
 *     is switched one takes several key-downs
 * @param openSign a sign that the operator saw and has not acted on
 * @param movedSinceSign controls that were moved since
 * @param products two-tone products as read last, by what the signal went through
 * @param waveform what the waveform looked like last
 * @param conditions what it is made under
 * @param weather what it was, from when on
 * @param seen signs that the operator saw in its course, in their order
 * @param trips when the protection acted, and at which drive
 * @param stopped the least drive at which a meter came to its stop, where no step was done at as much since
 * @param struck the try before at the step in hand, whose readings were struck
 * @param corrected meters whose records were corrected in its course, by name
 * @param notes what was written down
 * @param ending how it ended, where it has
 */
public record RunState(
        TuneSetup setup,
        School school,
        long sequence,
        Instant startedAt,
        Instant lastAt,
        Set<Check> checks,
        Set<Check> unmeasured,
        Optional<Instant> heatersOnSince,
        Instant stepSince,
        List<Step> steps,
        Step draft,
        Map<ReadingRole, String> ranges,
        List<KeyDown> keyDowns,
        int keyDownsInStep,
        int triesInStep,
        Optional<SeenSign> openSign,
        Set<Control> movedSinceSign,
        Map<SignalPath, Products> products,
        Optional<Waveform> waveform,
        Conditions conditions,
        List<WeatherAt> weather,
        List<SeenSign> seen,
        List<Trip> trips,
        Optional<Stopped> stopped,
        Optional<Step> struck,
        List<String> corrected,
        List<String> notes,
        Optional<Ending> ending) {

    /** How a run ended. */
    public enum Ending {
        FINISHED,
        ABANDONED
    }

    /** What is being done. */
    public enum Phase {
        PREFLIGHT,
        WARMING,
        CLIMBING,
        FINISHING,
        CLOSING,
        WRITING,
        FINISHED,
        ABANDONED
    }

    public RunState {
        checks = Set.copyOf(checks);
        unmeasured = Set.copyOf(unmeasured);
        corrected = List.copyOf(corrected);
        steps = List.copyOf(steps);
        ranges = Map.copyOf(ranges);
        keyDowns = List.copyOf(keyDowns);
        movedSinceSign = Set.copyOf(movedSinceSign);
        products = Map.copyOf(products);
        weather = List.copyOf(weather);
        seen = List.copyOf(seen);
        trips = List.copyOf(trips);
        notes = List.copyOf(notes);
    }

    /** Returns the phase at a moment. */
    public Phase phase(Instant now) {
        if (ending.isPresent()) {
            return ending.get() == Ending.FINISHED ? Phase.FINISHED : Phase.ABANDONED;
        }
        if (isOpen(Check.Moment.COLD)) {
            return Phase.PREFLIGHT;
        }
        boolean heatersOn = heatersOnSince.isPresent() || warmUpWholeS() <= 0;
        if (heatersOn && isOpen(Check.Moment.HEATERS_ON)) {
            return Phase.PREFLIGHT;
        }
        if (warmUpLeftS(now) > 0) {
            return Phase.WARMING;
        }
        if (isOpen(Check.Moment.WARM)) {
            return Phase.PREFLIGHT;
        }
        if (!climbIsDone()) {
            return Phase.CLIMBING;
        }
        if (school.finishesHeavier() && steps.get(steps.size() - 1).kind() != Step.Kind.FINISH) {
            return Phase.FINISHING;
        }
        return openChecks(closingChecks()).isEmpty() ? Phase.WRITING : Phase.CLOSING;
    }

    /** Returns the points to answer before the first step; none once a step is done. */
    public List<Check> openBeforePower() {
        return steps.isEmpty() ? openChecks(Preflight.of(setup)) : List.of();
    }

    private boolean isOpen(Check.Moment moment) {
        return openBeforePower().stream().anyMatch(check -> check.moment() == moment);
    }

    /**
     * Returns the points to ask after the last step, in their order; what was entered, or read at the last step, is not
     * asked, nor what only a bias climb that came to its end can answer.
     */
    public List<Check> closingChecks() {
        if (setup.stage().kind() == RunKind.BIAS
                && climbEnd().filter(ClimbEnd.BIAS_DONE::equals).isEmpty()) {
            return List.of();
        }
        List<Check> points = new ArrayList<>(new TreeSet<>(setup.stage().closingChecks()));
        if (products.containsKey(SignalPath.EXCITER)) {
            points.remove(Check.EXCITER_TONES);
        }
        if (products.containsKey(SignalPath.AMPLIFIER)) {
            points.remove(Check.AMPLIFIER_TONES);
        }
        if (waveform.filter(Waveform.CLEAN::equals).isPresent()) {
            points.remove(Check.SPEECH_CLEAN);
        }
        double swr = lastStep()
                .flatMap(step -> step.measured(ReadingRole.INPUT_SWR))
                .map(Quantity::value)
                .orElse(setup.stage().isTuned() ? Double.MAX_VALUE : 1);
        if (swr > setup.settings().inputSwrHigh()) {
            points.add(Check.INPUT_MATCHED);
        }
        return List.copyOf(points);
    }

    /** Returns whether a point before power may be answered at a moment: what it asks for can be seen by then. */
    public boolean isDue(Check check, Instant now) {
        return switch (check.moment()) {
            case COLD -> true;
            case HEATERS_ON -> heatersOnSince.isPresent() || warmUpWholeS() <= 0;
            case WARM -> warmUpLeftS(now) <= 0;
            case CLOSING -> !steps.isEmpty();
        };
    }

    /** Returns those of the points that are neither answered nor left unmeasured, in their order. */
    public List<Check> openChecks(List<Check> points) {
        return points.stream()
                .filter(point -> !checks.contains(point) && !unmeasured.contains(point))
                .toList();
    }

    /** Returns how long the whole warm-up takes, in seconds of real time. */
    public double warmUpWholeS() {
        return setup.stage().warmUpS() / setup.settings().warmUpSpeed();
    }

    /** Returns the warm-up still to wait for, in seconds of real time; the whole of it while the heaters are not on. */
    public double warmUpLeftS(Instant now) {
        double wholeS = warmUpWholeS();
        return heatersOnSince
                .map(since -> Math.max(0, wholeS - Duration.between(since, now).toMillis() / 1000.0))
                .orElse(wholeS);
    }

    /** Returns whether the key is down. */
    public boolean isKeyed() {
        return !keyDowns.isEmpty() && keyDowns.get(keyDowns.size() - 1).to().isEmpty();
    }

    /** Returns the place of the step that limits and signs are about: the one in hand once anything of it is read. */
    public int placeInFocus() {
        return draft.readings().isEmpty() && !steps.isEmpty() ? steps.size() - 1 : steps.size();
    }

    /** Returns the step at a place, counted from 0; the place after the last is the step in hand. */
    public Step step(int place) {
        return place == steps.size() ? draft : steps.get(place);
    }

    /**
     * Returns whether a meter shows a role now: one with a switch shows only what it stands on, which stays the same until the key
     * goes down again.
     */
    public boolean shows(ReadingRole role) {
        return !setup.isSwitched(role) || switchStands().filter(role::equals).isPresent();
    }

    private Optional<ReadingRole> switchStands() {
        boolean readInThis = isKeyed() && draft.keyDown() == keyDowns.size();
        return readInThis ? draft.lastSwitched() : draft.meterSwitch().or(draft::lastSwitched);
    }

    /** Returns the last step done. */
    public Optional<Step> lastStep() {
        return steps.isEmpty() ? Optional.empty() : Optional.of(steps.get(steps.size() - 1));
    }

    /** Returns the step before the one at a place, counted from 0; the place after the last is the step in hand. */
    public Optional<Step> stepBefore(int place) {
        return place < 1 || place > steps.size() ? Optional.empty() : Optional.of(steps.get(place - 1));
    }

    /** Returns the stops of the key-down to come: of a meter with a switch what it stands on. */
    public List<Stop> stopsInView() {
        Optional<ReadingRole> position = draft.meterSwitch();
        return Stop.of(setup, school, ranges).stream()
                .filter(stop -> !setup.isSwitched(stop.role())
                        || position.filter(stop.role()::equals).isPresent())
                .toList();
    }

    /** Returns the roles that the step in hand lacks and can do without. */
    public List<ReadingRole> mayLeave() {
        return draft.missing().stream()
                .filter(role -> !setup.stage().needed().contains(role) && !school.needs(role))
                .toList();
    }

    /** Returns what is doubtful about a reading of the step in hand. */
    public Optional<Doubt> doubt(ReadingRole role) {
        return Optional.ofNullable(draft.readings().get(role)).flatMap(reading -> Doubt.of(reading, draft, lastStep()));
    }

    /** Returns whether the drive need not or must not be raised further. */
    public boolean climbIsDone() {
        return climbEnd().isPresent();
    }

    static Optional<ClimbEnd> climbEnd(TuneSetup setup, List<Step> steps, List<Trip> trips, Optional<Stopped> stopped) {
        return switch (setup.stage().kind()) {
            case TUNE_UP -> ClimbEnd.of(setup, steps, stopped);
            case DRIVE_TABLE -> NextRow.end(setup, steps, trips);
            case ALC -> ClimbEnd.ofLevels(setup, steps);
            case BIAS -> ClimbEnd.ofBias(setup, steps);
            case MATCHER -> ClimbEnd.ofMatching(setup, steps, trips);
            case CHAIN -> ClimbEnd.ofChain(setup, steps);
            case WAVEFORM -> ClimbEnd.ofScope(setup, steps);
            case SUPPLY_TABLE -> ClimbEnd.ofSupply(setup, steps);
            case RESONANCE -> Optional.empty();
        };
    }

    /** Returns why the climb goes no higher, where that is so. */
    public Optional<ClimbEnd> climbEnd() {
        return climbEnd(setup, steps, trips, stopped);
    }

    /** Returns the same for a run whose last step is done: that step says why it was the last. */
    public Optional<ClimbEnd> reached() {
        return setup.stage().isTuned() ? ClimbEnd.reached(setup, steps, stopped) : climbEnd();
    }
}
