package org.tubrin.server.demo;

import java.io.IOException;
import java.io.InputStream;
import java.io.InputStreamReader;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.EnumSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import java.util.stream.Stream;
import org.apache.commons.csv.CSVFormat;
import org.apache.commons.csv.CSVRecord;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.boot.ApplicationArguments;
import org.springframework.boot.ApplicationRunner;
import org.springframework.boot.autoconfigure.condition.ConditionalOnBooleanProperty;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;
import org.tubrin.core.alc.LevelLaw;
import org.tubrin.core.alc.SoundPath;
import org.tubrin.core.faults.CaseStep;
import org.tubrin.core.faults.FaultCase;
import org.tubrin.core.faults.FaultCheck;
import org.tubrin.core.faults.Symptom;
import org.tubrin.core.faults.Within;
import org.tubrin.core.metering.Indication;
import org.tubrin.core.metering.Position;
import org.tubrin.core.metering.ReadingRole;
import org.tubrin.core.run.Conditions;
import org.tubrin.core.run.Recorded;
import org.tubrin.core.run.School;
import org.tubrin.core.run.TuneSetup;
import org.tubrin.core.station.Amplifier;
import org.tubrin.core.station.Antenna;
import org.tubrin.core.station.Band;
import org.tubrin.core.station.Equipment;
import org.tubrin.core.station.Exciter;
import org.tubrin.core.station.Meter;
import org.tubrin.core.station.Mode;
import org.tubrin.core.station.Station;
import org.tubrin.core.station.Termination;
import org.tubrin.core.tank.Touchstone;
import org.tubrin.core.twin.DataSheet;
import org.tubrin.core.twin.Outcome;
import org.tubrin.core.twin.SheetFit;
import org.tubrin.core.twin.TwinFromSheet;
import org.tubrin.server.fault.FaultCases;
import org.tubrin.server.practice.Practices;
import org.tubrin.server.run.RunMapper;
import org.tubrin.server.run.RunStore;
import org.tubrin.server.station.Stations;
import org.tubrin.server.store.CoreJson;
import org.tubrin.server.supply.SupplyRecordKind;
import org.tubrin.server.supply.SupplyRecords;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

/** Fills an empty database with the invented station and its climbs, through the same doors as an operator's own. */
@Component
@ConditionalOnBooleanProperty("tubrin.demo")
class DemoLoader implements ApplicationRunner {
    /** On that day a second wattmeter was in the line, and changed over halfway. */
    private static final long BY_TWO_WATTMETERS_DAYS_AGO = 20;

    private static final double WORN_RELAY_SHARE = 0.82;
    private static final Logger LOG = LoggerFactory.getLogger(DemoLoader.class);

    private final Stations stations;
    private final RunStore store;
    private final RunMapper runs;
    private final SupplyRecords papers;
    private final FaultCases cases;
    private final Practices practices;
    private final JsonMapper json;
    private final Clock clock;

    DemoLoader(
            Stations stations,
            RunStore store,
            RunMapper runs,
            SupplyRecords papers,
            FaultCases cases,
            Practices practices,
            JsonMapper json,
            Clock clock) {
        this.cases = cases;
        this.practices = practices;
        this.stations = stations;
        this.store = store;
        this.runs = runs;
        this.papers = papers;
        this.json = json;
        this.clock = clock;
    }

