package org.tubrin.core.hv;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.function.DoubleFunction;
import java.util.function.ToDoubleBiFunction;
import org.tubrin.core.quantity.ErrorSource;
import org.tubrin.core.quantity.Quantity;
import org.tubrin.core.quantity.Refused;
import org.tubrin.core.quantity.Standing;
import org.tubrin.core.quantity.Unit;

/**
 * What a high-voltage supply comes to, and how far each figure goes with what is not known well of its parts.
 *
 * <p>Method: judged once as recorded and once more with each part off by its standard uncertainty; the differences add in
 * quadrature. Line voltage is known to 3 %, resistance of transformer and line to 10 %, current at full output to 2 %;
 * capacitors and resistors lie anywhere within their tolerance. Source: JCGM 100:2008, 5.1.3 note 2 and 4.3.7; the shares are
 * customary. Cost: six judgements.
 */
public final class Spread {
    private static final double LINE_SHARE = 0.03;
    private static final double SOURCE_SHARE = 0.1;
    private static final double LOAD_SHARE = 0.02;
    private static final double OF_EVEN = 1 / Math.sqrt(3);

    private record Case(ErrorSource off, HighVoltage supply, HighVoltage.Findings judged) {}

    private final HighVoltage supply;
    private final HighVoltage.Findings judged;
    private final List<Case> cases;

    private Spread(HighVoltage supply, List<Case> cases) {
        this.supply = supply;
        this.judged = supply.judged();
        this.cases = List.copyOf(cases);
    }

    /** Returns the spread of a supply. */
    public static Spread of(HighVoltage supply) {
        Rectifier rectifier = supply.rectifier();
        Bank bank = supply.bank();
        List<Case> cases = new ArrayList<>();
        off(
                cases,
                "line",
                LINE_SHARE,
                factor -> new HighVoltage(
                        supply.name(),
                        rectifier.with(factor * rectifier.secondaryRmsV(), rectifier.sourceOhm()),
                        bank,
                        supply.loadA(),
                        factor * supply.primaryRmsV(),
                        supply.softStart()));
        off(
                cases,
                "source",
                SOURCE_SHARE,
                factor -> supply.with(rectifier.with(rectifier.secondaryRmsV(), factor * rectifier.sourceOhm()), bank));
        off(
                cases,
                "load",
                LOAD_SHARE,
                factor -> new HighVoltage(
                        supply.name(),
                        rectifier,
                        bank,
                        factor * supply.loadA(),
                        supply.primaryRmsV(),
                        supply.softStart()));
        off(
                cases,
                "capacitors",
                OF_EVEN * HighVoltage.CAPACITOR_TOLERANCE,
                factor -> supply.with(rectifier, bank.withEachF(factor * bank.eachF())));
        off(
                cases,
                "resistors",
                OF_EVEN * bank.resistorTolerance(),
                factor -> supply.with(rectifier, bank.withResistorOhm(factor * bank.resistorOhm())));
        return new Spread(supply, cases);
    }

    private static void off(List<Case> cases, String part, double share, DoubleFunction<HighVoltage> times) {
        HighVoltage other = either(share, times);
        cases.add(new Case(new ErrorSource("high voltage", part, ""), other, other.judged()));
    }

    /** Above what is recorded, or below it at the upper end of the range of a record. */
    private static HighVoltage either(double share, DoubleFunction<HighVoltage> times) {
        try {
            return times.apply(1 + share);
        } catch (Refused beyondTheRange) {
            return times.apply(1 - share);
        }
    }

    /** Returns what it comes to as recorded. */
    public HighVoltage.Findings judged() {
        return judged;
    }

    /** Returns the figure that is held against what a part bears; empty as any other. */
    public Optional<Quantity> figure(HighVoltage.Fault fault) {
        return figure(fault.unit(), (of, as) -> fault.held(of, as).found());
    }

    /**
     * Returns one figure with its uncertainty; empty where it is not finite, such as the time to bleed through a resistor that is
     * open, or would not be with a part off.
     */
    public Optional<Quantity> figure(Unit unit, ToDoubleBiFunction<HighVoltage, HighVoltage.Findings> of) {
        double value = of.applyAsDouble(supply, judged);
        if (!Double.isFinite(value)) {
            return Optional.empty();
        }
        Quantity figure = Quantity.exact(value, unit, Standing.PREDICTED);
        for (Case one : cases) {
            double other = of.applyAsDouble(one.supply(), one.judged());
            if (!Double.isFinite(other)) {
                return Optional.empty();
            }
            figure = figure.plus(Quantity.of(0, unit, Standing.PREDICTED, one.off(), Math.abs(other - value)));
        }
        return Optional.of(figure);
    }
}
