package org.tubrin.server.station;

import org.jspecify.annotations.Nullable;
import org.tubrin.core.station.Station;

/** The station; revision 0 and no station where none was described yet. */
public record StationView(int revision, @Nullable Station station) {}
