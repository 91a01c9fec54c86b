package org.tubrin.server.meter;

import java.time.Clock;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import org.tubrin.core.metering.Channel;
import org.tubrin.core.metering.Comparison;
import org.tubrin.core.metering.Correction;
import org.tubrin.core.metering.MeterRange;
import org.tubrin.core.metering.NumberEntry;
import org.tubrin.core.metering.PowerEntry;
import org.tubrin.core.metering.ReadingRole;
import org.tubrin.core.metering.ScaleUnit;
import org.tubrin.core.quantity.Allowed;
import org.tubrin.core.quantity.Problem;
import org.tubrin.core.quantity.ProblemCode;
import org.tubrin.core.quantity.Quantity;
import org.tubrin.core.quantity.Refused;
import org.tubrin.core.quantity.Unit;
import org.tubrin.core.station.Meter;
import org.tubrin.server.station.Stations;
import org.tubrin.server.words.Figures;
import org.tubrin.server.words.Words;

/** Compares meters with a reference and keeps what is found in their records. */
@Service
class Comparisons {
    /** Where on a scale its low end is shown, as a share of it. */
    private static final double LOW_END_SHARE = 0.01;

    private final Stations stations;
    private final Words words;
    private final Clock clock;

    Comparisons(Stations stations, Words words, Clock clock) {
        this.stations = stations;
        this.words = words;
        this.clock = clock;
    }

    /** Returns watts as typed whose bound is a share of them. */
    Quantity stated(String field, String text, double share) {
        return PowerEntry.stated(NumberEntry.parse(field, text, ScaleUnit.W, false), share);
    }

    /** Returns what a wattmeter's reading is worth on the range that one would use. */
    Quantity shown(UUID meterId, String field, String text) {
        Meter meter = stations.equipment(meterId, Meter.class, "meter");
        double raw = NumberEntry.parse(field, text, ScaleUnit.W, false);
        Channel channel = output(meter);
        return channel.measured(raw, meter.name(), channel.rangeFor(raw));
    }

    private static Channel output(Meter meter) {
        return output(meter, meter.channel(ReadingRole.OUTPUT));
    }

    private static Channel output(Meter meter, Optional<Channel> channel) {
        return channel.orElseThrow(() -> new Refused(
                new Problem(ProblemCode.NO_CHANNEL, "meters", meter.name(), new Allowed.OneOf(List.of("OUTPUT")))));
    }

    @Transactional
    MeterViews.CompareView compare(MeterViews.CompareRequest request) {
        if (request.reference().isBlank()) {
            throw new Refused(new Problem(ProblemCode.MISSING, "reference", "", new Allowed.Length(1, 80)));
        }
        Instant now = clock.instant();
        List<Quantity> references = new ArrayList<>();
        for (int i = 0; i < request.points().size(); i++) {
            references.add(reference(
                    request,
                    "points." + i + ".reference",
                    request.points().get(i).reference()));
        }
        List<MeterViews.FoundView> found = new ArrayList<>();
        for (int m = 0; m < request.meters().size(); m++) {
            MeterViews.RangeRequest asked = request.meters().get(m);
            Stations.Stored kept = stations.equipment(asked.meterId());
            if (!(kept.equipment() instanceof Meter meter)) {
                throw new Refused(new Problem(
                        ProblemCode.UNKNOWN_NAME, "meters", kept.equipment().name(), new Allowed.Nothing()));
            }
            Channel channel = output(
                    meter,
                    meter.channels(ReadingRole.OUTPUT)
                            .filter(one -> one.indication() == asked.indication())
                            .findFirst());
            MeterRange range = channel.range(asked.range())
                    .orElseThrow(() -> new Refused(new Problem(
                            ProblemCode.UNKNOWN_NAME,
                            "range",
                            asked.range(),
                            new Allowed.OneOf(channel.ranges().stream()
                                    .map(MeterRange::name)
                                    .toList()))));
            List<Comparison.Point> points = points(request, m, references);
            Comparison comparison = Comparison.of(now, range, request.reference(), points);
            found.add(view(meter, name(meter, channel, range), range, comparison, points));
            if (request.keep()) {
                stations.replace(
                        kept.id(), kept.revision(), meter.with(channel, channel.with(comparison.correction())));
            }
        }
        return new MeterViews.CompareView(found, request.keep());
    }

