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
    private final boolean[] solved;
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

    private GroundMap(double[] plates, double[] loads) {
        this.plates = plates.clone();
        this.loads = loads.clone();
        int size = plates.length * loads.length;
        settled = new boolean[size];
        solved = new boolean[size];
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
     * <p>Method: rows of LOAD are walked to and fro, each point found from its neighbour; threads take rows in turn. Cost:
     * about three Newton steps a point.
     *
     * @param plates PLATE positions, rising
     * @param loads LOAD positions, rising
     * @param threads 1 to 64
     * @return empty where the band is unknown
     */
    public static Optional<GroundMap> of(TubeTwin twin, Setting setting, double[] plates, double[] loads, int threads) {
        return of(twin, setting, plates, loads, threads, 1);
    }

    private static Optional<GroundMap> of(
            TubeTwin twin, Setting setting, double[] plates, double[] loads, int threads, int stride) {
        if (!twin.covers(setting.band())) {
            return Optional.empty();
        }
        GroundMap map = new GroundMap(plates, loads);
        IntStream stripes = IntStream.range(0, threads);
        (threads > 1 ? stripes.parallel() : stripes)
                .forEach(stripe -> map.walk(twin, setting, stripe * stride, threads * stride, stride));
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

    /**
     * Returns the same for a drawing: solved at every second point of every second row, and wherever a line that is drawn runs or the
     * ground is not smooth; in between by cubics.
     *
     * <p>Method: four-point Lagrange interpolation to the middle, {@code (−f0 + 9·f1 + 9·f2 − f3)/16}, at the edges its
     * three-point kin. Solved all the same is a point where that departs from the straight line between its neighbours, or where
     * the two parabolas through it depart from each other, by more than half a per cent of the grid's range, and one at a cell
     * that a line passes. Source: A. Ralston, P. Rabinowitz, "A First Course in Numerical Analysis" (1978), §3.4. Valid: what is
     * interpolated lies within half a per cent of the grid's range, but for the steps that 48 points over a cycle leave where a
     * tetrode bottoms. Cost: half to two thirds of {@link #of}.
     *
     * @param plates PLATE positions, rising, an odd number from 7
     * @param loads LOAD positions, rising, an odd number from 7
     * @param limits at which a line is drawn, by figure
     * @param heights about so many round heights of output are drawn
     */
    public static Optional<GroundMap> drawn(
            TubeTwin twin,
            Setting setting,
            double[] plates,
            double[] loads,
            int threads,
            Map<Figure, Double> limits,
            int heights) {
        if (plates.length % 2 == 0 || loads.length % 2 == 0 || plates.length < 7 || loads.length < 7) {
            throw new IllegalArgumentException(
                    "a drawn map has odd sides from 7: " + plates.length + " × " + loads.length);
        }
        Optional<GroundMap> every = of(twin, setting, plates, loads, threads, 2);
        every.ifPresent(map -> {
            MapFilling filling = new MapFilling(map);
            map.solve(twin, setting, filling.alongRows(), threads);
            boolean[] wanted = filling.acrossRows();
            limits.forEach((figure, limit) -> map.cross(map.grid(figure), limit, wanted));
            for (double height : map.heights(heights)) {
                map.cross(map.output, height, wanted);
            }
            map.solve(twin, setting, wanted, threads);
        });
        return every;
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

    /** Marks the corners of all cells through which a line of equal height runs. */
    private void cross(double[] grid, double height, boolean[] wanted) {
        int columns = plates.length;
        for (int r = 0; r + 1 < loads.length; r++) {
            for (int c = 0; c + 1 < columns; c++) {
                int at = r * columns + c;
                int above = (grid[at] >= height ? 1 : 0)
                        + (grid[at + 1] >= height ? 1 : 0)
                        + (grid[at + columns] >= height ? 1 : 0)
                        + (grid[at + columns + 1] >= height ? 1 : 0);
                if (above > 0 && above < 4) {
                    wanted[at] = true;
                    wanted[at + 1] = true;
                    wanted[at + columns] = true;
                    wanted[at + columns + 1] = true;
                }
            }
        }
    }

    /** Solves what is wanted and not solved yet. */
    private void solve(TubeTwin twin, Setting setting, boolean[] wanted, int threads) {
        IntStream stripes = IntStream.range(0, threads);
        (threads > 1 ? stripes.parallel() : stripes).forEach(stripe -> {
            Probe probe = twin.probe(setting).orElseThrow();
            for (int r = stripe; r < loads.length; r += threads) {
                double loadF = probe.loadF(loads[r]);
                for (int c = 0; c < plates.length; c++) {
                    int at = r * plates.length + c;
                    if (wanted[at] && !solved[at]) {
                        solved[at] = true;
                        settled[at] = false;
                        if (probe.settleAt(setting.driveW(), probe.plateF(plates[c]), loadF)) {
                            keep(probe, at);
                        }
                    }
                }
            }
        });
    }

    private void walk(TubeTwin twin, Setting setting, int first, int every, int stride) {
        Probe probe = twin.probe(setting).orElseThrow();
        double[] plateF = new double[plates.length];
        for (int c = 0; c < plates.length; c++) {
            plateF[c] = probe.plateF(plates[c]);
        }
        boolean forth = true;
        for (int r = first; r < loads.length; r += every, forth = !forth) {
            double loadF = probe.loadF(loads[r]);
            probe.stride();
            for (int i = 0; i < plates.length; i += stride) {
                int c = forth ? i : plates.length - 1 - i;
                solved[r * plates.length + c] = true;
                if (probe.settleAt(setting.driveW(), plateF[c], loadF)) {
                    keep(probe, r * plates.length + c);
                }
            }
        }
    }

    /** Returns whether points settled, row by row. */
    boolean[] settled() {
        return settled;
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
