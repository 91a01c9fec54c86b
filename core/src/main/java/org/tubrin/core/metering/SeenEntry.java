package org.tubrin.core.metering;

import java.util.Optional;
import java.util.OptionalDouble;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.Stream;
import org.tubrin.core.quantity.Problem;
import org.tubrin.core.quantity.Refused;

/**
 * A reading as an eye sees it: a number, between two numbers, below one, or about one.
 *
 * @param value the middle of it, in the core's unit
 * @param spread standard uncertainty of what the eye leaves open, in the core's unit; absent for a plain number
 */
public record SeenEntry(double value, OptionalDouble spread) {
    /** What "about" leaves open to either side, as a share: our own choice. */
    private static final double ABOUT_SHARE = 0.05;

    private static final String NUMBER = "[\\d.,]+";
    private static final String UNIT = "\\s*(°?[A-Za-z]*)";
    private static final Pattern BETWEEN = Pattern.compile(
            "(" + NUMBER + ")" + UNIT + "\\s*(?:[-\u2010-\u2014\u2026]|\\.\\.+|to|bis|a)\\s*(" + NUMBER + ")" + UNIT);
    private static final Pattern BELOW = Pattern.compile("(?:<|below|under|unter|menos de)\\s*(" + NUMBER + UNIT + ")");
    private static final Pattern ABOUT =
            Pattern.compile("(?:~|\u2248|about|abt|ca\\.?|etwa|rund|unos|unas|aprox\\.?)\\s*(" + NUMBER + UNIT + ")");

    /**
     * Returns what was typed: {@code 75}, {@code 70-80}, {@code 70 to 80 mA}, {@code < 50}, {@code about 400}. Everything between two
     * ends is as likely; a bound from above begins at zero. The words are those of every language that the page speaks.
     *
     * <p>Fails with {@link Refused} as {@link NumberEntry#parse} does.
     */
    public static SeenEntry parse(String path, String text, ScaleUnit scale, boolean mayBeNegative) {
        String shown = plain(text);
        Matcher between = BETWEEN.matcher(shown);
        if (between.matches()) {
            // A unit that stands after the second alone is meant for both.
            String unit = between.group(2).isEmpty() ? between.group(4) : between.group(2);
            double one = number(path, text, between.group(1) + " " + unit, scale);
            double other = number(path, text, between.group(3) + " " + between.group(4), scale);
            return spanning(Math.min(one, other), Math.max(one, other));
        }
        Matcher below = BELOW.matcher(shown);
        if (below.matches()) {
            return spanning(0, number(path, text, below.group(1), scale));
        }
        Matcher about = ABOUT.matcher(shown);
        if (about.matches()) {
            double value = number(path, text, about.group(1), scale);
            return spanning(value * (1 - ABOUT_SHARE), value * (1 + ABOUT_SHARE));
        }
        return new SeenEntry(NumberEntry.parse(path, text, scale, mayBeNegative), OptionalDouble.empty());
    }

    /** Returns what stands behind a reading that was typed with two ends, or with one of them; empty for any other. */
    public static Optional<SeenEntry> spanOf(Reading reading) {
        String text = plain(reading.textAsTyped());
        boolean isSpan = reading.ownUncertainty().isEmpty()
                && Stream.of(BETWEEN, BELOW, ABOUT)
                        .anyMatch(form -> form.matcher(text).matches());
        return isSpan ? Optional.of(new SeenEntry(reading.rawValue(), reading.spread())) : Optional.empty();
    }

    /** Blanks of any kind are one blank. */
    private static String plain(String text) {
        return text.replaceAll("[\\s\u00a0\u202f\u2009]+", " ").strip();
    }

    /** Returns the lower end. */
    public double low() {
        return value - halfSpan();
    }

    /** Returns the upper end. */
    public double high() {
        return value + halfSpan();
    }

    private double halfSpan() {
        return spread.orElse(0) * Math.sqrt(3);
    }

    private static SeenEntry spanning(double low, double high) {
        return new SeenEntry((low + high) / 2, OptionalDouble.of((high - low) / 2 / Math.sqrt(3)));
    }

    /** A refusal shows all that was typed. */
    private static double number(String path, String whole, String part, ScaleUnit scale) {
        try {
            return NumberEntry.parse(path, part.strip(), scale, false);
        } catch (Refused refused) {
            Problem problem = refused.problems().get(0);
            throw new Refused(new Problem(problem.code(), path, whole, problem.allowed()));
        }
    }
}