    private Quantity reference(MeterViews.CompareRequest request, String field, String text) {
        return PowerEntry.parse(field, text)
                .map(entry -> entry.watts(PowerEntry.measuredOhm(
                        NumberEntry.parsePlain("ohm", request.ohm() == null ? "" : request.ohm(), 1, 1000, Unit.OHM))))
                .orElseGet(() -> stated(
                        field,
                        text,
                        NumberEntry.parsePercent(
                                "referencePercent",
                                request.referencePercent() == null ? "" : request.referencePercent(),
                                0.1,
                                50)));
    }

    private static List<Comparison.Point> points(
            MeterViews.CompareRequest request, int meter, List<Quantity> references) {
        List<Comparison.Point> points = new ArrayList<>();
        for (int i = 0; i < request.points().size(); i++) {
            List<String> readings = request.points().get(i).readings();
            String text = meter < readings.size() ? readings.get(meter) : "";
            if (!text.isBlank()) {
                String field = "points." + i + ".readings." + meter;
                double raw = NumberEntry.parse(field, text, ScaleUnit.W, false);
                if (raw <= 0) {
                    throw new Refused(new Problem(
                            ProblemCode.OUT_OF_RANGE, field, text, new Allowed.Range(0.01, 1e5, Unit.WATT)));
                }
                points.add(Comparison.Point.of(references.get(i), raw));
            }
        }
        return points;
    }

    /** Returns the name of a range, with how it shows output where the meter can in several ways. */
    String name(Meter meter, Channel channel, MeterRange range) {
        return meter.channels(ReadingRole.OUTPUT).count() > 1
                ? range.name() + ", "
                        + words.say("indication." + channel.indication().name())
                : range.name();
    }

    private MeterViews.FoundView view(
            Meter meter, String name, MeterRange range, Comparison comparison, List<Comparison.Point> points) {
        Correction correction = comparison.correction();
        double middleW =
                points.stream().mapToDouble(Comparison.Point::rawW).average().orElseThrow();
        Quantity off = comparison.off(middleW);
        List<MeterViews.RowView> rows = new ArrayList<>();
        for (int i = 0; i < points.size(); i++) {
            Comparison.Point point = points.get(i);
            rows.add(new MeterViews.RowView(
                    Figures.of(point.referenceW(), ScaleUnit.W).withUncertainty(),
                    Figures.plain(point.rawW(), 1),
                    Figures.plain(correction.corrected(point.rawW()), 1),
                    Figures.plain(comparison.residualsW().get(i), 1)));
        }
        return new MeterViews.FoundView(
                meter.name(),
                name,
                words.say(
                        "comparison." + comparison.reads(middleW).name(),
                        Map.of(
                                "percent", Figures.plain(100 * Math.abs(off.value()), 1),
                                "plusMinus", Figures.plain(100 * off.halfWidth95(), 1))),
                correction.lowEndRootW() == 0
                        ? ""
                        : words.say(
                                "comparison.lowEnd",
                                Map.of(
                                        "watts",
                                        Figures.plain(correction.corrected(LOW_END_SHARE * range.fullScale()), 1),
                                        "raw",
                                        Figures.plain(LOW_END_SHARE * range.fullScale(), 1))),
                comparison.believable(),
                words.say(
                        comparison.believable() ? "comparison.fits" : "comparison.scatters",
                        Map.of("scatter", Figures.plain(comparison.rootScatter(), 1))),
                rows);
    }
}
