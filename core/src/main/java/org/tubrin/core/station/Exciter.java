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
 */
public record Exciter(
        String name,
        double powerMinW,
        double powerMaxW,
        double powerAccuracyFraction,
        double trDelayS,
        List<ModePower> powerByMode,
        Optional<List<ModePower>> mostByMode,
        Optional<String> firmware)
        implements Equipment {

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
                Optional.of(version));
    }

    /** Returns the highest power that can be set in a mode, in watts: AM and FM carriers often stop short of the others. */
    public double mostW(Mode mode) {
        return mostByMode.orElse(List.of()).stream()
                .filter(entry -> entry.mode() == mode)
                .mapToDouble(ModePower::powerW)
                .findFirst()
                .orElse(powerMaxW);
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
