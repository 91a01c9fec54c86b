package org.tubrin.server.run;

import java.util.List;
import org.jspecify.annotations.Nullable;

/**
 * How a figure of a step was calculated.
 *
 * @param title what it is
 * @param shown its value with half of its 95 % interval, and the unit
 * @param formula in words
 * @param used what went into it, each with its own ±
 * @param shares who has which part in its ±, the largest first
 * @param narrower what would narrow it most; absent where nothing is unsure
 */
public record CalculationView(
        String title,
        String shown,
        String formula,
        List<Used> used,
        List<Share> shares,
        @Nullable String narrower) {

    /** One value that went into it. */
    public record Used(String name, String shown) {}

    /** One source of error, with its part in the variance in per cent. */
    public record Share(String says, double percent) {}
}
