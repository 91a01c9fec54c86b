package org.tubrin.server.run;

import java.time.Instant;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Component;
import org.tubrin.core.advice.Advice;
import org.tubrin.core.advice.Following;
import org.tubrin.core.advice.KeyClock;
import org.tubrin.core.advice.ModeGuard;
import org.tubrin.core.advice.Move;
import org.tubrin.core.advice.NextMove;
import org.tubrin.core.alc.SoundPath;
import org.tubrin.core.foresee.Ahead;
import org.tubrin.core.foresee.Expected;
import org.tubrin.core.foresee.SchoolEnd;
import org.tubrin.core.metering.Accuracy;
import org.tubrin.core.metering.Channel;
import org.tubrin.core.metering.Indication;
import org.tubrin.core.metering.ReadingRole;
import org.tubrin.core.run.Admission;
import org.tubrin.core.run.Conditions;
import org.tubrin.core.run.Control;
import org.tubrin.core.run.Ladder;
import org.tubrin.core.run.Preflight;
import org.tubrin.core.run.RecordTwin;
import org.tubrin.core.run.Replay;
import org.tubrin.core.run.RunEvent;
import org.tubrin.core.run.RunKind;
import org.tubrin.core.run.RunState;
import org.tubrin.core.run.School;
import org.tubrin.core.run.ScopeSteps;
import org.tubrin.core.run.TuneSetup;
import org.tubrin.core.signs.Sign;
import org.tubrin.core.signs.Signs;
import org.tubrin.core.station.Antenna;
import org.tubrin.core.station.Load;
import org.tubrin.core.station.Meter;
import org.tubrin.core.station.Pad;
import org.tubrin.core.tank.Dial;
import org.tubrin.server.station.Stations;
import org.tubrin.server.words.Figures;
import org.tubrin.server.words.Levels;
import org.tubrin.server.words.Words;

/** Makes the one view of a run from its state at a moment. */
@Component
class RunViewer {
    private static final String OHM_GAP = "\u2009";
    /** Plates below this share of their rated heat are not worth a word. */
    private static final double WARM_SHARE = 0.05;

    private final Words words;
    private final AdviceWords adviceWords;
    private final SignWords signWords;
    private final StepViewer stepViewer;
    private final OnAirWords onAir;
    private final Stations stations;
    private final LevelViewer levels;
    private final LevelProfiles profiles;
    private final BiasViewer bias;
    private final MatchViewer matches;
    private final ChainClimbViewer chains;
    private final ScopeViewer scopes;
    private final VoltsViewer volts;
    private final ResonanceViewer resonances;
    private final WattmetersViewer wattmeters;

    RunViewer(
            Words words,
            AdviceWords adviceWords,
            SignWords signWords,
            StepViewer stepViewer,
            OnAirWords onAir,
            Stations stations,
            LevelViewer levels,
            LevelProfiles profiles,
            BiasViewer bias,
            MatchViewer matches,
            ChainClimbViewer chains,
            ScopeViewer scopes,
            VoltsViewer volts,
            ResonanceViewer resonances,
            WattmetersViewer wattmeters) {
        this.wattmeters = wattmeters;
        this.volts = volts;
        this.resonances = resonances;
        this.chains = chains;
        this.scopes = scopes;
        this.matches = matches;
        this.bias = bias;
        this.levels = levels;
        this.profiles = profiles;
        this.stations = stations;
        this.words = words;
        this.adviceWords = adviceWords;
        this.signWords = signWords;
        this.stepViewer = stepViewer;
        this.onAir = onAir;
    }

