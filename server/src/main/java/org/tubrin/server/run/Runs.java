package org.tubrin.server.run;

import java.time.Clock;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import java.util.function.BiFunction;
import org.springframework.stereotype.Service;
import org.springframework.web.servlet.mvc.method.annotation.SseEmitter;
import org.tubrin.core.foresee.Ahead;
import org.tubrin.core.metering.NumberEntry;
import org.tubrin.core.metering.ReadingRole;
import org.tubrin.core.quantity.Allowed;
import org.tubrin.core.quantity.Problem;
import org.tubrin.core.quantity.ProblemCode;
import org.tubrin.core.quantity.Refused;
import org.tubrin.core.quantity.Unit;
import org.tubrin.core.run.Customs;
import org.tubrin.core.run.OwnPace;
import org.tubrin.core.run.Preset;
import org.tubrin.core.run.ReadingSource;
import org.tubrin.core.run.RecordTwin;
import org.tubrin.core.run.Recorded;
import org.tubrin.core.run.Replay;
import org.tubrin.core.run.RunEvent;
import org.tubrin.core.run.RunState;
import org.tubrin.core.run.Rungs;
import org.tubrin.core.run.School;
import org.tubrin.core.run.Taken;
import org.tubrin.core.run.TuneSettings;
import org.tubrin.core.run.TuneSetup;
import org.tubrin.core.run.Use;
import org.tubrin.core.station.Amplifier;
import org.tubrin.core.station.ChartRow;
import org.tubrin.core.station.Exciter;
import org.tubrin.core.station.Meter;
import org.tubrin.core.station.Pad;
import org.tubrin.core.station.Stage;
import org.tubrin.core.station.Station;
import org.tubrin.core.station.Termination;
import org.tubrin.server.card.Cards;
import org.tubrin.server.station.Stations;
import org.tubrin.server.web.NotThere;
import org.tubrin.server.web.Stale;
import org.tubrin.server.words.Figures;
import org.tubrin.server.words.Words;

/** Begins runs and takes acts: reads, derives with the core, and appends in one transaction. */
@Service
public class Runs {
    private static final int KEY_UP_ATTEMPTS = 5;

    private final RunStore store;
    private final Stations stations;
    private final Cards cards;
    private final RunViewer viewer;
    private final LiveActs live;
    private final OwnPaces paces;
    private final RunLive watchers;
    private final Words words;
    private final Clock clock;

    Runs(
            RunStore store,
            Stations stations,
            Cards cards,
            RunViewer viewer,
            LiveActs live,
            OwnPaces paces,
            RunLive watchers,
            Words words,
            Clock clock) {
        this.store = store;
        this.stations = stations;
        this.cards = cards;
        this.viewer = viewer;
        this.live = live;
        this.paces = paces;
        this.watchers = watchers;
        this.words = words;
        this.clock = clock;
    }

    /** Returns a run as it stands now. */
    public RunView view(UUID runId) {
        KnownRun known = store.known(runId);
        return viewer.view(runId, known.state(), known.replay(), clock.instant());
    }

    /** Returns what is live of a run now. */
    public RunLive.LiveFrame frame(UUID runId) {
        return watchers.frame(runId, store.known(runId));
    }

    /** Moves something on the simulated bench that a run is on. */
    void moveOnBench(UUID runId, BenchRequest request) {
        live.move(store.state(runId), request);
    }

    /** Begins to send what is live of a run to a page. */
    public SseEmitter watch(UUID runId) {
        return watchers.watch(runId, store.known(runId));
    }

    /** Begins a run; where one of that id was begun before, returns it. */
    public RunView begin(StartRequest request) {
        TuneSetup setup = setup(request);
        Recorded first = new Recorded(1, clock.instant(), new RunEvent.Started(setup));
        live.prepare(Replay.of(List.of(first)));
        try {
            store.begin(request.runId(), request.runId(), List.of(first));
        } catch (Stale e) {
            return view(request.runId());
        }
        return view(request.runId());
    }

