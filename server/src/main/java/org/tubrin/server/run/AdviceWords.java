package org.tubrin.server.run;

import java.time.Instant;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Component;
import org.tubrin.core.advice.Advice;
import org.tubrin.core.advice.KeyClock;
import org.tubrin.core.advice.Move;
import org.tubrin.core.foresee.TwinLearning;
import org.tubrin.core.metering.ReadingRole;
import org.tubrin.core.run.Check;
import org.tubrin.core.run.ClimbEnd;
import org.tubrin.core.run.Control;
import org.tubrin.core.run.Ladder;
import org.tubrin.core.run.RunState;
import org.tubrin.core.run.TuneSetup;
import org.tubrin.core.station.Antenna;
import org.tubrin.core.station.Stage;
import org.tubrin.core.station.Termination;
import org.tubrin.server.words.Figures;
import org.tubrin.server.words.Words;

/** Puts advice, points and signs into words. */
@Component
class AdviceWords {
    private final Words words;

    AdviceWords(Words words) {
        this.words = words;
    }

    /** Returns advice in words. */
    RunView.AdviceView view(Advice advice, RunState state, KeyClock clock) {
        Move move = advice.move();
        Map<String, Object> args = setupArgs(state.setup());
        args.put("range", state.ranges().getOrDefault(ReadingRole.OUTPUT, ""));
        List<String> lookAt = new ArrayList<>();
        List<ReadingRole> missing = List.of();
        Control control = null;
        Double from = null;
        Double to = null;
        Double leftS = null;
        String key = "move." + move.getClass().getSimpleName();
        if (move instanceof Move.WriteDown) {
            args.put("climbEnd", state.reached().orElse(ClimbEnd.FINISHED).name());
        } else if (move instanceof Move.Answer answer) {
            key = "check." + answer.check().name() + ".ask";
        } else if (move instanceof Move.SwitchHeatersOn on) {
            args.put("time", duration(on.warmUpS()));
        } else if (move instanceof Move.WaitForWarmth wait) {
            leftS = wait.leftS();
            args.put("time", duration(wait.leftS()));
        } else if (move instanceof Move.SetDials dials) {
            args.put("plate", Figures.dial(dials.plate()));
            args.put("load", Figures.dial(dials.load()));
        } else if (move instanceof Move.Turn turn) {
            control = turn.control();
            from = turn.from();
            to = turn.to();
            key = turnKey(turn, state, args);
        } else if (move instanceof Move.SwitchRange range) {
            args.put("instrument", range.instrument());
            args.put("range", range.to());
            args.put("fromRange", range.from());
        } else if (move instanceof Move.Rest rest) {
            leftS = Double.isFinite(rest.leftS()) ? rest.leftS() : null;
            args.put("time", Double.isFinite(rest.leftS()) ? duration(rest.leftS()) : words.say("time.long"));
        } else if (move instanceof Move.KeyAndPeak peak) {
            args.put("drive", Figures.plain(peak.driveW(), 2));
            args.put("aim", peak.aim().name());
            args.put("how", peak.order().size() > 1 ? "all" : "plate");
            peak.targetA().ifPresent(target -> args.put("target", Figures.plain(target, 3)));
        } else if (move instanceof Move.PeakAndRead peak) {
            args.put("aim", peak.aim().name());
            peak.targetA().ifPresent(target -> args.put("target", Figures.plain(target, 3)));
        } else if (move instanceof Move.EnterReadings enter) {
            missing = enter.missing();
            args.put("missing", joined(enter.missing()));
        } else if (move instanceof Move.SettleDoubt settle) {
            missing = List.of(settle.role());
            args.put("reading", words.name(settle.role().name()).toLowerCase(java.util.Locale.ROOT));
        } else if (move instanceof Move.EnterPosition enter) {
            args.put("control", words.name(enter.control().name()));
        } else if (move instanceof Move.WorkThrough work) {
            key = "work." + work.drill().name();
            lookAt = numbered("work." + work.drill().name() + ".");
        } else if (move instanceof Move.RecordStep step) {
            args.put("drive", Figures.plain(step.driveW(), 2));
        }
        args.put("aimS", Figures.plain(clock.aimS(), 0));
        args.put("growth", Figures.plain(state.setup().settings().saturationGrowth(), 1));
        args.put("target", args.getOrDefault("target", ""));
        advice.about().ifPresent(sign -> args.put("signTitle", words.say("sign." + sign.name() + ".title")));
        args.put("wideDuty", Figures.plain(100 * state.setup().settings().wideDutyFraction(), 0));
        return new RunView.AdviceView(
                move.getClass().getSimpleName(),
                words.say(key, args),
                why(advice, args),
                words.say("rule." + advice.reason().rule().name()),
                advice.expect()
                        .map(expect -> words.say(
                                "expect",
                                Map.of(
                                        "least", Figures.plain(expect.leastW(), 0),
                                        "most", Figures.plain(expect.mostW(), 0))))
                        .orElse(null),
                advice.cautions().stream()
                        .map(caution -> words.say("caution." + caution.name(), args))
                        .toList(),
                lookAt,
                button(move),
                control,
                from,
                to,
                leftS,
                missing,
                move instanceof Move.Answer answer && answer.check().isOfTheSignal() ? answer.check() : null);
    }

