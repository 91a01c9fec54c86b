package org.tubrin.server.store;

import com.fasterxml.jackson.annotation.JsonSetter;
import com.fasterxml.jackson.annotation.Nulls;
import java.lang.reflect.RecordComponent;
import java.util.Collection;
import java.util.Optional;
import java.util.OptionalDouble;
import org.jspecify.annotations.Nullable;
import tools.jackson.databind.cfg.MapperConfig;
import tools.jackson.databind.introspect.Annotated;
import tools.jackson.databind.introspect.AnnotatedParameter;
import tools.jackson.databind.introspect.NopAnnotationIntrospector;

/**
 * Lets JSON leave away only those components of a record that may be absent, optional ones and those marked nullable; a list has
 * no gaps.
 */
final class NothingMissing extends NopAnnotationIntrospector {
    private static final long serialVersionUID = 1L;

    @Override
    public JsonSetter.Value findSetterInfo(MapperConfig<?> config, Annotated annotated) {
        if (annotated instanceof AnnotatedParameter parameter
                && parameter.getDeclaringClass().isRecord()) {
            RecordComponent component = parameter.getDeclaringClass().getRecordComponents()[parameter.getIndex()];
            Nulls contents = Collection.class.isAssignableFrom(component.getType()) ? Nulls.FAIL : Nulls.DEFAULT;
            return JsonSetter.Value.construct(mayBeAbsent(component) ? Nulls.DEFAULT : Nulls.FAIL, contents);
        }
        return JsonSetter.Value.empty();
    }

    private static boolean mayBeAbsent(RecordComponent component) {
        return component.getType() == Optional.class
                || component.getType() == OptionalDouble.class
                || component.getAnnotatedType().isAnnotationPresent(Nullable.class);
    }
}