    @Override
    @Transactional
    public void run(ApplicationArguments arguments) {
        boolean empty = stations.station().isEmpty() && stations.equipment().isEmpty() && runs.isEmpty();
        if (!empty) {
            return;
        }
        JsonNode tree = json.readTree(resource("/demo/skerry-point.json"));
        Station station = CoreJson.read(json, tree.get("station"), Station.class);
        stations.keep(station, 0);
        Map<String, Equipment> byName = new LinkedHashMap<>();
        for (JsonNode node : tree.get("equipment")) {
            Equipment equipment = whole(stations.read(node), tree);
            byName.put(equipment.name(), equipment);
            stations.add(UUID.randomUUID(), equipment);
        }
        for (JsonNode node : json.readTree(resource("/demo/supply-records.json"))) {
            SupplyRecordKind kind = SupplyRecordKind.valueOf(node.get("kind").asString());
            papers.add(UUID.randomUUID(), kind, papers.read(kind, node.get("paper")));
        }
        DemoClimb climb = new DemoClimb(
                station,
                pick(byName, "Brigantine", Amplifier.class),
                pick(byName, "Halyard 100", Exciter.class),
                List.of(meter(byName, "Fathom"), meter(byName, "Brigantine panel")),
                pick(byName, "Ballast 1000", Termination.class));
        DemoClimb byTwo = new DemoClimb(
                station,
                climb.amplifier(),
                climb.exciter(),
                TuneSetup.withSecond(
                        List.of(meter(byName, "Fathom"), meter(byName, "Marker"), meter(byName, "Brigantine panel")),
                        School.PEAK_THEN_HEAVIER,
                        climb.amplifier().ratedOutputW()),
                climb.termination());
        Instant now = clock.instant();
        int climbs = 0;
        for (List<CSVRecord> rows : climbs().values()) {
            long days = Long.parseLong(rows.get(0).get("daysAgo"));
            Instant start = now.minus(Duration.ofDays(days)).minus(Duration.ofMinutes(days == 0 ? 4 : 190));
            DemoClimb how = days == BY_TWO_WATTMETERS_DAYS_AGO ? byTwo : climb;
            List<Recorded> events =
                    how.events(rows.stream().map(DemoClimb.Row::of).toList(), start, days > 0, Conditions.NONE);
            store.begin(UUID.randomUUID(), UUID.randomUUID(), events);
            climbs++;
        }
        DemoClimb bothWays = new DemoClimb(
                station,
                climb.amplifier(),
                climb.exciter(),
                List.of(
                        pick(byName, "Fathom", Meter.class)
                                .in(List.of(
                                        new Position(ReadingRole.OUTPUT, Indication.AVERAGE),
                                        new Position(ReadingRole.REFLECTED, Indication.AVERAGE))),
                        meter(byName, "Brigantine panel")),
                climb.termination());
        for (DemoStory.Day day : new DemoStory(climb.amplifier()).days()) {
            Instant start = now.minus(Duration.ofDays(day.daysAgo())).minus(Duration.ofMinutes(170));
            store.begin(
                    UUID.randomUUID(), UUID.randomUUID(), bothWays.events(day.rows(), start, true, day.conditions()));
            climbs++;
        }
        climbs += tables(station, byName, climb, now);
        climbs += levels(station, byName, climb, now);
        climbs += currents(station, byName, climb, now);
        climbs += matchers(station, byName, now);
        climbs += waveforms(station, byName, now);
        climbs += lowBand(station, byName, now);
        openCase(now);
        practices.restore(DemoPractice.played(practices, now.minus(Duration.ofDays(2))));
        LOG.info("Loaded the demo station {} with {} runs.", station.name(), climbs);
    }

    /** Something that comes and goes, begun three evenings ago. */
    private void openCase(Instant now) {
        Instant begun = now.minus(Duration.ofDays(3));
        FaultCase about = new FaultCase(
                "Barque",
                Within.TUBES,
                List.of(Symptom.RECEIVE_NOISY),
                true,
                "After long evenings; better the next morning.",
                List.of(new CaseStep.Answered(begun.plus(Duration.ofMinutes(4)), FaultCheck.BEND_JUMPER, false)));
        cases.restore(new FaultCases.Stored(UUID.randomUUID(), 1, begun, begun, about));
    }

    /**
     * Drive tables of one evening: two bands tripped, one was left after two rows, the highest was never measured. Two bands were
     * measured before, when a relay of the 14 MHz filter was worn.
     */
    private int tables(Station station, Map<String, Equipment> byName, DemoClimb climb, Instant now) {
        DemoDrive drive = new DemoDrive(
                station,
                pick(byName, "Ketch 600", Amplifier.class),
                climb.exciter(),
                List.of(meter(byName, "Fathom"), meter(byName, "Leadline"), meter(byName, "Ketch 600 panel")),
                climb.termination());
        int tables = 0;
        for (DemoDrive.Table table : List.of(
                new DemoDrive.Table(Band.MHZ_14, 100, 20, WORN_RELAY_SHARE),
                new DemoDrive.Table(Band.MHZ_18, 100, 20, 1))) {
            Instant start = now.minus(Duration.ofDays(53)).plus(Duration.ofMinutes(10L * tables));
            store.begin(UUID.randomUUID(), UUID.randomUUID(), drive.events(table, start));
            tables++;
        }
        for (Band band : EnumSet.range(Band.MHZ_1_8, Band.MHZ_28)) {
            double tripsAboveW = band == Band.MHZ_10 ? 5.5 : band == Band.MHZ_21 ? 11 : 100;
            DemoDrive.Table table = new DemoDrive.Table(band, tripsAboveW, band == Band.MHZ_24 ? 2 : 20, 1);
            Instant start = now.minus(Duration.ofDays(25)).plus(Duration.ofMinutes(10L * tables));
            store.begin(UUID.randomUUID(), UUID.randomUUID(), drive.events(table, start));
            tables++;
        }
        return tables;
    }