    /**
     * Returns the view of a run.
     *
     * @param onward stands where the run stands, and is used up
     */
    RunView view(UUID id, RunState state, Replay onward, Instant now) {
        TuneSetup setup = state.setup();
        Advice advice = NextMove.of(state, now);
        KeyClock clock = KeyClock.of(state, now);
        RunState.Phase phase = state.phase(now);
        List<RunView.StepView> steps = new ArrayList<>();
        for (int i = 0; i < state.steps().size(); i++) {
            steps.add(stepViewer.view(state, state.steps().get(i), i, Optional.empty()));
        }
        boolean ended = state.ending().isPresent();
        return new RunView(
                new RunView.Moment(id, state.sequence(), phase, state.startedAt(), now),
                about(state),
                new RunView.Climb(
                        line(state, phase, clock),
                        stepViewer.rows(state),
                        steps,
                        stepViewer.view(state, state.draft(), state.steps().size(), advice.expect()),
                        stepViewer.rooms(state.step(state.placeInFocus()), state.placeInFocus()),
                        signs(state),
                        dials(state, advice),
                        levels.view(state).orElse(null),
                        bias.view(state).orElse(null),
                        matches.view(state).orElse(null),
                        chains.view(state).orElse(null),
                        scopes.view(state).orElse(null),
                        volts.view(state).orElse(null),
                        resonances.view(state).orElse(null),
                        wattmeters.view(state).orElse(null)),
                new RunView.Doing(
                        adviceWords.view(advice, state, clock),
                        Following.after(state, onward, advice, now)
                                .map(after -> adviceWords.view(NextMove.of(after, now), after, KeyClock.of(after, now)))
                                .orElse(null),
                        clock(state, clock),
                        new RunView.WarmView(
                                state.heatersOnSince().orElse(null),
                                state.warmUpWholeS(),
                                state.warmUpLeftS(now),
                                setup.settings().warmUpSpeed()),
                        adviceWords.checks(Preflight.of(setup), state, now),
                        adviceWords.checks(state.closingChecks(), state, now),
                        ended ? List.of() : setup.stage().seenSigns(),
                        ended ? List.of() : corrections(state, now)),
                new RunView.Beside(
                        adviceWords.notes(state),
                        conditions(state),
                        onAir.points(state),
                        ended && setup.stage().amplifies()
                                ? ModeGuard.of(state).stream()
                                        .map(row -> guard(state.setup(), row))
                                        .toList()
                                : List.of(),
                        ended ? schoolEnds(state) : List.of()));
    }

    /** Returns what is told at once of a run whose meters are about to be read: the same as its view says then. */
    RunView.IfRead ifRead(UUID id, long sequence, RunState read) {
        return new RunView.IfRead(
                id,
                sequence,
                stepViewer.view(read, read.draft(), read.steps().size(), Optional.empty()),
                stepViewer.rooms(read.step(read.placeInFocus()), read.placeInFocus()),
                signs(read));
    }

    private RunView.About about(RunState state) {
        TuneSetup setup = state.setup();
        boolean ended = state.ending().isPresent();
        Map<String, Object> names = new HashMap<>(Map.of(
                "band", words.name(setup.band().name()),
                "amplifier", setup.amplifier().name(),
                "termination", setup.termination().name(),
                "school", words.name(state.school().name()),
                "exciter", setup.exciter().name(),
                "mode", words.name(setup.carrier().name()),
                "step", state.steps().size() + (ended ? 0 : 1)));
        names.put("use", setup.use().name());
        names.put(
                "wanted",
                setup.customs()
                        .wantedOutputW()
                        .map(wanted -> Figures.plain(wanted, 0))
                        .orElse(""));
        setup.customs()
                .chain()
                .ifPresent(plan -> names.put(
                        "generator", Figures.plain(plan.chain().generator().powerW(), 3)));
        setup.customs().scope().ifPresent(plan -> {
            names.put("drive", Levels.watts(plan.driveW()));
            names.put("output", Levels.watts(plan.outputW()));
        });
        return new RunView.About(
                words.say(title(setup.stage().kind()), names),
                words.say(subtitle(setup.stage().kind(), ended), names),
                words.name(setup.band().name()),
                setup.frequencyHz(),
                setup.amplifier().name(),
                setup.termination().name(),
                setup.exciter().name(),
                setup.carrier(),
                setup.stage().kind(),
                state.school(),
                words.name(state.school().name()),
                setup.use(),
                ended ? List.of() : schools(state),
                setup.station().licenceLimitW(),
                !setup.stage().amplifies() ? List.of() : Ladder.drivesW(setup, state.school()),
                setup.readings(),
                RecordTwin.of(setup).isPresent());
    }

    private static String subtitle(RunKind kind, boolean ended) {
        String key = switch (kind) {
            case TUNE_UP, DRIVE_TABLE -> "run.subtitle";
            case ALC -> "run.subtitle.alc";
            case BIAS -> "run.subtitle.bias";
            case MATCHER -> "run.subtitle.matcher";
            case CHAIN -> "run.subtitle.chain";
            case WAVEFORM -> "run.subtitle.wave";
            case SUPPLY_TABLE -> "run.subtitle.volts";
            case RESONANCE -> "run.subtitle.resonance";
        };
        return ended ? key + ".ended" : key;
    }

    private static String title(RunKind kind) {
        return switch (kind) {
            case TUNE_UP -> "run.title";
            case DRIVE_TABLE -> "run.title.untuned";
            case ALC -> "run.title.alc";
            case BIAS -> "run.title.bias";
            case MATCHER -> "run.title.matcher";
            case CHAIN -> "run.title.chain";
            case WAVEFORM -> "run.title.wave";
            case SUPPLY_TABLE -> "run.title.volts";
            case RESONANCE -> "run.title.resonance";
        };
    }

