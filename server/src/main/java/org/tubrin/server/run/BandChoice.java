package org.tubrin.server.run;

import org.tubrin.core.station.Band;

/** A band with its name and limits. */
public record BandChoice(Band band, String name, double lowestHz, double highestHz) {}
