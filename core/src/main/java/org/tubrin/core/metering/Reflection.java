package org.tubrin.core.metering;

import java.util.List;
import java.util.OptionalDouble;
import org.tubrin.core.quantity.Allowed;
import org.tubrin.core.quantity.Problem;
import org.tubrin.core.quantity.ProblemCode;
import org.tubrin.core.quantity.Quantity;
import org.tubrin.core.quantity.Refused;
import org.tubrin.core.quantity.Standing;
import org.tubrin.core.quantity.Unit;

/**
 * What forward and reflected power say of a line.
 *
 * <p>Source: {@code P = Pfwd − Pref}, {@code ρ = √(Pref/Pfwd)}, {@code SWR = (1+ρ)/(1−ρ)}, return loss {@code −20·log10 ρ}.
 *
 * @param netW what goes on into the load
 * @param swr standing-wave ratio
 * @param returnLossDb return loss, positive; absent where nothing is reflected
 */
public record Reflection(Quantity netW, Quantity swr, OptionalDouble returnLossDb) {
    /** Returns what two readings say; fails with {@link Refused} where as much or more comes back than went. */
    public static Reflection of(Quantity forwardW, Quantity reflectedW) {
        if (!(forwardW.value() > 0) || !(reflectedW.value() < forwardW.value()) || reflectedW.value() < 0) {
            throw new Refused(List.of(new Problem(
                    ProblemCode.OUT_OF_RANGE,
                    "reflected",
                    Double.toString(reflectedW.value()),
                    new Allowed.Range(0, Math.max(0, forwardW.value()), Unit.WATT))));
        }
        Quantity net = forwardW.minus(reflectedW);
        if (reflectedW.value() == 0) {
            return new Reflection(net, Quantity.exact(1, Unit.ONE, Standing.COMPUTED), OptionalDouble.empty());
        }
        Quantity rho = reflectedW.over(forwardW, Unit.ONE).toPower(0.5);
        Quantity one = Quantity.exact(1, Unit.ONE, Standing.COMPUTED);
        Quantity swr = one.plus(rho).over(one.minus(rho), Unit.ONE);
        return new Reflection(net, swr, OptionalDouble.of(-20 * Math.log10(rho.value())));
    }
}
