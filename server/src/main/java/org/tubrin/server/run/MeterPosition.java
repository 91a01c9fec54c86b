package org.tubrin.server.run;

import org.tubrin.core.metering.Position;

/** How a meter's switches may stand, with its name. */
public record MeterPosition(Position position, String name) {}