    /** Returns what a run would be like, without beginning it. */
    public RunPreview preview(StartRequest request) {
        TuneSetup setup = setup(request);
        Ahead ahead = Ahead.of(setup);
        return new RunPreview(
                ahead.rungs().stream()
                        .map(rung -> new RunPreview.Rung(
                                rung.driveW(), rung.outputW().orElse(null)))
                        .toList(),
                setup.stage().isTuned()
                        ? new RunPreview.Dials(
                                Figures.plain(setup.preset().plate(), 2),
                                Figures.plain(setup.preset().load(), 2),
                                words.say("preset." + setup.preset().source().name()))
                        : null,
                viewer.ahead(ahead),
                ahead.carrierS(),
                setup.licenceW(),
                setup.use() == Use.LONG_CARRIER ? setup.climbsToW() : null,
                setup.settings().keyDownAimS(),
                setup.settings().keyDownStopS(),
                setup.settings().restS(),
                ownRuns(request, setup));
    }

    /** Returns by how many of the operator's own runs the aim goes; 0 where it is typed, or the customary one. */
    private int ownRuns(StartRequest request, TuneSetup setup) {
        boolean isOwn = setup.school().hasDials()
                && (request.pace() == null || request.pace().leavesAim())
                && setup.settings().keyDownAimS()
                        > usual(request, setup.amplifier()).keyDownAimS();
        return isOwn ? paces.of(request.source()).map(OwnPace::runs).orElse(0) : 0;
    }

    private static TuneSettings usual(StartRequest request, Amplifier amplifier) {
        return request.school() == School.ALC
                ? TuneSettings.customaryForLevels(amplifier.stage())
                : TuneSettings.customaryFor(amplifier.stage());
    }

    /** Takes an act; one of the same id that was taken before changes nothing. */
    public RunView act(UUID runId, ActRequest request) {
        return take(
                runId,
                request.clientId(),
                request.expectedSequence(),
                (state, now) -> Acts.events(state, request, now, live, id -> equipment(id, Meter.class, "meterId")));
    }

    /** Takes a trace as a scope saved it; one of the same id that was taken before changes nothing. */
    public RunView trace(UUID runId, TraceRequest request) {
        return take(
                runId,
                request.clientId(),
                request.expectedSequence(),
                (state, now) -> List.of(new RunEvent.TraceTaken(TraceText.parse(request.text()))));
    }

    private RunView take(
            UUID runId, UUID clientId, long expectedSequence, BiFunction<RunState, Instant, List<RunEvent>> done) {
        KnownRun known = store.known(runId);
        Replay replay = known.replay();
        RunState state = known.state();
        if (known.holds(clientId)) {
            return viewer.view(runId, state, replay, clock.instant());
        }
        if (state.sequence() != expectedSequence) {
            throw new Stale(runId.toString());
        }
        Instant now = clock.instant().isAfter(state.lastAt()) ? clock.instant() : state.lastAt();
        Taken taken = Taken.by(state, replay, done.apply(state, now), now);
        List<Recorded> added = taken.events();
        if (!added.isEmpty()) {
            try {
                store.append(runId, clientId, added, taken.state());
            } catch (Stale overtaken) {
                // The same act may have come twice at a time: then the other one has taken it.
                if (store.known(runId).holds(clientId)) {
                    return view(runId);
                }
                throw overtaken;
            }
            live.follow(taken.state(), added);
            watchers.changed(runId, taken.state(), replay.copy());
        }
        return viewer.view(runId, taken.state(), replay, now);
    }

    /**
     * Lets the key of the simulated bench go, whatever page asks and wherever its run stands; the run in which it was down
     * notes it, unless that is done already.
     */
    public void keyUp(boolean noted) {
        live.keyUp();
        if (noted) {
            return;
        }
        store.going().ifPresent(runId -> {
            for (int attempt = 0; attempt < KEY_UP_ATTEMPTS; attempt++) {
                RunState state = store.state(runId);
                if (!state.isKeyed() || state.setup().readings() != ReadingSource.BENCH) {
                    return;
                }
                try {
                    take(runId, UUID.randomUUID(), state.sequence(), (at, now) -> List.of(new RunEvent.Unkeyed()));
                    return;
                } catch (Stale overtaken) {
                    // Something else came between; once more from where it stands now.
                }
            }
        });
    }

