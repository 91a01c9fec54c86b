package org.tubrin.core.run;

import java.util.ArrayList;
import java.util.List;
import org.tubrin.core.metering.ReadingRole;

/**
 * Where the switch of a panel meter stands in each key-down of a step: while dials are turned on the current that is lost soonest, then,
 * keyed once more, on the next. Low down, where hardly any flows, grid current is left out; plate voltage is read where no step may follow.
 */
final class MeterSwitch {
    private MeterSwitch() {}

    /**
     * Returns the positions of a step, in their order; empty where no meter in use has a switch.
     *
     * @param gridShows whether there is drive enough for a grid's current to show
     * @param isLast whether the step is the last one, or may be
     */
    static List<ReadingRole> positions(TuneSetup setup, School school, boolean gridShows, boolean isLast) {
        boolean dips = school.aim() == School.Aim.DIP;
        List<ReadingRole> all = new ArrayList<>();
        if (dips) {
            all.add(ReadingRole.PLATE_CURRENT);
        }
        all.add(ReadingRole.SCREEN_CURRENT);
        if (gridShows) {
            all.add(ReadingRole.GRID_CURRENT);
        }
        if (!dips) {
            all.add(ReadingRole.PLATE_CURRENT);
        }
        if (isLast) {
            all.add(ReadingRole.PLATE_VOLTAGE);
        }
        return all.stream().filter(setup::isSwitched).toList();
    }
}