    /** Levels of both exciters, each before and one after a new firmware; the other was not tried again since. */
    private int levels(Station station, Map<String, Equipment> byName, DemoClimb climb, Instant now) {
        DemoAlc alc = new DemoAlc(station, climb.amplifier(), climb.termination());
        Exciter skiff = pick(byName, "Skiff 10", Exciter.class);
        List<Meter> skiffs = List.of(meter(byName, "Shoal 20"), meter(byName, "Skiff 10 gauge"));
        List<Meter> withWidth = Stream.concat(skiffs.stream(), Stream.of(meter(byName, "Lookout")))
                .toList();
        List<Meter> halyards = List.of(meter(byName, "Shoal 20"), meter(byName, "Halyard 100 gauge"));
        SoundPath path = new SoundPath("Computer", "sound card of the set", Optional.of(0.8), 5, 2.5, 500, 1500, 2500);
        SoundPath larger = new SoundPath("Computer", "Buoy interface", Optional.of(0.6), 15, 10, 500, 1500, 2500);
        Map<Integer, DemoAlc.Try> tries = new LinkedHashMap<>();
        tries.put(
                82,
                new DemoAlc.Try(
                        skiff.withFirmware("1.8"),
                        skiffs,
                        Mode.DATA,
                        path,
                        new LevelLaw(0.61, 1.03),
                        LevelLaw.Shows.BARS_THAT_FALL,
                        List.of(1.04, 0.97)));
        tries.put(
                76,
                new DemoAlc.Try(
                        climb.exciter().withFirmware("2.4"),
                        halyards,
                        Mode.DATA,
                        larger,
                        new LevelLaw(0.47, 0.98),
                        LevelLaw.Shows.BARS_THAT_FALL,
                        List.of(1.02, 0.93)));
        tries.put(
                24,
                new DemoAlc.Try(
                        skiff,
                        withWidth,
                        Mode.DATA,
                        path,
                        new LevelLaw(0.58, 1.06),
                        LevelLaw.Shows.ALL_THE_WAY,
                        List.of(1.03, 0.95)));
        tries.forEach((daysAgo, one) -> {
            Instant start = now.minus(Duration.ofDays(daysAgo)).minus(Duration.ofMinutes(95));
            store.begin(UUID.randomUUID(), UUID.randomUUID(), alc.events(one, start));
        });
        return tries.size();
    }

    /** Idle currents of the transistors: one did not lie flat; a day later, mounted anew, both were set. */
    private int currents(Station station, Map<String, Equipment> byName, DemoClimb climb, Instant now) {
        DemoBias bias = new DemoBias(
                station,
                pick(byName, "Ketch 600", Amplifier.class),
                climb.exciter(),
                List.of(meter(byName, "Plummet")),
                climb.termination());
        for (boolean runsAway : List.of(true, false)) {
            Instant start = now.minus(Duration.ofDays(runsAway ? 27 : 26)).minus(Duration.ofMinutes(200));
            store.begin(UUID.randomUUID(), UUID.randomUUID(), bias.events(runsAway, start));
        }
        return 2;
    }

    /** The matcher of the small amplifier: its reach on a known load, then the antenna, with the power amplifier left on at first. */
    private int matchers(Station station, Map<String, Equipment> byName, Instant now) {
        DemoMatcher matcher = new DemoMatcher(
                station,
                pick(byName, "Dinghy 60", Amplifier.class),
                pick(byName, "Skiff 10", Exciter.class),
                List.of(meter(byName, "Leadline"), meter(byName, "Shoal 80")));
        List<DemoMatcher.Try> tries = List.of(
                new DemoMatcher.Try(pick(byName, "Trestle 150", Termination.class), 3.86, false),
                new DemoMatcher.Try(pick(byName, "Yardarm", Termination.class), 2, true));
        for (int i = 0; i < tries.size(); i++) {
            Instant start = now.minus(Duration.ofDays(12)).plus(Duration.ofMinutes(20L * i));
            store.begin(UUID.randomUUID(), UUID.randomUUID(), matcher.events(tries.get(i), start));
        }
        return tries.size();
    }

