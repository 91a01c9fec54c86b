package org.tubrin.server.store;

import java.io.IOException;
import java.util.List;
import java.util.Set;
import org.jspecify.annotations.Nullable;
import org.springframework.http.HttpInputMessage;
import org.springframework.http.HttpOutputMessage;
import org.springframework.http.MediaType;
import org.springframework.http.converter.AbstractHttpMessageConverter;
import org.springframework.http.converter.HttpMessageNotReadableException;
import org.springframework.http.converter.HttpMessageNotWritableException;
import org.springframework.stereotype.Component;
import org.tubrin.core.hv.HighVoltage;
import org.tubrin.core.station.Equipment;
import org.tubrin.core.supply.Plan;
import org.tubrin.core.supply.ProfileRun;
import tools.jackson.core.JacksonException;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

/** Reads the body of a call that is a record of the core, and tells all that is refused of it at once. */
@Component
class CoreBodies extends AbstractHttpMessageConverter<Object> {
    private static final Set<Class<?>> RECORDS =
            Set.of(Equipment.class, Plan.class, ProfileRun.class, HighVoltage.class);

    private final JsonMapper json;

    CoreBodies(JsonMapper json) {
        super(MediaType.APPLICATION_JSON);
        this.json = json;
    }

    @Override
    protected boolean supports(Class<?> type) {
        return RECORDS.contains(type);
    }

    @Override
    protected boolean canWrite(@Nullable MediaType mediaType) {
        return false;
    }

    @Override
    protected Object readInternal(Class<? extends Object> type, HttpInputMessage message) throws IOException {
        JsonNode tree;
        try {
            tree = json.readTree(message.getBody());
        } catch (JacksonException malformed) {
            throw new HttpMessageNotReadableException("not JSON", malformed, message);
        }
        if (!tree.isObject()) {
            throw new HttpMessageNotReadableException("no record", message);
        }
        return CoreJson.read(json, tree, type);
    }

    @Override
    protected void writeInternal(Object record, HttpOutputMessage message) {
        throw new HttpMessageNotWritableException(String.valueOf(List.of(record)));
    }
}
