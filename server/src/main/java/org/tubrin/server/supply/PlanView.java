package org.tubrin.server.supply;

import java.util.List;
import org.jspecify.annotations.Nullable;
import org.tubrin.server.run.RunView;

/**
 * A plan as the page shows it: figures ready to be read, and what the charts need.
 *
 * @param verdict all of it in one, the reason with it
 * @param findings what is wrong, the gravest first
 * @param line from the mains to the set
 * @param strip the worst ten minutes
 * @param stair from the terminals down to the set; absent where nothing transmits
 * @param schools what each school of sizing asks for
 * @param standard the next standard size that meets them all; absent where none is asked for
 * @param supplies the station's own, and which of them would do
 * @param kinds of supply, ranked by the operator's wishes
 * @param mains at the wall
 * @param amplifiers circuits that the station's large amplifiers ask for
 * @param lead what the lead is to be
 * @param areasM2 cross-sections that are sold
 * @param modes what the set draws in each mode
 * @param battery that stands by; absent where there is none
 * @param cautions in plain words
 */
public record PlanView(
        PlanVerdict verdict,
        List<PlanFinding> findings,
        List<RunView.Node> line,
        PlanStrip strip,
        @Nullable PlanStair stair,
        List<PlanSchool> schools,
        @Nullable String standard,
        List<OwnSupply> supplies,
        List<PlanKind> kinds,
        List<PlanFact> mains,
        List<PlanFact> amplifiers,
        List<PlanFact> lead,
        List<Double> areasM2,
        List<DrawRow> modes,
        @Nullable BatteryView battery,
        List<String> cautions) {

    /** All of it in one. */
    public record PlanVerdict(String code, String title, String reason) {}

    /** Something wrong: what, and what to do. */
    public record PlanFinding(String code, String title, String meaning, String act) {}

    /** A line of figures: what it is, the figure, a note. */
    public record PlanFact(String what, String figure, String note) {}

    /**
     * The worst ten minutes.
     *
     * @param fromS where they begin in the pattern
     * @param bands of each box, current second by second
     * @param intermittentA rating of the supply that schools are held against
     * @param windows averages over shorter and longer times
     */
    public record PlanStrip(
            String title,
            String supply,
            double fromS,
            List<PlanBand> bands,
            double peakA,
            String peak,
            double averageA,
            String average,
            String continuous,
            double intermittentA,
            String intermittent,
            String windows) {}

    /** A box's part of the strip. */
    public record PlanBand(String box, boolean transmits, List<Double> currentA) {}

    /**
     * The stair of voltage.
     *
     * @param title what it leads to
     * @param subtitle at what current, by what lead
     * @param leastV that the set needs
     * @param leastLabel words for it
     */
    public record PlanStair(String title, String subtitle, List<PlanTread> treads, double leastV, String leastLabel) {}

    /** A tread: what lies before it, the voltage behind it, what it took off. */
    public record PlanTread(String cause, double volts, String shown, String fall) {}

    /** What a school asks for. */
    public record PlanSchool(
            String code, String name, String asks, double fromA, double toA, boolean met, boolean governs) {}

    /** One of the station's supplies. */
    public record OwnSupply(String name, String says, boolean serves, boolean chosen) {}

    /** A kind of supply. */
    public record PlanKind(String code, String name, String givesUp, String caution, boolean chosen) {}

    /** What the set draws in a mode at its greatest power, and what that is at the wall and in the room, on average. */
    public record DrawRow(
            String mode, String source, String peak, String average, String output, String wall, String heat) {}

    /** How a battery runs down. */
    public record BatteryView(
            String title,
            String reason,
            List<PlanFact> facts,
            List<BatteryPoint> course,
            double endV,
            String endLabel) {}

    /** A moment of it. */
    public record BatteryPoint(double hours, double restingV, double peakV) {}
}
