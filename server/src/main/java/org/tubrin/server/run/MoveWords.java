package org.tubrin.server.run;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import org.jspecify.annotations.Nullable;
import org.tubrin.core.advice.Move;
import org.tubrin.core.metering.ReadingRole;
import org.tubrin.core.run.BiasSteps;
import org.tubrin.core.run.ChainSteps;
import org.tubrin.core.run.Check;
import org.tubrin.core.run.ClimbEnd;
import org.tubrin.core.run.Control;
import org.tubrin.core.run.LoadVolts;
import org.tubrin.core.run.RunState;
import org.tubrin.core.run.ScopeSteps;
import org.tubrin.core.scope.Look;
import org.tubrin.server.words.Figures;
import org.tubrin.server.words.Levels;
import org.tubrin.server.words.Words;

/** Says each move: its sentence, and what the page needs of it beside that. */
final class MoveWords implements Move.Cases<MoveWords.Said> {
    /**
     * A move in words.
     *
     * @param code which
     * @param key of its sentence
     * @param control that is turned; absent for other moves
     * @param from where it stands
     * @param to where it goes
     * @param leftS how long to wait, in seconds; absent where it is no wait, or one without end
     * @param missing roles to read or to look at again
     * @param lookAt points to look at, in their order
     * @param check the point that is asked
     */
    record Said(
            MoveCode code,
            String key,
            @Nullable Control control,
            @Nullable Double from,
            @Nullable Double to,
            @Nullable Double leftS,
            List<ReadingRole> missing,
            List<String> lookAt,
            @Nullable Check check) {}

    private final Words words;
    private final RunState state;
    private final Map<String, Object> args;

    /** What the sentences name is added to the arguments. */
    MoveWords(Words words, RunState state, Map<String, Object> args) {
        this.words = words;
        this.state = state;
        this.args = args;
    }

    private static Said said(MoveCode code) {
        return new Said(code, "move." + code, null, null, null, null, List.of(), List.of(), null);
    }

    private static Said waits(MoveCode code, @Nullable Double leftS) {
        return new Said(code, "move." + code, null, null, null, leftS, List.of(), List.of(), null);
    }

    private static Said reads(MoveCode code, List<ReadingRole> roles) {
        return new Said(code, "move." + code, null, null, null, null, roles, List.of(), null);
    }

    @Override
    public Said answer(Move.Answer answer) {
        Check check = answer.check();
        return new Said(
                MoveCode.ANSWER, "check." + check.name() + ".ask", null, null, null, null, List.of(), List.of(), check);
    }

    @Override
    public Said switchHeatersOn(Move.SwitchHeatersOn on) {
        args.put("time", duration(words, on.warmUpS()));
        return said(MoveCode.SWITCH_HEATERS_ON);
    }

    @Override
    public Said waitForWarmth(Move.WaitForWarmth wait) {
        args.put("time", duration(words, wait.leftS()));
        return waits(MoveCode.WAIT_FOR_WARMTH, wait.leftS());
    }

    @Override
    public Said setDials(Move.SetDials dials) {
        args.put("plate", Figures.dial(dials.plate()));
        args.put("load", Figures.dial(dials.load()));
        return said(MoveCode.SET_DIALS);
    }

    @Override
    public Said turn(Move.Turn turn) {
        return new Said(
                MoveCode.TURN, turnKey(turn), turn.control(), turn.from(), turn.to(), null, List.of(), List.of(), null);
    }

    @Override
    public Said switchRange(Move.SwitchRange range) {
        args.put("instrument", range.instrument());
        args.put("range", range.to());
        args.put("fromRange", range.from());
        return said(MoveCode.SWITCH_RANGE);
    }

    @Override
    public Said rest(Move.Rest rest) {
        boolean ends = Double.isFinite(rest.leftS());
        args.put("time", ends ? duration(words, rest.leftS()) : words.say("time.long"));
        return waits(MoveCode.REST, ends ? rest.leftS() : null);
    }

    @Override
    public Said keyAndPeak(Move.KeyAndPeak peak) {
        args.put("drive", Figures.plain(peak.driveW(), 2));
        args.put("aim", peak.aim().name());
        args.put("how", peak.order().size() > 1 ? "all" : "plate");
        peak.targetA().ifPresent(target -> args.put("target", Figures.plain(target, 3)));
        return reads(MoveCode.KEY_AND_PEAK, state.draft().inView());
    }

