package org.tubrin.core.practice;

import java.util.EnumMap;
import java.util.EnumSet;
import java.util.Map;
import java.util.Optional;
import java.util.Random;
import java.util.Set;
import org.tubrin.core.metering.ReadingRole;
import org.tubrin.core.run.Control;
import org.tubrin.core.run.Preflight;
import org.tubrin.core.run.Preset;
import org.tubrin.core.run.TuneSetup;
import org.tubrin.core.station.Antenna;
import org.tubrin.core.station.Band;
import org.tubrin.core.station.PowerStep;
import org.tubrin.core.station.Stage;
import org.tubrin.core.station.TwinConstants;
import org.tubrin.core.tank.Dial;
import org.tubrin.core.tank.ImpedancePoint;
import org.tubrin.core.tank.Mismatch;
import org.tubrin.core.twin.Setting;
import org.tubrin.core.twin.TubeTwin;

/**
 * The station of an exercise as it really is: a little off its record, as every one is, and with what is hidden in it. All of it belongs to
 * the exercise's seed. Source of the sizes: our own, within what tubes, lines and meters are sold and met with.
 */
final class HiddenTruth {
    private static final double SOFT = 0.55;
    private static final double SAGGED = 0.86;
    private static final double LIES = 0.2;
    private static final double SLACK_MARKS = 0.3;
    private static final double PLAY_MARKS = 0.01;
    /** From the lightest loading, where LOAD stands that was left far off or light. */
    private static final double FAR_SHARE = 0.12;

    private static final double LIGHTER_SHARE = 0.16;
    private static final double PERCENT_SPREAD = 0.12;
    private static final double WATT_SPREAD = 0.03;
    private static final double FULL_CARRIER_SHARE = 0.9;

    private final Set<Hidden> hidden;
    private final TuneSetup setup;
    private final TwinConstants.Tuned record;
    private final double emission;
    private final double line;
    private final double driveShare;
    private final double plateOffset;
    private final double loadOffset;
    private final double loadOhm;
    private final ImpedancePoint unmatched;
    private final ImpedancePoint matched;
    private final Map<ReadingRole, double[]> errors = new EnumMap<>(ReadingRole.class);
    private final double lie;
    private final Control bad;
    private final Band otherBand;

    HiddenTruth(Exercise exercise, TuneSetup setup) {
        this.setup = setup;
        Set<Hidden> all = exercise.hidden();
        hidden = all.isEmpty() ? EnumSet.noneOf(Hidden.class) : EnumSet.copyOf(all);
        record = (TwinConstants.Tuned) exercise.amplifier().twin().orElseThrow();
        Random random = exercise.random(2);
        emission = 1 + 0.04 * random.nextGaussian();
        line = 1 + 0.01 * random.nextGaussian();
        double spread = exercise.step().scale() == PowerStep.Scale.PERCENT ? PERCENT_SPREAD : WATT_SPREAD;
        driveShare = 1 + spread * (2 * random.nextDouble() - 1);
        plateOffset = 0.1 * setup.tubes().plate().markStep() * (2 * random.nextDouble() - 1);
        loadOffset = 0.2 * setup.tubes().load().markStep() * (2 * random.nextDouble() - 1);
        loadOhm = Exercise.LOAD_OHM * (1 + 0.003 * random.nextGaussian());
        unmatched = Mismatch.onCircle(1e6, 2.5 + random.nextDouble(), 2 * Math.PI * random.nextDouble());
        matched = Mismatch.onCircle(1e6, 1 + 0.15 * random.nextDouble(), 2 * Math.PI * random.nextDouble());
        lie = random.nextBoolean() ? 1 + LIES : 1 - LIES;
        bad = random.nextBoolean() ? Control.PLATE : Control.LOAD;
        for (ReadingRole role : ReadingRole.values()) {
            errors.put(role, new double[] {2 * random.nextDouble() - 1, 2 * random.nextDouble() - 1});
        }
        otherBand = exercise.bands().stream()
                .filter(band -> band != setup.band())
                .skip(random.nextInt(Math.max(1, exercise.bands().size() - 1)))
                .findFirst()
                .orElse(setup.band());
    }

    boolean hides(Hidden one) {
        return hidden.contains(one);
    }

    /** Puts a fault right; returns whether it was there. */
    boolean mend(Hidden one) {
        return hidden.remove(one);
    }

    /** Returns the stage as it is. */
    TubeTwin twin() {
        return new TubeTwin(
                setup.tubes(),
                record.scaled(
                        setup.band(),
                        emission * (hides(Hidden.SOFT_TUBE) ? SOFT : 1),
                        line * (hides(Hidden.SAGGING_LINE) ? SAGGED : 1),
                        1,
                        1));
    }

