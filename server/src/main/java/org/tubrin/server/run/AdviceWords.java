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
import org.tubrin.core.bias.BiasClimb;
import org.tubrin.core.bias.BiasPlan;
import org.tubrin.core.chain.ChainClimb;
import org.tubrin.core.foresee.TwinLearning;
import org.tubrin.core.matcher.Matching;
import org.tubrin.core.metering.ReadingRole;
import org.tubrin.core.metering.ScaleUnit;
import org.tubrin.core.run.BiasSteps;
import org.tubrin.core.run.Check;
import org.tubrin.core.run.Ladder;
import org.tubrin.core.run.LoadVolts;
import org.tubrin.core.run.Preflight;
import org.tubrin.core.run.RunKind;
import org.tubrin.core.run.RunState;
import org.tubrin.core.run.TuneSetup;
import org.tubrin.core.station.Antenna;
import org.tubrin.core.station.Stage;
import org.tubrin.core.station.Termination;
import org.tubrin.server.words.Figures;
import org.tubrin.server.words.Levels;
import org.tubrin.server.words.Words;

/** Puts advice, points and signs into words. */
@Component
public class AdviceWords {
    private static final double PERCENT = 100;

    private final Words words;

    AdviceWords(Words words) {
        this.words = words;
    }

    /** Returns advice in words. */
    public RunView.AdviceView view(Advice advice, RunState state, KeyClock clock) {
        Map<String, Object> args = setupArgs(state.setup());
        args.put("range", state.ranges().getOrDefault(ReadingRole.OUTPUT, ""));
        MoveWords.Said said = advice.move().in(new MoveWords(words, state, args));
        BiasScale.of(state.setup())
                .ifPresent(scale -> BiasSteps.ceiling(state.setup(), state.steps())
                        .ifPresent(ceiling -> args.put("stop", scale.words(ceiling.most()))));
        args.put("aimS", Figures.plain(clock.aimS(), 0));
        args.put("growth", Figures.plain(state.setup().settings().saturationGrowth(), 1));
        args.put("target", args.getOrDefault("target", ""));
        advice.about().ifPresent(sign -> args.put("signTitle", words.say("sign." + sign.name() + ".title")));
        args.put("wideDuty", Figures.plain(PERCENT * state.setup().settings().wideDutyFraction(), 0));
        return new RunView.AdviceView(
                said.code(),
                words.say(ofStage(said.key(), args), args),
                why(advice, said, args),
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
                said.lookAt(),
                button(said.code(), args),
                said.control(),
                said.from(),
                said.to(),
                said.leftS(),
                said.missing(),
                said.code() == MoveCode.ENTER_READINGS || said.code() == MoveCode.SWITCH_AND_READ
                        ? state.mayLeave()
                        : List.of(),
                meterSwitch(said.code(), state),
                stops(said.code(), state),
                said.check() != null && said.check().isOfTheSignal() ? said.check() : null);
    }

    private @Nullable String meterSwitch(MoveCode code, RunState state) {
        return !isPeaking(code)
                ? null
                : state.draft()
                        .meterSwitch()
                        .map(role -> words.say(
                                "meterSwitch",
                                Map.of(
                                        "instrument",
                                        state.setup()
                                                .meterFor(role)
                                                .orElseThrow()
                                                .name(),
                                        "reading",
                                        words.nameWithin(role.name()))))
                        .orElse(null);
    }

    private static boolean isPeaking(MoveCode code) {
        return code == MoveCode.KEY_AND_PEAK || code == MoveCode.PEAK_AND_READ;
    }

    /** Every move that turns a knob under power carries its stops. */
    private List<RunView.StopView> stops(MoveCode code, RunState state) {
        return !isPeaking(code)
                ? List.of()
                : state.stopsInView().stream()
                        .map(stop -> {
                            ScaleUnit scale = state.setup()
                                    .channelFor(stop.role())
                                    .orElseThrow()
                                    .scaleUnit();
                            return new RunView.StopView(
                                    stop.role(),
                                    words.name(stop.role().name()),
                                    Figures.mark(stop.shows() / scale.inUnit()) + "\u2009" + scale.symbol());
                        })
                        .toList();
    }

    private String why(Advice advice, MoveWords.Said said, Map<String, Object> args) {
        if (said.check() != null) {
            return words.say(ofStage("check." + said.check().name() + ".why", args), args);
        }
        String reason = words.say(ofStage("reason." + advice.reason().name(), args), args);
        return said.code() == MoveCode.WRITE_DOWN
                ? words.say(ofStage("climbEnd." + args.get("climbEnd"), args), args) + " " + reason
                : reason;
    }

