package org.tubrin.core.run;

import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.stream.Stream;
import org.tubrin.core.metering.Channel;
import org.tubrin.core.metering.MeterRange;
import org.tubrin.core.quantity.Allowed;
import org.tubrin.core.quantity.Problem;
import org.tubrin.core.quantity.ProblemCode;
import org.tubrin.core.quantity.Refused;
import org.tubrin.core.quantity.Unit;
import org.tubrin.core.station.Meter;
import org.tubrin.core.tank.Dial;

/** Which events a run takes at a moment. What really happened is taken even where it should not have. */
public final class Admission {
    /** A clock of the operator's that runs ahead is let pass by this much, in seconds. */
    private static final long CLOCK_LEEWAY_S = 120;

    /** A drive that passed through a pad and back is the same within this ratio. */
    private static final double SAME = 1.000001;

    private Admission() {}

    /** Returns why an event is not taken by a run that stands so; empty where it is. */
    public static List<Problem> refusals(RunState state, RunEvent event, Instant now) {
        if (state.ending().isPresent() && !(event instanceof RunEvent.Note)) {
            return List.of(
                    problem(ProblemCode.RUN_ENDED, "event", state.ending().get().name()));
        }
        List<Problem> problems = new ArrayList<>();
        if (event instanceof RunEvent.Started) {
            problems.add(problem(ProblemCode.MALFORMED, "event", "Started"));
        } else if (event instanceof RunEvent.Keyed) {
            refuseKeying(state, now, problems);
        } else if (event instanceof RunEvent.Unkeyed && !state.isKeyed()) {
            problems.add(problem(ProblemCode.NOT_KEYED, "event", "Unkeyed"));
        } else if (event instanceof RunEvent.Warm warm
                && warm.heatersOnSince().isAfter(now.plusSeconds(CLOCK_LEEWAY_S))) {
            problems.add(problem(
                    ProblemCode.OUT_OF_RANGE,
                    "heatersOnSince",
                    warm.heatersOnSince().toString()));
        } else if (event instanceof RunEvent.ReadingTaken taken) {
            Optional<MeterRange> range = state.setup()
                    .channelFor(taken.reading().role())
                    .flatMap(channel -> channel.range(taken.reading().range()));
            if (range.isEmpty()) {
                problems.add(problem(
                        ProblemCode.NO_CHANNEL,
                        "reading",
                        taken.reading().role().name()));
            }
        } else if (event instanceof RunEvent.SchoolChosen chosen
                && !chosen.school().suits(state.setup().tubes())) {
            problems.add(TuneSetup.unsuited(chosen.school(), state.setup().tubes()));
        } else if (event instanceof RunEvent.SchoolChosen chosen
                && chosen.school() == School.PULSED
                && !state.setup().readsPeaks()) {
            problems.add(problem(ProblemCode.NEEDS_PEAK_METER, "school", "OUTPUT"));
        } else if (event instanceof RunEvent.RangeChosen chosen) {
            refuseRange(state, chosen, problems);
        } else if (event instanceof RunEvent.DialMoved moved) {
            refuseDial(state, moved, problems);
        } else if (event instanceof RunEvent.MeterCorrected meter) {
            refuseCorrection(state, meter.meter(), problems);
        } else if (event instanceof RunEvent.StepRecorded) {
            refuseRecording(state, now, problems);
        } else if (state.steps().isEmpty()
                && (event instanceof RunEvent.StepUndone
                        || event instanceof RunEvent.Finished
                        || event instanceof RunEvent.NotMeasured
                        || event instanceof RunEvent.ProductsRead
                        || event instanceof RunEvent.WaveformSeen)) {
            problems.add(problem(ProblemCode.NO_STEP, "event", event.getClass().getSimpleName()));
        }
        return List.copyOf(problems);
    }

    private static void refuseKeying(RunState state, Instant now, List<Problem> problems) {
        if (state.isKeyed()) {
            problems.add(problem(ProblemCode.ALREADY_KEYED, "event", "Keyed"));
        }
        refuseBeforePower(state, now, "Keyed", problems);
    }