    private String why(Advice advice, Map<String, Object> args) {
        if (advice.move() instanceof Move.Answer answer) {
            return words.say("check." + answer.check().name() + ".why", args);
        }
        String reason = words.say("reason." + advice.reason().name(), args);
        return advice.move() instanceof Move.WriteDown
                ? words.say("climbEnd." + args.get("climbEnd"), args) + " " + reason
                : reason;
    }

    private @Nullable String button(Move move) {
        String key = "button." + move.getClass().getSimpleName();
        return words.keys().contains(key) ? words.say(key) : null;
    }

    private String turnKey(Move.Turn turn, RunState state, Map<String, Object> args) {
        if (turn.control() == Control.DRIVE) {
            args.put("from", Figures.plain(turn.from(), 2));
            args.put("to", Figures.plain(turn.to(), 2));
            args.put("times", turn.from() > 0 ? Figures.plain(turn.to() / turn.from(), 1) : "");
            args.put("exciterTo", Figures.plain(state.setup().exciterOfW(turn.to()), 1));
            return turn.from() <= 0
                    ? "move.Turn.DRIVE.first"
                    : turn.to() > turn.from() ? "move.Turn.DRIVE.up" : "move.Turn.DRIVE.down";
        }
        args.put("control", words.name(turn.control().name()));
        args.put("from", Figures.dial(turn.from()));
        args.put("to", Figures.dial(turn.to()));
        double marks = Math.abs(turn.marks());
        String size = marks == 0.5 ? "half" : marks == 1 ? "one" : "many";
        args.put("marks", words.say("marks." + size, Map.of("n", Figures.plain(marks, 2))));
        return turn.marks() < 0 ? "move.Turn.lighter" : "move.Turn.heavier";
    }

