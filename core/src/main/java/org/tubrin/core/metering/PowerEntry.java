package org.tubrin.core.metering;

import java.util.Locale;
import java.util.Optional;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.tubrin.core.quantity.Allowed;
import org.tubrin.core.quantity.Checks;
import org.tubrin.core.quantity.ErrorSource;
import org.tubrin.core.quantity.Problem;
import org.tubrin.core.quantity.ProblemCode;
import org.tubrin.core.quantity.Quantity;
import org.tubrin.core.quantity.Refused;
import org.tubrin.core.quantity.Standing;
import org.tubrin.core.quantity.Unit;

/**
 * Power that was not read off a wattmeter: what was read instead, turned into watts with the load's measured resistance.
 *
 * <p>Source: {@code P = Vrms²/R}, {@code Vrms = Vpk/√2 = Vpp/(2√2)}; two equal tones have an average of half their PEP, and a
 * meter of average voltage that is calibrated on a carrier shows {@code (2/π)²} of it.
 */
public sealed interface PowerEntry {
    /** Bound of a scope's vertical scale, as a share. */
    double SCOPE_SHARE = 0.03;
    /** What can be read off its screen, in divisions. */
    double READ_DIVISIONS = 0.1;
    /** Bound of a load's measured resistance with its temperature, as a share. */
    double OHM_SHARE = 0.01;

    /** Returns the power into a load of that resistance, in watts. */
    Quantity watts(Quantity ohm);

    /** Returns whether what was read is an rms voltage; else it is a peak, or follows from one. */
    default boolean tellsRms() {
        return this instanceof Voltage voltage && voltage.form() == Form.RMS;
    }

    /** Bound of a wattmeter of which nothing else is known, as a share. */
    double WATTMETER_SHARE = 0.05;

    /** Returns power that was stated in watts with a bound as a share of it. */
    static Quantity stated(double watts, double share) {
        double u = new Accuracy.OfReading(share, 0).standardUncertainty(watts, watts);
        return Quantity.of(watts, Unit.WATT, Standing.MEASURED, new ErrorSource("stated", "POWER", ""), u);
    }

    /** Returns a load's resistance with the bound that measuring it leaves. */
    static Quantity measuredOhm(double ohm) {
        return Quantity.of(
                ohm,
                Unit.OHM,
                Standing.MEASURED,
                ErrorSource.bounded("load", "OHM", ""),
                OHM_SHARE * ohm / Math.sqrt(3));
    }

    /** Returns the voltage that a power in watts has across a resistance in ohms, in a form, in volts. */
    static double voltageV(double watts, double ohm, Form form) {
        return Math.sqrt(watts * ohm) / form.rms;
    }

    /** Returns the power of a voltage in a form across a resistance, in watts: {@code P = Vrms²/R}. */
    static Quantity watts(Quantity volts, Form form, Quantity ohm) {
        Quantity rms = volts.scaled(form.rms);
        return rms.times(rms, Unit.ONE).over(ohm, Unit.WATT);
    }

    /** How a voltage is stated. */
    enum Form {
        PP(1 / (2 * Math.sqrt(2))),
        PK(1 / Math.sqrt(2)),
        RMS(1);

        private final double rms;

        Form(double rms) {
            this.rms = rms;
        }
    }

    /**
     * A voltage across the load, by a scope or voltmeter.
     *
     * @param volt 0.001 to 10 000 V at the load
     * @param form peak to peak, peak or rms
     * @param standardUncertaintyV of the voltage, 0 to 10 000 V
     */
    record Voltage(double volt, Form form, double standardUncertaintyV) implements PowerEntry {
        public Voltage {
            new Checks()
                    .range("volt", volt, 1e-3, 1e4, Unit.VOLT)
                    .range("standardUncertaintyV", standardUncertaintyV, 0, 1e4, Unit.VOLT)
                    .done();
        }

        /** Returns a voltage that a scope of the usual class shows. */
        static Voltage byScope(double volt, Form form) {
            return new Voltage(volt, form, SCOPE_SHARE * volt / Math.sqrt(3));
        }

        @Override
        public Quantity watts(Quantity ohm) {
            Quantity rms = Quantity.of(
                    volt * form.rms,
                    Unit.VOLT,
                    Standing.MEASURED,
                    new ErrorSource("scope", "VOLT", ""),
                    standardUncertaintyV * form.rms);
            return PowerEntry.watts(rms, Form.RMS, ohm);
        }
    }

