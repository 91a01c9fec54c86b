package org.tubrin.server.words;

import java.math.BigDecimal;
import java.math.RoundingMode;
import org.tubrin.core.metering.ScaleUnit;
import org.tubrin.core.quantity.Quantity;
import org.tubrin.core.quantity.Rounding;
import org.tubrin.core.quantity.Standing;

/** Writes numbers as the screen shows them: a decimal point, a true minus, as many decimals as the uncertainty bears. */
public final class Figures {
    private static final char MINUS = '\u2212';
    private static final String THIN = "\u2009";

    private Figures() {}

    /**
     * A number ready to be shown.
     *
     * @param value in the unit shown
     * @param standardUncertainty in the unit shown; 0 where taken as exact
     * @param shown the value alone
     * @param withUncertainty the value, ± and the uncertainty
     * @param unit symbol of the unit
     * @param standing measured, computed, assumed or predicted
     */
    public record Figure(
            double value,
            double standardUncertainty,
            String shown,
            String withUncertainty,
            String unit,
            Standing standing) {}

    /** Returns a quantity in a unit that is so many of the core's unit. */
    public static Figure of(Quantity quantity, double inUnit, String symbol) {
        return of(quantity, inUnit, symbol, Integer.MAX_VALUE);
    }

    /** Returns the same with at most so many decimals, where the field's habit wants no more. */
    public static Figure of(Quantity quantity, double inUnit, String symbol, int mostDecimals) {
        return of(quantity, quantity.standardUncertainty(), inUnit, symbol, mostDecimals);
    }

    /** Returns the same with half of the 95 % interval after the ±. */
    public static Figure with95(Quantity quantity, double inUnit, String symbol, int mostDecimals) {
        return of(quantity, quantity.halfWidth95(), inUnit, symbol, mostDecimals);
    }

    private static Figure of(Quantity quantity, double open, double inUnit, String symbol, int mostDecimals) {
        double value = quantity.value() / inUnit;
        double uncertainty = open / inUnit;
        int decimals = Math.min(mostDecimals, uncertainty > 0 ? Rounding.decimals(uncertainty) : 1);
        String shown = uncertainty > 0 ? fixed(value, decimals) : plain(value, decimals);
        String both = uncertainty > 0 ? shown + THIN + "±" + THIN + fixed(uncertainty, decimals) : shown;
        return new Figure(value, quantity.standardUncertainty() / inUnit, shown, both, symbol, quantity.standing());
    }

    /** Returns a quantity in the unit of a meter's scale. */
    public static Figure of(Quantity quantity, ScaleUnit scale) {
        return of(quantity, scale.inUnit(), scale.symbol());
    }

    /** Returns a ratio in per cent. */
    public static Figure percent(Quantity ratio) {
        return of(ratio, 0.01, "%");
    }

    /** Returns a quantity as one reads it aloud, in a unit that is so many of the core's unit: the value, ± and the uncertainty, the unit. */
    public static String written(Quantity quantity, double inUnit, String symbol) {
        return of(quantity, inUnit, symbol).withUncertainty() + THIN + symbol;
    }

    /** Returns the same in the core's unit. */
    public static String written(Quantity quantity, String symbol) {
        return written(quantity, 1, symbol);
    }

    /** Returns a number with just so many decimals. */
    public static String fixed(double value, int decimals) {
        return minus(BigDecimal.valueOf(value)
                .setScale(decimals, RoundingMode.HALF_EVEN)
                .toPlainString());
    }

    /** Returns a number with at most so many decimals, without idle zeros. */
    public static String plain(double value, int mostDecimals) {
        BigDecimal rounded = BigDecimal.valueOf(value)
                .setScale(mostDecimals, RoundingMode.HALF_EVEN)
                .stripTrailingZeros();
        return minus(
                rounded.scale() < 0
                        ? rounded.setScale(0, RoundingMode.UNNECESSARY).toPlainString()
                        : rounded.toPlainString());
    }

    /** Returns a dial position: one decimal, or two where it needs them. */
    public static String dial(double position) {
        String two = fixed(position, 2);
        return two.endsWith("0") ? two.substring(0, two.length() - 1) : two;
    }

    private static String minus(String text) {
        return text.indexOf('-') == 0 ? MINUS + text.substring(1) : text;
    }
}
