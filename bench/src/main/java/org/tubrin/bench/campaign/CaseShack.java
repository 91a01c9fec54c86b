package org.tubrin.bench.campaign;

import java.util.EnumMap;
import java.util.Map;
import java.util.Random;
import org.tubrin.core.advice.PlateHeat;
import org.tubrin.core.metering.Accuracy;
import org.tubrin.core.metering.Channel;
import org.tubrin.core.metering.MeterRange;
import org.tubrin.core.metering.ReadingRole;
import org.tubrin.core.practice.Knob;
import org.tubrin.core.practice.TrueStage;
import org.tubrin.core.practice.WithinLimits;
import org.tubrin.core.run.Check;
import org.tubrin.core.run.Control;
import org.tubrin.core.run.TuneSetup;
import org.tubrin.core.station.Stage;

/** The room of one case, in time of its own: knobs, key, meters, and what the tubes go through meanwhile. */
final class CaseShack implements Shack {
    private static final double SLICE_S = 0.05;
    /** Parts of a scale that an eye tells apart. */
    private static final double DIVISIONS = 200;

    final Case given;
    private final TuneSetup setup;
    private final TrueStage stage;
    private final Knob plate;
    private final Knob load;
    private final Map<ReadingRole, Double> classErrors = new EnumMap<>(ReadingRole.class);
    private final Map<ReadingRole, Double> shownLast = new EnumMap<>(ReadingRole.class);
    private double driveW;
    private double duty = 1;
    private boolean keyed;
    private boolean tripped;
    private boolean settled;
    private double plateShare;

    private double nowS;
    int keyDowns;
    double carrierS;
    double beyondS;
    double hottestShare;
    int trips;

    CaseShack(Case given, Random random) {
        this.given = given;
        setup = given.setup();
        Stage.Tubes tubes = setup.tubes();
        plate = new Knob(
                tubes.plate(),
                setup.preset().plate(),
                given.plateSlackMarks() * tubes.plate().markStep());
        load = new Knob(
                tubes.load(),
                setup.preset().load(),
                given.loadSlackMarks() * tubes.load().markStep());
        stage = given.stage();
        for (ReadingRole role : ReadingRole.values()) {
            setup.channelFor(role).ifPresent(channel -> classErrors.put(role, 2 * random.nextDouble() - 1));
        }
    }

    /** Keys with pulses of a duty factor from now on; 1 for a carrier. */
    @Override
    public void pulse(double share) {
        duty = share;
    }

    @Override
    public void key(boolean down) {
        if (down && !keyed) {
            keyDowns++;
        }
        keyed = down;
        settle();
    }

    @Override
    public boolean keyed() {
        return keyed;
    }

    @Override
    public boolean tripped() {
        return tripped;
    }

    @Override
    public void reset() {
        tripped = false;
    }

    @Override
    public void turn(Control control, double to) {
        if (control == Control.DRIVE) {
            driveW = to;
        } else {
            knob(control).turn(to);
        }
        settle();
    }

    @Override
    public double shown(Control control) {
        return control == Control.DRIVE ? driveW : knob(control).shown();
    }

    @Override
    public double knownPlay(Control control) {
        return knob(control).play();
    }

    /** Returns the mark at which what a knob turns stands: where it has play, not the one that it shows. */
    double behind(Control control) {
        return knob(control).behind();
    }

    private Knob knob(Control control) {
        return switch (control) {
            case PLATE -> plate;
            case LOAD -> load;
            case DRIVE,
                    TONE,
                    LEVEL,
                    DEVICE,
                    POT,
                    POWER_AMPLIFIER,
                    MATCHER,
                    ATTENUATOR,
                    LOOK,
                    SUPPLY,
                    MODULES,
                    MOTOR,
                    WATTMETERS -> throw new IllegalArgumentException("a climb has no knob for " + control);
        };
    }

    @Override
    public TuneSetup setup() {
        return setup;
    }

    @Override
    public double nowS() {
        return nowS;
    }

    @Override
    public boolean look(Check check) {
        // In a case nothing was left as it should not be.
        return false;
    }

    private void settle() {
        if (keyed && !tripped && driveW > 0) {
            settled = settleAt(driveW);
            if (settled
                    && stage.gridCurrentA()
                            > TrueStage.TRIP_SHARE * setup.tubes().gridCurrentLimitA()) {
                tripped = true;
                keyed = false;
                trips++;
            }
        }
    }

    private boolean settleAt(double watt) {
        return stage.settle(
                watt * given.driveShare(),
                dial(Control.PLATE).clamp(plate.behind() + given.plateOffsetMarks()),
                dial(Control.LOAD).clamp(load.behind() + given.loadOffsetMarks()));
    }

    private boolean powered() {
        return keyed && !tripped && settled;
    }

    /** Lets time pass, in seconds. */
    @Override
    public void pass(double seconds) {
        for (double left = seconds; left > 1e-9; left -= SLICE_S) {
            double s = Math.min(SLICE_S, left);
            nowS += s;
            double heat =
                    powered() ? duty * stage.plateHeatPerTubeW() / setup.tubes().plateDissipationPerTubeW() : 0;
            plateShare = PlateHeat.WARMING.riseK(plateShare, heat, s);
            hottestShare = Math.max(hottestShare, plateShare);
            if (stage.pass(s, powered()) && powered()) {
                settled = settleAt(driveW);
            }
            if (powered()) {
                carrierS += s * duty;
                beyondS += new WithinLimits(stage, setup).isPassed() ? s : 0;
            }
        }
    }

    /** Returns what a meter would show without its errors. */
    double truth(ReadingRole role) {
        boolean on = powered();
        double rest = setup.tubes().restingPlateCurrentA();
        return switch (role) {
            case OUTPUT -> on ? stage.outputW() : 0;
            case PLATE_CURRENT -> on ? duty * stage.plateCurrentA() + (1 - duty) * rest : 0;
            case GRID_CURRENT -> on ? duty * stage.gridCurrentA() : 0;
            case SCREEN_CURRENT -> on ? duty * stage.screenCurrentA() : 0;
            case PLATE_VOLTAGE -> on ? stage.plateVoltageDcV() : stage.supplyOpenV();
            case INPUT_POWER,
                    REFLECTED,
                    INPUT_SWR,
                    SUPPLY_CURRENT,
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
                    SIGNAL_WIDTH,
                    OTHER_OUTPUT -> 0;
        };
    }

    /** Returns the heat of one tube, in watts, as it is. */
    double heatPerTubeW() {
        return powered() ? stage.plateHeatPerTubeW() : 0;
    }

    /** Returns the drive that reaches the amplifier, in watts, as it is. */
    double trueDriveW() {
        return driveW * given.driveShare() * stage.driveShare();
    }

    /** Returns what a meter shows on a range, to what the eye tells apart. */
    @Override
    public double shows(ReadingRole role, MeterRange range) {
        Channel channel = setup.channelFor(role).orElseThrow();
        double classShare = ((Accuracy.OfFullScale) channel.accuracy()).fraction();
        double error = classErrors.getOrDefault(role, 0.0) * classShare * range.fullScale();
        double grain = range.fullScale() / DIVISIONS;
        double shown = Math.rint((truth(role) + error) / grain) * grain;
        // A pointer that sticks follows once it is pulled far enough.
        double last = shownLast.getOrDefault(role, 0.0);
        if (powered() && Math.abs(shown - last) < given.stickShare() * range.fullScale()) {
            shown = last;
        }
        shownLast.put(role, shown);
        double least = role.mayBeNegative() ? -range.fullScale() : 0;
        return Math.max(least, Math.min(1.02 * range.fullScale(), shown));
    }
}