    private TuneSetup setup(StartRequest request) {
        Station station = stations.station()
                .map(Stations.KeptStation::station)
                .orElseThrow(() -> new Refused(new Problem(ProblemCode.MISSING, "station", "", new Allowed.Nothing())));
        if (request.dialsFor() == Use.LONG_CARRIER && !request.school().hasDials()) {
            throw new Refused(new Problem(
                    ProblemCode.NO_DIALS, "use", words.name(request.school().name()), new Allowed.Nothing()));
        }
        Amplifier named = equipment(request.amplifierId(), Amplifier.class, "amplifier");
        Amplifier switched = request.switchPosition() == null ? named : named.switchedTo(request.switchPosition());
        Termination termination = equipment(request.terminationId(), Termination.class, "termination");
        double frequencyHz = NumberEntry.parseFrequencyHz(
                "frequency", request.frequency(), station.lowestHz(request.band()), station.highestHz(request.band()));
        TuneSettings usual = usual(request, switched);
        TuneSettings own = request.school().hasDials()
                ? paces.of(request.source())
                        .map(pace -> usual.atLeast(pace.keyDownS()))
                        .orElse(usual)
                : usual;
        TuneSettings settings = request.pace() == null ? own : request.pace().in(own);
        Amplifier amplifier = settings.limitMargin()
                .map(margin -> switched.withLimits(1 - margin))
                .orElse(switched);
        Exciter exciter = equipment(request.exciterId(), Exciter.class, "exciter");
        List<Meter> used = request.meters(id -> equipment(id, Meter.class, "meters"));
        List<Meter> meters = TuneSetup.withSecond(used, request.school(), amplifier.ratedOutputW());
        Optional<Preset> known = request.school() != School.ALC && amplifier.stage() instanceof Stage.Tubes tubes
                ? known(request, amplifier, tubes, frequencyHz, termination)
                : Optional.of(Preset.WITHOUT_DIALS);
        TuneSetup setup = new TuneSetup(
                station,
                amplifier,
                exciter,
                request.carrier(),
                meters,
                termination,
                request.band(),
                frequencyHz,
                request.school(),
                known.orElseGet(() -> Preset.unknown((Stage.Tubes) amplifier.stage())),
                request.source() == ReadingSource.BENCH
                        ? live.benchWarmUpSpeed().map(settings::withWarmUpSpeed).orElse(settings)
                        : request.warmUpSpeed() == null ? settings : settings.withWarmUpSpeed(request.warmUpSpeed()),
                Optional.of(request.source()),
                Optional.ofNullable(request.padId()).map(id -> equipment(id, Pad.class, "pad")),
                customs(request, exciter, settings.longCarrierW(amplifier, station)));
        setup.withinDrive();
        return known.isPresent()
                ? setup
                : RecordTwin.preset(setup).map(setup::withPreset).orElse(setup);
    }

