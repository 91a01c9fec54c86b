package org.tubrin.server.run;

import java.util.List;
import java.util.UUID;
import org.tubrin.core.run.School;
import org.tubrin.core.station.Band;

/**
 * Which school suits an amplifier on a band, and why; the best first.
 *
 * @param asks codes of what must be read for it
 */
public record SchoolSuggestion(UUID amplifierId, Band band, List<String> asks, School school, String why) {}
