package org.tubrin.core.run;

import java.util.Optional;
import java.util.function.Predicate;
import org.tubrin.core.metering.ReadingRole;
import org.tubrin.core.station.Amplifier;
import org.tubrin.core.station.Band;
import org.tubrin.core.station.Stage;
import org.tubrin.core.tank.ImpedancePoint;
import org.tubrin.core.twin.Outcome;
import org.tubrin.core.twin.Peak;
import org.tubrin.core.twin.PeakSearch;
import org.tubrin.core.twin.Probe;
import org.tubrin.core.twin.Remembered;
import org.tubrin.core.twin.Setting;
import org.tubrin.core.twin.TransistorPoint;
import org.tubrin.core.twin.TransistorTwin;
import org.tubrin.core.twin.TubeTwin;

/**
 * What the twin of the amplifier's record says at a run's setup, before anything was read. All pure functions; what was asked last
 * is answered at once. May be shared by threads.
 */
public final class RecordTwin {
    /** A run asks for the same drives again with every event and every look. */
    private static final int MOST_REMEMBERED = 256;

    private static final Remembered<Asked, Optional<Peak>> PEAKS = new Remembered<>(MOST_REMEMBERED, Asked::most);
    private static final Remembered<Asked, Optional<Peak>> FINISHES = new Remembered<>(MOST_REMEMBERED, Asked::finish);

    private RecordTwin() {}

    /** Returns the twin of a run's amplifier, where its record has one that knows the run's band. */
    public static Optional<TubeTwin> of(TuneSetup setup) {
        return !setup.stage().amplifies() ? Optional.empty() : of(setup.amplifier(), setup.band());
    }

    /** Returns the twin of an amplifier, where its record has one that knows a band. */
    public static Optional<TubeTwin> of(Amplifier amplifier, Band band) {
        return TubeTwin.of(amplifier).filter(twin -> twin.covers(band));
    }

    /** Returns the setting of a run's twin at a drive in watts and two marks. */
    public static Setting setting(TuneSetup setup, double driveW, double plate, double load) {
        return setting(setup, driveW, plate, load, setup.termination().at(setup.frequencyHz()));
    }

    /** Returns the same into another load. */
    public static Setting setting(TuneSetup setup, double driveW, double plate, double load, ImpedancePoint into) {
        return new Setting(setup.band(), setup.frequencyHz(), driveW, plate, load, into.ohm(), into.reactanceOhm());
    }

    /** Returns the dials that the twin would start from: where it ends at full drive; empty where it knows none. */
    public static Optional<Preset> preset(TuneSetup setup) {
        return finish(setup, setup.topDriveW())
                .map(end -> new Preset(
                        setup.tubes().plate().turned(end.plate(), 0),
                        setup.tubes().load().turned(end.load(), 0),
                        Preset.Source.TWIN));
    }

    /** Returns the point of a stage with transistors at a drive in watts, by its record; empty where it has no twin of the band. */
    public static Optional<TransistorPoint> transistors(TuneSetup setup, double driveW) {
        return TransistorTwin.of(setup.amplifier())
                .flatMap(twin ->
                        twin.at(setting(setup, driveW, 0, 0)) instanceof Outcome.Settled<TransistorPoint> settled
                                ? Optional.of(settled.point())
                                : Optional.empty());
    }

    /** Returns the share of the plate's RF that leaves the tank at a LOAD position, by the twin; empty where there is none. */
    public static Optional<Double> tankEfficiency(TuneSetup setup, double load) {
        return of(setup)
                .flatMap(twin -> twin.probe(setting(setup, 1, setup.preset().plate(), load)))
                .map(probe -> probe.tankEfficiency(load));
    }

    /** Returns the output at a drive in watts and a LOAD position with PLATE at resonance; empty where there is no twin. */
    public static Optional<Double> peakedOutputW(TuneSetup setup, double driveW, double load) {
        return driveW <= 0
                ? Optional.empty()
                : of(setup)
                        .flatMap(twin ->
                                twin.probe(setting(setup, driveW, setup.preset().plate(), load)))
                        .filter(probe -> probe.settle(driveW, probe.resonantPlate(load), load))
                        .map(Probe::outputW);
    }

    /** Returns PLATE at resonance for a LOAD position, by the twin; empty where there is none. */
    public static Optional<Double> resonantPlate(TuneSetup setup, double load) {
        return of(setup)
                .flatMap(twin -> twin.probe(setting(setup, 1, setup.preset().plate(), load)))
                .map(probe -> probe.resonantPlate(load));
    }

    /**
     * Returns whether it says where LOAD is to end: it knows the band, and the output is read. Where no meter tells of LOAD, it says
     * so blind; better than a hand that peaks LOAD through light loading, where nothing shows what the grid draws.
     */
    public static boolean foresees(TuneSetup setup) {
        return foresees(
                setup.amplifier(), setup.band(), role -> setup.channelFor(role).isPresent());
    }

    /** Returns the same of an amplifier on a band, with meters that read some roles. */
    private static boolean foresees(Amplifier amplifier, Band band, Predicate<ReadingRole> isRead) {
        return amplifier.stage() instanceof Stage.Tubes tubes
                && (isRead.test(ReadingRole.OUTPUT) || isRead.test(tellingRole(tubes)))
                && of(amplifier, band).isPresent();
    }

    /** Returns whether a meter tells of LOAD what it says of it. */
    public static boolean tellsOfLoad(TuneSetup setup) {
        return foresees(setup) && setup.channelFor(tellingRole(setup.tubes())).isPresent();
    }

    /** Returns whether LOAD goes by grid current and nothing tells of it, no twin and no meter: what the grid draws is not seen. */
    public static boolean isGridUnseen(TuneSetup setup) {
        return setup.stage().isTuned()
                && !foresees(setup)
                && tellingRole(setup.tubes()) == ReadingRole.GRID_CURRENT
                && setup.channelFor(ReadingRole.GRID_CURRENT).isEmpty();
    }

    /** Returns the current that tells of LOAD: of the screen grid where there is one. */
    public static ReadingRole tellingRole(Stage.Tubes tubes) {
        return tubes.screenCurrentLimitA().isPresent() ? ReadingRole.SCREEN_CURRENT : ReadingRole.GRID_CURRENT;
    }

    /** Returns the twin's dials of most output at a drive in watts; empty where it knows none. */
    public static Optional<Peak> peak(TuneSetup setup, double driveW) {
        return PEAKS.of(new Asked(setup, driveW));
    }

    /** Returns the twin's dials a little heavier than that, the best linear place; empty where it knows none. */
    public static Optional<Peak> finish(TuneSetup setup, double driveW) {
        return FINISHES.of(new Asked(setup, driveW));
    }

    /** All that dials by the twin depend on. */
    private record Asked(TuneSetup setup, double driveW) {
        private Optional<Peak> most() {
            return probe(setup, driveW).flatMap(probe -> settled(PeakSearch.most(probe, driveW)));
        }

        private Optional<Peak> finish() {
            return probe(setup, driveW).flatMap(probe -> settled(PeakSearch.finish(probe, driveW)));
        }
    }

    private static Optional<Probe> probe(TuneSetup setup, double driveW) {
        return driveW <= 0
                ? Optional.empty()
                : of(setup)
                        .flatMap(twin -> twin.probe(setting(
                                setup,
                                driveW,
                                setup.preset().plate(),
                                setup.preset().load())));
    }

    private static Optional<Peak> settled(Outcome<Peak> outcome) {
        return outcome instanceof Outcome.Settled<Peak> settled ? Optional.of(settled.point()) : Optional.empty();
    }
}
