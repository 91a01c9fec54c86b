package org.tubrin.server.station;

import java.util.UUID;
import org.tubrin.core.station.Equipment;

/** A piece of equipment; the body has the form of the backup's schema. */
public record EquipmentView(UUID id, int revision, String kind, String name, Equipment body) {}