    /** Two tones through Brigantine: first loaded too lightly, then as it should be. */
    private int waveforms(Station station, Map<String, Equipment> byName, Instant now) {
        DemoScope scope = new DemoScope(
                json,
                station,
                pick(byName, "Brigantine", Amplifier.class),
                pick(byName, "Halyard 100", Exciter.class),
                List.of(meter(byName, "Fathom"), meter(byName, "Spyglass")),
                pick(byName, "Ballast 1000", Termination.class));
        JsonNode showed = json.readTree(resource("/demo/waveforms.json"));
        List<String> loadings = List.of("light", "heavy");
        for (int i = 0; i < loadings.size(); i++) {
            Instant start = now.minus(Duration.ofDays(8)).plus(Duration.ofMinutes(25L * i));
            store.begin(UUID.randomUUID(), UUID.randomUUID(), scope.events(showed.get(loadings.get(i)), start));
        }
        return loadings.size();
    }

    /** Power by supply volts with three modules and with two; a day of rain at the antenna. */
    private int lowBand(Station station, Map<String, Equipment> byName, Instant now) {
        DemoLowBand low = new DemoLowBand(
                station, pick(byName, "Lugger 300", Amplifier.class), pick(byName, "Halyard 100", Exciter.class));
        List<Meter> meters = List.of(meter(byName, "Lugger 300 panel"));
        Termination load = pick(byName, "Ballast 1000", Termination.class);
        for (int modules : List.of(3, 2)) {
            Instant start = now.minus(Duration.ofDays(6)).minus(Duration.ofMinutes(40L * modules));
            store.begin(UUID.randomUUID(), UUID.randomUUID(), low.table(modules, meters, load, start));
        }
        store.begin(
                UUID.randomUUID(),
                UUID.randomUUID(),
                low.day(
                        meter(byName, "Vane"),
                        pick(byName, "Mizzen", Termination.class),
                        now.minus(Duration.ofDays(5)).minus(Duration.ofHours(11))));
        return 3;
    }

    private Equipment whole(Equipment equipment, JsonNode tree) {
        JsonNode file = tree.get("impedances").get(equipment.name());
        if (file == null || !(equipment instanceof Antenna antenna)) {
            return withTwin(equipment, tree.get("sheets"));
        }
        try (InputStream stream = resource(file.asString())) {
            String text = new String(stream.readAllBytes(), StandardCharsets.UTF_8);
            return new Antenna(antenna.name(), antenna.bands(), Optional.of(Touchstone.onePort(text)));
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    /** Returns an amplifier with the twin that its maker's sheet leads to, where the demo has one; else what came. */
    private Equipment withTwin(Equipment equipment, JsonNode sheets) {
        JsonNode sheet = sheets.get(equipment.name());
        if (sheet == null || !(equipment instanceof Amplifier amplifier)) {
            return equipment;
        }
        if (TwinFromSheet.of(amplifier, json.convertValue(sheet, DataSheet.class))
                instanceof Outcome.Settled<SheetFit> fit) {
            return amplifier.withTwin(fit.point().constants());
        }
        throw new IllegalStateException("no twin comes of the demo's sheet of " + equipment.name());
    }

    private static Meter meter(Map<String, Equipment> byName, String name) {
        Meter meter = pick(byName, name, Meter.class);
        return meter.in(meter.usualPositions(false));
    }

    private static <T> T pick(Map<String, Equipment> byName, String name, Class<T> type) {
        Equipment found = byName.get(name);
        if (!type.isInstance(found)) {
            throw new IllegalStateException("the demo station has no " + name);
        }
        return type.cast(found);
    }

    private Map<String, List<CSVRecord>> climbs() {
        CSVFormat format = CSVFormat.DEFAULT
                .builder()
                .setHeader()
                .setSkipHeaderRecord(true)
                .setCommentMarker('#')
                .get();
        Map<String, List<CSVRecord>> climbs = new LinkedHashMap<>();
        try (var parser = format.parse(new InputStreamReader(resource("/demo/climbs.csv"), StandardCharsets.UTF_8))) {
            parser.forEach(row -> climbs.computeIfAbsent(row.get("run"), run -> new ArrayList<>())
                    .add(row));
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
        return climbs;
    }

    private static InputStream resource(String name) {
        InputStream stream = DemoLoader.class.getResourceAsStream(name);
        if (stream == null) {
            throw new IllegalStateException(name + " is missing from the build");
        }
        return stream;
    }
}
