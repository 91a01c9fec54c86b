package org.tubrin.server.web;

import com.fasterxml.jackson.annotation.JsonUnwrapped;
import com.fasterxml.jackson.databind.JavaType;
import io.swagger.v3.core.converter.AnnotatedType;
import io.swagger.v3.core.converter.ModelConverter;
import io.swagger.v3.core.converter.ModelConverterContext;
import io.swagger.v3.core.converter.ModelConverters;
import io.swagger.v3.core.converter.ResolvedSchema;
import io.swagger.v3.core.util.Json;
import io.swagger.v3.oas.models.OpenAPI;
import io.swagger.v3.oas.models.info.Info;
import io.swagger.v3.oas.models.media.Content;
import io.swagger.v3.oas.models.media.JsonSchema;
import io.swagger.v3.oas.models.media.Schema;
import io.swagger.v3.oas.models.media.StringSchema;
import io.swagger.v3.oas.models.responses.ApiResponse;
import io.swagger.v3.oas.models.servers.Server;
import java.io.IOException;
import java.lang.reflect.RecordComponent;
import java.util.ArrayList;
import java.util.Iterator;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.Set;
import java.util.TreeMap;
import java.util.concurrent.ConcurrentHashMap;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.jspecify.annotations.Nullable;
import org.springdoc.core.customizers.OpenApiCustomizer;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;
import org.springframework.http.MediaType;
import org.tubrin.core.quantity.ProblemCode;
import org.tubrin.server.words.Words;

/** The contract of the API, generated from the code; the page's types are generated from it. */
@Configuration(proxyBeanMethods = false)
class Contract {
    /** Shared by all contexts of one Java: the library keeps one converter of a class for them all. */
    private static final Map<String, Set<String>> MAY_BE_ABSENT = new ConcurrentHashMap<>();

    /** What the form of a refusal is called in the contract. */
    private static final String REFUSAL = "Refusal";

    private final CoreSchemas core;
    private final Words words;

    Contract(Words words) throws IOException {
        this.words = words;
        core = new CoreSchemas();
    }

    /** Takes the core's records as they are published, and notes which components of each other record may be absent. */
    @Bean
    ModelConverter absences() {
        return new ModelConverter() {
            @Override
            public @Nullable Schema<?> resolve(
                    AnnotatedType type, ModelConverterContext context, Iterator<ModelConverter> chain) {
                JavaType javaType = Json.mapper().constructType(type.getType());
                Optional<Schema<?>> known =
                        javaType == null ? Optional.empty() : core.reference(javaType.getRawClass());
                if (known.isPresent()) {
                    return known.get();
                }
                if (javaType != null && javaType.getRawClass().isRecord()) {
                    note(javaType.getRawClass());
                }
                return chain.hasNext() ? chain.next().resolve(type, context, chain) : null;
            }
        };
    }

    private static void note(Class<?> record) {
        MAY_BE_ABSENT.put(record.getSimpleName(), mayBeAbsent(record).collect(Collectors.toSet()));
    }

    private static Stream<String> mayBeAbsent(Class<?> record) {
        return Stream.of(record.getRecordComponents())
                .flatMap(component -> component.getAccessor().isAnnotationPresent(JsonUnwrapped.class)
                        ? mayBeAbsent(component.getType())
                        : Stream.of(component)
                                .filter(one -> one.getAnnotatedType().isAnnotationPresent(Nullable.class))
                                .map(RecordComponent::getName));
    }

    @Bean
    OpenApiCustomizer contractCustomizer() {
        return this::complete;
    }

    /** Says which properties are always there, what is one of several, and what any call may be answered with instead. */
    @SuppressWarnings("rawtypes") // as the library has its map of forms
    private void complete(OpenAPI api) {
        api.info(new Info().title("Tubrin").version("1").description("The API of one station."));
        // Without one the library adds the address that it was asked at, from the second time on.
        api.servers(List.of(new Server().url("/")));
        Map<String, Schema> schemas = api.getComponents().getSchemas();
        Map<String, List<Schema<?>>> kinds = new TreeMap<>();
        for (String name : List.copyOf(schemas.keySet())) {
            flatten(name, schemas, kinds);
        }
        kinds.forEach((type, of) -> schemas.put(type, new JsonSchema().oneOf(List.copyOf(of))));
        schemas.forEach(this::require);
        core.schemas().forEach((name, schema) -> {
            if (schemas.put(name, schema) != null) {
                throw new IllegalStateException("two forms are called " + name);
            }
        });
        refusals(api, schemas);
    }

    /** A record of a sealed type stands for itself, and the type for one of its records. */
    @SuppressWarnings("rawtypes") // as the library has its map of forms
    private static void flatten(String name, Map<String, Schema> schemas, Map<String, List<Schema<?>>> kinds) {
        Schema<?> schema = form(schemas, name);
        if (schema.getAllOf() == null) {
            return;
        }
        for (Schema<?> part : List.copyOf(schema.getAllOf())) {
            if (part.get$ref() == null) {
                schemas.put(name, part);
            } else {
                String type = part.get$ref().substring(part.get$ref().lastIndexOf('/') + 1);
                kinds.computeIfAbsent(type, ignored -> new ArrayList<>())
                        .add(new Schema<>().$ref("#/components/schemas/" + name));
            }
        }
    }

    /** Every call may be refused, in one form. */
    @SuppressWarnings("rawtypes") // as the library has its map of forms
    private void refusals(OpenAPI api, Map<String, Schema> schemas) {
        ResolvedSchema resolved = ModelConverters.getInstance(true)
                .resolveAsResolvedSchema(new AnnotatedType(ProblemReply.Body.class).resolveAsRef(true));
        resolved.referencedSchemas.forEach((name, schema) -> {
            require(name, schema);
            schemas.put(name.equals("Body") ? REFUSAL : name, schema);
        });
        Schema<?> refusal = form(schemas, REFUSAL);
        Schema<?> problem = form(schemas, "ProblemView");
        List<String> types = words.keys().stream()
                .filter(key -> key.startsWith("reply.") && key.endsWith(".title"))
                .map(key -> key.substring("reply.".length(), key.length() - ".title".length()))
                .sorted()
                .toList();
        choice(refusal, "type", types);
        choice(problem, "code", Stream.of(ProblemCode.values()).map(Enum::name).toList());
        Content content = new Content()
                .addMediaType(
                        MediaType.APPLICATION_PROBLEM_JSON_VALUE,
                        new io.swagger.v3.oas.models.media.MediaType()
                                .schema(new Schema<>().$ref("#/components/schemas/" + REFUSAL)));
        ApiResponse refused = new ApiResponse()
                .description("Not done: why, field by field, and what to do")
                .content(content);
        api.getPaths().values().stream()
                .flatMap(path -> path.readOperations().stream())
                .forEach(operation -> operation.getResponses().addApiResponse("default", refused));
    }

    private static void choice(Schema<?> schema, String property, List<String> values) {
        schema.getProperties().put(property, new StringSchema()._enum(values));
    }

    @SuppressWarnings("rawtypes") // as the library has its map of forms
    private static Schema<?> form(Map<String, Schema> schemas, String name) {
        return Objects.requireNonNull(schemas.get(name), name);
    }

    private void require(String name, Schema<?> schema) {
        if (schema.getProperties() != null) {
            List<String> required = new ArrayList<>();
            schema.getProperties().keySet().stream()
                    .filter(property ->
                            !MAY_BE_ABSENT.getOrDefault(name, Set.of()).contains(property))
                    .forEach(required::add);
            schema.setRequired(required);
        }
    }
}