    /**
     * Returns how the school is followed in a run; empty where all is customary.
     *
     * @param longCarrierW what is customary for a carrier that stands long, in watts
     */
    private static Optional<Customs> customs(StartRequest request, Exciter exciter, double longCarrierW) {
        Optional<Customs> chosen = switch (request.school()) {
            case ALC -> sound(request, exciter);
            case WAVEFORM -> Optional.ofNullable(request.scope()).map(entry -> Customs.of(entry.plan()));
            case CHAIN -> Optional.ofNullable(request.chain()).map(entry -> Customs.of(entry.plan()));
            case RESONANCE -> Optional.ofNullable(request.resonance()).map(entry -> Customs.of(entry.plan()));
            case SUPPLY_TABLE ->
                practice(request, 0)
                        .or(() -> Optional.of(Customs.CUSTOMARY))
                        .map(customs -> request.modules() == null ? customs : customs.withModules(request.modules()));
            case BIAS -> Optional.ofNullable(request.bias()).map(entry -> Customs.of(entry.plan()));
            case PEAK_THEN_HEAVIER,
                    DIP_AND_LOAD,
                    GRID_TARGET,
                    MAKERS_CHART,
                    TUNE_WHERE_YOU_RUN,
                    PULSED,
                    DRIVE_TABLE,
                    MATCHER -> practice(request, longCarrierW);
        };
        List<ReadingRole> unread = request.unread() == null ? List.of() : request.unread();
        return unread.isEmpty()
                ? chosen
                : Optional.of(chosen.orElse(Customs.CUSTOMARY).leaving(unread));
    }

    /** Returns the dials that card or chart have, within the ends of the scales. */
    private Optional<Preset> known(
            StartRequest request, Amplifier amplifier, Stage.Tubes tubes, double frequencyHz, Termination termination) {
        Optional<Preset> chart = amplifier.chartRow(request.band()).map(Runs::fromChart);
        Optional<Preset> card = cards.preset(amplifier, request.band(), frequencyHz, termination, request.dialsFor());
        return (request.school() == School.MAKERS_CHART ? chart.or(() -> card) : card.or(() -> chart))
                .map(preset -> new Preset(
                        tubes.plate().clamp(preset.plate()), tubes.load().clamp(preset.load()), preset.source()));
    }

    private static Optional<Customs> sound(StartRequest request, Exciter exciter) {
        return Optional.ofNullable(request.sound()).map(entry -> Customs.of(entry.path(exciter)));
    }

    /**
     * Returns what is chosen about how the school is followed; empty where nothing is.
     *
     * @param longCarrierW what is customary for a carrier that stands long, in watts
     */
    private static Optional<Customs> practice(StartRequest request, double longCarrierW) {
        List<Double> own = new ArrayList<>();
        if (request.rungs() == Rungs.OWN && request.ownDrives() != null) {
            for (String text : request.ownDrives().strip().split("[\\s;]+", -1)) {
                own.add(NumberEntry.parsePlain("ownDrives", text, 0.01, 500, Unit.WATT));
            }
        }
        Optional<Double> ceiling = Optional.ofNullable(request.firstCeiling())
                .filter(text -> !text.isBlank())
                .map(text -> NumberEntry.parsePlain("firstCeiling", text, 1e-3, 20, Unit.AMPERE));
        Optional<Double> wanted = Optional.ofNullable(request.wantedOutput())
                .filter(text -> !text.isBlank())
                .map(text -> NumberEntry.parsePlain("wantedOutput", text, 0.1, 1e4, Unit.WATT));
        if (request.school().hasDials()) {
            wanted = request.dialsFor() == Use.LONG_CARRIER
                    ? wanted.or(() -> Optional.of(longCarrierW))
                    : Optional.empty();
        }
        boolean unfiltered = Boolean.TRUE.equals(request.unfiltered());
        if (request.rungs() == null && ceiling.isEmpty() && wanted.isEmpty() && !unfiltered) {
            return Optional.empty();
        }
        Customs chosen = Customs.chosen(Optional.ofNullable(request.rungs()), own, ceiling, wanted);
        return Optional.of(unfiltered ? chosen.withoutFilter() : chosen);
    }

    private <T extends org.tubrin.core.station.Equipment> T equipment(UUID id, Class<T> type, String field) {
        try {
            return stations.equipment(id, type, field);
        } catch (NotThere e) {
            throw new Refused(new Problem(ProblemCode.UNKNOWN_NAME, field, id.toString(), new Allowed.Nothing()));
        }
    }

    private static Preset fromChart(ChartRow row) {
        return new Preset(row.plate(), row.load(), Preset.Source.CHART);
    }
}