    @Override
    public Said peakAndRead(Move.PeakAndRead peak) {
        args.put("aim", peak.aim().name());
        peak.targetA().ifPresent(target -> args.put("target", Figures.plain(target, 3)));
        return said(MoveCode.PEAK_AND_READ);
    }

    @Override
    public Said keyAndRead(Move.KeyAndRead key) {
        args.put("drive", Figures.plain(key.driveW(), 2));
        args.put("how", key.first() ? "short" : "whole");
        ChainSteps.expectedVpp(state.setup(), state.steps(), state.draft())
                .or(() -> ScopeSteps.expectedW(state.draft()).flatMap(watt -> LoadVolts.ofW(state.setup(), watt)))
                .ifPresent(volts -> args.put("expect", Levels.volts(volts)));
        state.draft().position(Control.LEVEL).ifPresent(level -> args.put("level", LevelViewer.percent(level)));
        return said(MoveCode.KEY_AND_READ);
    }

    @Override
    public Said switchAndRead(Move.SwitchAndRead read) {
        args.put("instrument", read.instrument());
        args.put("reading", words.nameWithin(read.role().name()));
        return reads(MoveCode.SWITCH_AND_READ, List.of(read.role()));
    }

    @Override
    public Said readOff(Move.ReadOff read) {
        return said(MoveCode.READ_OFF);
    }

    @Override
    public Said adjust(Move.Adjust adjust) {
        args.put("device", adjust.device());
        args.put("way", adjust.aim() > adjust.from() ? "up" : "down");
        BiasScale.of(state.setup()).ifPresent(scale -> args.put("aim", scale.words(adjust.aim())));
        return new Said(
                MoveCode.ADJUST, "move.ADJUST", Control.POT, null, null, null, List.of(adjust.role()), List.of(), null);
    }

    @Override
    public Said turnDown(Move.TurnDown down) {
        args.put("device", down.device());
        return new Said(MoveCode.TURN_DOWN, "move.TURN_DOWN", Control.POT, null, 0.0, null, List.of(), List.of(), null);
    }

    @Override
    public Said hold(Move.Hold hold) {
        args.put("device", Integer.toString(hold.device()));
        args.put("time", duration(words, hold.leftS()));
        return waits(MoveCode.HOLD, hold.leftS());
    }

    @Override
    public Said leaveAlone(Move.LeaveAlone leave) {
        args.put("time", duration(words, leave.leftS()));
        args.put("keyed", state.isKeyed() ? "yes" : "no");
        return waits(MoveCode.LEAVE_ALONE, leave.leftS());
    }

    @Override
    public Said unkey(Move.Unkey unkey) {
        BiasSteps.climb(state.setup(), state.steps()).ifPresent(climb -> {
            args.put("device", climb.device());
            args.put("runaway", climb.runaway());
            args.put("end", climb.end().map(Enum::name).orElse("none"));
        });
        return said(MoveCode.UNKEY);
    }

    @Override
    public Said enterReadings(Move.EnterReadings enter) {
        args.put("missing", joined(enter.missing()));
        return reads(MoveCode.ENTER_READINGS, enter.missing());
    }

    @Override
    public Said settleDoubt(Move.SettleDoubt settle) {
        args.put("reading", words.nameWithin(settle.role().name()));
        return reads(MoveCode.SETTLE_DOUBT, List.of(settle.role()));
    }

    @Override
    public Said tellShape(Move.TellShape tell) {
        args.put("shows", tell.look().shows().name());
        return said(MoveCode.TELL_SHAPE);
    }

    @Override
    public Said enterPosition(Move.EnterPosition enter) {
        args.put("control", words.name(enter.control().name()));
        return said(MoveCode.ENTER_POSITION);
    }

    @Override
    public Said workThrough(Move.WorkThrough work) {
        String key = "work." + work.drill().name();
        return new Said(MoveCode.WORK_THROUGH, key, null, null, null, null, List.of(), numbered(key + "."), null);
    }

    @Override
    public Said recordStep(Move.RecordStep step) {
        args.put("drive", Figures.plain(step.driveW(), 2));
        state.draft().position(Control.LEVEL).ifPresent(level -> args.put("level", LevelViewer.percent(level)));
        return said(MoveCode.RECORD_STEP);
    }

