package org.tubrin.server.run;

import java.util.List;
import org.jspecify.annotations.Nullable;

/**
 * What each voltage of the supply brought of a stage that switches.
 *
 * @param moduleCount modules that the stage has
 * @param rows by number of modules, in the order of the run
 * @param laws what the square of volts makes of each number of modules
 * @param leastV lowest voltage of the supply
 * @param mostV highest
 * @param mostW output that is not to be passed
 * @param says what follows, one sentence each
 */
public record VoltsView(
        int moduleCount,
        List<VoltsRowView> rows,
        List<VoltsLawView> laws,
        double leastV,
        double mostV,
        double mostW,
        List<String> says) {

    /**
     * One row.
     *
     * @param sink temperature as read
     * @param sinkExpected what its heat makes of it at rest
     * @param hotter whether it was read hotter than that
     */
    public record VoltsRowView(
            int modules,
            double volts,
            double watt,
            double low,
            double high,
            String voltsShown,
            String output,
            @Nullable String current,
            @Nullable String efficiency,
            @Nullable String heat,
            @Nullable String sink,
            @Nullable String sinkExpected,
            boolean hotter) {}

    /** Output per square volt with so many modules. */
    public record VoltsLawView(int modules, double wattPerSquareVolt) {}
}
