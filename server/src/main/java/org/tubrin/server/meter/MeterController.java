package org.tubrin.server.meter;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RestController;
import org.tubrin.core.metering.Agreement;
import org.tubrin.core.metering.Belief;
import org.tubrin.core.metering.Channel;
import org.tubrin.core.metering.NumberEntry;
import org.tubrin.core.metering.PowerEntry;
import org.tubrin.core.metering.ReadingRole;
import org.tubrin.core.metering.Reflection;
import org.tubrin.core.metering.ScaleUnit;
import org.tubrin.core.metering.Tones;
import org.tubrin.core.quantity.Quantity;
import org.tubrin.core.quantity.Rounding;
import org.tubrin.core.quantity.Unit;
import org.tubrin.core.station.Meter;
import org.tubrin.core.tank.GapStress;
import org.tubrin.core.tank.Mismatch;
import org.tubrin.server.station.Stations;
import org.tubrin.server.words.Figures;
import org.tubrin.server.words.Words;

/** What meters show, turned into what is so. */
@RestController
@RequestMapping("/api/meters")
public class MeterController {
    /** Beyond this a standing-wave ratio says no more. */
    private static final double MOST_SWR = 20;

    private final Stations stations;
    private final Comparisons comparisons;
    private final Words words;

    MeterController(Stations stations, Comparisons comparisons, Words words) {
        this.stations = stations;
        this.comparisons = comparisons;
        this.words = words;
    }

    /** Who knows a value best, and the others after it. */
    public record BeliefView(String role, String value, List<BelievedView> ranked) {}

    /** A meter for a value. */
    public record BelievedView(
            String meter,
            String range,
            String plusMinus,
            @Nullable String compared) {}

    @GetMapping("/belief")
    List<BeliefView> belief() {
        List<BeliefView> views = new ArrayList<>();
        for (ReadingRole role : ReadingRole.values()) {
            List<Belief.Source> sources = sources(role);
            for (double value : sources.size() > 1 ? Belief.usual(role) : List.<Double>of()) {
                views.add(belief(role, value, sources));
            }
        }
        return views;
    }

    private List<Belief.Source> sources(ReadingRole role) {
        return stations.equipment().stream()
                .map(Stations.Kept::equipment)
                .filter(Meter.class::isInstance)
                .map(Meter.class::cast)
                .flatMap(meter -> meter.channel(role).stream().map(one -> new Belief.Source(meter.name(), one)))
                .toList();
    }

    private BeliefView belief(ReadingRole role, double value, List<Belief.Source> sources) {
        String unit = "\u2009" + words.say("unit." + role.unit().name());
        List<BelievedView> ranked = Belief.of(value, sources).ranked().stream()
                .map(one -> new BelievedView(
                        one.instrument(),
                        one.range().name(),
                        "±\u2009"
                                + Figures.fixed(
                                        one.measured().standardUncertainty(),
                                        Rounding.decimals(one.measured().standardUncertainty()))
                                + unit,
                        sources.stream()
                                .filter(source -> source.instrument().equals(one.instrument()))
                                .flatMap(source ->
                                        source.channel().correction(one.range().name()).stream())
                                .map(found -> words.say(
                                        "belief.compared",
                                        Map.of(
                                                "date", found.at().toString().substring(0, 10),
                                                "reference", found.reference())))
                                .findFirst()
                                .orElse(null)))
                .toList();
        return new BeliefView(words.name(role.name()), Figures.plain(value, 3) + unit, ranked);
    }

    /**
     * Something to turn into power.
     *
     * @param entry watts, or a voltage as it may be typed in the step table
     * @param ohm measured resistance of the load, as typed
     * @param tones what the signal is
     * @param swr standing-wave ratio for the worst voltage, as typed; absent for a match
     * @param meterId a wattmeter read at the same time, and what it showed; absent for none
     */
    public record ConvertRequest(
            String entry,
            String ohm,
            Tones tones,
            @Nullable String swr,
            @Nullable UUID meterId,
            @Nullable String meterReading) {}

    /** Power, and what follows from it. */
    public record ConvertView(
            String power,
            String pep,
            String volts,
            String worst,
            @Nullable String agreement,
            List<String> causes) {}

