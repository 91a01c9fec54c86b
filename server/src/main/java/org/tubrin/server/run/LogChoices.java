package org.tubrin.server.run;

import java.util.List;

/** What can be asked for, by what there is. */
public record LogChoices(
        List<String> amplifiers, List<CodedName> bands, List<String> terminations, List<CodedName> schools) {}