    /** Returns what it works into, with a jumper that is so warm, 0 to 1. */
    ImpedancePoint into(boolean isMatched, double jumperWarmth) {
        ImpedancePoint end = setup.termination() instanceof Antenna
                ? isMatched ? matched : unmatched
                : new ImpedancePoint(setup.frequencyHz(), loadOhm, 0);
        return jumperWarmth <= 0
                ? end
                : new ImpedancePoint(
                        setup.frequencyHz(),
                        // A probe is made for each: in steps of a few per cent.
                        end.ohm() * (1 + Math.rint(40 * jumperWarmth) / 40),
                        end.reactanceOhm());
    }

    /** Returns where it is set at a band of the amplifier's switch; drive and dials do not count. */
    Setting setting(Band band, ImpedancePoint into) {
        return new Setting(band, setup.frequencyHz(), 1, 0, 0, into.ohm(), into.reactanceOhm());
    }

    /** Returns the drive at the amplifier over what the exciter is set to. */
    double driveShare() {
        return driveShare;
    }

    /** Returns how far the part behind a knob stands from what its dial says, in marks of the scale. */
    double offset(Control control) {
        return control == Control.PLATE ? plateOffset : loadOffset;
    }

    /** Returns how far a knob turns before the part behind it follows. */
    double play(Control control) {
        boolean slack = hides(Hidden.SLACK_KNOB) && control == Control.PLATE;
        return (slack ? SLACK_MARKS : PLAY_MARKS) * dial(control).markStep();
    }

    /** Returns whether a knob slips on its shaft. */
    boolean slips(Control control) {
        return hides(Hidden.SLIPPING_KNOB) && control == bad;
    }

    Dial dial(Control control) {
        return control == Control.PLATE ? setup.tubes().plate() : setup.tubes().load();
    }

    /** Returns the share of a meter's class by which its gain errs, and by which its zero does, −1 to 1 each. */
    double[] errors(ReadingRole role) {
        return errors.getOrDefault(role, new double[] {0, 0});
    }

    /** Returns what a meter shows of what it should, where it lies. */
    double lie(ReadingRole role, boolean isSecond) {
        boolean lies = switch (role) {
            case OUTPUT -> hides(isSecond ? Hidden.LYING_SECOND_METER : Hidden.LYING_WATTMETER);
            case PLATE_CURRENT -> hides(Hidden.LYING_PLATE_METER);
            default -> false;
        };
        return lies ? lie : 1;
    }

    /** Returns where the band switch stands at the start. */
    Band firstBand() {
        return hides(Hidden.BAND_FORGOTTEN) ? otherBand : setup.band();
    }

    /** Returns what the exciter is set to at the start, in watts. */
    double firstDriveW() {
        double leastW = setup.exciter().powerMinW();
        if (hides(Hidden.DRIVE_KEPT)) {
            return setup.exciter().nearestW(FULL_CARRIER_SHARE * setup.topDriveW());
        }
        return hides(Hidden.NOT_MATCHED) ? setup.exciter().nearestW(Preflight.matchPowerW(setup)) : leastW;
    }

    /** Returns where a dial stands at the start: as preset, or as it was left. */
    double firstMark(Control control) {
        Preset preset = setup.preset();
        Stage.Tubes tubes = setup.tubes();
        if (control == Control.PLATE) {
            double step = tubes.plate().markStep();
            boolean far = hides(Hidden.DIALS_FAR_OFF) || hides(Hidden.DRIVE_KEPT);
            return tubes.plate()
                    .clamp(preset.plate() + (far ? (preset.plate() > middle(tubes.plate()) ? -2 : 2) : 0) * step);
        }
        if (hides(Hidden.DIALS_FAR_OFF)) {
            return light(FAR_SHARE);
        }
        if (hides(Hidden.LIGHT_LOADING)) {
            double span = tubes.load().most() - tubes.load().least();
            return tubes.load().clamp(preset.load() - tubes.loadSense().heavierSign() * LIGHTER_SHARE * span);
        }
        return preset.load();
    }

    private double light(double share) {
        Dial load = setup.tubes().load();
        double span = load.most() - load.least();
        return setup.tubes().loadSense().heavierSign() > 0 ? load.least() + share * span : load.most() - share * span;
    }

    private static double middle(Dial dial) {
        return (dial.least() + dial.most()) / 2;
    }

    /** Returns the roles whose meter is switched, where there is but one. */
    Optional<ReadingRole> firstShown() {
        boolean switched = setup.isSwitched(ReadingRole.PLATE_CURRENT);
        return !switched
                ? Optional.empty()
                : Optional.of(hides(Hidden.METER_LEFT) ? ReadingRole.PLATE_VOLTAGE : ReadingRole.PLATE_CURRENT);
    }
}