    /** Returns the key of a sentence that is another one for the kind of run, where it is. */
    private String ofStage(String key, Map<String, Object> args) {
        String other = key + args.get("kind");
        return words.has(other) ? other : key;
    }

    private static String kind(RunKind kind) {
        return switch (kind) {
            case TUNE_UP -> "";
            case DRIVE_TABLE -> ".untuned";
            case ALC -> ".alc";
            case BIAS -> ".bias";
            case MATCHER -> ".matcher";
            case CHAIN -> ".chain";
            case WAVEFORM -> ".wave";
            case SUPPLY_TABLE -> ".volts";
            case RESONANCE -> ".resonance";
        };
    }

    private @Nullable String button(MoveCode code, Map<String, Object> args) {
        String key = ofStage("button." + code, args);
        return words.has(key) ? words.say(key) : null;
    }

    /** Returns what a setup lends to any sentence. */
    private Map<String, Object> setupArgs(TuneSetup setup) {
        Map<String, Object> args = new HashMap<>();
        args.put("kind", kind(setup.stage().kind()));
        setup.customs().sound().ifPresent(path -> {
            args.put("program", path.program());
            args.put("device", path.device());
            args.put("volume", path.systemVolume().map(LevelViewer::percent).orElse("none"));
        });
        setup.customs().scope().ifPresent(plan -> {
            LoadVolts.ofW(setup, plan.outputW()).ifPresent(volts -> args.put("outputVpp", Levels.volts(volts)));
            args.put("planDrive", Levels.watts(plan.driveW()));
        });
        setup.customs().bias().ifPresent(plan -> {
            args.put("sensed", plan.sense().isPresent() ? "yes" : "no");
            args.put("supplyMost", Figures.plain(plan.supplyLimitA(), 2));
            args.put("gateMost", Figures.plain(BiasPlan.GATE_LIMIT_V, 1));
            args.put("rise", Figures.plain(PERCENT * BiasClimb.RISE_STOP, 0));
            BiasScale.of(setup).ifPresent(scale -> args.put("unit", scale.unit().symbol()));
        });
        setup.amplifier().matcher().ifPresent(matcher -> {
            args.put("matcherLeast", Figures.plain(matcher.leastW(), 1));
            args.put("matcherMost", Figures.plain(matcher.mostW(), 1));
            args.put("matchedSwr", Figures.plain(Matching.MATCHED_SWR, 1));
            args.put("amplified", Figures.plain(Matching.AMPLIFIED, 1));
            args.put("cable", matcher.switchesByHand() ? "no" : "yes");
        });
        setup.customs().chain().ifPresent(plan -> {
            args.put("generator", Figures.plain(plan.chain().generator().powerW(), 3));
            args.put("gateMoves", Figures.plain(ChainClimb.GATE_MOVES_V, 1));
        });
        setup.customs().resonance().ifPresent(plan -> {
            args.put("witness", plan.witness().name());
            args.put("agrees", Figures.plain(plan.agreesAt(), 1));
        });
        args.put("amplifier", setup.amplifier().name());
        args.put("exciter", setup.exciter().name());
        args.put(
                "translated",
                setup.pad().isPresent() || setup.exciter().percent(1).isPresent() ? "yes" : "no");
        setup.pad().ifPresent(pad -> {
            args.put("pad", pad.name());
            args.put("attenuation", Figures.plain(pad.attenuationDb(), 2));
            args.put("exciterMost", Figures.plain(setup.exciter().powerMaxW(), 0));
            args.put("paddedMost", Figures.plain(pad.outputW(setup.exciter().powerMaxW()), 2));
        });
        args.put("termination", setup.termination().name());
        args.put("band", words.name(setup.band().name()));
        setup.amplifier().stage().in(new OfStage(words, args));
        args.put("rated", Figures.plain(setup.amplifier().ratedOutputW(), 0));
        // An AM carrier may be a quarter of what peaks may be.
        args.put(
                "ratedHere",
                Figures.plain(
                        setup.stage().mostOutputW().orElse(setup.amplifier().ratedOutputW()), 0));
        args.put("most", Figures.plain(setup.mostOutputW(), 0));
        args.put(
                "wanted",
                setup.customs()
                        .wantedOutputW()
                        .map(wanted -> Figures.plain(wanted, 1))
                        .orElse("none"));
        args.put("driveLimit", Figures.plain(setup.driveLimitW(), 2));
        args.put("carrier", words.name(setup.carrier().name()));
        args.put("carrierMost", Figures.plain(setup.mostDriveW(), 1));
        args.put(
                "fuller",
                setup.fullerCarrier().map(mode -> words.name(mode.name())).orElse("none"));
        args.put("licence", Figures.plain(setup.station().licenceLimitW(), 0));
        args.put("delay", Figures.plain(1000 * setup.exciter().trDelayS(), 0));
        args.put("delayNeeded", Figures.plain(1000 * Preflight.trDelayNeededS(setup), 0));
        args.put("relayMargin", Figures.plain(1000 * Preflight.RELAY_MARGIN_S, 0));
        args.put(
                "relay",
                setup.amplifier()
                        .relayTimeS()
                        .map(time -> Figures.plain(1000 * time, 0))
                        .orElse("unknown"));
        args.put("matchPower", Figures.plain(Preflight.matchPowerW(setup), 1));
        args.put(
                "firstExciter",
                exciterShows(setup, Ladder.drivesW(setup, setup.school()).get(0)));
        Optional<Double> swr = setup.termination() instanceof Antenna antenna
                ? antenna.swrAt(setup.band(), setup.frequencyHz())
                : Optional.empty();
        args.put("swr", swr.map(one -> Figures.fixed(one, 1)).orElse("none"));
        setup.meterFor(ReadingRole.OUTPUT).ifPresent(meter -> args.put("meter", meter.name()));
        return args;
    }

