package org.tubrin.bench.campaign.drive;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.OptionalDouble;
import org.tubrin.core.drive.BandGuard;
import org.tubrin.core.drive.DriveBand;
import org.tubrin.core.drive.DriveFor;
import org.tubrin.core.drive.DriveKind;
import org.tubrin.core.drive.DriveRow;
import org.tubrin.core.metering.Channel;
import org.tubrin.core.metering.MeterRange;
import org.tubrin.core.metering.ReadingRole;
import org.tubrin.core.quantity.Quantity;
import org.tubrin.core.run.RunState;

/**
 * What one case came to by one procedure.
 *
 * @param procedure name
 * @param keyDowns until the drive was known
 * @param trips until then and at the last key-down with that drive
 * @param offPercent how far what the meter shows at that drive lies from what is wanted; empty where no drive was said
 * @param refused whether no drive was said though one within the amplifier's limit gives it
 * @param driveHeld whether the stated 95 % interval of the drive holds the truth; empty where none was said
 * @param byLaw whether that drive lies outside the rows
 * @param gainsHeld the same of the gain of each row
 * @param changeTrips trips when the band is changed
 * @param story what was read
 */
record DriveScore(
        String procedure,
        int keyDowns,
        int trips,
        OptionalDouble offPercent,
        boolean refused,
        Optional<Boolean> driveHeld,
        boolean byLaw,
        List<Boolean> gainsHeld,
        int changeTrips,
        String story) {
    private static final double SHORT_S = 1;
    private static final double THREE_DB = 2;

    /** Returns what following the next move comes to, with the guard when the band is changed. */
    static DriveScore tubrin(DriveCase given) {
        DriveShack shack = new DriveShack(given);
        RunState run = new DriveNovice(shack).run();
        int keyDowns = shack.keyDowns;
        Optional<DriveBand> band = DriveBand.of(run);
        DriveFor wanted = band.map(one -> one.driveFor(given.wantedW()))
                .orElseThrow(() -> new IllegalStateException("no rows in case " + given.number()));
        double trueW = shack.trueDriveForW(given.wantedW());
        List<Boolean> gainsHeld = new ArrayList<>();
        double inputShows = shack.classed(ReadingRole.INPUT_POWER, trueW);
        Optional<Boolean> driveHeld =
                wanted.driveW().map(drive -> Math.abs(drive.value() - inputShows) <= drive.halfWidth95());
        for (DriveRow row : band.get().rows()) {
            double inputW = trueInputW(shack, row.setW());
            double truth = 10 * Math.log10(shack.at(inputW).outputW() / inputW);
            row.gainDb().ifPresent(gain -> gainsHeld.add(Math.abs(gain.value() - truth) <= gain.halfWidth95()));
        }
        OptionalDouble off = wanted.setW()
                .map(setW -> OptionalDouble.of(offPercent(shack, setW)))
                .orElse(OptionalDouble.empty());
        boolean refused =
                wanted.driveW().isEmpty() && trueW < given.setup().amplifier().driveLimitW();
        int trips = shack.trips;
        return new DriveScore(
                "tubrin",
                keyDowns,
                trips,
                off,
                refused,
                driveHeld,
                wanted.basis() == DriveFor.Basis.LAW,
                gainsHeld,
                guarded(given, shack, band.get()),
                story(given, wanted, band.get(), inputShows, shack));
    }

    private static double trueInputW(DriveShack shack, double setW) {
        double before = shack.setW();
        shack.set(setW);
        double driveW = shack.driveW();
        shack.set(before);
        return driveW;
    }

    /** Sets the exciter, keys, and returns how far off what is wanted the meter shows. */
    static double offPercent(DriveShack shack, double setW) {
        Channel channel = shack.given.setup().channelFor(ReadingRole.OUTPUT).orElseThrow();
        MeterRange range = channel.rangeFor(shack.given.wantedW());
        shack.set(setW);
        shack.key(SHORT_S);
        double shown =
                shack.classed(ReadingRole.OUTPUT, shack.at(shack.driveW()).outputW(), range);
        return 100 * Math.abs(shown / shack.given.wantedW() - 1);
    }

    /** Changes to the other band by the guard: the first drive, then up by 3 dB at most a key-down. */
    private static int guarded(DriveCase given, DriveShack from, DriveBand here) {
        DriveCase there = given.onTheOther();
        from.stage().reset();
        DriveShack other = new DriveShack(there, from.stage());
        Optional<DriveBand> known =
                given.number() % 2 == 0 ? DriveBand.of(new DriveNovice(other).run()) : Optional.empty();
        from.stage().reset();
        other.trips = 0;
        List<DriveBand> table = known.map(one -> List.of(here, one)).orElse(List.of(here));
        double inUseW = BandGuard.uptoW(here, given.wantedW());
        // In every third case nobody knows where the exciter stands.
        Optional<Double> standing = given.number() % 3 == 0 ? Optional.empty() : Optional.of(inUseW);
        BandGuard guard = BandGuard.to(
                there.setup().band(),
                new BandGuard.Asked(given.setup().amplifier(), DriveKind.CARRIER, table, standing, given.wantedW()),
                Optional.empty());
        double perSet = here.setForW(inUseW) / inUseW;
        double driveW = guard.firstW();
        double most = guard.uptoW().orElse(guard.firstW());
        while (true) {
            other.set(driveW * perSet);
            other.key(SHORT_S);
            other.rest(5);
            if (driveW >= most || other.stage().trip().isPresent()) {
                return other.trips;
            }
            driveW = Math.min(most, driveW * THREE_DB);
        }
    }

    private static String story(DriveCase given, DriveFor wanted, DriveBand band, double trueW, DriveShack shack) {
        StringBuilder story = new StringBuilder(String.format(
                Locale.ROOT,
                "case %d: %s %s, wanted %.0f W: %s %.2f (true %.2f): ",
                given.number(),
                given.setup().amplifier().name(),
                given.setup().band(),
                given.wantedW(),
                wanted.basis(),
                wanted.driveW().map(Quantity::value).orElse(0.0),
                trueW));
        band.rows()
                .forEach(row -> story.append(String.format(
                        Locale.ROOT,
                        "%.2f→%.0f ",
                        row.driveW().value(),
                        row.outputW().value())));
        return story
                + (shack.trips > 0
                        ? "tripped " + shack.stage().trip().map(Enum::name).orElse("")
                        : "");
    }
}
