package org.tubrin.core.metering;

import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.OptionalDouble;
import org.tubrin.core.quantity.Allowed;
import org.tubrin.core.quantity.ErrorSource;
import org.tubrin.core.quantity.Problem;
import org.tubrin.core.quantity.ProblemCode;
import org.tubrin.core.quantity.Quantity;
import org.tubrin.core.quantity.Refused;
import org.tubrin.core.quantity.Unit;

/**
 * What forward and reflected power say of a line. The two are read by couplers and on scales of their own: their errors are
 * independent, also where one box shows both.
 *
 * <p>Source: {@code P = Pfwd − Pref}, {@code ρ = √(Pref/Pfwd)}, {@code SWR = (1+ρ)/(1−ρ)}, return loss {@code −20·log10 ρ}.
 *
 * @param netW what goes on into the load
 * @param swr standing-wave ratio, most likely
 * @param swrLow lower end of the interval that holds it in 95 of 100 cases, 1 or more
 * @param swrHigh upper end; infinite where all may come back
 * @param returnLossDb return loss, positive; absent where nothing is reflected
 */
public record Reflection(Quantity netW, double swr, double swrLow, double swrHigh, OptionalDouble returnLossDb) {

    /** Returns what two readings say; fails with {@link Refused} where as much or more comes back than went. */
    public static Reflection of(Quantity forwardW, Quantity reflectedW) {
        if (!(forwardW.value() > 0) || !(reflectedW.value() < forwardW.value()) || reflectedW.value() < 0) {
            throw new Refused(List.of(new Problem(
                    ProblemCode.OUT_OF_RANGE,
                    "reflected",
                    Double.toString(reflectedW.value()),
                    new Allowed.Range(0, Math.max(0, forwardW.value()), Unit.WATT))));
        }
        Quantity back = apart(reflectedW);
        Quantity share = back.over(forwardW, Unit.ONE);
        double rho = Math.sqrt(share.value());
        return new Reflection(
                forwardW.minus(back),
                swr(share.value()),
                swr(Math.max(0, share.low())),
                swr(Math.min(1, share.high())),
                rho > 0 ? OptionalDouble.of(-20 * Math.log10(rho)) : OptionalDouble.empty());
    }

    private static double swr(double share) {
        double rho = Math.sqrt(share);
        return (1 + rho) / (1 - rho);
    }

    private static Quantity apart(Quantity reflectedW) {
        Map<ErrorSource, Double> shares = new HashMap<>();
        reflectedW
                .contributions()
                .forEach((source, share) -> shares.put(
                        new ErrorSource(
                                source.instrument(),
                                "reflected " + source.channel(),
                                source.range(),
                                source.law(),
                                source.part()),
                        share));
        return new Quantity(reflectedW.value(), reflectedW.unit(), reflectedW.standing(), shares);
    }
}