    /** Returns the meters in use whose records were corrected, where the run can go on with what they say now. */
    private List<RunView.CorrectionView> corrections(RunState state, Instant now) {
        return stations.readableEquipment().stream()
                .filter(kept -> kept.equipment() instanceof Meter meter && isCorrected(state, meter, now))
                .map(kept ->
                        new RunView.CorrectionView(kept.id(), kept.equipment().name()))
                .toList();
    }

    private static boolean isCorrected(RunState state, Meter record, Instant now) {
        Meter meter = state.setup().inPositionsInUse(record);
        return state.setup().meters().stream().anyMatch(used -> used.name().equals(meter.name()) && !used.equals(meter))
                && Admission.refusals(state, new RunEvent.MeterCorrected(meter), now)
                        .isEmpty();
    }

    /** Returns the schools that the run may go on by. */
    private List<RunView.SchoolName> schools(RunState state) {
        return state.setup().suited().stream()
                .filter(school -> school != School.PULSED || state.setup().readsPeaks())
                .map(school -> new RunView.SchoolName(school, words.name(school.name())))
                .toList();
    }

    private List<RunView.SchoolEndView> schoolEnds(RunState state) {
        if (!state.setup().stage().isTuned()) {
            return List.of();
        }
        double driveW = state.lastStep().map(step -> step.driveW().value()).orElse(0.0);
        return SchoolEnd.of(state.setup(), driveW).stream()
                .map(end -> new RunView.SchoolEndView(
                        String.join(
                                ", ",
                                end.schools().stream()
                                        .map(school -> words.name(school.name()))
                                        .toList()),
                        Figures.dial(end.place().plate()),
                        Figures.dial(end.place().load()),
                        end.place().point().outputW(),
                        end.place().point().meters().gridCurrentA(),
                        end.place().point().powers().plateHeatPerTubeW(),
                        end.thirdDb().orElse(null)))
                .toList();
    }

    private List<RunView.SignView> signs(RunState state) {
        int place = state.placeInFocus();
        List<Sign> signs = new ArrayList<>();
        Signs.reported(state).ifPresent(signs::add);
        signs.addAll(Signs.of(state.step(place), state.stepBefore(place)));
        return signs.stream().map(signWords::view).toList();
    }

    private List<RunView.Node> line(RunState state, RunState.Phase phase, KeyClock clock) {
        TuneSetup setup = state.setup();
        String drive = state.draft()
                .position(Control.DRIVE)
                .map(driveW -> Figures.plain(driveW, 2) + OHM_GAP + "W")
                .orElse("");
        List<RunView.Node> nodes = new ArrayList<>();
        setup.customs().sound().ifPresent(path -> nodes.add(soundNode(state, path)));
        String carrier = words.say(
                setup.stage().kind() == RunKind.ALC ? "line.mode" : "line.carrier",
                Map.of("mode", words.name(setup.carrier().name())));
        String exciter = state.draft()
                .position(Control.DRIVE)
                .map(driveW -> AdviceWords.exciterShows(setup, driveW))
                .orElse("");
        nodes.add(new RunView.Node(
                setup.exciter().name(),
                setup.stage().kind() == RunKind.BIAS
                        ? words.say("line.silent")
                        : exciter.isEmpty() ? carrier : exciter + ", " + carrier,
                false,
                exciter));
        if (setup.stage().kind() == RunKind.CHAIN) {
            nodes.add(new RunView.Node(
                    words.name(Control.ATTENUATOR.name()),
                    state.draft()
                            .position(Control.ATTENUATOR)
                            .map(db -> Figures.plain(db, 1) + OHM_GAP + "dB")
                            .orElse("–"),
                    false,
                    ""));
        }
        setup.pad().ifPresent(pad -> nodes.add(padNode(state, pad, drive)));
        nodes.add(new RunView.Node(setup.amplifier().name(), amplifier(state, phase), false, ""));
        for (ReadingRole role : List.of(ReadingRole.OUTPUT, ReadingRole.OTHER_OUTPUT)) {
            setup.channelFor(role).ifPresent(channel -> nodes.add(meterNode(state, channel)));
        }
        nodes.add(terminationNode(state, clock));
        return nodes;
    }

    /** What is to be said of the amplifier; without RF it is on no band. */
    private String amplifier(RunState state, RunState.Phase phase) {
        String band = words.name(state.setup().band().name());
        String warmth = words.say("line." + warmth(state, phase));
        boolean ended = state.ending().isPresent();
        if (state.setup().stage().kind() == RunKind.BIAS) {
            return ended ? words.say("line.silent") : warmth;
        }
        return ended ? band : band + ", " + warmth;
    }

