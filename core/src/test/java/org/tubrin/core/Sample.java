package org.tubrin.core;

import java.io.IOException;
import java.io.InputStreamReader;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.util.List;
import java.util.Objects;
import java.util.Optional;
import java.util.OptionalDouble;
import org.apache.commons.csv.CSVFormat;
import org.apache.commons.csv.CSVRecord;
import org.tubrin.core.device.Construction;
import org.tubrin.core.device.Tube;
import org.tubrin.core.metering.Accuracy;
import org.tubrin.core.metering.Channel;
import org.tubrin.core.metering.Indication;
import org.tubrin.core.metering.MeterRange;
import org.tubrin.core.metering.ReadingRole;
import org.tubrin.core.metering.ScaleUnit;
import org.tubrin.core.run.Preset;
import org.tubrin.core.run.School;
import org.tubrin.core.run.TuneSettings;
import org.tubrin.core.run.TuneSetup;
import org.tubrin.core.station.Amplifier;
import org.tubrin.core.station.Antenna;
import org.tubrin.core.station.Band;
import org.tubrin.core.station.ChartRow;
import org.tubrin.core.station.Exciter;
import org.tubrin.core.station.Load;
import org.tubrin.core.station.Mains;
import org.tubrin.core.station.Matcher;
import org.tubrin.core.station.Meter;
import org.tubrin.core.station.Mode;
import org.tubrin.core.station.Stage;
import org.tubrin.core.station.Station;
import org.tubrin.core.station.Termination;
import org.tubrin.core.station.Thermal;
import org.tubrin.core.tank.Dial;
import org.tubrin.core.tank.LoadSense;

/** The invented station of the tests, and tables of reference values. */
public final class Sample {
    public static final Station STATION = new Station("Skerry Point", "Q1TUB", 1000, 20, Optional.empty());

    public static final Tube LANTERN =
            new Tube("Lantern 350", Construction.TRIODE, 350, 3200, 0.33, 0.1, OptionalDouble.empty(), 180);

    public static final Stage.Tubes BRIGANTINE_STAGE = stage(LANTERN, LoadSense.MORE_IS_HEAVIER);

    public static final Amplifier BRIGANTINE = new Amplifier(
            "Brigantine",
            BRIGANTINE_STAGE,
            70,
            870,
            Optional.of(0.015),
            List.of(Band.MHZ_7, Band.MHZ_14, Band.MHZ_28),
            List.of(new ChartRow(Band.MHZ_7, 5.1, 4.5)),
            Optional.of(new Mains(230, 8)),
            Optional.empty(),
            Optional.empty(),
            Optional.empty());

    public static final Exciter HALYARD = new Exciter(
            "Halyard 100",
            1,
            100,
            0.05,
            0.030,
            List.of(new Exciter.ModePower(Mode.CW, 70), new Exciter.ModePower(Mode.SSB, 100)),
            Optional.empty(),
            Optional.empty(),
            Optional.empty());

    public static final Meter FATHOM = new Meter(
            "Fathom",
            List.of(channel(ReadingRole.OUTPUT, ScaleUnit.W, 0.05, range("150 W", 150), range("1.5 kW", 1500))));

    public static final Meter PANEL = new Meter(
            "Brigantine panel",
            List.of(
                    channel(ReadingRole.PLATE_CURRENT, ScaleUnit.A, 0.03, range("1 A", 1)),
                    channel(ReadingRole.GRID_CURRENT, ScaleUnit.A, 0.03, range("0.35 A", 0.35)),
                    channel(ReadingRole.PLATE_VOLTAGE, ScaleUnit.KV, 0.03, range("4 kV", 4000))));

    public static final Load BALLAST = new Load("Ballast 1000", 51.6, 1000, Optional.of(new Thermal(0.52, 1800, 100)));

    public static final Antenna YARDARM =
            new Antenna("Yardarm", List.of(new Antenna.AntennaBand(Band.MHZ_7, 1.4, 0.3)), Optional.empty());