    @PostMapping("/convert")
    ConvertView convert(@RequestBody ConvertRequest request) {
        double ohm = NumberEntry.parsePlain("ohm", request.ohm(), 1, 1000, Unit.OHM);
        Quantity resistance = PowerEntry.measuredOhm(ohm);
        Optional<PowerEntry> voltage = PowerEntry.parse("entry", request.entry());
        Quantity watts = voltage.map(one -> one.watts(resistance))
                .orElseGet(() -> comparisons.stated("entry", request.entry(), PowerEntry.WATTMETER_SHARE));
        double swr = request.swr() == null || request.swr().isBlank()
                ? 1
                : NumberEntry.parsePlain("swr", request.swr(), 1, 50, Unit.ONE);
        Tones.Powers powers = request.tones().of(voltage, watts);
        Quantity mean = powers.mean();
        Quantity pep = powers.pep();
        Optional<Agreement> agreement = request.meterId() == null
                        || request.meterReading() == null
                        || request.meterReading().isBlank()
                ? Optional.empty()
                : Optional.of(Agreement.of(
                        watts, comparisons.shown(request.meterId(), "meterReading", request.meterReading())));
        return new ConvertView(
                Figures.of(mean, ScaleUnit.W).withUncertainty(),
                Figures.of(pep, ScaleUnit.W).withUncertainty(),
                words.say(
                        "convert.volts",
                        Map.of(
                                "rms", volts(mean, ohm, PowerEntry.Form.RMS),
                                "peak", volts(pep, ohm, PowerEntry.Form.PK),
                                "pp", volts(pep, ohm, PowerEntry.Form.PP))),
                words.say(
                        "convert.worst",
                        Map.of(
                                "volts",
                                Figures.fixed(GapStress.peakV(pep.value(), Math.max(swr, Mismatch.swr(ohm, 0))), 0))),
                agreement
                        .map(one -> words.say(
                                one.agree() ? "agreement.yes" : "agreement.no",
                                Map.of(
                                        "difference",
                                        Figures.of(one.difference(), ScaleUnit.W)
                                                .withUncertainty())))
                        .orElse(null),
                agreement.map(Agreement::causes).orElse(List.of()).stream()
                        .map(cause -> words.say("cause." + cause.name()))
                        .toList());
    }

    private static String volts(Quantity watts, double ohm, PowerEntry.Form form) {
        return Figures.fixed(PowerEntry.voltageV(watts.value(), ohm, form), 1);
    }

    /** Forward and reflected power as typed, and the meter they were read off. */
    public record ReflectionRequest(UUID meterId, String forward, String reflected) {}

    /** What they say. */
    public record ReflectionView(
            String net, String swr, @Nullable String returnLoss) {}

    @PostMapping("/reflection")
    ReflectionView reflection(@RequestBody ReflectionRequest request) {
        Reflection found = Reflection.of(
                comparisons.shown(request.meterId(), "forward", request.forward()),
                comparisons.shown(request.meterId(), "reflected", request.reflected()));
        return new ReflectionView(
                Figures.of(found.netW(), ScaleUnit.W).withUncertainty(),
                swr(found),
                found.returnLossDb().isPresent()
                        ? Figures.plain(found.returnLossDb().getAsDouble(), 1)
                        : null);
    }

    private String swr(Reflection found) {
        String most = found.swrHigh() < MOST_SWR ? Figures.fixed(found.swrHigh(), 1) : words.say("reflection.any");
        return words.say(
                "reflection.swr",
                Map.of(
                        "swr", Figures.fixed(found.swr(), 2),
                        "low", Figures.fixed(found.swrLow(), 1),
                        "high", most));
    }

    /** A meter on one of its ranges. */
    public record RangeChoice(
            UUID meterId,
            String meter,
            String range,
            @Nullable String compared) {}

    @GetMapping("/ranges")
    List<RangeChoice> ranges() {
        List<RangeChoice> choices = new ArrayList<>();
        for (Stations.Kept kept : stations.equipment()) {
            if (kept.equipment() instanceof Meter meter) {
                Optional<Channel> channel = meter.channel(ReadingRole.OUTPUT);
                channel.ifPresent(one -> one.ranges()
                        .forEach(range -> choices.add(new RangeChoice(
                                kept.id(),
                                meter.name(),
                                range.name(),
                                one.correction(range.name())
                                        .map(found -> found.at().toString().substring(0, 10))
                                        .orElse(null)))));
            }
        }
        return choices;
    }

    /**
     * The same carrier at several powers, read by a reference and by meters.
     *
     * @param reference its name
     * @param referencePercent bound of what it claims, in per cent of power, as typed; not needed for voltages
     * @param ohm measured resistance of the load, as typed; needed for voltages
     * @param meters meters with the range that was used
     * @param points readings in watts, or of the reference also voltages
     * @param keep whether to apply what is found from now on
     */
    public record CompareRequest(
            String reference,
            @Nullable String referencePercent,
            @Nullable String ohm,
            List<RangeRequest> meters,
            List<PointRequest> points,
            boolean keep) {}

    /** A meter and the range that was used. */
    public record RangeRequest(UUID meterId, String range) {}

    /** One power; the readings stand in the order of the meters, an empty one was not read. */
    public record PointRequest(String reference, List<String> readings) {}

    /** What a comparison found of a meter's range. */
    public record FoundView(
            String meter,
            String range,
            String says,
            String lowEnd,
            boolean believable,
            String fit,
            List<RowView> rows) {}

    /** One point of it. */
    public record RowView(String reference, String raw, String corrected, String off) {}

    /** What was found, and whether it is now applied. */
    public record CompareView(List<FoundView> found, boolean kept) {}

    @PostMapping("/compare")
    CompareView compare(@RequestBody CompareRequest request) {
        return comparisons.compare(request);
    }
}
