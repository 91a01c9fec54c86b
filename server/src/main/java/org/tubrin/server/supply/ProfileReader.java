package org.tubrin.server.supply;

import java.util.List;
import java.util.Optional;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Component;
import org.tubrin.core.metering.Accuracy;
import org.tubrin.core.metering.Channel;
import org.tubrin.core.metering.NumberEntry;
import org.tubrin.core.metering.PowerEntry;
import org.tubrin.core.metering.ReadingRole;
import org.tubrin.core.metering.ScaleUnit;
import org.tubrin.core.quantity.Allowed;
import org.tubrin.core.quantity.ErrorSource;
import org.tubrin.core.quantity.Problem;
import org.tubrin.core.quantity.ProblemCode;
import org.tubrin.core.quantity.Quantity;
import org.tubrin.core.quantity.Refused;
import org.tubrin.core.quantity.Standing;
import org.tubrin.core.quantity.Unit;
import org.tubrin.core.station.Amplifier;
import org.tubrin.core.station.Equipment;
import org.tubrin.core.station.Meter;
import org.tubrin.core.supply.ProfileReading;
import org.tubrin.core.supply.ProfileRun;
import org.tubrin.server.feed.BenchLink;
import org.tubrin.server.feed.Feed;
import org.tubrin.server.station.Stations;
import org.tubrin.server.words.Figures;
import org.tubrin.server.words.Words;

/** Reads what a set draws: as typed, or off instruments. */
@Component
class ProfileReader {
    private static final double WINDOW_S = 1;
    private static final String THIN = "\u2009";

    private final Stations stations;
    private final Feed feed;
    private final BenchLink bench;
    private final Words words;

    ProfileReader(Stations stations, Feed feed, BenchLink bench, Words words) {
        this.stations = stations;
        this.feed = feed;
        this.bench = bench;
        this.words = words;
    }

    /** Something live: its role, the figure, how its source is. */
    public record LiveFigure(
            String role, String meter, @Nullable String shown, String health, String says) {}

    /** What is live while a set is measured; the bench's key and power where there is one; key-down to aim for and to stop at. */
    public record LiveSupply(
            List<LiveFigure> figures, boolean benchThere, boolean keyed, double exciterW, double aimS, double stopS) {}

    /** What is typed of a reading, each absent where an instrument reads it. */
    public record Typed(
            boolean keyed,
            @Nullable String output,
            @Nullable String current,
            @Nullable String voltage) {}

    private static final List<ReadingRole> ROLES =
            List.of(ReadingRole.OUTPUT, ReadingRole.SUPPLY_CURRENT, ReadingRole.SUPPLY_VOLTAGE);

    /** Returns the meters that may read what a set draws: an amplifier's own panel, which bears its name, does not. */
    private List<Meter> meters() {
        List<Equipment> all =
                stations.equipment().stream().map(Stations.Stored::equipment).toList();
        List<String> amplifiers = all.stream()
                .filter(Amplifier.class::isInstance)
                .map(Equipment::name)
                .toList();
        return all.stream()
                .filter(Meter.class::isInstance)
                .map(Meter.class::cast)
                .filter(meter -> amplifiers.stream().noneMatch(meter.name()::startsWith))
                .toList();
    }

    /** Returns what is live now. */
    LiveSupply live() {
        List<Meter> meters = meters();
        List<LiveFigure> figures = ROLES.stream()
                .flatMap(role -> meters.stream()
                        .filter(meter -> feed.now(meter.name(), role).isPresent())
                        .findFirst()
                        .map(meter -> figure(meter, role))
                        .stream())
                .toList();
        Optional<BenchLink.Panel> panel = bench.panel();
        return new LiveSupply(
                figures,
                panel.isPresent(),
                panel.map(BenchLink.Panel::keyed).orElse(false),
                panel.map(BenchLink.Panel::exciterW).orElse(0.0),
                ProfileRun.KEY_DOWN_AIM_S,
                ProfileRun.KEY_DOWN_STOP_S);
    }

    private LiveFigure figure(Meter meter, ReadingRole role) {
        Feed.Now now = feed.now(meter.name(), role).orElseThrow();
        String unit = words.say("unit." + role.unit().name());
        String shown = now.value()
                .map(value -> Figures.plain(value, role == ReadingRole.OUTPUT ? 1 : 2) + THIN + unit)
                .orElse(null);
        return new LiveFigure(role.name(), meter.name(), shown, now.health(), words.say("source." + now.health()));
    }

    /** Returns a reading: what is typed, and off instruments what is not. */
    ProfileReading read(Typed typed) {
        List<Meter> meters = meters();
        Quantity output = typed.keyed()
                ? one(meters, ReadingRole.OUTPUT, ScaleUnit.W, "output", typed.output())
                : Quantity.exact(0, Unit.WATT, Standing.MEASURED);
        Quantity current = one(meters, ReadingRole.SUPPLY_CURRENT, ScaleUnit.A, "current", typed.current());
        Quantity voltage = one(meters, ReadingRole.SUPPLY_VOLTAGE, ScaleUnit.V, "voltage", typed.voltage());
        return new ProfileReading(
                Math.max(0, output.value()),
                output.standardUncertainty(),
                Math.max(0, current.value()),
                current.standardUncertainty(),
                voltage.value(),
                voltage.standardUncertainty());
    }

    /** Returns a current as typed, as unsure as the meter that reads it. */
    Quantity current(String typed) {
        return one(meters(), ReadingRole.SUPPLY_CURRENT, ScaleUnit.A, "averageA", typed);
    }

    private Quantity one(List<Meter> meters, ReadingRole role, ScaleUnit scale, String field, @Nullable String typed) {
        if (typed != null && !typed.isBlank()) {
            double value = NumberEntry.parse(field, typed, scale, false);
            return meters.stream()
                    .filter(meter -> meter.channel(role).isPresent())
                    .findFirst()
                    .map(meter -> worth(meter, role, value))
                    .orElseGet(() -> unrecorded(role, value));
        }
        return feed.await(() -> live(meters, role), seen -> seen.isPresent() || isGone(meters, role))
                .orElseThrow(
                        () -> new Refused(new Problem(ProblemCode.NO_LIVE_READING, field, "", new Allowed.Nothing())));
    }

    /** Returns what the first meter reads that is not gone; empty where it is late. */
    private Optional<Quantity> live(List<Meter> meters, ReadingRole role) {
        return meters.stream()
                .filter(meter -> !feed.isGone(meter.name(), role))
                .findFirst()
                .flatMap(meter ->
                        feed.window(meter.name(), role, WINDOW_S).map(window -> worth(meter, role, window.median())));
    }

    private boolean isGone(List<Meter> meters, ReadingRole role) {
        return meters.stream().allMatch(meter -> feed.isGone(meter.name(), role));
    }

    private static Quantity worth(Meter meter, ReadingRole role, double value) {
        Channel channel = meter.channel(role).orElseThrow();
        return channel.measured(value, meter.name(), channel.rangeFor(value));
    }

    /** A meter that the station has no record of: a wattmeter as such are, for volts and amperes a digital one. */
    private static Quantity unrecorded(ReadingRole role, double value) {
        if (role == ReadingRole.OUTPUT) {
            return PowerEntry.stated(value, PowerEntry.WATTMETER_SHARE);
        }
        return Quantity.of(
                value,
                role.unit(),
                Standing.MEASURED,
                new ErrorSource("typed", role.name(), ""),
                Accuracy.unknownDigital().standardUncertainty(value, value));
    }
}
