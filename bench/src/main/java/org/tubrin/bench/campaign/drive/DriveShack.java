package org.tubrin.bench.campaign.drive;

import java.util.EnumMap;
import java.util.Map;
import java.util.Optional;
import java.util.Random;
import org.tubrin.bench.TransistorAmplifier;
import org.tubrin.bench.campaign.MeterLuck;
import org.tubrin.core.metering.Channel;
import org.tubrin.core.metering.MeterRange;
import org.tubrin.core.metering.ReadingRole;
import org.tubrin.core.run.SeenSign;
import org.tubrin.core.twin.Root;
import org.tubrin.core.twin.TransistorPoint;

/** The amplifier as it is, an exciter whose scale is off, and meters anywhere within their class. */
final class DriveShack {
    private static final double TICK_S = 0.01;
    private static final double LOAD_OHM = 50;
    private static final double LEAST_W = 1e-3;
    private static final double MOST_W = 200;

    final DriveCase given;
    private final TransistorAmplifier stage;
    private final double exciterShare;
    private final MeterLuck meters;
    private final Map<ReadingRole, MeterRange> ranges = new EnumMap<>(ReadingRole.class);
    private double setW;
    double nowS;
    int keyDowns;
    int trips;

    DriveShack(DriveCase given) {
        this(given, new TransistorAmplifier(given.model(), given.truth()));
    }

    /** The same amplifier on another band. */
    DriveShack(DriveCase given, TransistorAmplifier stage) {
        this.given = given;
        this.stage = stage;
        Random random = new Random(given.seed());
        exciterShare = 1 + given.setup().exciter().powerAccuracyFraction() * (2 * random.nextDouble() - 1);
        meters = new MeterLuck(given.setup(), random);
    }

    TransistorAmplifier stage() {
        return stage;
    }

    /** Sets the exciter by its scale, in watts. */
    void set(double watt) {
        nowS += 1;
        setW = watt;
    }

    double setW() {
        return setW;
    }

    void range(ReadingRole role, MeterRange range) {
        ranges.put(role, range);
    }

    /** Keys for so many seconds; returns on what the protection acted. */
    Optional<SeenSign> key(double seconds) {
        keyDowns++;
        double heldS = 0;
        while (heldS < seconds && stage.trip().isEmpty()) {
            pass(driveW(), TICK_S);
            heldS += TICK_S;
        }
        Optional<SeenSign> trip = stage.trip();
        trips += trip.isPresent() ? 1 : 0;
        return trip;
    }

    /** Lets the key be up for so many seconds. */
    void rest(double seconds) {
        for (double left = seconds; left > 0; left -= 1) {
            pass(0, Math.min(1, left));
        }
    }

    private void pass(double inputW, double s) {
        stage.pass(given.setup().band(), given.setup().frequencyHz(), true, inputW, LOAD_OHM, 0, s);
        nowS += s;
    }

    double driveW() {
        return setW * exciterShare;
    }

    /** Returns the true point at a drive in watts. */
    TransistorPoint at(double driveW) {
        return stage.at(given.setup().band(), given.setup().frequencyHz(), driveW, LOAD_OHM, 0);
    }

    /** Returns what a meter's class makes of a true value, on the range in use, before an eye reads it. */
    double classed(ReadingRole role, double truth) {
        return classed(role, truth, inUse(role));
    }

    private MeterRange inUse(ReadingRole role) {
        return ranges.computeIfAbsent(role, meters::widest);
    }

    double classed(ReadingRole role, double truth, MeterRange range) {
        return meters.classed(role, truth, range);
    }

    /** Returns what an eye reads of a meter with the key down. */
    double reads(ReadingRole role) {
        return meters.reads(role, truth(role), inUse(role));
    }

    private double truth(ReadingRole role) {
        TransistorPoint point = at(driveW());
        return switch (role) {
            case INPUT_POWER -> driveW();
            case OUTPUT -> point.outputW();
            case INPUT_SWR -> point.inputSwr().orElse(1);
            case SUPPLY_CURRENT -> point.supplyCurrentA();
            case SUPPLY_VOLTAGE -> point.supplyVoltageDcV();
            case HEAT_SINK -> stage.heatSinkC();
            case OTHER_OUTPUT,
                    PLATE_CURRENT,
                    GRID_CURRENT,
                    SCREEN_CURRENT,
                    PLATE_VOLTAGE,
                    REFLECTED,
                    ALC_GAUGE,
                    SENSE_VOLTAGE,
                    DEVICE_CURRENT,
                    GATE_VOLTAGE,
                    GATE_RF,
                    OUTPUT_VPP,
                    PHASE,
                    LINE_VOLTAGE,
                    LINE_CURRENT,
                    SIGNAL_WIDTH -> 0;
        };
    }

    /** Returns the drive at which the output's meter shows what is wanted, as the input's meter shows it; in watts. */
    double trueDriveForW(double wantedW) {
        Channel channel = given.setup().channelFor(ReadingRole.OUTPUT).orElseThrow();
        MeterRange range = channel.rangeFor(wantedW);
        return Math.exp(Root.between(
                log -> classed(ReadingRole.OUTPUT, at(Math.exp(log)).outputW(), range) - wantedW,
                Math.log(LEAST_W),
                Math.log(MOST_W),
                1e-9));
    }
}