    private RunView.Node soundNode(RunState state, SoundPath path) {
        String level = state.draft()
                .position(Control.LEVEL)
                .map(share -> words.say("line.level", Map.of("level", LevelViewer.percent(share))))
                .orElse(path.device());
        return new RunView.Node(path.program(), level, false, words.say("line.sound"));
    }

    private RunView.Node padNode(RunState state, Pad pad, String drive) {
        String heat = state.draft()
                .position(Control.DRIVE)
                .map(driveW ->
                        ", " + words.say("line.padHeat", Map.of("heat", Figures.plain(pad.inputW(driveW) - driveW, 1))))
                .orElse("");
        return new RunView.Node(
                pad.name(), Figures.plain(pad.attenuationDb(), 2) + OHM_GAP + "dB" + heat, false, drive);
    }

    private static String warmth(RunState state, RunState.Phase phase) {
        if (state.setup().stage().kind() == RunKind.ALC) {
            return "bypassed";
        }
        if (state.setup().stage().kind() == RunKind.MATCHER
                && state.draft().position(Control.POWER_AMPLIFIER).orElse(0.0) <= 0) {
            return "bypassed";
        }
        if (ScopeSteps.look(state.draft()).filter(look -> !look.amplifies()).isPresent()) {
            return "bypassed";
        }
        return switch (phase) {
            case PREFLIGHT -> state.setup().stage().isTuned() ? "cold" : "standby";
            case WARMING -> state.heatersOnSince().isPresent() ? "warming" : "cold";
            case CLIMBING, FINISHING, CLOSING, WRITING, FINISHED, ABANDONED ->
                state.isKeyed() ? "keyed" : state.setup().stage().isTuned() ? "warm" : "ready";
        };
    }

    private RunView.Node meterNode(RunState state, Channel channel) {
        ReadingRole role = channel.role();
        String range = state.ranges().getOrDefault(role, "");
        double bound = channel.accuracy() instanceof Accuracy.OfFullScale scale
                ? scale.fraction()
                : ((Accuracy.OfReading) channel.accuracy()).fraction();
        String detail = words.say("line.meter", Map.of("range", range, "class", Figures.plain(100 * bound, 1)));
        if (channel.indication() != Indication.AVERAGE) {
            // The hand has to have put a switch there.
            detail = words.say("indication." + channel.indication().name()) + ", " + detail;
        }
        String swr = "";
        if (state.setup().termination() instanceof Load load) {
            swr = words.say("line.swr", Map.of("swr", Figures.fixed(load.swr(), 2)));
        } else if (state.setup().termination() instanceof Antenna antenna) {
            swr = antenna.swrAt(state.setup().band(), state.setup().frequencyHz())
                    .map(one -> words.say("line.swr", Map.of("swr", Figures.fixed(one, 1))))
                    .orElse("");
        }
        boolean isLast = role == ReadingRole.OTHER_OUTPUT
                || state.setup().channelFor(ReadingRole.OTHER_OUTPUT).isEmpty();
        String name = state.setup().meterFor(role).orElseThrow().name();
        return new RunView.Node(name, detail, false, isLast ? swr : "");
    }

    private RunView.Node terminationNode(RunState state, KeyClock clock) {
        String detail = AdviceWords.detail(state.setup().termination(), words, state);
        boolean going = state.ending().isEmpty();
        boolean hot = going && clock.heat().map(KeyClock.Heat::isHot).orElse(false);
        if (going && clock.heat().isPresent() && !state.keyDowns().isEmpty()) {
            detail += ", " + Figures.plain(clock.heat().get().temperatureC(), 0) + OHM_GAP + "°C";
        }
        return new RunView.Node(state.setup().termination().name(), detail, hot, "");
    }

    private RunView.ClockView clock(RunState state, KeyClock clock) {
        return new RunView.ClockView(
                clock.phase(),
                clock.since(),
                clock.aimS(),
                clock.stopS(),
                finite(clock.restS()),
                clock.lastKeyDownS(),
                clock.heat().map(KeyClock.Heat::temperatureC).orElse(null),
                clock.heat().map(KeyClock.Heat::isHot).orElse(false),
                clock.heat()
                        .filter(heat -> !state.keyDowns().isEmpty())
                        .map(heat -> loadWords(state, heat))
                        .orElse(null),
                clock.plateHeatShare() < WARM_SHARE
                        ? null
                        : words.say("clock.tubes", Map.of("share", Figures.plain(100 * clock.plateHeatShare(), 0))));
    }

