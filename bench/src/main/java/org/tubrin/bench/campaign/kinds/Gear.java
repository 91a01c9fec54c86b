package org.tubrin.bench.campaign.kinds;

import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import org.tubrin.core.metering.Accuracy;
import org.tubrin.core.metering.Channel;
import org.tubrin.core.metering.Indication;
import org.tubrin.core.metering.MeterRange;
import org.tubrin.core.metering.ReadingRole;
import org.tubrin.core.metering.ScaleUnit;
import org.tubrin.core.run.Customs;
import org.tubrin.core.run.Preset;
import org.tubrin.core.run.School;
import org.tubrin.core.run.TuneSettings;
import org.tubrin.core.run.TuneSetup;
import org.tubrin.core.station.Amplifier;
import org.tubrin.core.station.Band;
import org.tubrin.core.station.Exciter;
import org.tubrin.core.station.Load;
import org.tubrin.core.station.Matcher;
import org.tubrin.core.station.Meter;
import org.tubrin.core.station.Mode;
import org.tubrin.core.station.Stage;
import org.tubrin.core.station.Station;
import org.tubrin.core.station.Termination;

/** The invented station's equipment, as these kinds of run ask for it. */
final class Gear {
    static final Exciter HALYARD =
            new Exciter("Halyard", 1, 100, 0.05, 0.03, List.of(), Optional.empty(), Optional.empty(), Optional.empty());
    static final Exciter SKIFF =
            new Exciter("Skiff", 0.1, 10, 0.05, 0.03, List.of(), Optional.empty(), Optional.empty(), Optional.empty());
    static final Load BALLAST = new Load("Ballast", 50, 1500, Optional.empty());

    private static final Station SKERRY_POINT = new Station("Skerry Point", "Q1TUB", 1000, 20, Optional.empty());

    private Gear() {}

    static Amplifier amplifier(
            String name, Stage stage, double driveLimitW, double ratedW, Band band, Optional<Matcher> matcher) {
        return new Amplifier(
                name,
                stage,
                driveLimitW,
                ratedW,
                Optional.empty(),
                List.of(band),
                List.of(),
                Optional.empty(),
                Optional.empty(),
                Optional.empty(),
                matcher);
    }

    static MeterRange range(String name, double fullScale) {
        return new MeterRange(name, fullScale);
    }

    /** A meter with a pointer, of a class of its full scale. */
    static Channel pointer(ReadingRole role, ScaleUnit unit, double classShare, MeterRange... ranges) {
        return Channel.ofFullScale(role, unit, Arrays.asList(ranges), classShare);
    }

    /** A meter with digits, of a class of its reading and of its last digit. */
    static Channel digits(ReadingRole role, ScaleUnit unit, double share, double digit, double most) {
        return new Channel(
                role,
                unit,
                List.of(range("only", most)),
                new Accuracy.OfReading(share, digit),
                Indication.AVERAGE,
                1,
                Optional.empty());
    }

    /** What a kind of run is set up with, but for what all of them share. */
    record Run(School school, Amplifier amplifier, Exciter exciter, Termination termination, Band band, double hz) {
        TuneSetup with(Customs customs, Channel... channels) {
            return new TuneSetup(
                            SKERRY_POINT,
                            amplifier,
                            exciter,
                            Mode.CW,
                            List.of(new Meter("Sounding", Arrays.asList(channels))),
                            termination,
                            band,
                            hz,
                            school,
                            Preset.WITHOUT_DIALS,
                            TuneSettings.customaryFor(amplifier.stage()),
                            Optional.empty(),
                            Optional.empty(),
                            Optional.of(customs))
                    .withinDrive();
        }
    }
}
