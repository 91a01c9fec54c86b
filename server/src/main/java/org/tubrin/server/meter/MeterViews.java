package org.tubrin.server.meter;

import java.util.List;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import org.tubrin.core.metering.Indication;
import org.tubrin.core.metering.Tones;

/** What the page asks and is told of meters. */
public final class MeterViews {
    private MeterViews() {}

    /** Who knows a value best, and the others after it. */
    public record BeliefView(String role, String value, List<BelievedView> ranked) {}

    /** A meter for a value. */
    public record BelievedView(
            String meter,
            String range,
            String plusMinus,
            @Nullable String compared) {}

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

    /** Forward and reflected power as typed, and the meter they were read off. */
    public record ReflectionRequest(UUID meterId, String forward, String reflected) {}

    /** What they say. */
    public record ReflectionView(
            String net, String swr, @Nullable String returnLoss) {}

    /** A meter on one of its ranges; how it shows output is named where it can in several ways. */
    public record RangeChoice(
            UUID meterId,
            String meter,
            String range,
            Indication indication,
            String name,
            @Nullable String compared) {}

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
    public record RangeRequest(UUID meterId, String range, Indication indication) {}

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
}
