package org.tubrin.core.advice;

import java.time.Duration;
import java.time.Instant;
import java.util.List;
import java.util.function.ToDoubleFunction;
import org.tubrin.core.run.KeyDown;
import org.tubrin.core.station.Thermal;
import org.tubrin.core.twin.Warming;

/**
 * How hot the dummy load is.
 *
 * <p>Method: first order, solved in closed form over each key-down and each rest. Source: {@link Thermal}. The load is taken
 * to be at room temperature before the run's first key-down.
 */
public final class LoadHeat {

    private LoadHeat() {}

    /** Returns the load's temperature at a moment, in °C. */
    public static double temperatureC(List<KeyDown> keyDowns, Thermal thermal, double ambientC, Instant at) {
        Warming warming = new Warming(thermal.resistanceKPerW(), thermal.timeConstantS());
        return ambientC + rise(keyDowns, warming, KeyDown::powerW, at);
    }

    /** Returns how far something has warmed over the key-downs by what each puts into it, and cooled between them. */
    static double rise(List<KeyDown> keyDowns, Warming warming, ToDoubleFunction<KeyDown> power, Instant at) {
        double rise = 0;
        Instant since = at;
        for (KeyDown keyDown : keyDowns) {
            if (keyDown.from().isAfter(at)) {
                break;
            }
            rise = warming.riseK(rise, 0, seconds(since, keyDown.from()));
            Instant end = keyDown.to().filter(to -> to.isBefore(at)).orElse(at);
            rise = warming.riseK(rise, power.applyAsDouble(keyDown), seconds(keyDown.from(), end));
            since = end;
        }
        return warming.riseK(rise, 0, seconds(since, at));
    }

    /** Returns how long a power may stand from a temperature until the load's limit, in seconds; infinite where for ever. */
    public static double secondsToLimit(double temperatureC, double powerW, Thermal thermal, double ambientC) {
        double finalC = ambientC + powerW * thermal.resistanceKPerW();
        if (temperatureC >= thermal.temperatureLimitC()) {
            return 0;
        }
        if (finalC <= thermal.temperatureLimitC()) {
            return Double.POSITIVE_INFINITY;
        }
        return thermal.timeConstantS() * Math.log((finalC - temperatureC) / (finalC - thermal.temperatureLimitC()));
    }

    /** Returns the rest, in seconds, after which a power may again stand for so many seconds below the load's limit. */
    public static double restForS(
            double temperatureC, double powerW, double keyDownS, Thermal thermal, double ambientC) {
        double decay = Math.exp(-keyDownS / thermal.timeConstantS());
        double limitRiseK = thermal.temperatureLimitC() - ambientC;
        double startRiseK = (limitRiseK - powerW * thermal.resistanceKPerW() * (1 - decay)) / decay;
        double riseK = temperatureC - ambientC;
        if (riseK <= startRiseK) {
            return 0;
        }
        return startRiseK <= 0 ? Double.POSITIVE_INFINITY : thermal.timeConstantS() * Math.log(riseK / startRiseK);
    }

    private static double seconds(Instant from, Instant to) {
        return Math.max(0, Duration.between(from, to).toNanos() / 1e9);
    }
}
