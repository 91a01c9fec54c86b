package org.tubrin.server.web;

import com.fasterxml.jackson.databind.JsonNode;
import com.fasterxml.jackson.databind.node.ObjectNode;
import com.fasterxml.jackson.databind.node.TextNode;
import io.swagger.v3.core.util.Json31;
import io.swagger.v3.oas.models.media.JsonSchema;
import io.swagger.v3.oas.models.media.Schema;
import java.io.IOException;
import java.io.InputStream;
import java.util.LinkedHashMap;
import java.util.Map;
import java.util.Optional;
import org.springframework.core.io.ClassPathResource;
import org.springframework.util.StringUtils;

/**
 * The forms of the core's records in the contract: those of the published schema of a backup, so that a record has one form
 * wherever it goes.
 */
final class CoreSchemas {
    private static final String OF_BACKUP = "#/$defs/";
    private static final String OF_CONTRACT = "#/components/schemas/";
    private static final String CORE = "org.tubrin.core.";

    private final JsonNode definitions;
    /** What the contract names, and what that names in turn. */
    private final Map<String, Schema<?>> named = new LinkedHashMap<>();

    CoreSchemas() throws IOException {
        try (InputStream file = new ClassPathResource("backup/backup-1.schema.json").getInputStream()) {
            definitions = Json31.mapper().readTree(file).get("$defs");
        }
    }

    /** Returns a reference to the form of a record of the core; empty where it has none of its own. */
    Optional<Schema<?>> reference(Class<?> type) {
        String definition = StringUtils.uncapitalize(type.getSimpleName());
        if (!type.getName().startsWith(CORE) || !definitions.has(definition)) {
            return Optional.empty();
        }
        return Optional.of(new Schema<>().$ref(OF_CONTRACT + name(definition)));
    }

    /** Returns the forms that these references lead to, by their names. */
    Map<String, Schema<?>> schemas() {
        definitions.fieldNames().forEachRemaining(this::add);
        return named;
    }

    private void add(String definition) {
        JsonNode form = definitions.get(definition).deepCopy();
        rename(form);
        named.put(name(definition), Json31.mapper().convertValue(form, JsonSchema.class));
    }

    private static void rename(JsonNode form) {
        if (form instanceof ObjectNode object && object.get("$ref") instanceof TextNode reference) {
            object.put("$ref", OF_CONTRACT + name(reference.asText().substring(OF_BACKUP.length())));
        }
        form.forEach(CoreSchemas::rename);
    }

    private static String name(String definition) {
        return StringUtils.capitalize(definition);
    }
}