    /** What a stage lends to any sentence. */
    private record OfStage(Words words, Map<String, Object> args) implements Stage.Cases<Boolean> {
        @Override
        public Boolean tubes(Stage.Tubes tubes) {
            args.put("tube", tubes.tube().name());
            args.put("tubes", tubes.tubeCount());
            args.put("plateLimit", Figures.plain(tubes.plateCurrentLimitA(), 3));
            args.put("gridLimit", Figures.plain(tubes.gridCurrentLimitA(), 3));
            args.put("heatLimit", Figures.plain(tubes.plateDissipationPerTubeW(), 0));
            args.put("restVolts", Figures.plain(tubes.plateVoltageRestDcV(), 0));
            args.put("restCurrent", Figures.plain(tubes.restingPlateCurrentA(), 3));
            args.put("heavierIs", words.say("sense." + tubes.loadSense().name()));
            return true;
        }

        @Override
        public Boolean transistors(Stage.Transistors transistors) {
            args.put("supplyVolts", Figures.plain(transistors.supplyVoltageDcV(), 1));
            args.put("supplyLimit", Figures.plain(transistors.supplyCurrentLimitA(), 1));
            return true;
        }

        @Override
        public Boolean switching(Stage.Switching switching) {
            args.put("supplyVolts", Figures.plain(switching.mostSupplyDcV(), 1));
            args.put("supplyLeast", Figures.plain(switching.leastSupplyDcV(), 1));
            args.put("supplyLimit", Figures.plain(switching.supplyCurrentLimitA(), 1));
            args.put("fixedDrive", Figures.plain(switching.driveW(), 2));
            return true;
        }
    }

    /** Returns the points of a list with whether each is answered, and whether its moment has come. */
    List<RunView.CheckView> checks(List<Check> points, RunState state, Instant now) {
        Map<String, Object> args = setupArgs(state.setup());
        args.put("range", state.ranges().getOrDefault(ReadingRole.OUTPUT, ""));
        return points.stream()
                .map(point -> new RunView.CheckView(
                        point.name(),
                        words.say(ofStage("check." + point.name() + ".point", args), args),
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

    /** Returns where the power goes, with what is known of it. */
    static String detail(Termination termination, Words words, RunState state) {
        if (termination instanceof org.tubrin.core.station.Load load) {
            return Figures.plain(load.resistanceColdOhm(), 1) + "\u2009Ω";
        }
        return words.name(state.setup().band().name());
    }

    /** Returns what the exciter shows where it is set for a drive at the amplifier, with its unit. */
    static String exciterShows(TuneSetup setup, double driveW) {
        double exciterW = setup.exciterOfW(driveW);
        return setup.exciter()
                .percent(exciterW)
                .map(percent -> Figures.plain(percent, 1) + " %")
                .orElseGet(() -> Figures.plain(exciterW, 2) + " W");
    }
}
