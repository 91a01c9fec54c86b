package org.tubrin.core.choosing;

import java.util.ArrayList;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.Set;
import java.util.stream.DoubleStream;
import org.tubrin.core.quantity.Decibels;
import org.tubrin.core.station.Candidate;

/**
 * What an amplifier that one thinks of comes to: its claim against its sheet and against the heat that its plates take.
 *
 * @param claimAsCarrierW the claim, as a steady carrier
 * @param efficiency of the sheet's line, output over plate input; absent without one
 * @param heatPerTubeW of the sheet's line; absent without it or without tubes
 * @param boundEfficiency the efficiency that the bound goes by: the sheet's, else a customary one
 * @param boundW most output that the plates' dissipation allows, N·Pd·η/(1−η); absent without tubes
 * @param carrierW what may be counted on: the least of claim, sheet and bound
 * @param usableW that much of it as the licence lets be used; all of it where that is not known
 * @param overLicenceDb what may be counted on over the licence; below 0 where it does not reach it
 * @param overExciterDb usable output over the bare exciter
 * @param flags what speaks against the claim, the gravest first
 * @param condition of the one that is offered
 */
public record Choosing(
        double claimAsCarrierW,
        OptionalDouble efficiency,
        OptionalDouble heatPerTubeW,
        double boundEfficiency,
        OptionalDouble boundW,
        double carrierW,
        double usableW,
        OptionalDouble overLicenceDb,
        OptionalDouble overExciterDb,
        List<Flag> flags,
        Condition condition) {

    /** One amplifier, measured in three ways: what a claim is worth as a carrier goes by it. */
    public static final double PULSED_W = 1130;

    public static final double SPEECH_W = 1000;
    public static final double CARRIER_W = 950;

    /** Of a stage in class AB2 or B without a sheet; customary 0.55 to 0.65. */
    private static final double CUSTOMARY_EFFICIENCY = 0.6;
    /** What a wattmeter's class leaves open: within it a claim is not called too high. */
    private static final double METER_CLASS = 0.05;
    /** From this share of what it is rated for on a plate is at its limit. */
    private static final double AT_LIMIT = 0.97;
    /** Custom of S-meters. */
    private static final double DB_PER_S_UNIT = 6;
    /** Smaller differences nobody hears. */
    private static final double HEARD_DB = 1;
    /** Apparent power from the mains over output: 500 W takes 10 A at 120 V. */
    private static final double MAINS_OVER_OUTPUT = 2.4;

    /** What speaks against a claim. */
    public enum Flag {
        ABOVE_HEAT,
        ABOVE_SHEET,
        SHEET_AT_LIMIT,
        KIND_NOT_SAID,
        NOTHING_TO_HOLD_AGAINST
    }

    /**
     * The condition of one that is offered.
     *
     * @param knockedOut whether something is so bad that the rest does not matter
     * @param points two for what is good, one for what is worn
     * @param most the points that those looked at could have
     * @param open what nobody has looked at
     */
    public record Condition(boolean knockedOut, int points, int most, List<Candidate.Point> open) {
        /** What is so bad, where it is bad, that the rest does not matter. */
        public static final Set<Candidate.Point> KNOCK_OUTS = Set.of(Candidate.Point.BAND_SWITCH);

        /** Returns the condition by what was looked at; what nobody has judged counts neither way. */
        public static Condition of(List<Candidate.Inspected> inspected) {
            Map<Candidate.Point, Candidate.State> judged = new EnumMap<>(Candidate.Point.class);
            inspected.forEach(one -> one.state().ifPresent(state -> judged.put(one.point(), state)));
            int points = judged.values().stream()
                    .mapToInt(state -> switch (state) {
                        case GOOD -> 2;
                        case WORN -> 1;
                        case BAD -> 0;
                    })
                    .sum();
            List<Candidate.Point> open = new ArrayList<>(List.of(Candidate.Point.values()));
            open.removeAll(judged.keySet());
            return new Condition(
                    KNOCK_OUTS.stream().anyMatch(point -> judged.get(point) == Candidate.State.BAD),
                    points,
                    2 * judged.size(),
                    List.copyOf(open));
        }
    }

    /**
     * Returns what a candidate comes to.
     *
     * @param licenceW of the operator, in watts; absent while no station is described
     * @param exciterW the most that the exciter gives, in watts; absent while none is described
     */
    public static Choosing of(Candidate candidate, OptionalDouble licenceW, OptionalDouble exciterW) {
        Optional<Candidate.Operation> sheet = candidate.operation();
        Optional<Candidate.Tubes> tubes = candidate.tubes();
        double claimW = candidate.claimW() * carrierOf(candidate.claim());
        Optional<Double> efficiency = sheet.map(line -> line.outputW() / line.inputW());
        double boundEfficiency = efficiency.orElse(CUSTOMARY_EFFICIENCY);
        Optional<Double> boundW = tubes.map(stage -> bound(stage, boundEfficiency));
        Optional<Double> heatW =
                sheet.flatMap(line -> tubes.map(stage -> (line.inputW() - line.outputW()) / stage.count()));
        double carrierW = DoubleStream.of(
                        claimW, sheet.map(Candidate.Operation::outputW).orElse(claimW), boundW.orElse(claimW))
                .min()
                .orElse(claimW);
        double usableW = Math.min(carrierW, licenceW.orElse(carrierW));
        return new Choosing(
                claimW,
                optional(efficiency),
                optional(heatW),
                boundEfficiency,
                optional(boundW),
                carrierW,
                usableW,
                over(carrierW, licenceW),
                over(usableW, exciterW),
                flags(candidate, claimW, boundW, heatW),
                Condition.of(candidate.inspected()));
    }

    private static List<Flag> flags(
            Candidate candidate, double claimW, Optional<Double> boundW, Optional<Double> heatW) {
        List<Flag> flags = new ArrayList<>();
        if (boundW.filter(bound -> claimW > (1 + METER_CLASS) * bound).isPresent()) {
            flags.add(Flag.ABOVE_HEAT);
        }
        if (candidate
                .operation()
                .filter(line -> claimW > (1 + METER_CLASS) * line.outputW())
                .isPresent()) {
            flags.add(Flag.ABOVE_SHEET);
        }
        boolean isAtLimit = heatW.flatMap(
                        heat -> candidate.tubes().map(tubes -> heat >= AT_LIMIT * tubes.plateDissipationPerTubeW()))
                .orElse(false);
        if (isAtLimit) {
            flags.add(Flag.SHEET_AT_LIMIT);
        }
        if (candidate.claim() == Candidate.Claim.NOT_SAID) {
            flags.add(Flag.KIND_NOT_SAID);
        }
        if (candidate.operation().isEmpty() && candidate.tubes().isEmpty()) {
            flags.add(Flag.NOTHING_TO_HOLD_AGAINST);
        }
        return List.copyOf(flags);
    }

    private static double carrierOf(Candidate.Claim claim) {
        return switch (claim) {
            case PULSED -> CARRIER_W / PULSED_W;
            case SPEECH -> CARRIER_W / SPEECH_W;
            case CARRIER, NOT_SAID -> 1;
        };
    }

    private static double bound(Candidate.Tubes tubes, double efficiency) {
        return tubes.count() * tubes.plateDissipationPerTubeW() * efficiency / (1 - efficiency);
    }

    private static OptionalDouble optional(Optional<Double> value) {
        return value.map(OptionalDouble::of).orElse(OptionalDouble.empty());
    }

    private static OptionalDouble over(double watt, OptionalDouble reference) {
        return reference.isPresent()
                ? OptionalDouble.of(Decibels.of(watt / reference.getAsDouble()))
                : OptionalDouble.empty();
    }

    /** Returns how many S-units that many decibels are. */
    public static double sUnits(double decibels) {
        return decibels / DB_PER_S_UNIT;
    }

    /** Returns how much louder this one is than another, in decibels of usable output. */
    public double louderThanDb(Choosing other) {
        return Decibels.of(usableW / other.usableW);
    }

    /** Returns whether anybody hears such a difference. */
    public static boolean isHeard(double decibels) {
        return Math.abs(decibels) >= HEARD_DB;
    }

    /** Returns the current from the mains at what may be counted on, in amperes. */
    public double mainsA(double voltageAcRmsV) {
        return MAINS_OVER_OUTPUT * carrierW / voltageAcRmsV;
    }

    /** Returns a price per watt of what may be counted on. */
    public OptionalDouble perWatt(OptionalDouble price) {
        return price.isPresent() ? OptionalDouble.of(price.getAsDouble() / carrierW) : OptionalDouble.empty();
    }
}
