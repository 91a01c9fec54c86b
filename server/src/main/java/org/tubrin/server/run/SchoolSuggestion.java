package org.tubrin.server.run;

import java.util.UUID;
import org.tubrin.core.run.School;
import org.tubrin.core.station.Band;

/** Which school suits an amplifier on a band, and why. */
public record SchoolSuggestion(UUID amplifierId, Band band, School school, String why) {}