    private String loadWords(RunState state, KeyClock.Heat heat) {
        boolean bounded = Double.isFinite(heat.leftAtThisPowerS());
        return words.say(
                bounded ? "clock.load" : "clock.load.always",
                Map.of(
                        "name", state.setup().termination().name(),
                        "temperature", Figures.plain(heat.temperatureC(), 0),
                        "left", bounded ? MoveWords.duration(words, heat.leftAtThisPowerS()) : ""));
    }

    private static @Nullable Double finite(double value) {
        return Double.isFinite(value) ? value : null;
    }

    private List<RunView.DialView> dials(RunState state, Advice advice) {
        Optional<Expected.Aim> aim = state.ending().isEmpty() ? Expected.aim(state) : Optional.empty();
        return state.setup().stage().isTuned()
                ? List.of(
                        dial(
                                Control.PLATE,
                                state,
                                advice,
                                aim.map(Expected.Aim::plate).orElse(null)),
                        dial(
                                Control.LOAD,
                                state,
                                advice,
                                aim.map(Expected.Aim::load).orElse(null)))
                : List.of();
    }

    private RunView.DialView dial(Control control, RunState state, Advice advice, @Nullable Double twinAt) {
        Dial dial = control == Control.PLATE
                ? state.setup().tubes().plate()
                : state.setup().tubes().load();
        Double position = state.draft().position(control).orElse(null);
        Double to = null;
        if (advice.move() instanceof Move.Turn turn && turn.control() == control) {
            to = turn.to();
        } else if (advice.move() instanceof Move.SetDials dials) {
            to = control == Control.PLATE ? dials.plate() : dials.load();
        }
        boolean peaking = advice.move() instanceof Move.KeyAndPeak || advice.move() instanceof Move.PeakAndRead;
        String hint = control == Control.LOAD
                ? words.say("dial.LOAD." + state.setup().tubes().loadSense().name())
                : words.say(peaking ? "dial.PLATE.peak" : "dial.PLATE.hold");
        return new RunView.DialView(
                control,
                dial.least(),
                dial.most(),
                dial.markStep(),
                position,
                position == null ? null : Figures.dial(position),
                to,
                twinAt,
                hint);
    }

    private @Nullable String conditions(RunState state) {
        List<String> parts = new ArrayList<>();
        Conditions conditions = state.conditions();
        conditions
                .lineVoltageV()
                .ifPresent(one -> parts.add(words.say("conditions.line", Map.of("v", Figures.plain(one, 0)))));
        conditions
                .ambientC()
                .ifPresent(one -> parts.add(words.say("conditions.room", Map.of("c", Figures.plain(one, 1)))));
        conditions
                .restingPlateCurrentA()
                .ifPresent(one -> parts.add(words.say("conditions.resting", Map.of("a", Figures.plain(one, 3)))));
        return parts.isEmpty() ? null : String.join(", ", parts);
    }

    /** What is known of the level of a mode that takes sound. */
    private @Nullable String level(TuneSetup setup, ModeGuard row) {
        if (!row.mode().takesSound()) {
            return null;
        }
        return profiles.of(setup.exciter().name(), row.mode(), setup.band())
                .map(kept -> kept.isShut()
                        ? words.say(kept.changed().isPresent() ? "level.guard.changed" : "level.guard.shut")
                        : levels.brief(kept.profile()).orElse(null))
                .orElse(words.say("level.guard.none"));
    }

    private RunView.GuardView guard(TuneSetup setup, ModeGuard row) {
        String most = Figures.plain(row.mostW(), 1);
        String says = words.say(
                row.above() ? "guard.down" : "guard.within",
                Map.of("most", most, "by", Figures.plain(row.setW() - row.mostW(), 1)));
        return new RunView.GuardView(
                words.name(row.mode().name()),
                Figures.plain(row.setW(), 1),
                most,
                row.outputW().map(output -> Figures.plain(output, 0)).orElse(null),
                row.above(),
                row.heat()
                        .filter(ModeGuard.LongCarrier::isHotter)
                        .map(heat -> words.say(
                                "guard.hotter",
                                Map.of(
                                        "says", says,
                                        "heat", Figures.plain(heat.plateHeatPerTubeW(), 0),
                                        "tuned", Figures.plain(heat.tunedHeatPerTubeW(), 0))))
                        .orElse(says),
                level(setup, row));
    }

    /** Returns what the twin says of the end of a run that has not begun. */
    List<RunPreview.Line> ahead(Ahead ahead) {
        return ahead.end().stream().map(stepViewer::ahead).toList();
    }
}