    /** Returns what a setup lends to any sentence. */
    private Map<String, Object> setupArgs(TuneSetup setup) {
        Map<String, Object> args = new HashMap<>();
        Stage.Tubes tubes = setup.tubes();
        args.put("amplifier", setup.amplifier().name());
        args.put("exciter", setup.exciter().name());
        args.put("padded", setup.pad().isPresent() ? "yes" : "no");
        setup.pad().ifPresent(pad -> {
            args.put("pad", pad.name());
            args.put("attenuation", Figures.plain(pad.attenuationDb(), 2));
            args.put("exciterMost", Figures.plain(setup.exciter().powerMaxW(), 0));
            args.put("paddedMost", Figures.plain(pad.outputW(setup.exciter().powerMaxW()), 2));
        });
        args.put("termination", setup.termination().name());
        args.put("band", words.name(setup.band().name()));
        args.put("tube", tubes.tube().name());
        args.put("tubes", tubes.tubeCount());
        args.put("driveLimit", Figures.plain(setup.amplifier().driveLimitW(), 2));
        args.put("plateLimit", Figures.plain(tubes.plateCurrentLimitA(), 3));
        args.put("gridLimit", Figures.plain(tubes.gridCurrentLimitA(), 3));
        args.put("heatLimit", Figures.plain(tubes.plateDissipationPerTubeW(), 0));
        args.put("restVolts", Figures.plain(tubes.plateVoltageRestDcV(), 0));
        args.put("restCurrent", Figures.plain(tubes.restingPlateCurrentA(), 3));
        args.put("carrier", words.name(setup.carrier().name()));
        args.put("carrierMost", Figures.plain(setup.mostDriveW(), 1));
        args.put(
                "fuller",
                setup.fullerCarrier().map(mode -> words.name(mode.name())).orElse("none"));
        args.put("licence", Figures.plain(setup.station().licenceLimitW(), 0));
        args.put("delay", Figures.plain(1000 * setup.exciter().trDelayS(), 0));
        args.put("delayNeeded", Figures.plain(1000 * Check.trDelayNeededS(setup), 0));
        args.put("relayMargin", Figures.plain(1000 * Check.RELAY_MARGIN_S, 0));
        args.put(
                "relay",
                setup.amplifier()
                        .relayTimeS()
                        .map(time -> Figures.plain(1000 * time, 0))
                        .orElse("unknown"));
        args.put("matchPower", Figures.plain(Check.matchPowerW(setup), 1));
        args.put(
                "firstExciter",
                Figures.plain(
                        setup.exciterOfW(Ladder.drivesW(setup, setup.school()).get(0)), 2));
        Optional<Double> swr = setup.termination() instanceof Antenna antenna
                ? antenna.swrAt(setup.band(), setup.frequencyHz())
                : Optional.empty();
        args.put("swr", swr.map(one -> Figures.fixed(one, 1)).orElse("none"));
        setup.meterFor(ReadingRole.OUTPUT).ifPresent(meter -> args.put("meter", meter.name()));
        args.put("heavierIs", words.say("sense." + tubes.loadSense().name()));
        return args;
    }

    /** Returns the points of a list with whether each is answered, and whether its moment has come. */
    List<RunView.CheckView> checks(List<Check> points, RunState state, Instant now) {
        Map<String, Object> args = setupArgs(state.setup());
        args.put("range", state.ranges().getOrDefault(ReadingRole.OUTPUT, ""));
        return points.stream()
                .map(point -> new RunView.CheckView(
                        point.name(),
                        words.say("check." + point.name() + ".point", args),
                        point.moment(),
                        state.checks().contains(point),
                        state.isDue(point, now)))
                .toList();
    }

    /** Returns what is to be read of a run beside its notes. */
    List<String> notes(RunState state) {
        List<String> notes = new ArrayList<>(state.notes());
        state.corrected().forEach(meter -> notes.add(words.say("note.corrected", Map.of("meter", meter))));
        if (state.ending().isEmpty() && TwinLearning.isAstray(state)) {
            notes.add(words.say("note.astray"));
        }
        Map<String, Object> args = setupArgs(state.setup());
        for (Check check : Check.values()) {
            if (state.unmeasured().contains(check)) {
                notes.add(words.say(
                        "note.unmeasured", Map.of("point", words.say("check." + check.name() + ".point", args))));
            }
        }
        return notes;
    }

    private List<String> numbered(String prefix) {
        List<String> points = new ArrayList<>();
        for (int i = 1; words.keys().contains(prefix + i); i++) {
            points.add(words.say(prefix + i));
        }
        return points;
    }

    private String joined(List<ReadingRole> roles) {
        List<String> names = roles.stream()
                .map(role -> words.name(role.name()).toLowerCase(java.util.Locale.ROOT))
                .toList();
        if (names.size() == 1) {
            return names.get(0);
        }
        return String.join(", ", names.subList(0, names.size() - 1)) + " " + words.say("and") + " "
                + names.get(names.size() - 1);
    }

    /** Returns a time as minutes and seconds. */
    String duration(double seconds) {
        long whole = (long) Math.ceil(seconds);
        return whole < 90
                ? words.say("time.seconds", Map.of("s", Long.toString(whole)))
                : words.say("time.minutes", Map.of("m", Long.toString(whole / 60), "s", whole % 60));
    }

    /** Returns where the power goes, with what is known of it. */
    static String detail(Termination termination, Words words, RunState state) {
        if (termination instanceof org.tubrin.core.station.Load load) {
            return Figures.plain(load.resistanceColdOhm(), 1) + "\u2009Ω";
        }
        return words.name(state.setup().band().name());
    }
}
