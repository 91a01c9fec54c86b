package org.tubrin.core.tank;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import org.hipparchus.complex.Complex;
import org.tubrin.core.quantity.Allowed;
import org.tubrin.core.quantity.Problem;
import org.tubrin.core.quantity.ProblemCode;
import org.tubrin.core.quantity.Refused;

/**
 * Reads the impedance of one port from a Touchstone file of version 1.
 *
 * <p>Source: EIA/IBIS Open Forum, "Touchstone File Format Specification", rev. 1.1 (2003): comments after {@code !}; one
 * option line {@code # <unit> <parameter> <format> R <n>} in any order and case, by default GHz, S, MA, R 50; Z and Y are
 * normalised to R. Of the parameters a port has S, Z and Y.
 */
public final class Touchstone {
    private static final int MOST_POINTS = 2001;

    private double unitHz = 1e9;
    private char parameter = 'S';
    private Format format = Format.MA;
    private double referenceOhm = 50;
    private boolean hasOptions;
    private final List<ImpedancePoint> points = new ArrayList<>();

    private enum Format {
        /** Real and imaginary. */
        RI,
        /** Magnitude and angle in degrees. */
        MA,
        /** Decibels and angle in degrees. */
        DB
    }

    private Touchstone() {}

    /**
     * Returns the impedance over frequency in rising order.
     *
     * <p>Fails with {@link Refused}, naming the line: not a Touchstone file of one port, frequencies that do not rise, more
     * than 2001 points or fewer than 2.
     *
     * @param text the whole file
     */
    public static List<ImpedancePoint> onePort(String text) {
        Touchstone file = new Touchstone();
        String[] lines = text.split("\\R", -1);
        for (int i = 0; i < lines.length; i++) {
            file.read(i + 1, lines[i].replaceFirst("!.*", "").strip());
        }
        if (file.points.size() < 2 || file.points.size() > MOST_POINTS) {
            throw refused("file", Integer.toString(file.points.size()), new Allowed.Length(2, MOST_POINTS));
        }
        return List.copyOf(file.points);
    }

    private void read(int number, String line) {
        if (line.isEmpty()) {
            return;
        }
        if (line.startsWith("#")) {
            // Later option lines are to be ignored.
            if (!hasOptions) {
                options(number, line);
                hasOptions = true;
            }
            return;
        }
        String[] fields = line.split("[\\s,]+", -1);
        if (fields.length != 3) {
            throw refused("line " + number, line, new Allowed.Nothing());
        }
        double frequencyHz = number(number, fields[0]) * unitHz;
        Complex value = value(number(number, fields[1]), number(number, fields[2]));
        if (!points.isEmpty() && frequencyHz <= points.get(points.size() - 1).frequencyHz()) {
            throw refused("line " + number, line, new Allowed.Nothing());
        }
        Complex ohm = impedance(value);
        if (!Double.isFinite(ohm.getReal()) || !(ohm.getReal() > 0)) {
            throw refused("line " + number, line, new Allowed.Nothing());
        }
        points.add(new ImpedancePoint(frequencyHz, ohm.getReal(), ohm.getImaginary()));
    }

    private void options(int number, String line) {
        String[] words = line.substring(1).strip().toUpperCase(Locale.ROOT).split("\\s+", -1);
        for (int i = 0; i < words.length; i++) {
            switch (words[i]) {
                case "HZ" -> unitHz = 1;
                case "KHZ" -> unitHz = 1e3;
                case "MHZ" -> unitHz = 1e6;
                case "GHZ" -> unitHz = 1e9;
                case "S", "Z", "Y" -> parameter = words[i].charAt(0);
                case "RI", "MA", "DB" -> format = Format.valueOf(words[i]);
                case "R" -> {
                    i++;
                    referenceOhm = i < words.length ? number(number, words[i]) : 0;
                    if (!(referenceOhm > 0)) {
                        throw refused("line " + number, line, new Allowed.Nothing());
                    }
                }
                case "" -> {}
                default ->
                    throw refused(
                            "line " + number,
                            words[i],
                            new Allowed.OneOf(
                                    List.of("Hz", "kHz", "MHz", "GHz", "S", "Z", "Y", "RI", "MA", "DB", "R")));
            }
        }
    }

    private static double number(int line, String text) {
        try {
            return Double.parseDouble(text);
        } catch (NumberFormatException e) {
            throw refused("line " + line, text, new Allowed.Nothing());
        }
    }

    private Complex value(double first, double second) {
        double angleRad = Math.toRadians(second);
        return switch (format) {
            case RI -> new Complex(first, second);
            case MA -> new Complex(first * Math.cos(angleRad), first * Math.sin(angleRad));
            case DB -> {
                double magnitude = Math.pow(10, first / 20);
                yield new Complex(magnitude * Math.cos(angleRad), magnitude * Math.sin(angleRad));
            }
        };
    }

    private Complex impedance(Complex value) {
        return switch (parameter) {
            case 'Z' -> value.multiply(referenceOhm);
            case 'Y' -> value.reciprocal().multiply(referenceOhm);
            default ->
                Complex.ONE.add(value).divide(Complex.ONE.subtract(value)).multiply(referenceOhm);
        };
    }

    private static Refused refused(String path, String found, Allowed allowed) {
        String shown = found.length() > 60 ? found.substring(0, 60) : found;
        return new Refused(new Problem(ProblemCode.NOT_TOUCHSTONE, path, shown, allowed));
    }
}
