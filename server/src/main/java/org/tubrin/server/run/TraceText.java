package org.tubrin.server.run;

import java.util.ArrayList;
import java.util.List;
import java.util.regex.Pattern;
import org.tubrin.core.metering.NumberEntry;
import org.tubrin.core.quantity.Allowed;
import org.tubrin.core.quantity.Problem;
import org.tubrin.core.quantity.ProblemCode;
import org.tubrin.core.quantity.Refused;
import org.tubrin.core.quantity.Unit;
import org.tubrin.core.scope.Trace;

/** A trace as a scope saves it: a line for each sample, time in seconds, volts over the load, and where taken volts at the input. */
final class TraceText {
    static final int MOST_SAMPLES = 50_000;
    private static final int CHANNELS = 3;
    /** Where a semicolon or a tab parts the figures a comma may stand for the decimal point. */
    private static final Pattern PARTED = Pattern.compile("[;\\t]\\s*");

    private static final Pattern PARTED_BY_COMMA = Pattern.compile("[,\\s]+");
    private static final Pattern NUMBERS = Pattern.compile("[-+.\\d].*");

    private TraceText() {}

    /** Returns the trace; lines that begin with no number are heads. Fails with {@link Refused}, which names the line. */
    static Trace parse(String text) {
        List<double[]> samples = new ArrayList<>();
        int number = 0;
        for (String line : text.lines().toList()) {
            number++;
            if (NUMBERS.matcher(line.strip()).matches()) {
                samples.add(sample(line.strip(), number));
            }
        }
        if (samples.size() < Trace.LEAST_SAMPLES || samples.size() > MOST_SAMPLES) {
            throw new Refused(new Problem(
                    ProblemCode.OUT_OF_RANGE,
                    "trace.samples",
                    Integer.toString(samples.size()),
                    new Allowed.Range(Trace.LEAST_SAMPLES, MOST_SAMPLES, Unit.ONE)));
        }
        double spanS = samples.get(samples.size() - 1)[0] - samples.get(0)[0];
        boolean hasInput = samples.stream().allMatch(one -> one.length == CHANNELS);
        return Trace.ofSamples(
                spanS,
                samples.stream().mapToDouble(one -> one[1]).toArray(),
                hasInput ? samples.stream().mapToDouble(one -> one[2]).toArray() : new double[0]);
    }

    private static double[] sample(String line, int number) {
        Pattern parted = PARTED.matcher(line).find() ? PARTED : PARTED_BY_COMMA;
        String[] parts = parted.split(line, -1);
        String field = "trace.line." + number;
        if (parts.length < 2 || parts.length > CHANNELS) {
            throw new Refused(new Problem(ProblemCode.MALFORMED, field, line, new Allowed.Nothing()));
        }
        double[] sample = new double[parts.length];
        for (int i = 0; i < parts.length; i++) {
            sample[i] = NumberEntry.parsePlain(field, parts[i], -Trace.MOST_V, Trace.MOST_V, Unit.ONE);
        }
        return sample;
    }
}
