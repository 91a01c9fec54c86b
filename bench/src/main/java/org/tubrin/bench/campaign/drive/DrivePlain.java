package org.tubrin.bench.campaign.drive;

import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import org.tubrin.core.metering.Channel;
import org.tubrin.core.metering.MeterRange;
import org.tubrin.core.metering.ReadingRole;

/**
 * What a careful person does without a table: from a quarter of the sheet's drive, each time by as much as the output is short,
 * doubled at most, until the meter shows what is wanted within 2 %; after a trip half of it. The drive is kept when the band is
 * changed.
 */
final class DrivePlain {
    private static final double NEAR = 0.02;
    private static final int MOST = 10;
    private static final double KEY_S = 3;
    private static final double SHORT_S = 1;

    private DrivePlain() {}

    static DriveScore inProportion(DriveCase given) {
        DriveShack shack = new DriveShack(given);
        Channel channel = given.setup().channelFor(ReadingRole.OUTPUT).orElseThrow();
        double limitW = given.setup().amplifier().driveLimitW();
        double setW = Math.max(given.setup().exciter().powerMinW(), limitW / 4);
        boolean near = false;
        for (int i = 0; i < MOST && !near; i++) {
            shack.set(setW);
            MeterRange range = channel.rangeFor(given.wantedW());
            shack.range(ReadingRole.OUTPUT, range);
            if (shack.key(KEY_S).isPresent()) {
                shack.stage().reset();
                setW /= 2;
            } else {
                double read = shack.reads(ReadingRole.OUTPUT);
                near = Math.abs(read / given.wantedW() - 1) < NEAR || (setW >= limitW && read < given.wantedW());
                setW = near ? setW : Math.min(limitW, setW * Math.min(2, given.wantedW() / Math.max(1, read)));
            }
            shack.rest(5);
        }
        int keyDowns = shack.keyDowns;
        boolean reachable = shack.trueDriveForW(given.wantedW()) < limitW;
        OptionalDouble off = reachable ? OptionalDouble.of(DriveScore.offPercent(shack, setW)) : OptionalDouble.empty();
        return new DriveScore(
                "in proportion",
                keyDowns,
                shack.trips,
                off,
                false,
                Optional.empty(),
                false,
                List.of(),
                kept(given, shack, setW),
                "");
    }

    /** The drive kept when the band is changed. */
    private static int kept(DriveCase given, DriveShack from, double setW) {
        from.stage().reset();
        DriveShack other = new DriveShack(given.onTheOther(), from.stage());
        other.set(setW);
        other.key(SHORT_S);
        return other.trips;
    }
}
