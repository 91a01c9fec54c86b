package org.tubrin.core.run;

import java.time.Instant;
import org.tubrin.core.resonance.Weather;

/** What the weather was, from a moment on. */
public record WeatherAt(Instant at, Weather weather) {}
