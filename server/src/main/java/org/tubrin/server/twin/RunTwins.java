package org.tubrin.server.twin;

import java.time.Clock;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Component;
import org.tubrin.core.advice.Advice;
import org.tubrin.core.advice.Move;
import org.tubrin.core.advice.NextMove;
import org.tubrin.core.device.Construction;
import org.tubrin.core.run.Control;
import org.tubrin.core.run.RecordTwin;
import org.tubrin.core.run.RunState;
import org.tubrin.core.run.Step;
import org.tubrin.core.station.Stage;
import org.tubrin.core.station.TwinConstants;
import org.tubrin.core.tank.CapacitorLaw;
import org.tubrin.core.tank.GapStress;
import org.tubrin.core.twin.GroundMap;
import org.tubrin.core.twin.Linearity;
import org.tubrin.core.twin.Outcome;
import org.tubrin.core.twin.Peak;
import org.tubrin.core.twin.Setting;
import org.tubrin.core.twin.TubePoint;
import org.tubrin.server.words.Figures;
import org.tubrin.server.words.Words;

/** Asks the twin of a run where the run stands. */
@Component
class RunTwins {
    private static final double WINDOW_MARKS = 0.7;
    private static final int PLATES = 57;
    private static final int LOADS = 61;
    /** About so many lines of equal output are drawn. */
    private static final int HEIGHTS = 9;

    private static final int THREADS = Math.min(4, Runtime.getRuntime().availableProcessors());
    /** A gap that stands less than this ratio is worth a word. */
    private static final double LEAST_SWR = 2;

    private static final double UNSETTLED = -1;

    private final RunPlaces places;
    private final Words words;
    private final Clock clock;

    RunTwins(RunPlaces places, Words words, Clock clock) {
        this.clock = clock;
        this.places = places;
        this.words = words;
    }

    private static Peak found(Optional<Peak> peak) {
        return peak.orElseThrow(RunPlaces::unsettled);
    }

    TwinViews.MapView map(UUID runId, @Nullable Double driveW) {
        RunPlaces.TwinAt at = places.at(runId, driveW);
        Setting setting = at.setting();
        Stage.Tubes tubes = at.setup().tubes();
        Peak most = found(RecordTwin.peak(at.setup(), setting.driveW()));
        Peak finish = found(RecordTwin.finish(at.setup(), setting.driveW()));
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
        return new TwinViews.MapView(
                setting.driveW(),
                Figures.rounded(plates, 4),
                Figures.rounded(loads, 4),
                grid(map, GroundMap.Figure.OUTPUT_W, 1),
                Figures.rounded(map.heights(HEIGHTS), 4),
                grounds(at, map),
                at.known()
                        ? place(
                                at,
                                setting.plate(),
                                setting.load(),
                                RunPlaces.settled(at.twin().at(setting)))
                        : null,
                place(at, most.plate(), most.load(), most.point()),
                place(at, finish.plate(), finish.load(), finish.point()),
                next(at.state(), setting.driveW()),
                trail,
                words.say("map.reading." + tubes.loadSense().name()));
    }

    private TwinViews.@Nullable NextPlace next(RunState state, double driveW) {
        if (state.ending().isPresent()) {
            return null;
        }
        Advice advice = NextMove.of(state, clock.instant());
        double forW = advice.forDriveW().orElse(driveW);
        if (advice.move() instanceof Move.SetDials dials) {
            return new TwinViews.NextPlace(dials.plate(), dials.load(), forW);
        }
        if (advice.move() instanceof Move.Turn turn && turn.control() != Control.DRIVE) {
            return turn.control() == Control.PLATE
                    ? new TwinViews.NextPlace(turn.to(), null, forW)
                    : new TwinViews.NextPlace(null, turn.to(), forW);
        }
        return null;
    }

    /** Returns what is not to be passed, by figure, in the order of drawing. */
    private static Map<GroundMap.Figure, Double> limits(RunPlaces.TwinAt at) {
        Stage.Tubes tubes = at.setup().tubes();
        TwinConstants.Tuned constants = at.twin().constants();
        Map<GroundMap.Figure, Double> limits = new LinkedHashMap<>();
        limits.put(GroundMap.Figure.GRID_CURRENT_A, tubes.gridCurrentLimitA());
        limits.put(GroundMap.Figure.PLATE_CURRENT_A, tubes.plateCurrentLimitA());
        limits.put(GroundMap.Figure.PLATE_HEAT_PER_TUBE_W, tubes.plateDissipationPerTubeW());
        tubes.screenCurrentLimitA().ifPresent(limit -> limits.put(GroundMap.Figure.SCREEN_CURRENT_A, limit));
        constants.plate().gapPeakV().ifPresent(gap -> limits.put(GroundMap.Figure.PLATE_PEAK_V, gap));
        constants.load().gapPeakV().ifPresent(gap -> limits.put(GroundMap.Figure.LOAD_PEAK_V, gap));
        return limits;
    }