    private static void refuseBeforePower(RunState state, Instant now, String event, List<Problem> problems) {
        // What cannot be seen before the tubes are warm is asked for once they are.
        List<Check> open = state.openBeforePower().stream()
                .filter(check -> state.isDue(check, now))
                .toList();
        if (!open.isEmpty()) {
            problems.add(new Problem(
                    ProblemCode.PREFLIGHT_OPEN,
                    "event",
                    event,
                    new Allowed.OneOf(open.stream().map(Check::name).toList())));
        } else if (state.warmUpLeftS(now) > 0) {
            problems.add(new Problem(
                    ProblemCode.NOT_WARM,
                    "event",
                    event,
                    new Allowed.Range(Math.ceil(state.warmUpLeftS(now)), 1800, Unit.SECOND)));
        }
    }

    private static void refuseRange(RunState state, RunEvent.RangeChosen chosen, List<Problem> problems) {
        Optional<Channel> channel = state.setup().channelFor(chosen.role());
        if (channel.flatMap(one -> one.range(chosen.range())).isEmpty()) {
            List<String> names = channel.map(
                            one -> one.ranges().stream().map(MeterRange::name).toList())
                    .orElse(List.of());
            problems.add(new Problem(ProblemCode.UNKNOWN_NAME, "range", chosen.range(), new Allowed.OneOf(names)));
        }
    }

    private static void refuseDial(RunState state, RunEvent.DialMoved moved, List<Problem> problems) {
        TuneSetup setup = state.setup();
        double least = setup.leastDriveW() / SAME;
        double most = setup.mostDriveW() * SAME;
        if (moved.control() != Control.DRIVE) {
            Dial dial = moved.control() == Control.PLATE
                    ? setup.tubes().plate()
                    : setup.tubes().load();
            least = dial.least();
            most = dial.most();
        }
        if (moved.position() < least || moved.position() > most) {
            problems.add(new Problem(
                    ProblemCode.OUT_OF_RANGE,
                    moved.control().name(),
                    moved.textAsTyped().isEmpty() ? Double.toString(moved.position()) : moved.textAsTyped(),
                    new Allowed.Range(least, most, moved.control() == Control.DRIVE ? Unit.WATT : Unit.MARK)));
        }
    }

    /** A corrected record must be of a meter in use, and know the ranges on which it was read. */
    private static void refuseCorrection(RunState state, Meter meter, List<Problem> problems) {
        List<String> names = state.setup().meters().stream().map(Meter::name).toList();
        if (!names.contains(meter.name())) {
            problems.add(new Problem(ProblemCode.UNKNOWN_NAME, "meter", meter.name(), new Allowed.OneOf(names)));
            return;
        }
        try {
            state.setup().withMeter(meter);
        } catch (Refused refused) {
            problems.addAll(refused.problems());
        }
        Stream.concat(state.steps().stream(), Stream.of(state.draft()))
                .flatMap(step -> step.readings().values().stream())
                .filter(reading -> reading.instrument().equals(meter.name()))
                .filter(reading -> meter.channel(reading.role())
                        .flatMap(channel -> channel.range(reading.range()))
                        .isEmpty())
                .findFirst()
                .ifPresent(reading -> problems.add(new Problem(
                        ProblemCode.UNKNOWN_NAME,
                        "meter." + reading.role().name() + ".range",
                        reading.range(),
                        new Allowed.OneOf(meter.channel(reading.role()).stream()
                                .flatMap(channel -> channel.ranges().stream())
                                .map(MeterRange::name)
                                .toList()))));
    }

    private static void refuseRecording(RunState state, Instant now, List<Problem> problems) {
        refuseBeforePower(state, now, "StepRecorded", problems);
        if (state.isKeyed()) {
            problems.add(problem(ProblemCode.KEY_DOWN, "event", "StepRecorded"));
        }
        Step draft = state.draft();
        if (!draft.isComplete()) {
            List<String> wanted = new ArrayList<>();
            draft.missing().forEach(role -> wanted.add(role.name()));
            for (Control control : Control.values()) {
                if (draft.position(control).isEmpty()) {
                    wanted.add(control.name());
                }
            }
            problems.add(new Problem(ProblemCode.STEP_INCOMPLETE, "event", "StepRecorded", new Allowed.OneOf(wanted)));
        }
    }

    private static Problem problem(ProblemCode code, String path, String found) {
        return new Problem(code, path, found, new Allowed.Nothing());
    }
}
