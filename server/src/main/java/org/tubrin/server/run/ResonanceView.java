package org.tubrin.server.run;

import java.time.Instant;
import java.util.List;
import org.jspecify.annotations.Nullable;
import org.tubrin.core.resonance.Weather;
import org.tubrin.core.resonance.Witness;

/**
 * An antenna that drifts, as it was watched.
 *
 * @param witness what it is watched by
 * @param unit of its departure
 * @param alarm departure beyond which an alarm is due, in that unit
 * @param motor where the motor stands, in short steps from where it stood at first
 * @param readings all of them, in their order
 * @param found where resonance was, over time
 * @param weather what it was, from when on
 * @param off departure at the place read last, with its interval
 * @param perStep what a short step does, with its interval; absent while it is not told
 * @param drift how fast resonance wanders; absent while it is not told
 * @param wind what wind does to one reading, as a standard deviation; absent while it is not told
 * @param alarmed whether the last reading was beyond the alarm
 * @param weathers what the weather may be said to be
 * @param says what follows, one sentence each
 */
public record ResonanceView(
        Witness witness,
        String unit,
        double alarm,
        double motor,
        List<ResonanceReadingView> readings,
        List<ResonanceFoundView> found,
        List<WeatherView> weather,
        @Nullable String off,
        @Nullable String perStep,
        @Nullable String drift,
        @Nullable String wind,
        boolean alarmed,
        List<WeatherChoice> weathers,
        List<String> says) {

    /** One reading: where the motor stood, and how far it was off. */
    public record ResonanceReadingView(Instant at, double motor, double off) {}

    /** Where resonance was, in short steps of the motor, and where the motor stood. */
    public record ResonanceFoundView(Instant at, double steps, double low, double high, double motor) {}

    /** What the weather was from a moment on. */
    public record WeatherView(Instant at, Weather weather, String name) {}

    /** A weather by its name. */
    public record WeatherChoice(Weather code, String name) {}
}
