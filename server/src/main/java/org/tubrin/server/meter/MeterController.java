package org.tubrin.server.meter;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RestController;
import org.tubrin.core.metering.Agreement;
import org.tubrin.core.metering.Belief;
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

    @GetMapping("/belief")
    List<MeterViews.BeliefView> belief() {
        List<MeterViews.BeliefView> views = new ArrayList<>();
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
                .map(Stations.Stored::equipment)
                .filter(Meter.class::isInstance)
                .map(Meter.class::cast)
                .flatMap(meter -> meter.channel(role).stream().map(one -> new Belief.Source(meter.name(), one)))
                .toList();
    }

    private MeterViews.BeliefView belief(ReadingRole role, double value, List<Belief.Source> sources) {
        String unit = "\u2009" + words.say("unit." + role.unit().name());
        List<MeterViews.BelievedView> ranked = Belief.of(value, sources).ranked().stream()
                .map(one -> new MeterViews.BelievedView(
                        one.instrument(),
                        one.range().name(),
                        "±\u2009"
                                + Figures.fixed(
                                        one.measured().halfWidth95(),
                                        Rounding.decimals(one.measured().halfWidth95()))
                                + unit,
                        sources.stream()
                                .filter(source -> source.instrument().equals(one.instrument()))
                                .flatMap(source ->
                                        source.channel().correction(one.range().name()).stream())
                                .map(found -> words.say(
                                        "belief.compared",
                                        Map.of(
                                                "date", Figures.day(found.at()),
                                                "reference", found.reference())))
                                .findFirst()
                                .orElse(null)))
                .toList();
        return new MeterViews.BeliefView(words.name(role.name()), Figures.plain(value, 3) + unit, ranked);
    }

    @PostMapping("/convert")
    MeterViews.ConvertView convert(@RequestBody MeterViews.ConvertRequest request) {
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
        return new MeterViews.ConvertView(
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
                                        Figures.difference(one.difference(), ScaleUnit.W)
                                                .withUncertainty())))
                        .orElse(null),
                agreement.map(Agreement::causes).orElse(List.of()).stream()
                        .map(cause -> words.say("cause." + cause.name()))
                        .toList());
    }

    private static String volts(Quantity watts, double ohm, PowerEntry.Form form) {
        return Figures.fixed(PowerEntry.voltageV(watts.value(), ohm, form), 1);
    }

    @PostMapping("/reflection")
    MeterViews.ReflectionView reflection(@RequestBody MeterViews.ReflectionRequest request) {
        Reflection found = Reflection.of(
                comparisons.shown(request.meterId(), "forward", request.forward()),
                comparisons.shown(request.meterId(), "reflected", request.reflected()));
        return new MeterViews.ReflectionView(
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

    @GetMapping("/ranges")
    List<MeterViews.RangeChoice> ranges() {
        List<MeterViews.RangeChoice> choices = new ArrayList<>();
        for (Stations.Stored kept : stations.equipment()) {
            if (kept.equipment() instanceof Meter meter) {
                meter.channels(ReadingRole.OUTPUT)
                        .forEach(one -> one.ranges()
                                .forEach(range -> choices.add(new MeterViews.RangeChoice(
                                        kept.id(),
                                        meter.name(),
                                        range.name(),
                                        one.indication(),
                                        comparisons.name(meter, one, range),
                                        one.correction(range.name())
                                                .map(found -> Figures.day(found.at()))
                                                .orElse(null)))));
            }
        }
        return choices;
    }

    @PostMapping("/compare")
    MeterViews.CompareView compare(@RequestBody MeterViews.CompareRequest request) {
        return comparisons.compare(request);
    }
}
