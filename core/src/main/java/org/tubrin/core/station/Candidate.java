package org.tubrin.core.station;

import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import org.tubrin.core.quantity.Because;
import org.tubrin.core.quantity.Checks;
import org.tubrin.core.quantity.Unit;

/**
 * An amplifier that one thinks of, by what is claimed and known of it; no run is made with it.
 *
 * @param name what it is called
 * @param claimW output that is claimed, 5 to 20 000 W
 * @param claim how that was got
 * @param tubes its tubes; absent for transistors, and where nothing is known of them
 * @param operation the line of typical operation on its sheet
 * @param priceNew in the operator's money, 0 to 1e7
 * @param priceUsed the same of the one that is offered
 * @param tubeSetPrice of one full set of tubes
 * @param stillMade whether the tubes are made today
 * @param weightKg 0.1 to 1000 kg
 * @param origin whether it comes from abroad; absent while not known
 * @param delivery how it gets here, in the operator's words, to 80 characters
 * @param inspected what was looked at of the one that is offered, each point once
 */
public record Candidate(
        String name,
        double claimW,
        Claim claim,
        Optional<Tubes> tubes,
        Optional<Operation> operation,
        OptionalDouble priceNew,
        OptionalDouble priceUsed,
        OptionalDouble tubeSetPrice,
        StillMade stillMade,
        OptionalDouble weightKg,
        Optional<Origin> origin,
        Optional<String> delivery,
        List<Inspected> inspected)
        implements Equipment {

    /** How the output that is claimed was got. */
    public enum Claim {
        NOT_SAID,
        PULSED,
        CARRIER,
        SPEECH
    }

    /** Whether its tubes can be had new. */
    public enum StillMade {
        UNKNOWN,
        MADE,
        NOT_MADE
    }

    /** Where it comes from: what is imported may cost duty, and its guarantee and repair may be abroad. */
    public enum Origin {
        SOLD_HERE,
        IMPORTED
    }

    /**
     * The tubes of a stage.
     *
     * @param count 1 to 8
     * @param plateDissipationPerTubeW 10 to 50 000 W
     */
    public record Tubes(int count, double plateDissipationPerTubeW) {
        public Tubes {
            new Checks()
                    .range("count", count, 1, 8, Unit.ONE)
                    .range("plateDissipationPerTubeW", plateDissipationPerTubeW, 10, 50_000, Unit.WATT)
                    .done();
        }
    }

    /**
     * One line of typical operation with a carrier, all tubes together.
     *
     * @param plateVoltageDcV under load, 100 to 20 000 V
     * @param plateCurrentA 0.01 to 20 A
     * @param outputW 1 W to nine tenths of the plate input
     */
    public record Operation(double plateVoltageDcV, double plateCurrentA, double outputW) {
        public Operation {
            new Checks()
                    .range("plateVoltageDcV", plateVoltageDcV, 100, 20_000, Unit.VOLT)
                    .range("plateCurrentA", plateCurrentA, 0.01, 20, Unit.AMPERE)
                    .range(
                            "outputW",
                            outputW,
                            1,
                            Math.max(1, 0.9 * plateVoltageDcV * plateCurrentA),
                            Unit.WATT,
                            Because.PLATE_INPUT)
                    .done();
        }

        /** Returns the plate input, in watts. */
        public double inputW() {
            return plateVoltageDcV * plateCurrentA;
        }
    }

    /** What is looked at of an amplifier that is offered, in the order in which one looks. */
    public enum Point {
        BAND_SWITCH,
        SWITCH_CONTACTS,
        CAPACITOR_PLATES,
        GEAR_REDUCTION,
        BLOWER,
        CHIMNEYS,
        CAPACITORS_AGE,
        RELAY,
        OWNERS,
        UNMODIFIED
    }

    /** How it was found. */
    public enum State {
        GOOD,
        WORN,
        BAD
    }

    /**
     * One point that was looked at.
     *
     * @param state how it was found; absent where nobody has judged it
     * @param note what was seen, to 400 characters
     */
    public record Inspected(Point point, Optional<State> state, Optional<String> note) {
        public Inspected {
            new Checks().text("note", note.orElse(""), 0, MOST_IN_NOTE).done();
        }
    }

    /** Characters that a note on a point may have. */
    public static final int MOST_IN_NOTE = 400;

    public Candidate {
        inspected = List.copyOf(inspected);
        new Checks()
                .name("name", name)
                .range("claimW", claimW, 5, 20_000, Unit.WATT)
                .range("priceNew", priceNew, 0, 1e7, Unit.ONE)
                .range("priceUsed", priceUsed, 0, 1e7, Unit.ONE)
                .range("tubeSetPrice", tubeSetPrice, 0, 1e7, Unit.ONE)
                .range("weightKg", weightKg, 0.1, 1000, Unit.ONE)
                .text("delivery", delivery.orElse(""), 0, 80)
                .distinct("inspected", inspected.stream().map(Inspected::point).toList())
                .done();
    }

    /** Returns the same with points that were looked at; each takes the place of what was known of it. */
    public Candidate with(List<Inspected> looked) {
        Map<Point, Inspected> points = new EnumMap<>(Point.class);
        inspected.forEach(one -> points.put(one.point(), one));
        looked.forEach(one -> points.put(one.point(), one));
        return new Candidate(
                name,
                claimW,
                claim,
                tubes,
                operation,
                priceNew,
                priceUsed,
                tubeSetPrice,
                stillMade,
                weightKg,
                origin,
                delivery,
                List.copyOf(points.values()));
    }

    @Override
    public <T> T in(Cases<T> cases) {
        return cases.candidate(this);
    }
}
