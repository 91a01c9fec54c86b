package org.tubrin.server.web;

import com.fasterxml.jackson.databind.JavaType;
import io.swagger.v3.core.converter.AnnotatedType;
import io.swagger.v3.core.converter.ModelConverter;
import io.swagger.v3.core.converter.ModelConverterContext;
import io.swagger.v3.core.util.Json;
import io.swagger.v3.oas.models.OpenAPI;
import io.swagger.v3.oas.models.info.Info;
import io.swagger.v3.oas.models.media.Schema;
import java.lang.reflect.RecordComponent;
import java.util.ArrayList;
import java.util.Iterator;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.concurrent.ConcurrentHashMap;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.jspecify.annotations.Nullable;
import org.springdoc.core.customizers.OpenApiCustomizer;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;

/** The contract of the API, generated from the code; the page's types are generated from it. */
@Configuration(proxyBeanMethods = false)
class Contract {
    /** Shared by all contexts of one Java: the library keeps one converter of a class for them all. */
    private static final Map<String, Set<String>> MAY_BE_ABSENT = new ConcurrentHashMap<>();

    /** Notes which components of each record may be absent. */
    @Bean
    ModelConverter absences() {
        return new ModelConverter() {
            @Override
            public @Nullable Schema<?> resolve(
                    AnnotatedType type, ModelConverterContext context, Iterator<ModelConverter> chain) {
                JavaType javaType = Json.mapper().constructType(type.getType());
                if (javaType != null && javaType.getRawClass().isRecord()) {
                    note(javaType.getRawClass());
                }
                return chain.hasNext() ? chain.next().resolve(type, context, chain) : null;
            }
        };
    }

    private void note(Class<?> record) {
        MAY_BE_ABSENT.put(
                record.getSimpleName(),
                Stream.of(record.getRecordComponents())
                        .filter(component -> component.getAnnotatedType().isAnnotationPresent(Nullable.class))
                        .map(RecordComponent::getName)
                        .collect(Collectors.toSet()));
    }

    @Bean
    OpenApiCustomizer contractCustomizer() {
        return this::complete;
    }

    /** Says which properties are always there: all but those that may be absent. */
    private void complete(OpenAPI api) {
        api.info(new Info().title("Tubrin").version("1").description("The API of one station."));
        api.servers(List.of());
        api.getComponents().getSchemas().forEach(this::require);
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