    private List<TwinViews.Ground> grounds(RunPlaces.TwinAt at, GroundMap map) {
        List<TwinViews.Ground> grounds = new ArrayList<>();
        limits(at).forEach((figure, limit) -> add(grounds, map, figure, limit));
        return grounds;
    }

    private void add(List<TwinViews.Ground> grounds, GroundMap map, GroundMap.Figure figure, double limit) {
        double most = Arrays.stream(map.grid(figure)).max().orElse(0);
        if (most > limit) {
            String unit = unit(figure);
            String label =
                    words.say("ground." + figure.name(), Map.of("limit", Figures.plain(limit, 3) + "\u2009" + unit));
            grounds.add(new TwinViews.Ground(figure.name(), label, limit, grid(map, figure, decimals(figure))));
        }
    }

    private static String unit(GroundMap.Figure figure) {
        return switch (figure) {
            case GRID_CURRENT_A, PLATE_CURRENT_A, SCREEN_CURRENT_A -> "A";
            case OUTPUT_W, PLATE_HEAT_PER_TUBE_W -> "W";
            case PLATE_PEAK_V, LOAD_PEAK_V -> "V";
        };
    }

    private static int decimals(GroundMap.Figure figure) {
        return switch (figure) {
            case GRID_CURRENT_A, PLATE_CURRENT_A, SCREEN_CURRENT_A -> 4;
            case OUTPUT_W, PLATE_HEAT_PER_TUBE_W -> 1;
            case PLATE_PEAK_V, LOAD_PEAK_V -> 0;
        };
    }

    private static List<Double> grid(GroundMap map, GroundMap.Figure figure, int decimals) {
        double[] grid = map.grid(figure).clone();
        int columns = map.plates().length;
        for (int i = 0; i < grid.length; i++) {
            if (!map.settled(i / columns, i % columns)) {
                grid[i] = UNSETTLED;
            }
        }
        return Figures.rounded(grid, decimals);
    }

    private static TwinViews.DialPlace place(RunPlaces.TwinAt at, double plate, double load, TubePoint point) {
        Outcome<Linearity> linearity = Linearity.of(at.twin(), at.setting().at(plate, load));
        Double thirdDb = linearity instanceof Outcome.Settled<Linearity> settled
                ? settled.point().thirdDb()
                : null;
        return new TwinViews.DialPlace(
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

    TwinViews.PowerView power(UUID runId) {
        RunPlaces.TwinAt at = places.at(runId, null);
        TubePoint point = RunPlaces.settled(at.twin().at(at.setting()));
        TubePoint.Powers powers = point.powers();
        int count = at.setup().tubes().tubeCount();
        List<TwinViews.Flow> flows = new ArrayList<>();
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
        return new TwinViews.PowerView(
                at.setting().driveW(), at.setting().plate(), at.setting().load(), flows, strain(at, point));
    }

    private void flow(List<TwinViews.Flow> flows, String code, double watt, boolean in) {
        flows.add(new TwinViews.Flow(code, words.say("flow." + code), Math.max(0, watt), in));
    }

    private List<TwinViews.Strain> strain(RunPlaces.TwinAt at, TubePoint point) {
        TubePoint.Strain strain = point.strain();
        CapacitorLaw plate = at.twin().constants().plate();
        CapacitorLaw load = at.twin().constants().load();
        List<TwinViews.Strain> rows = new ArrayList<>();
        rows.add(row("PLATE_PEAK", strain.platePeakV(), "V", plate.gapPeakV().orElse(0)));
        rows.add(row("LOAD_PEAK", strain.loadPeakV(), "V", load.gapPeakV().orElse(0)));
        load.gapPeakV().ifPresent(gapV -> {
            double stood = GapStress.swrStood(point.powers().outputW(), gapV);
            rows.add(new TwinViews.Strain(
                    words.say("strain.SWR_STOOD"),
                    Figures.fixed(stood, 1) + "\u2009:\u20091",
                    null,
                    stood < LEAST_SWR));
            rows.add(new TwinViews.Strain(
                    words.say("strain.OUTPUT_AT_TWO"),
                    Figures.fixed(GapStress.outputStoodW(2, gapV), 0) + "\u2009W",
                    null,
                    false));
        });
        rows.add(row("PLATE_CAPACITOR", strain.plateCapacitorRmsA(), "A", 0));
        rows.add(row("PLATE_LEAST", strain.plateLeastV(), "V", 0));
        rows.add(row("CONDUCTION", strain.conductionDeg(), "°", 0));
        return rows;
    }

    private TwinViews.Strain row(String code, double value, String unit, double limit) {
        int decimals = unit.equals("A") ? 1 : 0;
        return new TwinViews.Strain(
                words.say("strain." + code),
                Figures.fixed(value, decimals) + "\u2009" + unit,
                limit > 0 ? Figures.fixed(limit, 0) + "\u2009" + unit : null,
                limit > 0 && value > limit);
    }
}
