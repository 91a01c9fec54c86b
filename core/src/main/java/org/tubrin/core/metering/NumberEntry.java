package org.tubrin.core.metering;

import java.math.BigDecimal;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.tubrin.core.quantity.Allowed;
import org.tubrin.core.quantity.Problem;
import org.tubrin.core.quantity.ProblemCode;
import org.tubrin.core.quantity.Refused;
import org.tubrin.core.quantity.Unit;

/** Reads numbers as operators type them: decimal point or comma, an optional unit, blanks of any kind, a true minus. */
public final class NumberEntry {
    private static final int LONGEST = 24;
    private static final double LARGEST = 1e6;
    private static final Pattern FORM =
            Pattern.compile("([+-]?)(\\d+(?:[.,]\\d*)?|[.,]\\d+)\\s*([°µ\\u03bc\\u03a9\\u2126A-Za-z]*)");

    /** A thermometer may be one of degrees Fahrenheit. */
    private static final Pattern FAHRENHEIT = Pattern.compile("°?[Ff]");

    private static final double FREEZING_F = 32;
    private static final double F_PER_K = 1.8;

    private NumberEntry() {}

    /**
     * Returns the number in the core's unit.
     *
     * <p>Fails with {@link Refused}: MISSING for blank text, TOO_LONG, NOT_A_NUMBER, WRONG_UNIT where a typed unit measures
     * something else, NEGATIVE, OUT_OF_RANGE beyond a million.
     *
     * @param path field to name in a problem
     * @param text as typed
     * @param scale the unit that counts where none is typed
     * @param mayBeNegative whether a minus is allowed
     */
    public static double parse(String path, String text, ScaleUnit scale, boolean mayBeNegative) {
        return parse(
                path, text, scale.inUnit(), new Allowed.Range(mayBeNegative ? -LARGEST : 0, LARGEST, scale.unit()));
    }

    /** Returns a number in the core's unit, as the other, within a range in that unit. */
    public static double parse(String path, String text, ScaleUnit scale, double least, double most) {
        return parse(path, text, scale.inUnit(), new Allowed.Range(least, most, scale.unit()));
    }

    private static double parse(String path, String text, double bare, Allowed.Range range) {
        String shown = text.strip();
        if (shown.isEmpty()) {
            throw refused(ProblemCode.MISSING, path, text, range);
        }
        if (shown.length() > LONGEST) {
            throw refused(ProblemCode.TOO_LONG, path, text, new Allowed.Length(1, LONGEST));
        }
        Matcher form = FORM.matcher(shown.replace('\u2212', '-').replaceAll("[\\s\u00a0\u202f\u2009]+", " "));
        if (!form.matches()) {
            throw refused(ProblemCode.NOT_A_NUMBER, path, text, range);
        }
        String sign = form.group(1);
        String symbol = form.group(3);
        boolean isFahrenheit =
                range.unit() == Unit.CELSIUS && FAHRENHEIT.matcher(symbol).matches();
        double inUnit = symbol.isEmpty() || isFahrenheit
                ? bare
                : TypedUnit.in(range.unit(), symbol)
                        .orElseThrow(() -> refused(ProblemCode.WRONG_UNIT, path, text, range));
        // Decimal arithmetic, so that 409 mA is 0.409 A and not its neighbour.
        double magnitude = new BigDecimal(form.group(2).replace(',', '.'))
                .multiply(BigDecimal.valueOf(inUnit))
                .doubleValue();
        if ("-".equals(sign) && range.least() >= 0 && magnitude != 0) {
            throw refused(ProblemCode.NEGATIVE, path, text, range);
        }
        double typed = "-".equals(sign) ? -magnitude : magnitude;
        double value = isFahrenheit ? (typed - FREEZING_F) / F_PER_K : typed;
        if (value < range.least() || value > range.most()) {
            throw refused(ProblemCode.OUT_OF_RANGE, path, text, range);
        }
        return value;
    }

    /** Returns a number in the unit that counts where none is typed, such as a dial position, a power or an SWR. */
    public static double parsePlain(String path, String text, double least, double most, Unit unit) {
        return parse(path, text, 1, new Allowed.Range(least, most, unit));
    }

    /** Returns the share that a typed percentage is, with or without its sign; the bounds in per cent. */
    public static double parsePercent(String path, String text, double leastPercent, double mostPercent) {
        String bare = text.strip();
        String number = bare.endsWith("%") ? bare.substring(0, bare.length() - 1) : bare;
        return parsePlain(path, number, leastPercent, mostPercent, Unit.ONE) / 100;
    }

    /** Returns a frequency in hertz; megahertz count where no unit is typed. */
    public static double parseFrequencyHz(String path, String text, double leastHz, double mostHz) {
        return parse(path, text, 1e6, new Allowed.Range(leastHz, mostHz, Unit.HERTZ));
    }

    private static Refused refused(ProblemCode code, String path, String text, Allowed allowed) {
        return new Refused(new Problem(code, path, text, allowed));
    }
}
