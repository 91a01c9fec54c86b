package org.tubrin.core.foresee;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import org.tubrin.core.run.LoadTarget;
import org.tubrin.core.run.RecordTwin;
import org.tubrin.core.run.School;
import org.tubrin.core.run.TuneSetup;
import org.tubrin.core.twin.Linearity;
import org.tubrin.core.twin.Outcome;
import org.tubrin.core.twin.Peak;
import org.tubrin.core.twin.Probe;
import org.tubrin.core.twin.Setting;
import org.tubrin.core.twin.TargetSearch;
import org.tubrin.core.twin.TubePoint;
import org.tubrin.core.twin.TubeTwin;

/**
 * Where a school would set the dials, by the twin.
 *
 * @param schools schools that end there
 * @param place dials and operating point
 * @param thirdDb third-order products of two tones there, in decibels below one; absent where not settled
 */
public record SchoolEnd(List<School> schools, Peak place, Optional<Double> thirdDb) {
    public SchoolEnd {
        schools = List.copyOf(schools);
    }

    /** Returns each end of the schools at a drive in watts; empty where there is no twin. */
    public static List<SchoolEnd> of(TuneSetup setup, double driveW) {
        TubeTwin twin = RecordTwin.of(setup).orElse(null);
        if (twin == null || driveW <= 0) {
            return List.of();
        }
        Setting setting = RecordTwin.setting(
                setup, driveW, setup.preset().plate(), setup.preset().load());
        Probe probe = twin.probe(setting).orElseThrow();
        List<SchoolEnd> ends = new ArrayList<>();
        RecordTwin.finish(setup, driveW)
                .ifPresent(finish -> ends.add(
                        at(twin, setting, finish, School.PEAK_THEN_HEAVIER, School.TUNE_WHERE_YOU_RUN, School.PULSED)));
        double dipA = LoadTarget.dipA(setup, setup.topDriveW());
        add(ends, twin, setting, TargetSearch.dip(probe, driveW, dipA), School.DIP_AND_LOAD);
        probe.forget();
        if (School.GRID_TARGET.suits(setup.tubes())) {
            add(ends, twin, setting, TargetSearch.grid(probe, driveW, LoadTarget.gridA(setup)), School.GRID_TARGET);
        }
        setup.amplifier().chartRow(setup.band()).ifPresent(row -> {
            double plate = probe.resonantPlate(row.load());
            if (twin.at(setting.at(plate, row.load())) instanceof Outcome.Settled<TubePoint> there) {
                ends.add(at(
                        twin, setting, new Peak(plate, row.load(), Set.of(), there.point(), 1), School.MAKERS_CHART));
            }
        });
        return ends;
    }

    private static void add(
            List<SchoolEnd> ends, TubeTwin twin, Setting setting, Outcome<Peak> outcome, School school) {
        if (outcome instanceof Outcome.Settled<Peak> settled) {
            ends.add(at(twin, setting, settled.point(), school));
        }
    }

    private static SchoolEnd at(TubeTwin twin, Setting setting, Peak place, School... schools) {
        Optional<Double> third = Linearity.of(twin, setting.at(place.plate(), place.load()))
                        instanceof Outcome.Settled<Linearity> settled
                ? Optional.of(settled.point().thirdDb())
                : Optional.empty();
        return new SchoolEnd(List.of(schools), place, third);
    }
}
