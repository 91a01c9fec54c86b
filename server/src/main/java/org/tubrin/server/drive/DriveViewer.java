package org.tubrin.server.drive;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Stream;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Component;
import org.tubrin.core.drive.BandGuard;
import org.tubrin.core.drive.DriveBand;
import org.tubrin.core.drive.DriveFor;
import org.tubrin.core.drive.DriveKind;
import org.tubrin.core.drive.DriveRow;
import org.tubrin.core.drive.DriveSweep;
import org.tubrin.core.drive.SetBefore;
import org.tubrin.core.quantity.Quantity;
import org.tubrin.core.run.Trip;
import org.tubrin.core.signs.Sign;
import org.tubrin.core.station.Band;
import org.tubrin.server.words.Figures;
import org.tubrin.server.words.Words;

/** Puts drive tables and what follows from them into words. */
@Component
class DriveViewer {
    private static final String THIN = "\u2009";
    private static final double SECONDS_A_MINUTE = 60;
    private static final double WORTH_RAISING = 1.03;
    private static final double PERCENT = 0.01;
    private static final int DAY_CHARACTERS = 10;

    private final Words words;

    DriveViewer(Words words) {
        this.words = words;
    }

    /** Returns what a band brought, or that nothing is known of it. */
    DriveViews.BandView band(double limitW, Band band, Optional<DriveTables.Measured> measured, double wantedW) {
        if (measured.isEmpty()) {
            return new DriveViews.BandView(
                    band,
                    words.name(band.name()),
                    null,
                    null,
                    null,
                    List.of(),
                    List.of(),
                    List.of(),
                    wanted(limitW, DriveFor.UNKNOWN),
                    null,
                    null,
                    null,
                    null,
                    null,
                    null);
        }
        DriveBand table = measured.get().table();
        DriveFor wanted = table.driveFor(wantedW);
        List<DriveRow> rows = table.rows();
        Optional<DriveRow> last = rows.isEmpty() ? Optional.empty() : Optional.of(rows.get(rows.size() - 1));
        return new DriveViews.BandView(
                band,
                words.name(band.name()),
                measured.get().runId(),
                table.at(),
                table.setup().frequencyHz(),
                rows.stream().map(row -> row(table, row)).toList(),
                table.trips().stream().map(trip -> trip(table, trip)).toList(),
                table.beyondRows(wantedW).stream()
                        .map(place -> List.of(place.driveW(), place.outputW()))
                        .toList(),
                wanted(limitW, wanted),
                table.greatestGain()
                        .flatMap(DriveRow::gainDb)
                        .map(gain -> Figures.of(gain, 1, "", 1).shown())
                        .orElse(null),
                last.flatMap(DriveRow::inputSwr).map(DriveViewer::swr).orElse(null),
                table.compressionW().map(output -> watts(output) + THIN + "W").orElse(null),
                sink(table, wantedW),
                continuous(table),
                held(table));
    }

    private @Nullable String held(DriveBand table) {
        return table.heldBack()
                .map(held -> words.say(
                        "drive.held",
                        Map.of("output", watts(held.outputW()), "by", held.mayFoldBack() ? "match" : "line")))
                .orElse(null);
    }

    private @Nullable String sink(DriveBand table, double wantedW) {
        return table.sinkAt(wantedW)
                .map(sink -> words.say(
                        "drive.sink",
                        Map.of(
                                "final", Figures.plain(sink.finalC(), 0),
                                "minutes", Figures.plain(sink.timeS() / SECONDS_A_MINUTE, 0))))
                .orElse(null);
    }

    private @Nullable String continuous(DriveBand table) {
        return table.continuousW()
                .map(most -> words.say(
                        "drive.continuous",
                        Map.of(
                                "whole",
                                table.isContinuousAtItsRating().orElse(false) ? "yes" : "no",
                                "most",
                                Figures.plain(most, 0))))
                .orElse(null);
    }

    private static String swr(Quantity swr) {
        return Figures.fixed(swr.value(), 1);
    }

    private DriveViews.DriveRowView row(DriveBand table, DriveRow row) {
        return new DriveViews.DriveRowView(
                row.driveW().value(),
                row.outputW().value(),
                Figures.plain(row.setW(), 1) + THIN + "W",
                Figures.of(row.driveW(), 1, "", 2).withUncertainty(),
                watts(row.outputW()),
                row.gainDb()
                        .map(gain -> Figures.of(gain, 1, "", 1).withUncertainty())
                        .orElse(null),
                row.inputSwr().map(DriveViewer::swr).orElse(null),
                supply(row),
                row.efficiency()
                        .map(share -> Figures.of(share, PERCENT, "", 0).withUncertainty())
                        .orElse(null),
                row.heatW().map(DriveViewer::watts).orElse(null),
                row.heatSinkC()
                        .map(sink -> Figures.plain(sink.value(), 0) + THIN + "°C")
                        .orElse(null),
                table.belowTripDb(row.driveW().value())
                        .map(below -> Figures.fixed(below, 1) + THIN + "dB")
                        .orElse(null));
    }

    private static @Nullable String supply(DriveRow row) {
        List<String> parts = new ArrayList<>();
        row.supplyV().ifPresent(volts -> parts.add(Figures.fixed(volts.value(), 1) + THIN + "V"));
        row.supplyA().ifPresent(ampere -> parts.add(Figures.fixed(ampere.value(), 1) + THIN + "A"));
        return parts.isEmpty() ? null : String.join(" ", parts);
    }

