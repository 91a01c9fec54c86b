package org.tubrin.server.station;

import org.tubrin.core.station.Station;

/** The station to keep, and the revision that was read before. */
public record StationRequest(int revision, Station station) {}
