package org.tubrin.core.foresee;

import java.util.EnumMap;
import java.util.Map;
import java.util.Optional;
import org.tubrin.core.metering.ReadingRole;
import org.tubrin.core.quantity.ErrorSource;
import org.tubrin.core.quantity.Quantity;
import org.tubrin.core.quantity.Standing;
import org.tubrin.core.run.Control;
import org.tubrin.core.run.RecordTwin;
import org.tubrin.core.run.RunState;
import org.tubrin.core.run.Step;
import org.tubrin.core.run.TuneSetup;
import org.tubrin.core.station.Antenna;
import org.tubrin.core.station.Termination;
import org.tubrin.core.tank.Mismatch;
import org.tubrin.core.twin.Outcome;
import org.tubrin.core.twin.Setting;
import org.tubrin.core.twin.TubePoint;
import org.tubrin.core.twin.TubeTwin;

/**
 * What each meter should show at a drive and two dials, by the twin.
 *
 * <p>Method: the operating point; how sure it is follows from what its setting is unsure of, by differences: the drive by the
 * exciter's scale, each dial by a fiftieth of a mark, the load by a hundredth of its resistance, and a share for the twin
 * itself, whose constants are those of the record and not of the tube in the socket. Source: JCGM 100:2008, 5.1.3 note 2.
 */
public final class Expected {
    private static final double DIAL_MARKS = 0.02;
    private static final double LOAD_SHARE = 0.01;
    private static final double POWER_SHARE = 0.04;
    private static final double CURRENT_SHARE = 0.03;
    private static final double GRID_SHARE = 0.08;
    private static final double VOLTAGE_SHARE = 0.01;

    private Expected() {}

    /**
     * Where the twin has the dials.
     *
     * @param plate PLATE at resonance for LOAD as it stands
     * @param load LOAD where the school ends, at as much drive as the limits bear and the use wants
     */
    public record Aim(double plate, double load) {}

    /** Returns where the twin has the dials for the step in hand; empty where there is none. */
    public static Optional<Aim> aim(RunState state) {
        TuneSetup setup = state.setup();
        double driveW = state.draft().position(Control.DRIVE).orElse(setup.topDriveW());
        double load = state.draft().position(Control.LOAD).orElse(setup.preset().load());
        boolean ends = state.draft().kind() == Step.Kind.FINISH;
        return RecordTwin.resonantPlate(setup, load)
                .flatMap(plate -> Foresight.of(setup, state.school(), state.steps())
                        .flatMap(foresight ->
                                foresight.loadFinish(ends ? driveW : foresight.driveWithinW(setup.topDriveW())))
                        .map(to -> new Aim(plate, to)));
    }

    /** Returns what to expect, by role; empty where there is no twin or it did not settle. */
    public static Map<ReadingRole, Quantity> at(TuneSetup setup, double driveW, double plate, double load) {
        TubeTwin twin = RecordTwin.of(setup).orElse(null);
        if (twin == null) {
            return Map.of();
        }
        Setting setting = RecordTwin.setting(setup, driveW, plate, load);
        Map<ReadingRole, Double> here = figures(twin, setting);
        double driveU = driveW * setup.exciter().powerAccuracyFraction() / Math.sqrt(3);
        double dialU = DIAL_MARKS * setup.tubes().plate().markStep();
        double loadU = DIAL_MARKS * setup.tubes().load().markStep();
        double ohm = setting.loadOhm();
        double ohmU = ohmUncertainty(setup, ohm);
        Map<ReadingRole, Quantity> expected = new EnumMap<>(ReadingRole.class);
        Map<ReadingRole, Double> driven = figures(twin, setting.driven(driveW + driveU));
        Map<ReadingRole, Double> turned = figures(twin, setting.at(plate + dialU, load));
        Map<ReadingRole, Double> heavier = figures(twin, setting.at(plate, load + loadU));
        Map<ReadingRole, Double> loaded = figures(
                twin,
                new Setting(
                        setting.band(),
                        setting.frequencyHz(),
                        driveW,
                        plate,
                        load,
                        ohm + ohmU,
                        setting.loadReactanceOhm()));
        here.forEach((role, value) -> {
            double square = square(share(role) * value);
            square += square(driven.getOrDefault(role, value) - value);
            square += square(turned.getOrDefault(role, value) - value);
            square += square(heavier.getOrDefault(role, value) - value);
            square += square(loaded.getOrDefault(role, value) - value);
            expected.put(
                    role,
                    Quantity.of(
                            value,
                            role.unit(),
                            Standing.PREDICTED,
                            new ErrorSource("twin", role.name(), ""),
                            Math.sqrt(square)));
        });
        return expected;
    }

    private static double ohmUncertainty(TuneSetup setup, double ohm) {
        Termination termination = setup.termination();
        if (termination instanceof Antenna antenna
                && antenna.impedanceAt(setup.frequencyHz()).isEmpty()) {
            return antenna.on(setup.band()).map(on -> ohm * (on.swr() - 1) / 2).orElse(LOAD_SHARE * ohm);
        }
        return LOAD_SHARE * ohm;
    }

    private static double square(double value) {
        return value * value;
    }

    private static double share(ReadingRole role) {
        return switch (role) {
            case INPUT_POWER, OUTPUT, OTHER_OUTPUT, REFLECTED -> POWER_SHARE;
            case PLATE_CURRENT, SUPPLY_CURRENT -> CURRENT_SHARE;
            case GRID_CURRENT, SCREEN_CURRENT -> GRID_SHARE;
            case PLATE_VOLTAGE,
                    INPUT_SWR,
                    SUPPLY_VOLTAGE,
                    HEAT_SINK,
                    ALC_GAUGE,
                    SENSE_VOLTAGE,
                    DEVICE_CURRENT,
                    GATE_VOLTAGE,
                    GATE_RF,
                    OUTPUT_VPP,
                    PHASE,
                    LINE_VOLTAGE,
                    LINE_CURRENT,
                    SIGNAL_WIDTH -> VOLTAGE_SHARE;
        };
    }

    private static Map<ReadingRole, Double> figures(TubeTwin twin, Setting setting) {
        Map<ReadingRole, Double> figures = new EnumMap<>(ReadingRole.class);
        if (twin.at(setting) instanceof Outcome.Settled<TubePoint> settled) {
            TubePoint point = settled.point();
            figures.put(ReadingRole.OUTPUT, point.outputW());
            figures.put(ReadingRole.PLATE_CURRENT, point.meters().plateCurrentA());
            figures.put(ReadingRole.GRID_CURRENT, point.meters().gridCurrentA());
            figures.put(ReadingRole.PLATE_VOLTAGE, point.meters().plateVoltageDcV());
            point.meters().screenCurrentA().ifPresent(screen -> figures.put(ReadingRole.SCREEN_CURRENT, screen));
            point.inputSwr().ifPresent(swr -> figures.put(ReadingRole.INPUT_SWR, swr));
            double reflected = Mismatch.reflectedShare(setting.loadOhm(), setting.loadReactanceOhm());
            figures.put(ReadingRole.REFLECTED, point.outputW() * reflected / (1 - reflected));
        }
        return figures;
    }
}
