package org.tubrin.core.practice;

import java.util.Arrays;
import java.util.List;
import java.util.stream.DoubleStream;
import java.util.stream.Stream;
import org.tubrin.core.run.Control;
import org.tubrin.core.tank.Dial;
import org.tubrin.core.twin.GroundMap;

/**
 * Output over both dials as the station really is, at one drive, round the way that was gone.
 *
 * @param driveW at the amplifier, by what the exciter is set to
 * @param plates marks that PLATE shows, rising
 * @param loads marks that LOAD shows, rising
 * @param outputs in watts, row by row, LOAD slow and PLATE fast; 0 where nothing settles
 * @param heights round outputs worth a line, rising
 */
public record Terrain(
        double driveW, List<Double> plates, List<Double> loads, List<Double> outputs, List<Double> heights) {
    private static final int PLATES = 41;
    private static final int LOADS = 31;
    private static final int HEIGHTS = 9;
    /** So many marks of PLATE are shown at least, and so much of what is shown lies beside the way. */
    private static final double LEAST_SPAN = 0.4;

    private static final double BESIDE = 0.15;

    public Terrain {
        plates = List.copyOf(plates);
        loads = List.copyOf(loads);
        outputs = List.copyOf(outputs);
        heights = List.copyOf(heights);
    }

    /** Returns it at the drive of the best end, with what is broken by now. */
    public static Terrain of(Play play, Debrief debrief) {
        HiddenTruth truth = play.truth();
        BestClimb best = debrief.best();
        double[] ways = DoubleStream.concat(
                        debrief.course().samples().stream().mapToDouble(Course.Sample::plate),
                        Stream.concat(best.rungs().stream(), Stream.of(best.end()))
                                .mapToDouble(BestClimb.Rung::plate))
                .toArray();
        double least = Arrays.stream(ways).min().orElseThrow();
        double most = Arrays.stream(ways).max().orElseThrow();
        double span = Math.max(LEAST_SPAN, most - least);
        double middle = (least + most) / 2;
        Dial plate = truth.dial(Control.PLATE);
        double[] plates = GroundMap.axis(
                plate.clamp(middle - (0.5 + BESIDE) * span), plate.clamp(middle + (0.5 + BESIDE) * span), PLATES);
        Dial load = truth.dial(Control.LOAD);
        double[] loads = GroundMap.axis(load.least(), load.most(), LOADS);
        GroundMap map = GroundMap.of(
                        truth.twin(),
                        truth.setting(play.setup().band(), truth.into(true, 0))
                                .driven(best.end().driveW() * truth.driveShare()),
                        behind(plates, truth.offset(Control.PLATE)),
                        behind(loads, truth.offset(Control.LOAD)),
                        1)
                .orElseThrow();
        return new Terrain(
                best.end().driveW(),
                list(plates),
                list(loads),
                list(map.grid(GroundMap.Figure.OUTPUT_W)),
                list(map.heights(HEIGHTS)));
    }

    /** What the capacitors have where the dials show these marks. */
    private static double[] behind(double[] shown, double offset) {
        return Arrays.stream(shown).map(mark -> mark + offset).toArray();
    }

    private static List<Double> list(double[] values) {
        return Arrays.stream(values).boxed().toList();
    }
}
