package org.tubrin.server.run;

import java.util.List;
import org.jspecify.annotations.Nullable;

/** All that can be chosen at the start. */
public record Choices(
        boolean stationDescribed,
        List<Choice> amplifiers,
        List<Choice> exciters,
        List<Choice> pads,
        List<Choice> terminations,
        List<Choice> meters,
        List<BandChoice> bands,
        List<NamedChoice> carriers,
        List<SchoolChoice> schools,
        List<NamedChoice> uses,
        List<SchoolSuggestion> suggestions,
        List<NamedChoice> rungs,
        List<NamedChoice> sources,
        @Nullable RunSummary inProgress,
        @Nullable String lastAmplifier) {}