    /**
     * Divisions from peak to peak on a scope's screen.
     *
     * @param divisions 0.1 to 20
     * @param voltPerDivision 0.0001 to 1000 V
     * @param probeRatio 1 to 1000
     */
    record Divisions(double divisions, double voltPerDivision, double probeRatio) implements PowerEntry {
        public Divisions {
            new Checks()
                    .range("divisions", divisions, 0.1, 20, Unit.ONE)
                    .range("voltPerDivision", voltPerDivision, 1e-4, 1000, Unit.VOLT)
                    .range("probeRatio", probeRatio, 1, 1000, Unit.ONE)
                    .done();
        }

        @Override
        public Quantity watts(Quantity ohm) {
            double volt = divisions * voltPerDivision * probeRatio;
            double share = Math.hypot(SCOPE_SHARE, READ_DIVISIONS / divisions) / Math.sqrt(3);
            return new Voltage(volt, Form.PP, share * volt).watts(ohm);
        }
    }

    /**
     * DC volts of a peak detector.
     *
     * @param volt what it shows, 0.01 to 5000 V
     * @param dropV drop of its diode, 0 to 2 V
     * @param ratio of a divider before it, 1 to 1000
     */
    record Detector(double volt, double dropV, double ratio) implements PowerEntry {
        private static final double DETECTOR_SHARE = 0.02;
        private static final double DROP_V = 0.1;

        public Detector {
            new Checks()
                    .range("volt", volt, 0.01, 5000, Unit.VOLT)
                    .range("dropV", dropV, 0, 2, Unit.VOLT)
                    .range("ratio", ratio, 1, 1000, Unit.ONE)
                    .done();
        }

        @Override
        public Quantity watts(Quantity ohm) {
            double peak = (volt + dropV) * ratio;
            double u = Math.hypot(DETECTOR_SHARE * peak, DROP_V * ratio) / Math.sqrt(3);
            return new Voltage(peak, Form.PK, u).watts(ohm);
        }
    }

    /** Reads what an operator types in place of watts; nothing where the text is plain watts. */
    static Optional<PowerEntry> parse(String path, String text) {
        String plain =
                text.strip().toLowerCase(Locale.ROOT).replace(',', '.').replaceAll("[\\s\u00a0\u202f\u2009]+", " ");
        Matcher volts = Forms.VOLTS.matcher(plain);
        if (volts.matches()) {
            Form form = switch (volts.group(2)) {
                case "pp" -> Form.PP;
                case "pk" -> Form.PK;
                default -> Form.RMS;
            };
            double probe = volts.group(3) == null ? 1 : number(path, text, volts.group(3));
            return Optional.of(Voltage.byScope(number(path, text, volts.group(1)) * probe, form));
        }
        Matcher divisions = Forms.DIVISIONS.matcher(plain);
        if (divisions.matches()) {
            double probe = divisions.group(3) == null ? 1 : number(path, text, divisions.group(3));
            return Optional.of(new Divisions(
                    number(path, text, divisions.group(1)), number(path, text, divisions.group(2)), probe));
        }
        Matcher detector = Forms.DETECTOR.matcher(plain);
        if (detector.matches()) {
            double ratio = detector.group(2) == null ? 1 : number(path, text, detector.group(2));
            return Optional.of(new Detector(number(path, text, detector.group(1)), Forms.DROP_V, ratio));
        }
        return Optional.empty();
    }

    private static double number(String path, String whole, String digits) {
        try {
            return Double.parseDouble(digits);
        } catch (NumberFormatException e) {
            throw new Refused(new Problem(ProblemCode.NOT_A_NUMBER, path, whole, new Allowed.Nothing()));
        }
    }

    /** How the forms are written: 424 Vpp, 212 Vpk, 150 Vrms, each with x10 for a probe; 5.3 div 10 V x10; 21 Vdet x10. */
    final class Forms {
        private static final String NUMBER = "([\\d.]+)";
        private static final String PROBE = "(?: ?[x×]" + NUMBER + ")?";
        private static final Pattern VOLTS = Pattern.compile(NUMBER + " ?v(pp|pk|rms)" + PROBE);
        private static final Pattern DIVISIONS =
                Pattern.compile(NUMBER + " ?div ?[@]?" + " ?" + NUMBER + " ?v" + PROBE);
        private static final Pattern DETECTOR = Pattern.compile(NUMBER + " ?vdet" + PROBE);
        /** Drop of a small germanium or Schottky diode. */
        private static final double DROP_V = 0.3;

        private Forms() {}
    }
}
