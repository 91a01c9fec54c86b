package org.tubrin.server.twin;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Component;
import org.tubrin.core.device.Construction;
import org.tubrin.core.quantity.Allowed;
import org.tubrin.core.quantity.Checks;
import org.tubrin.core.quantity.Problem;
import org.tubrin.core.quantity.ProblemCode;
import org.tubrin.core.quantity.Refused;
import org.tubrin.core.quantity.Unit;
import org.tubrin.core.station.Stage;
import org.tubrin.core.station.TwinConstants;
import org.tubrin.core.tank.CapacitorLaw;
import org.tubrin.core.tuneup.Control;
import org.tubrin.core.tuneup.Expected;
import org.tubrin.core.tuneup.ReadingSource;
import org.tubrin.core.tuneup.Replay;
import org.tubrin.core.tuneup.RunState;
import org.tubrin.core.tuneup.Step;
import org.tubrin.core.tuneup.TuneSetup;
import org.tubrin.core.twin.GroundMap;
import org.tubrin.core.twin.Linearity;
import org.tubrin.core.twin.ModeAverage;
import org.tubrin.core.twin.Outcome;
import org.tubrin.core.twin.Peak;
import org.tubrin.core.twin.Setting;
import org.tubrin.core.twin.TubePoint;
import org.tubrin.core.twin.TubeTwin;
import org.tubrin.server.feed.BenchLink;
import org.tubrin.server.run.RunStore;
import org.tubrin.server.words.Figures;
import org.tubrin.server.words.Words;

/** Asks the twin of a run where the run stands. */
@Component
class RunTwins {
    private static final double WINDOW_MARKS = 0.7;
    private static final int PLATES = 57;
    private static final int LOADS = 61;
    private static final int THREADS = Math.min(4, Runtime.getRuntime().availableProcessors());
    private static final double UNSETTLED = -1;

    private final RunStore store;
    private final BenchLink bench;
    private final Words words;

    RunTwins(RunStore store, BenchLink bench, Words words) {
        this.store = store;
        this.bench = bench;
        this.words = words;
    }

    /** Where a run stands. */
    private record At(RunState state, TuneSetup setup, TubeTwin twin, Setting setting, boolean known) {}

    private At at(UUID runId, @Nullable Double driveW) {
        RunState state = Replay.of(store.events(runId));
        TuneSetup setup = state.setup();
        TubeTwin twin = Expected.twin(setup)
                .orElseThrow(() -> new Refused(new Problem(
                        ProblemCode.NO_TWIN, "amplifier", setup.amplifier().name(), new Allowed.Nothing())));
        if (driveW != null) {
            new Checks()
                    .range("driveW", driveW, 0.01, 2 * setup.amplifier().driveLimitW(), Unit.WATT)
                    .done();
        }
        Step step = state.step(state.placeInFocus());
        Optional<BenchLink.Panel> panel =
                setup.readings() == ReadingSource.BENCH && state.ending().isEmpty() ? bench.panel() : Optional.empty();
        double drive = driveW != null
                ? driveW
                : panel.map(BenchLink.Panel::driveW)
                        .or(() -> step.position(Control.DRIVE))
                        .orElse(setup.topDriveW());
        Optional<Double> plate = panel.map(BenchLink.Panel::plate).or(() -> step.position(Control.PLATE));
        Optional<Double> load = panel.map(BenchLink.Panel::load).or(() -> step.position(Control.LOAD));
        Setting setting = Expected.setting(
                setup,
                drive,
                plate.orElse(setup.preset().plate()),
                load.orElse(setup.preset().load()));
        return new At(state, setup, twin, setting, plate.isPresent() && load.isPresent());
    }

    private static <T> T settled(Outcome<T> outcome) {
        if (outcome instanceof Outcome.Settled<T> settled) {
            return settled.point();
        }
        throw unsettled();
    }

    private static Peak found(Optional<Peak> peak) {
        return peak.orElseThrow(RunTwins::unsettled);
    }

    private static Refused unsettled() {
        return new Refused(new Problem(ProblemCode.TWIN_UNSETTLED, "setting", "", new Allowed.Nothing()));
    }

