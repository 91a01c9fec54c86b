package org.tubrin.server.run;

import java.util.List;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import org.tubrin.core.metering.Position;
import org.tubrin.core.station.Band;
import org.tubrin.core.station.Matcher;

/**
 * A box that can be chosen at the start.
 *
 * @param tuned whether it is an amplifier with dials
 * @param moduleCount modules of an amplifier that switches; absent for every other
 * @param positions those of a meter between which a run has to choose; empty where there is no choice
 * @param usualPositions which of them are customary
 * @param pulsedPositions which of them where pulses are read
 * @param matcher the matcher of an amplifier; absent where there is none
 */
public record Choice(
        UUID id,
        String name,
        String detail,
        boolean tuned,
        List<Band> bands,
        List<String> reads,
        List<String> switchPositions,
        List<MeterPosition> positions,
        List<Position> usualPositions,
        List<Position> pulsedPositions,
        @Nullable Matcher matcher,
        @Nullable Integer moduleCount) {}
