package org.tubrin.core.metering;

import java.util.EnumMap;
import java.util.Locale;
import java.util.Map;
import java.util.OptionalDouble;
import org.tubrin.core.quantity.Unit;

/** Units as operators type them, in any case of letters: of hertz M is mega, of all else milli. */
final class TypedUnit {
    private static final Map<Unit, Map<String, Double>> SYMBOLS = new EnumMap<>(Map.of(
            Unit.WATT, Map.of("w", 1.0, "kw", 1e3, "mw", 1e-3, "µw", 1e-6, "uw", 1e-6),
            Unit.AMPERE, Map.of("a", 1.0, "ma", 1e-3, "µa", 1e-6, "ua", 1e-6),
            Unit.VOLT, Map.of("v", 1.0, "kv", 1e3, "mv", 1e-3, "µv", 1e-6, "uv", 1e-6),
            Unit.OHM, Map.of("ω", 1.0, "ohm", 1.0, "ohms", 1.0, "kω", 1e3, "kohm", 1e3),
            Unit.HERTZ, Map.of("hz", 1.0, "khz", 1e3, "mhz", 1e6),
            Unit.SECOND, Map.of("s", 1.0, "sec", 1.0, "min", 60.0),
            Unit.CELSIUS, Map.of("°c", 1.0, "c", 1.0),
            Unit.DECIBEL, Map.of("db", 1.0),
            Unit.MARK, Map.of("marks", 1.0, "mark", 1.0)));

    private TypedUnit() {}

    /** Returns how many of a unit one of the typed symbol is; empty where it measures something else. */
    static OptionalDouble in(Unit unit, String symbol) {
        // Two characters look like micro, and lower case makes one of both letters that look like ohm.
        String plain = symbol.toLowerCase(Locale.ROOT).replace('\u03bc', 'µ');
        Double factor = SYMBOLS.getOrDefault(unit, Map.of()).get(plain);
        return factor == null ? OptionalDouble.empty() : OptionalDouble.of(factor);
    }
}
