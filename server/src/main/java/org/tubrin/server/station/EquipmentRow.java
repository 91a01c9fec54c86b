package org.tubrin.server.station;

import java.util.UUID;

/** One row of the table of equipment; the body is the record's JSON. */
public record EquipmentRow(UUID id, int revision, String name, String body) {}
