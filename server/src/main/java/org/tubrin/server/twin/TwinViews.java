package org.tubrin.server.twin;

import java.util.List;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import org.tubrin.core.scope.Waveform;
import org.tubrin.core.station.Equipment;
import org.tubrin.core.twin.DataSheet;
import org.tubrin.core.twin.SheetFit;

/** What the page is told of the twin. */
public final class TwinViews {
    private TwinViews() {}

    /** A place on the map: dials and what each meter should show there. */
    public record DialPlace(
            double plate,
            double load,
            double outputW,
            double plateCurrentA,
            double gridCurrentA,
            @Nullable Double screenCurrentA,
            double heatPerTubeW,
            @Nullable Double efficiency,
            @Nullable Double thirdDb) {}

    /** A limit that closes ground off: where the grid is beyond it. */
    public record Ground(String kind, String label, double limit, List<Double> grid) {}

    /** Where the next move turns a dial, and the drive that it is meant for; a dial that stays is absent. */
    public record NextPlace(
            @Nullable Double plate, @Nullable Double load, double driveW) {}

    /**
     * The ground at a drive; grids are row by row, LOAD slow, PLATE fast. A point that did not settle holds −1.
     */
    public record MapView(
            double driveW,
            List<Double> plates,
            List<Double> loads,
            List<Double> outputW,
            List<Double> heights,
            List<Ground> grounds,
            @Nullable DialPlace here,
            @Nullable DialPlace most,
            @Nullable DialPlace finish,
            @Nullable NextPlace next,
            List<List<Double>> trail,
            String reading) {}

    /** A flow of power from or to somewhere, in watts. */
    public record Flow(String code, String label, double watt, boolean in) {}

    /** Where each watt goes. */
    public record PowerView(double driveW, double plate, double load, List<Flow> flows, List<Strain> strain) {}

    /** A peak or margin, with its limit where one is known. */
    public record Strain(
            String label, String shown, @Nullable String limit, boolean beyond) {}

    /** A mode's averages. */
    public record ModeRow(
            String mode, double outputW, double plateCurrentA, double gridCurrentA, double heatPerTubeW) {}

    /** Products of two equal tones, in decibels below one of them and below PEP. */
    public record Product(String label, double toToneDb, double toPepDb) {}

    /** Output against drive, amplitudes: the drive's relative to PEP. */
    public record Curve(List<Double> drive, List<Double> output) {}

    /** How clean the signal is by the twin. */
    public record TwinSignal(
            double driveW,
            double plate,
            double load,
            List<Product> products,
            double compressionDb,
            Curve curve,
            List<ModeRow> modes,
            String judgement) {}

    /** What an amplifier adds of its own to what the exciter brings, in decibels relative to one tone. */
    public record OwnPart(
            String label,
            @Nullable Double leastDb,
            @Nullable Double likelyDb,
            double mostDb) {}

    /** What a waveform can look like. */
    public record WaveformChoice(Waveform code, String words) {}

    /** How clean the signal is by what was read. */
    public record ReadSignal(
            List<Product> exciter,
            List<Product> amplifier,
            List<OwnPart> own,
            @Nullable Curve curve,
            @Nullable String judgement,
            @Nullable Waveform waveform,
            @Nullable String waveformMeans,
            List<WaveformChoice> waveforms) {}

    /** How clean the signal is: by the twin where there is one, and by what was read. */
    public record SignalView(@Nullable TwinSignal twin, ReadSignal read, boolean mayEnter) {}

    /** A constant or a meter, and by how much it seems to have changed. */
    public record LearnedRow(String label, String by, String says, boolean believable) {}

    /** What a run teaches the twin; or that the fit failed, and then nothing else. */
    public record LearningView(
            List<LearnedRow> twin,
            List<LearnedRow> meters,
            List<String> leftOver,
            boolean believable,
            @Nullable String failed) {}

    /** A record that has learned. */
    public record Accepted(String amplifier, int revision) {}

    /** A sheet for an amplifier of the station. */
    public record FitRequest(UUID amplifierId, DataSheet sheet) {}

    /** A figure of the sheet beside the twin's. */
    public record FitRow(String label, String sheet, String twin, double offPercent) {}

    /** A constant, and how far the sheet determines it. */
    public record ConstantRow(String label, String value, SheetFit.Determined determined, String says) {}

    /** A twin found from a sheet; the amplifier is the record with its constants, to be kept as any record is. */
    public record FitView(
            List<FitRow> rows, List<ConstantRow> constants, List<String> notes, Equipment amplifier, int revision) {}
}
