package org.tubrin.core.supply;

import java.util.List;
import org.tubrin.core.station.Battery;

/**
 * How a chemistry's cell behaves, by customary values: to reckon with, not to charge by; the maker's sheet prevails.
 *
 * @param peukert exponent, 1 and above
 * @param openV of a cell by its state of charge, from empty to full in equal steps
 * @param capacityPerK share of the capacity lost for each kelvin below 25 °C
 * @param resistancePerK share by which the resistance rises for each kelvin below 25 °C
 * @param usable share of the capacity that may be drawn without harm
 */
record CellLaw(double peukert, List<Double> openV, double capacityPerK, double resistancePerK, double usable) {
    private static final double REFERENCE_C = 25;
    private static final double LEAST_CAPACITY = 0.2;

    static CellLaw of(Battery.Chemistry chemistry) {
        return switch (chemistry) {
            case LEAD_FLOODED -> new CellLaw(1.25, List.of(1.94, 1.99, 2.03, 2.07, 2.10, 2.13), 0.009, 0.012, 0.5);
            case LEAD_SEALED -> new CellLaw(1.12, List.of(1.95, 2.00, 2.04, 2.08, 2.11, 2.14), 0.008, 0.010, 0.6);
            case LITHIUM_IRON_PHOSPHATE ->
                new CellLaw(1.03, List.of(2.80, 3.20, 3.26, 3.29, 3.31, 3.38), 0.006, 0.020, 0.9);
            case LITHIUM_ION -> new CellLaw(1.05, List.of(3.10, 3.50, 3.62, 3.74, 3.90, 4.15), 0.006, 0.020, 0.9);
            case NICKEL_METAL_HYDRIDE ->
                new CellLaw(1.10, List.of(1.05, 1.20, 1.24, 1.26, 1.29, 1.38), 0.008, 0.015, 0.9);
        };
    }

    /** Returns the open voltage of a cell at a state of charge, 0 to 1. */
    double openV(double charge) {
        double place = Math.max(0, Math.min(1, charge)) * (openV.size() - 1);
        int below = (int) Math.min(openV.size() - 2, Math.floor(place));
        return openV.get(below) + (place - below) * (openV.get(below + 1) - openV.get(below));
    }

    /** Returns the share of the capacity that is there at a temperature in °C. */
    double capacityShare(double temperatureC) {
        return Math.max(LEAST_CAPACITY, 1 - capacityPerK * Math.max(0, REFERENCE_C - temperatureC));
    }

    /** Returns by what the resistance is multiplied at a temperature in °C. */
    double resistanceFactor(double temperatureC) {
        return 1 + resistancePerK * Math.max(0, REFERENCE_C - temperatureC);
    }
}