    @Override
    public Said writeDown(Move.WriteDown writeDown) {
        args.put("climbEnd", state.reached().orElse(ClimbEnd.FINISHED).name());
        return said(MoveCode.WRITE_DOWN);
    }

    @Override
    public Said done(Move.Done done) {
        return said(MoveCode.DONE);
    }

    private String turnKey(Move.Turn turn) {
        if (turn.control() == Control.DRIVE) {
            args.put("from", Figures.plain(turn.from(), 2));
            args.put("to", Figures.plain(turn.to(), 2));
            args.put("times", turn.from() > 0 ? Figures.plain(turn.to() / turn.from(), 1) : "");
            args.put("exciterTo", AdviceWords.exciterShows(state.setup(), turn.to()));
            return turn.from() <= 0
                    ? "move.TURN.DRIVE.first"
                    : turn.to() > turn.from() ? "move.TURN.DRIVE.up" : "move.TURN.DRIVE.down";
        }
        if (turn.control() == Control.POWER_AMPLIFIER || turn.control() == Control.MATCHER) {
            return "move.TURN." + turn.control() + (turn.to() > 0 ? ".on" : ".off");
        }
        if (turn.control() == Control.ATTENUATOR) {
            args.put("from", Figures.plain(turn.from(), 1));
            args.put("to", Figures.plain(turn.to(), 1));
            return turn.from() > 0 ? "move.TURN.ATTENUATOR" : "move.TURN.ATTENUATOR.first";
        }
        if (turn.control() == Control.SUPPLY) {
            args.put("from", Figures.plain(turn.from(), 1));
            args.put("to", Figures.plain(turn.to(), 1));
            return turn.from() > 0 ? "move.TURN.SUPPLY" : "move.TURN.SUPPLY.first";
        }
        if (turn.control() == Control.MOTOR) {
            args.put("steps", Math.round(Math.abs(turn.to() - turn.from())));
            args.put("way", turn.to() > turn.from() ? "up" : "down");
            return "move.TURN.MOTOR";
        }
        if (turn.control() == Control.LOOK) {
            return "move.TURN.LOOK." + Look.at(turn.to()).name();
        }
        if (turn.control() == Control.DEVICE) {
            args.put("device", Long.toString(Math.round(turn.to())));
            return "move.TURN.DEVICE";
        }
        if (turn.control() == Control.LEVEL || turn.control() == Control.TONE) {
            boolean isLevel = turn.control() == Control.LEVEL;
            args.put("from", isLevel ? LevelViewer.percent(turn.from()) : Figures.plain(turn.from(), 0));
            args.put("to", isLevel ? LevelViewer.percent(turn.to()) : Figures.plain(turn.to(), 0));
            return isLevel ? (turn.from() > 0 ? "move.TURN.LEVEL" : "move.TURN.LEVEL.first") : "move.TURN.TONE";
        }
        args.put("control", words.name(turn.control().name()));
        args.put("from", Figures.dial(turn.from()));
        args.put("to", Figures.dial(turn.to()));
        double marks = Math.rint(100 * Math.abs(turn.marks())) / 100;
        String size = marks == 0.5 ? "half" : marks == 1 ? "one" : "many";
        args.put("marks", words.say("marks." + size, Map.of("n", Figures.plain(marks, 2))));
        return turn.marks() < 0 ? "move.TURN.lighter" : "move.TURN.heavier";
    }

    private List<String> numbered(String prefix) {
        List<String> points = new ArrayList<>();
        for (int i = 1; words.has(prefix + i); i++) {
            points.add(words.say(prefix + i));
        }
        return points;
    }

    private String joined(List<ReadingRole> roles) {
        List<String> names =
                roles.stream().map(role -> words.nameWithin(role.name())).toList();
        if (names.size() == 1) {
            return names.get(0);
        }
        return String.join(", ", names.subList(0, names.size() - 1)) + " " + words.say("and") + " "
                + names.get(names.size() - 1);
    }

    /** Returns a time as minutes and seconds. */
    static String duration(Words words, double seconds) {
        long whole = (long) Math.ceil(seconds);
        return whole < 90
                ? words.say("time.seconds", Map.of("s", Long.toString(whole)))
                : words.say("time.minutes", Map.of("m", Long.toString(whole / 60), "s", whole % 60));
    }
}