    TwinController.MapView map(UUID runId, @Nullable Double driveW) {
        At at = at(runId, driveW);
        Setting setting = at.setting();
        Stage.Tubes tubes = at.setup().tubes();
        Peak most = found(Expected.peak(at.setup(), setting.driveW()));
        Peak finish = found(Expected.finish(at.setup(), setting.driveW()));
        double reach = WINDOW_MARKS * tubes.plate().markStep();
        double[] plates = GroundMap.axis(
                tubes.plate().clamp(most.plate() - reach), tubes.plate().clamp(most.plate() + reach), PLATES);
        double[] loads = GroundMap.axis(tubes.load().least(), tubes.load().most(), LOADS);
        GroundMap map = GroundMap.of(at.twin(), setting, plates, loads, THREADS).orElseThrow();
        List<List<Double>> trail = new ArrayList<>();
        for (Step step : at.state().steps()) {
            Optional<Double> plate = step.position(Control.PLATE);
            Optional<Double> load = step.position(Control.LOAD);
            if (plate.isPresent() && load.isPresent()) {
                trail.add(List.of(plate.get(), load.get()));
            }
        }
        return new TwinController.MapView(
                setting.driveW(),
                list(plates, 4),
                list(loads, 4),
                grid(map, GroundMap.Figure.OUTPUT_W, 1),
                grounds(at, map),
                at.known()
                        ? place(
                                at,
                                setting.plate(),
                                setting.load(),
                                settled(at.twin().at(setting)))
                        : null,
                place(at, most.plate(), most.load(), most.point()),
                place(at, finish.plate(), finish.load(), finish.point()),
                trail,
                words.say("map.reading." + tubes.loadSense().name()));
    }

    private List<TwinController.Ground> grounds(At at, GroundMap map) {
        Stage.Tubes tubes = at.setup().tubes();
        List<TwinController.Ground> grounds = new ArrayList<>();
        add(grounds, map, GroundMap.Figure.GRID_CURRENT_A, tubes.gridCurrentLimitA(), "A", 4);
        add(grounds, map, GroundMap.Figure.PLATE_CURRENT_A, tubes.plateCurrentLimitA(), "A", 4);
        add(grounds, map, GroundMap.Figure.PLATE_HEAT_PER_TUBE_W, tubes.plateDissipationPerTubeW(), "W", 1);
        tubes.screenCurrentLimitA()
                .ifPresent(limit -> add(grounds, map, GroundMap.Figure.SCREEN_CURRENT_A, limit, "A", 4));
        TwinConstants.Tuned constants = at.twin().constants();
        constants.plate().gapPeakV().ifPresent(gap -> add(grounds, map, GroundMap.Figure.PLATE_PEAK_V, gap, "V", 0));
        constants.load().gapPeakV().ifPresent(gap -> add(grounds, map, GroundMap.Figure.LOAD_PEAK_V, gap, "V", 0));
        return grounds;
    }

    private void add(
            List<TwinController.Ground> grounds,
            GroundMap map,
            GroundMap.Figure figure,
            double limit,
            String unit,
            int decimals) {
        double most = Arrays.stream(map.grid(figure)).max().orElse(0);
        if (most > limit) {
            String label =
                    words.say("ground." + figure.name(), Map.of("limit", Figures.plain(limit, 3) + "\u2009" + unit));
            grounds.add(new TwinController.Ground(figure.name(), label, limit, grid(map, figure, decimals)));
        }
    }

    private static List<Double> grid(GroundMap map, GroundMap.Figure figure, int decimals) {
        double[] grid = map.grid(figure).clone();
        int columns = map.plates().length;
        for (int i = 0; i < grid.length; i++) {
            if (!map.settled(i / columns, i % columns)) {
                grid[i] = UNSETTLED;
            }
        }
        return list(grid, decimals);
    }

    private static List<Double> list(double[] values, int decimals) {
        double scale = Math.pow(10, decimals);
        List<Double> list = new ArrayList<>(values.length);
        for (double value : values) {
            list.add(Math.rint(value * scale) / scale);
        }
        return list;
    }

    private static TwinController.Place place(At at, double plate, double load, TubePoint point) {
        Outcome<Linearity> linearity = Linearity.of(at.twin(), at.setting().at(plate, load));
        Double thirdDb = linearity instanceof Outcome.Settled<Linearity> settled
                ? settled.point().thirdDb()
                : null;
        return new TwinController.Place(
                plate,
                load,
                point.outputW(),
                point.meters().plateCurrentA(),
                point.meters().gridCurrentA(),
                point.meters().screenCurrentA().isPresent()
                        ? point.meters().screenCurrentA().getAsDouble()
                        : null,
                point.powers().plateHeatPerTubeW(),
                point.efficiency().isPresent() ? point.efficiency().getAsDouble() : null,
                thirdDb);
    }

