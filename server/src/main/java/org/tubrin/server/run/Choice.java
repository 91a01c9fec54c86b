package org.tubrin.server.run;

import java.util.List;
import java.util.UUID;
import org.tubrin.core.station.Band;

/**
 * A box that can be chosen at the start.
 *
 * @param tuned whether it is an amplifier with dials
 */
public record Choice(
        UUID id,
        String name,
        String detail,
        boolean tuned,
        List<Band> bands,
        List<String> reads,
        List<String> switchPositions) {}
