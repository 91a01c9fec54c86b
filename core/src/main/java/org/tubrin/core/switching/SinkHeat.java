package org.tubrin.core.switching;

import java.util.Optional;
import org.tubrin.core.quantity.Quantity;
import org.tubrin.core.quantity.Standing;
import org.tubrin.core.quantity.Unit;

/**
 * A heat sink at rest: {@code T = Tamb + Pd·Rth}.
 *
 * @param expectedC temperature that it comes to, in °C
 * @param isHotter whether it was read hotter than that, beyond what both leave open: it is fed by more than is reckoned here
 */
public record SinkHeat(Quantity expectedC, boolean isHotter) {

    /**
     * Returns what is expected of a sink.
     *
     * @param heatW what goes in and does not come out
     * @param resistanceKPerW from sink to air, by the record
     * @param ambientC of the air
     * @param readC as read; empty where it was not
     */
    public static SinkHeat of(Quantity heatW, double resistanceKPerW, double ambientC, Optional<Quantity> readC) {
        Quantity rise = heatW.times(Quantity.exact(resistanceKPerW, Unit.ONE, Standing.ASSUMED), Unit.CELSIUS);
        Quantity expected = rise.plus(Quantity.exact(ambientC, Unit.CELSIUS, Standing.ASSUMED));
        return new SinkHeat(
                expected,
                readC.map(read -> read.minus(expected))
                        .filter(above -> above.value() > above.halfWidth95())
                        .isPresent());
    }
}