    private Sample() {}

    public static Stage.Tubes stage(Tube tube, LoadSense sense) {
        return new Stage.Tubes(
                tube, 2, 2736, 0.119, 0.66, 0.20, new Dial(0, 10, 1), new Dial(0, 10, 1), sense, 0.75, 0.95);
    }

    public static MeterRange range(String name, double fullScale) {
        return new MeterRange(name, fullScale);
    }

    public static Channel channel(ReadingRole role, ScaleUnit unit, double classFraction, MeterRange... ranges) {
        return new Channel(
                role,
                unit,
                List.of(ranges),
                new Accuracy.OfFullScale(classFraction),
                Indication.AVERAGE,
                1,
                Optional.empty());
    }

    public static TuneSetup setup() {
        return setup(BRIGANTINE, STATION, BALLAST);
    }

    public static TuneSetup setup(School school) {
        return setup(BRIGANTINE, STATION, BALLAST, school);
    }

    public static TuneSetup setup(Amplifier amplifier, Station station, Termination termination) {
        return setup(amplifier, station, termination, School.PEAK_THEN_HEAVIER);
    }

    private static TuneSetup setup(Amplifier amplifier, Station station, Termination termination, School school) {
        return new TuneSetup(
                station,
                amplifier,
                HALYARD,
                Mode.CW,
                List.of(FATHOM, PANEL),
                termination,
                Band.MHZ_7,
                7.1e6,
                school,
                new Preset(5.1, 4.5, Preset.Source.CHART),
                TuneSettings.customaryFor(amplifier.stage()),
                Optional.empty(),
                Optional.empty(),
                Optional.empty());
    }

    /** A scope over the load that knows 2 %, and a wattmeter that knows 2 % of its scale. */
    public static final Meter SCOPE_AND_WATTMETER = new Meter(
            "Scope and wattmeter",
            List.of(
                    new Channel(
                            ReadingRole.OUTPUT_VPP,
                            ScaleUnit.V,
                            List.of(range("1 kV", 1000)),
                            new Accuracy.OfReading(0.02, 0.001),
                            Indication.AVERAGE,
                            1,
                            Optional.empty()),
                    channel(ReadingRole.OUTPUT, ScaleUnit.W, 0.02, range("150 W", 150), range("1.5 kW", 1500))));

    /** Returns Brigantine with another sense of LOAD. */
    public static Amplifier brigantine(LoadSense sense) {
        return new Amplifier(
                BRIGANTINE.name(),
                stage(LANTERN, sense),
                BRIGANTINE.driveLimitW(),
                BRIGANTINE.ratedOutputW(),
                BRIGANTINE.relayTimeS(),
                BRIGANTINE.bands(),
                BRIGANTINE.chart(),
                BRIGANTINE.mains(),
                Optional.empty(),
                Optional.empty(),
                Optional.empty());
    }

    /** An amplifier with transistors on 7 MHz, of which nothing more is known. */
    public static Amplifier transistors(
            String name, Stage.Transistors stage, double driveLimitW, double ratedOutputW, Optional<Matcher> matcher) {
        return new Amplifier(
                name,
                stage,
                driveLimitW,
                ratedOutputW,
                Optional.empty(),
                List.of(Band.MHZ_7),
                List.of(),
                Optional.empty(),
                Optional.empty(),
                Optional.empty(),
                matcher);
    }

    /** Returns the rows of a table under the test resources; lines that begin with # are its notes. */
    public static List<CSVRecord> table(String resource) {
        CSVFormat format = CSVFormat.DEFAULT
                .builder()
                .setHeader()
                .setSkipHeaderRecord(true)
                .setCommentMarker('#')
                .setIgnoreSurroundingSpaces(true)
                .get();
        try (var reader = new InputStreamReader(
                        Objects.requireNonNull(Sample.class.getResourceAsStream(resource), resource),
                        StandardCharsets.UTF_8);
                var parser = format.parse(reader)) {
            return parser.getRecords();
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }
}