    private DriveViews.TripView trip(DriveBand table, Trip trip) {
        double driveW = trip.driveW().value();
        return new DriveViews.TripView(
                driveW,
                table.outputAtW(driveW).orElse(null),
                words.say(
                        "drive.trip",
                        Map.of(
                                "kind",
                                        words.say("sign."
                                                + Sign.seen(trip.kind()).code().name() + ".title"),
                                "drive", Figures.plain(driveW, 1))));
    }

    private DriveViews.WantedView wanted(double limitW, DriveFor wanted) {
        return new DriveViews.WantedView(
                wanted.basis(),
                wanted.driveW().map(DriveViewer::brief).orElse(null),
                wanted.setW().map(set -> Figures.plain(set, 1)).orElse(null),
                words.say("drive.basis." + wanted.basis().name(), Map.of("limit", Figures.plain(limitW, 1))));
    }

    /** Returns a drive as it stands under a narrow stair: tenths of a watt, below a watt hundredths, the uncertainty never less. */
    private static String brief(Quantity drive) {
        int decimals = drive.value() < 1 ? 2 : 1;
        double unsure = Math.max(Math.pow(10, -decimals), drive.halfWidth95());
        return Figures.fixed(drive.value(), decimals) + "±" + Figures.fixed(unsure, decimals);
    }

    /** Returns the kinds of rows, by name. */
    List<DriveViews.KindView> kinds() {
        return Stream.of(DriveKind.values())
                .map(kind -> new DriveViews.KindView(
                        kind,
                        words.say("drive.kind." + kind.name() + ".name"),
                        words.say("drive.kind." + kind.name() + ".says")))
                .toList();
    }

    /** Returns one band of a sweep. */
    DriveViews.SweepBandView sweep(Band band, DriveSweep sweep) {
        return new DriveViews.SweepBandView(
                band,
                words.name(band.name()),
                sweep.before().map(DriveViewer::watts).orElse(null),
                sweep.after().map(DriveViewer::watts).orElse(null),
                sweep.changeDb()
                        .map(change -> Figures.of(change, 1, "", 2).withUncertainty())
                        .orElse(null),
                sweep.isBeyondNoise(),
                words.say("drive.sweep."
                        + sweep.lack()
                                .map(Enum::name)
                                .orElseGet(() -> !sweep.isBeyondNoise()
                                        ? "SAME"
                                        : sweep.changeDb().orElseThrow().value() > 0 ? "MORE" : "LESS")));
    }

    private static String watts(Quantity power) {
        return Figures.of(power, 1, "", 1).withUncertainty();
    }

    /** Returns the way to a band. */
    DriveViews.BandGuardView guard(BandGuard guard, BandGuard.Asked asked, Optional<Band> from) {
        Map<String, Object> args = new HashMap<>();
        args.put("band", words.name(guard.to().name()));
        args.put("from", from.map(band -> words.name(band.name())).orElse(""));
        args.put("set", Figures.plain(asked.setForW(guard.firstW()), 1));
        args.put("first", Figures.plain(guard.firstW(), 1));
        boolean stays = guard.uptoW()
                .filter(upto -> upto <= WORTH_RAISING * guard.firstW())
                .isPresent();
        args.put("up", stays ? "stays" : guard.uptoW().isPresent() ? "yes" : "no");
        args.put("upto", guard.uptoW().map(one -> Figures.plain(one, 1)).orElse(""));
        args.put("trip", guard.tripW().map(one -> Figures.plain(one, 1)).orElse(""));
        return new DriveViews.BandGuardView(
                guard.to(),
                words.name(guard.to().name()),
                words.say(guard.uptoW().isPresent() ? "guard.title" : "guard.title.unknown", args),
                words.say("guard.says", args),
                otherwise(guard),
                guard.otherwise().isRisky(),
                guard.setBefore().map(this::before).orElse(null),
                Figures.plain(guard.firstW(), 1),
                guard.uptoW().map(one -> Figures.plain(one, 1)).orElse(null),
                guard.because(),
                words.say("guard.because." + guard.because().name(), args));
    }

    private String before(SetBefore before) {
        return words.say(
                "guard.before",
                Map.of(
                        "exciter", before.exciter(),
                        "set", Figures.plain(before.setW(), 1),
                        "mode", words.name(before.mode().name()),
                        "day",
                                before.at()
                                        .map(at -> at.toString().substring(0, DAY_CHARACTERS))
                                        .orElse("none")));
    }

    private String otherwise(BandGuard guard) {
        BandGuard.Otherwise otherwise = guard.otherwise();
        Map<String, Object> args = new HashMap<>();
        args.put("comes", otherwise.comes().name());
        args.put("drive", Figures.plain(otherwise.driveW(), 1));
        args.put("output", otherwise.outputW().map(one -> Figures.plain(one, 0)).orElse(""));
        Optional<Double> trip = otherwise.beyondTripDb().filter(db -> db > 0);
        Optional<Double> rated = otherwise.beyondRatedDb().filter(db -> db > 0);
        args.put("db", trip.or(() -> rated).map(one -> Figures.plain(one, 1)).orElse(""));
        String key = trip.isPresent()
                ? "trip"
                : otherwise.outputW().isEmpty() ? "unknown" : rated.isPresent() ? "rated" : "fine";
        return words.say("guard.otherwise." + key, args);
    }
}
