package org.tubrin.server.run;

import java.util.List;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import org.tubrin.core.station.Band;
import org.tubrin.core.station.Matcher;

/**
 * A box that can be chosen at the start.
 *
 * @param tuned whether it is an amplifier with dials
 * @param moduleCount modules of an amplifier that switches; absent for every other
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
        @Nullable Matcher matcher,
        @Nullable Integer moduleCount) {}
