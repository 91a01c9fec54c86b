package org.tubrin.server.inspection;

import java.io.IOException;
import java.nio.charset.StandardCharsets;
import org.springframework.core.io.ClassPathResource;
import org.springframework.stereotype.Component;
import org.tubrin.server.words.Language;
import tools.jackson.databind.json.JsonMapper;

/** The sheet that one takes along: the built document with what is known already written into it. */
@Component
class InspectionSheet {
    /** Stands in the built document for what is known. */
    private static final String PLACE = "{sheet}";

    private static final String LANGUAGE = "<html lang=\"en\"";

    private final String document;
    private final JsonMapper json;

    InspectionSheet(JsonMapper json) throws IOException {
        this.json = json;
        document = new ClassPathResource("sheets/inspection.html").getContentAsString(StandardCharsets.UTF_8);
        if (!document.contains(PLACE) || !document.contains(LANGUAGE)) {
            throw new IllegalStateException("sheets/inspection.html has no place for what is known");
        }
    }

    /** Returns the document; the photographs stay here. */
    String of(InspectionViews.InspectionView view) {
        // No text of the operator may end the element that it stands in.
        String known = json.writeValueAsString(view).replace("<", "\\u003c");
        return document.replace(
                        LANGUAGE, "<html lang=\"" + Language.now().locale().getLanguage() + "\"")
                .replace(PLACE, known);
    }
}