    TwinController.PowerView power(UUID runId) {
        At at = at(runId, null);
        TubePoint point = settled(at.twin().at(at.setting()));
        TubePoint.Powers powers = point.powers();
        int count = at.setup().tubes().tubeCount();
        List<TwinController.Flow> flows = new ArrayList<>();
        flow(flows, "PLATE_INPUT", powers.plateInputW(), true);
        flow(flows, "DRIVE", powers.driveW(), true);
        if (at.setup().tubes().tube().construction() == Construction.TETRODE) {
            flow(flows, "SCREEN_INPUT", powers.screenInputW(), true);
        }
        flow(flows, "OUTPUT", powers.outputW(), false);
        flow(flows, "PLATE_HEAT", count * powers.plateHeatPerTubeW(), false);
        flow(flows, "TANK", powers.tankLossW(), false);
        flow(flows, "GRID", count * (powers.gridHeatPerTubeW() + powers.screenHeatPerTubeW()), false);
        flow(flows, "BIAS", powers.biasHeatW(), false);
        flow(flows, "REFLECTED", point.input().reflectedW(), false);
        flow(flows, "INPUT_NETWORK", point.inputNetworkLossW(), false);
        return new TwinController.PowerView(
                at.setting().driveW(), at.setting().plate(), at.setting().load(), flows, strain(at, point));
    }

    private void flow(List<TwinController.Flow> flows, String code, double watt, boolean in) {
        flows.add(new TwinController.Flow(code, words.say("flow." + code), Math.max(0, watt), in));
    }

    private List<TwinController.Strain> strain(At at, TubePoint point) {
        TubePoint.Strain strain = point.strain();
        CapacitorLaw plate = at.twin().constants().plate();
        CapacitorLaw load = at.twin().constants().load();
        List<TwinController.Strain> rows = new ArrayList<>();
        rows.add(row("PLATE_PEAK", strain.platePeakV(), "V", plate.gapPeakV().orElse(0)));
        rows.add(row("LOAD_PEAK", strain.loadPeakV(), "V", load.gapPeakV().orElse(0)));
        rows.add(row("PLATE_CAPACITOR", strain.plateCapacitorRmsA(), "A", 0));
        rows.add(row("PLATE_LEAST", strain.plateLeastV(), "V", 0));
        rows.add(row("CONDUCTION", strain.conductionDeg(), "°", 0));
        return rows;
    }

    private TwinController.Strain row(String code, double value, String unit, double limit) {
        int decimals = unit.equals("A") ? 1 : 0;
        return new TwinController.Strain(
                words.say("strain." + code),
                Figures.fixed(value, decimals) + "\u2009" + unit,
                limit > 0 ? Figures.fixed(limit, 0) + "\u2009" + unit : null,
                limit > 0 && value > limit);
    }

    TwinController.SignalView signal(UUID runId) {
        At at = at(runId, null);
        Setting setting = at.setting();
        Linearity linearity = settled(Linearity.of(at.twin(), setting));
        List<Linearity.Sample> curve = linearity.curve();
        List<TwinController.ModeRow> modes = new ArrayList<>();
        for (ModeAverage.Envelope envelope : ModeAverage.Envelope.values()) {
            modes.add(mode(envelope.name(), settled(ModeAverage.of(at.twin(), setting, envelope))));
        }
        modes.add(mode("TWO_TONE", linearity.means()));
        return new TwinController.SignalView(
                setting.driveW(),
                setting.plate(),
                setting.load(),
                List.of(product("THIRD", linearity.thirdDb()), product("FIFTH", linearity.fifthDb())),
                linearity.compressionDb(),
                curve.stream().map(Linearity.Sample::driveAmplitude).toList(),
                curve.stream().map(Linearity.Sample::outputPeakV).toList(),
                modes,
                words.say("signal." + linearity.judgement().name()));
    }

    private TwinController.Product product(String code, double toToneDb) {
        return new TwinController.Product(
                words.say("product." + code), toToneDb, toToneDb - Linearity.TONE_BELOW_PEP_DB);
    }

    private TwinController.ModeRow mode(String code, ModeAverage average) {
        return new TwinController.ModeRow(
                words.say("average." + code),
                average.outputW(),
                average.plateCurrentA(),
                average.gridCurrentA(),
                average.plateHeatPerTubeW());
    }
}
