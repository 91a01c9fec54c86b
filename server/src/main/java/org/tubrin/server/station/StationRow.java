package org.tubrin.server.station;

/** The one row of the table of the station; the body is the record's JSON. */
public record StationRow(int revision, String body) {}
