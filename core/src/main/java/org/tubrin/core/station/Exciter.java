package org.tubrin.core.station;

import java.util.List;
import java.util.Optional;
import org.tubrin.core.quantity.Because;
import org.tubrin.core.quantity.Checks;
import org.tubrin.core.quantity.Unit;

/**
 * A transceiver that drives.
 *
 * @param name what it is called
 * @param powerMinW lowest power that can be set, 0.01 to 1000 W
 * @param powerMaxW highest power, above the lowest, to 2000 W
 * @param powerAccuracyFraction bound of the set power's error as a share of it, 0.001 to 0.5
 * @param trDelayS delay from keying to RF, 0 to 1 s
 * @param powerByMode power that it now remembers per mode
 * @param mostByMode highest power of those modes that give less than the others; absent where all give the same
 * @param firmware its version as the set shows it, 1 to 20 characters; absent where it was not noted
 * @param powerStep in which steps its power is set; absent where any power can be set
 */
public record Exciter(
        String name,
        double powerMinW,
        double powerMaxW,
        double powerAccuracyFraction,
        double trDelayS,
        List<ModePower> powerByMode,
        Optional<List<ModePower>> mostByMode,
        Optional<String> firmware,
        Optional<PowerStep> powerStep)
        implements Equipment {
    private static final double PERCENT = 100;

    public Exciter {
        powerByMode = List.copyOf(powerByMode);
        mostByMode = mostByMode.map(List::copyOf);
        List<ModePower> most = mostByMode.orElse(List.of());
        Checks checks = new Checks()
                .name("name", name)
                .range("powerMinW", powerMinW, 0.01, 1000, Unit.WATT)
                .range("powerMaxW", powerMaxW, powerMinW, 2000, Unit.WATT, Because.LEAST_POWER)
                .range("powerAccuracyFraction", powerAccuracyFraction, 1e-3, 0.5, Unit.ONE)
                .range("trDelayS", trDelayS, 0, 1, Unit.SECOND)
                .distinct(
                        "powerByMode", powerByMode.stream().map(ModePower::mode).toList())
                .distinct("mostByMode", most.stream().map(ModePower::mode).toList());
        for (int i = 0; i < most.size(); i++) {
            checks.range("mostByMode." + i + ".powerW", most.get(i).powerW(), powerMinW, powerMaxW, Unit.WATT);
        }
        firmware.ifPresent(version -> checks.text("firmware", version, 1, 20));
        checks.done();
    }

    /** Returns the same with another firmware. */
    public Exciter withFirmware(String version) {
        return new Exciter(
                name,
                powerMinW,
                powerMaxW,
                powerAccuracyFraction,
                trDelayS,
                powerByMode,
                mostByMode,
                Optional.of(version),
                powerStep);
    }

    /** Returns the highest power that can be set in a mode, in watts: AM and FM carriers often stop short of the others. */
    public double mostW(Mode mode) {
        return mostByMode.orElse(List.of()).stream()
                .filter(entry -> entry.mode() == mode)
                .mapToDouble(ModePower::powerW)
                .findFirst()
                .orElse(powerMaxW);
    }

    /** Returns the nearest power that can be set, in watts, none below its least and above its most. */
    public double nearestW(double powerW) {
        return clamped(powerStep.map(step -> step.nearestW(powerW, powerMaxW)).orElse(powerW));
    }

    /** Returns the next power down that can be set, in watts; its least where there is none. */
    public double belowW(double powerW) {
        return clamped(powerStep.map(step -> step.belowW(powerW, powerMaxW)).orElse(powerW));
    }

    private double clamped(double powerW) {
        return Math.max(powerMinW, Math.min(powerMaxW, powerW));
    }

    /** Returns a power in per cent of its highest, where that is what is set. */
    public Optional<Double> percent(double powerW) {
        return powerStep
                .filter(step -> step.scale() == PowerStep.Scale.PERCENT)
                .map(step -> PERCENT * powerW / powerMaxW);
    }

    /** Returns the power remembered for a mode, in watts. */
    public Optional<Double> powerW(Mode mode) {
        return powerByMode.stream()
                .filter(entry -> entry.mode() == mode)
                .map(ModePower::powerW)
                .findFirst();
    }

    /**
     * Power set in one mode.
     *
     * @param mode the mode
     * @param powerW 0 to 2000 W
     */
    public record ModePower(Mode mode, double powerW) {
        public ModePower {
            new Checks().range("powerW", powerW, 0, 2000, Unit.WATT).done();
        }
    }

    @Override
    public <T> T in(Cases<T> cases) {
        return cases.exciter(this);
    }
}
