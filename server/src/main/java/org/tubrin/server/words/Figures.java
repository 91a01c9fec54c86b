package org.tubrin.server.words;

import java.math.BigDecimal;
import java.math.MathContext;
import java.math.RoundingMode;
import java.time.Instant;
import java.time.LocalDate;
import java.time.ZoneOffset;
import java.util.Arrays;
import java.util.EnumSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import org.tubrin.core.metering.ScaleUnit;
import org.tubrin.core.quantity.Quantity;
import org.tubrin.core.quantity.Rounding;
import org.tubrin.core.quantity.Standing;
import org.tubrin.core.quantity.Unit;

/** Writes numbers as the screen shows them: the language's decimal sign, a true minus, as many decimals as the uncertainty bears. */
public final class Figures {
    private static final char MINUS = '\u2212';
    private static final String THIN = "\u2009";
    private static final Set<Unit> NONE_BELOW_ZERO = EnumSet.of(Unit.WATT, Unit.AMPERE, Unit.VOLT, Unit.OHM, Unit.ONE);

    private Figures() {}

    /**
     * A number ready to be shown.
     *
     * @param value in the unit shown
     * @param halfWidth half of its 95 % interval, in the unit shown; 0 where taken as exact
     * @param shown the value alone
     * @param withUncertainty the value, ± and half of its 95 % interval; from 0 where that is more than the value and none is below 0
     * @param unit symbol of the unit
     * @param standing measured, computed, assumed or predicted
     */
    public record Figure(
            double value, double halfWidth, String shown, String withUncertainty, String unit, Standing standing) {}

    /** Returns numbers of a drawing to so many decimals: more are not seen. */
    public static List<Double> rounded(List<Double> values, int decimals) {
        double scale = Math.pow(10, decimals);
        return values.stream().map(value -> Math.rint(value * scale) / scale).toList();
    }

    /** Returns the same of an array. */
    public static List<Double> rounded(double[] values, int decimals) {
        return rounded(Arrays.stream(values).boxed().toList(), decimals);
    }

    /** Returns a quantity in a unit that is so many of the core's unit. */
    public static Figure of(Quantity quantity, double inUnit, String symbol) {
        return of(quantity, inUnit, symbol, Integer.MAX_VALUE);
    }

    /** Returns the same with at most so many decimals, where the field's habit wants no more. */
    public static Figure of(Quantity quantity, double inUnit, String symbol, int mostDecimals) {
        boolean isFromZero = NONE_BELOW_ZERO.contains(quantity.unit());
        return of(quantity, inUnit, symbol, mostDecimals, isFromZero);
    }

    /** Returns the same of what may lie on either side of 0 whatever its unit, such as a difference. */
    public static Figure difference(Quantity quantity, double inUnit, String symbol, int mostDecimals) {
        return of(quantity, inUnit, symbol, mostDecimals, false);
    }

    /** Returns the same in a unit of a meter's scale. */
    public static Figure difference(Quantity quantity, ScaleUnit scale) {
        return difference(quantity, scale.inUnit(), scale.symbol(), Integer.MAX_VALUE);
    }

    private static Figure of(Quantity quantity, double inUnit, String symbol, int mostDecimals, boolean isFromZero) {
        double value = quantity.value() / inUnit;
        double half = quantity.halfWidth95() / inUnit;
        int decimals = Math.min(mostDecimals, half > 0 ? Rounding.decimals(half) : 1);
        String shown = half > 0 ? fixed(value, decimals) : plain(value, decimals);
        String both = half == 0
                ? shown
                : isFromZero && value >= 0 && half > value
                        ? Words.text("figure.fromZero", Map.of("most", fixed(value + half, decimals)))
                        : shown + THIN + "±" + THIN + fixed(half, decimals);
        return new Figure(value, half, shown, both, symbol, quantity.standing());
    }

    /** Returns a quantity in the unit of a meter's scale. */
    public static Figure of(Quantity quantity, ScaleUnit scale) {
        return of(quantity, scale.inUnit(), scale.symbol());
    }

    /** Returns half of a 95 % interval alone, in a unit that is so many of the core's unit. */
    public static String halfWidth(Quantity quantity, double inUnit) {
        double half = quantity.halfWidth95() / inUnit;
        return half > 0 ? fixed(half, Rounding.decimals(half)) : "0";
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

    /** Returns the day of a moment, in UTC. */
    public static String day(Instant at) {
        return LocalDate.ofInstant(at, ZoneOffset.UTC).toString();
    }

    /** Returns a mark to look for on a scale: three figures, rounded down. */
    public static String mark(double value) {
        return minus(BigDecimal.valueOf(value)
                .round(new MathContext(3, RoundingMode.DOWN))
                .toPlainString());
    }

    /** Returns a dial position: one decimal, or two where it needs them. */
    public static String dial(double position) {
        String two = fixed(position, 2);
        return two.endsWith("0") ? two.substring(0, two.length() - 1) : two;
    }

    private static String minus(String text) {
        return Language.now().decimal(text.indexOf('-') == 0 ? MINUS + text.substring(1) : text);
    }
}
