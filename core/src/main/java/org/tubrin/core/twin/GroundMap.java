package org.tubrin.core.twin;

import java.util.Arrays;
import java.util.EnumMap;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.stream.DoubleStream;
import java.util.stream.IntStream;

/**
 * The ground around a setting: figures of the stage over PLATE × LOAD at one drive.
 *
 * <p>Shapes: a grid is row by row, LOAD slow, PLATE fast, {@code loads.length · plates.length} long. Where a point did not
 * settle its figures are 0 and mean nothing; {@link #settled} says so.
 */
public final class GroundMap {
    private final double[] plates;
    private final double[] loads;
    private final boolean[] settled;
    private final Map<Figure, double[]> grids = new EnumMap<>(Figure.class);
    private final double[] output;
    private final double[] plateCurrent;
    private final double[] gridCurrent;
    private final double[] screenCurrent;
    private final double[] plateHeat;
    private final double[] platePeak;
    private final double[] loadPeak;

    /** What a grid holds. */
    public enum Figure {
        /** Power into the load. */
        OUTPUT_W,
        /** Plate current of all tubes. */
        PLATE_CURRENT_A,
        /** Control-grid current of all tubes. */
        GRID_CURRENT_A,
        /** Screen current of all tubes. */
        SCREEN_CURRENT_A,
        /** Plate dissipation of one tube. */
        PLATE_HEAT_PER_TUBE_W,
        /** Peak RF voltage across the PLATE capacitor. */
        PLATE_PEAK_V,
        /** Peak RF voltage across the LOAD capacitor. */
        LOAD_PEAK_V
    }

    /** What does not balance at a point, in volts of thousands. */
    private static final double SETTLED_V = 0.1;

    private GroundMap(double[] plates, double[] loads) {
        this.plates = plates.clone();
        this.loads = loads.clone();
        int size = plates.length * loads.length;
        settled = new boolean[size];
        for (Figure figure : Figure.values()) {
            grids.put(figure, new double[size]);
        }
        output = grid(Figure.OUTPUT_W);
        plateCurrent = grid(Figure.PLATE_CURRENT_A);
        gridCurrent = grid(Figure.GRID_CURRENT_A);
        screenCurrent = grid(Figure.SCREEN_CURRENT_A);
        plateHeat = grid(Figure.PLATE_HEAT_PER_TUBE_W);
        platePeak = grid(Figure.PLATE_PEAK_V);
        loadPeak = grid(Figure.LOAD_PEAK_V);
    }

    /**
     * Returns the map at a setting's drive, frequency and load; its dials are not looked at.
     *
     * <p>Method: rows of LOAD are walked to and fro, each point guessed on the parabola through the three before it; threads take
     * rows in turn. A point settles within a tenth of a volt, a part in ten thousand of its figures. Cost: about one Newton step a
     * point.
     *
     * @param plates PLATE positions, rising
     * @param loads LOAD positions, rising
     * @param threads 1 to 64
     * @return empty where the band is unknown
     */
    public static Optional<GroundMap> of(TubeTwin twin, Setting setting, double[] plates, double[] loads, int threads) {
        if (!twin.covers(setting.band())) {
            return Optional.empty();
        }
        GroundMap map = new GroundMap(plates, loads);
        IntStream stripes = IntStream.range(0, threads);
        (threads > 1 ? stripes.parallel() : stripes).forEach(stripe -> map.walk(twin, setting, stripe, threads));
        return Optional.of(map);
    }

    /** Returns so many equal steps from one position to another, both included. */
    public static double[] axis(double from, double to, int count) {
        double[] axis = new double[count];
        for (int i = 0; i < count; i++) {
            axis[i] = from + (to - from) * i / (count - 1);
        }
        return axis;
    }

    /** Returns the PLATE positions. */
    public double[] plates() {
        return plates;
    }

    /** Returns the LOAD positions. */
    public double[] loads() {
        return loads;
    }

    /** Returns the grid of a figure. */
    public double[] grid(Figure figure) {
        return Objects.requireNonNull(grids.get(figure));
    }

    /** Returns whether a point settled. */
    public boolean settled(int row, int column) {
        return settled[row * plates.length + column];
    }

    /** Returns a figure at a point. */
    public double at(Figure figure, int row, int column) {
        return grid(figure)[row * plates.length + column];
    }

    /** Returns round heights of output from a step to just below the most, about so many. */
    public double[] heights(int count) {
        double most = Arrays.stream(output).max().orElse(0);
        if (!(most > 0)) {
            return new double[0];
        }
        double raw = most / count;
        double scale = Math.pow(10, Math.floor(Math.log10(raw)));
        double step = DoubleStream.of(1, 2, 5, 10)
                .map(one -> one * scale)
                .filter(one -> one >= raw)
                .findFirst()
                .orElse(raw);
        return DoubleStream.iterate(step, height -> height < most, height -> height + step)
                .toArray();
    }

    private void walk(TubeTwin twin, Setting setting, int first, int every) {
        Probe probe = twin.probe(setting).orElseThrow();
        probe.settleWithin(SETTLED_V);
        double[] plateF = new double[plates.length];
        for (int c = 0; c < plates.length; c++) {
            plateF[c] = probe.plateF(plates[c]);
        }
        boolean forth = true;
        for (int r = first; r < loads.length; r += every, forth = !forth) {
            double loadF = probe.loadF(loads[r]);
            probe.stride();
            for (int i = 0; i < plates.length; i++) {
                int c = forth ? i : plates.length - 1 - i;
                if (probe.settleAt(setting.driveW(), plateF[c], loadF)) {
                    keep(probe, r * plates.length + c);
                }
            }
        }
    }

    private void keep(Probe probe, int at) {
        settled[at] = true;
        output[at] = probe.outputW();
        plateCurrent[at] = probe.plateCurrentA();
        gridCurrent[at] = probe.gridCurrentA();
        screenCurrent[at] = probe.screenCurrentA();
        plateHeat[at] = probe.plateHeatPerTubeW();
        platePeak[at] = probe.platePeakV();
        loadPeak[at] = probe.loadPeakV();
    }
}
