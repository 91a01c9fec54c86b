package org.tubrin.server.store;

import com.fasterxml.jackson.annotation.JsonInclude;
import com.fasterxml.jackson.annotation.JsonSubTypes;
import com.fasterxml.jackson.annotation.JsonTypeInfo;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.stream.Stream;
import org.jspecify.annotations.Nullable;
import org.springframework.boot.jackson.autoconfigure.JsonMapperBuilderCustomizer;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;
import org.tubrin.core.faults.CaseStep;
import org.tubrin.core.metering.Accuracy;
import org.tubrin.core.practice.Act;
import org.tubrin.core.quantity.Problem;
import org.tubrin.core.quantity.Refused;
import org.tubrin.core.run.RunEvent;
import org.tubrin.core.station.Amplifier;
import org.tubrin.core.station.Antenna;
import org.tubrin.core.station.Battery;
import org.tubrin.core.station.Candidate;
import org.tubrin.core.station.Envelope;
import org.tubrin.core.station.Equipment;
import org.tubrin.core.station.Exciter;
import org.tubrin.core.station.Instrument;
import org.tubrin.core.station.Load;
import org.tubrin.core.station.Meter;
import org.tubrin.core.station.Pad;
import org.tubrin.core.station.Stage;
import org.tubrin.core.station.Supply;
import org.tubrin.core.station.Termination;
import org.tubrin.core.station.TwinConstants;
import org.tubrin.core.supply.Box;
import tools.jackson.core.JacksonException;
import tools.jackson.core.StreamReadConstraints;
import tools.jackson.core.StreamReadFeature;
import tools.jackson.core.json.JsonFactory;
import tools.jackson.databind.AnnotationIntrospector;
import tools.jackson.databind.DeserializationContext;
import tools.jackson.databind.DeserializationFeature;
import tools.jackson.databind.MapperFeature;
import tools.jackson.databind.cfg.CoercionAction;
import tools.jackson.databind.cfg.CoercionInputShape;
import tools.jackson.databind.deser.DeserializationProblemHandler;
import tools.jackson.databind.introspect.JacksonAnnotationIntrospector;
import tools.jackson.databind.json.JsonMapper;
import tools.jackson.databind.module.SimpleModule;
import tools.jackson.databind.type.LogicalType;

/**
 * The JSON form of the core's records. The core knows nothing of it: the tags of its sealed types stand here, and they are
 * read for ever, since stored events hold them.
 */
@Configuration(proxyBeanMethods = false)
public class CoreJson {
    private static final int DEEPEST = 40;

    private static final Map<Class<?>, Class<?>> TAGS = Map.of(
            Equipment.class, EquipmentTags.class,
            Termination.class, TerminationTags.class,
            Stage.class, StageTags.class,
            TwinConstants.class, TwinTags.class,
            Accuracy.class, AccuracyTags.class,
            Box.class, BoxTags.class,
            Envelope.class, EnvelopeTags.class,
            CaseStep.class, CaseStepTags.class,
            Act.class, ActTags.class,
            RunEvent.class, EventTags.class);

    /** Returns the mapper's settings for every use: strict, so that nothing mistyped is quietly taken for nothing. */
    @Bean
    public JsonMapperBuilderCustomizer coreJsonCustomizer() {
        return CoreJson::customize;
    }

    /** Returns a mapper with these settings, for use outside the container. */
    public static JsonMapper mapper() {
        JsonFactory factory = JsonFactory.builder()
                .streamReadConstraints(
                        StreamReadConstraints.builder().maxNestingDepth(DEEPEST).build())
                .build();
        JsonMapper.Builder builder = JsonMapper.builder(factory);
        customize(builder);
        return builder.build();
    }

    private static void customize(JsonMapper.Builder builder) {
        builder.enable(
                        DeserializationFeature.FAIL_ON_UNKNOWN_PROPERTIES,
                        DeserializationFeature.FAIL_ON_NULL_FOR_PRIMITIVES,
                        DeserializationFeature.FAIL_ON_TRAILING_TOKENS)
                .enable(StreamReadFeature.STRICT_DUPLICATE_DETECTION)
                .disable(MapperFeature.ALLOW_COERCION_OF_SCALARS)
                .withCoercionConfig(
                        LogicalType.Enum, config -> config.setCoercion(CoercionInputShape.Integer, CoercionAction.Fail))
                .changeDefaultPropertyInclusion(value -> value.withValueInclusion(JsonInclude.Include.NON_NULL))
                .annotationIntrospector(
                        AnnotationIntrospector.pair(new NothingMissing(), new JacksonAnnotationIntrospector()))
                .addModule(new SimpleModule().addDeserializer(String.class, new CleanText()));
        TAGS.forEach(builder::addMixIn);
    }

    /**
     * Returns a record of the core from its JSON tree or map. Where parts of it are refused, all those parts' problems are
     * told at once; what holds them is looked at when they are mended.
     */
    public static <T> T read(JsonMapper json, Object tree, Class<T> type) {
        List<Problem> problems = new ArrayList<>();
        try {
            T value = json.rebuild().addHandler(new Collector(problems)).build().convertValue(tree, type);
            if (problems.isEmpty()) {
                return value;
            }
        } catch (JacksonException failure) {
            if (problems.isEmpty()) {
                throw new Refused(JsonProblems.of(failure));
            }
        }
        throw new Refused(problems);
    }

    /** Notes what a constructor refuses and goes on with nothing in its place. */
    private static final class Collector extends DeserializationProblemHandler {
        private final List<Problem> problems;

        Collector(List<Problem> problems) {
            this.problems = problems;
        }

        @Override
        public @Nullable Object handleInstantiationProblem(
                DeserializationContext context, Class<?> type, @Nullable Object argument, Throwable failure) {
            if (JsonProblems.refusal(failure) instanceof Refused refused) {
                String path = context.getParser()
                        .streamReadContext()
                        .pathAsPointer()
                        .toString()
                        .replaceFirst("^/", "")
                        .replace('/', '.');
                refused.problems().forEach(problem -> problems.add(problem.under(path)));
                return null;
            }
            return problems.isEmpty() ? NOT_HANDLED : null;
        }
    }

    /** Returns the name of the kind that a record is of, among those of a sealed type. */
    public static String kind(Class<?> type, Object record) {
        return tags(type)
                .filter(tag -> tag.value().isInstance(record))
                .map(JsonSubTypes.Type::name)
                .findFirst()
                .orElseThrow();
    }

    /** Returns the names of the kinds of a type, as its tag says them; empty for a type without. */
    static List<String> kinds(Class<?> type) {
        return tags(type).map(JsonSubTypes.Type::name).toList();
    }

    private static Stream<JsonSubTypes.Type> tags(Class<?> type) {
        Class<?> tags = TAGS.get(type);
        return tags == null
                ? Stream.of()
                : Stream.of(tags.getAnnotation(JsonSubTypes.class).value());
    }

    @JsonTypeInfo(use = JsonTypeInfo.Id.NAME, property = "kind")
    @JsonSubTypes({
        @JsonSubTypes.Type(value = Exciter.class, name = "exciter"),
        @JsonSubTypes.Type(value = Pad.class, name = "pad"),
        @JsonSubTypes.Type(value = Amplifier.class, name = "amplifier"),
        @JsonSubTypes.Type(value = Meter.class, name = "meter"),
        @JsonSubTypes.Type(value = Load.class, name = "load"),
        @JsonSubTypes.Type(value = Antenna.class, name = "antenna"),
        @JsonSubTypes.Type(value = Instrument.class, name = "instrument"),
        @JsonSubTypes.Type(value = Supply.class, name = "supply"),
        @JsonSubTypes.Type(value = Battery.class, name = "battery"),
        @JsonSubTypes.Type(value = Candidate.class, name = "candidate")
    })
    private interface EquipmentTags {}

    @JsonTypeInfo(use = JsonTypeInfo.Id.NAME, property = "kind")
    @JsonSubTypes({
        @JsonSubTypes.Type(value = Load.class, name = "load"),
        @JsonSubTypes.Type(value = Antenna.class, name = "antenna")
    })
    private interface TerminationTags {}

    @JsonTypeInfo(use = JsonTypeInfo.Id.NAME, property = "kind")
    @JsonSubTypes({
        @JsonSubTypes.Type(value = Stage.Tubes.class, name = "tubes"),
        @JsonSubTypes.Type(value = Stage.Transistors.class, name = "transistors"),
        @JsonSubTypes.Type(value = Stage.Switching.class, name = "switching")
    })
    private interface StageTags {}

    @JsonTypeInfo(use = JsonTypeInfo.Id.NAME, property = "kind")
    @JsonSubTypes({
        @JsonSubTypes.Type(value = TwinConstants.CathodeDriven.class, name = TwinConstants.CathodeDriven.KIND),
        @JsonSubTypes.Type(value = TwinConstants.GridDriven.class, name = TwinConstants.GridDriven.KIND),
        @JsonSubTypes.Type(value = TwinConstants.Broadband.class, name = TwinConstants.Broadband.KIND)
    })
    private interface TwinTags {}

    @JsonTypeInfo(use = JsonTypeInfo.Id.NAME, property = "kind")
    @JsonSubTypes({
        @JsonSubTypes.Type(value = Accuracy.OfFullScale.class, name = "ofFullScale"),
        @JsonSubTypes.Type(value = Accuracy.OfReading.class, name = "ofReading")
    })
    private interface AccuracyTags {}

    @JsonTypeInfo(use = JsonTypeInfo.Id.NAME, property = "kind")
    @JsonSubTypes({
        @JsonSubTypes.Type(value = Box.Steady.class, name = "steady"),
        @JsonSubTypes.Type(value = Box.Transmitting.class, name = "transmitting")
    })
    private interface BoxTags {}

    @JsonTypeInfo(use = JsonTypeInfo.Id.NAME, property = "kind")
    @JsonSubTypes({
        @JsonSubTypes.Type(value = Envelope.Constant.class, name = "constant"),
        @JsonSubTypes.Type(value = Envelope.Keyed.class, name = "keyed"),
        @JsonSubTypes.Type(value = Envelope.Speech.class, name = "speech"),
        @JsonSubTypes.Type(value = Envelope.Amplitude.class, name = "amplitude")
    })
    private interface EnvelopeTags {}

    @JsonTypeInfo(use = JsonTypeInfo.Id.NAME, property = "kind")
    @JsonSubTypes({
        @JsonSubTypes.Type(value = CaseStep.Answered.class, name = "answered"),
        @JsonSubTypes.Type(value = CaseStep.Skipped.class, name = "skipped"),
        @JsonSubTypes.Type(value = CaseStep.Fixed.class, name = "fixed")
    })
    private interface CaseStepTags {}

    @JsonTypeInfo(use = JsonTypeInfo.Id.NAME, property = "kind")
    @JsonSubTypes({
        @JsonSubTypes.Type(value = Act.Turned.class, name = "turned"),
        @JsonSubTypes.Type(value = Act.Keyed.class, name = "keyed"),
        @JsonSubTypes.Type(value = Act.BandSet.class, name = "bandSet"),
        @JsonSubTypes.Type(value = Act.ModeSet.class, name = "modeSet"),
        @JsonSubTypes.Type(value = Act.OperateSet.class, name = "operateSet"),
        @JsonSubTypes.Type(value = Act.MeterSwitched.class, name = "meterSwitched"),
        @JsonSubTypes.Type(value = Act.RangeSet.class, name = "rangeSet"),
        @JsonSubTypes.Type(value = Act.DetectorSet.class, name = "detectorSet"),
        @JsonSubTypes.Type(value = Act.Matched.class, name = "matched"),
        @JsonSubTypes.Type(value = Act.Reset.class, name = "reset"),
        @JsonSubTypes.Type(value = Act.Read.class, name = "read"),
        @JsonSubTypes.Type(value = Act.Done.class, name = "done"),
        @JsonSubTypes.Type(value = Act.Named.class, name = "named"),
        @JsonSubTypes.Type(value = Act.Ended.class, name = "ended")
    })
    private interface ActTags {}

    @JsonTypeInfo(use = JsonTypeInfo.Id.NAME, property = "kind")
    @JsonSubTypes({
        @JsonSubTypes.Type(value = RunEvent.Started.class, name = "started"),
        @JsonSubTypes.Type(value = RunEvent.Checked.class, name = "checked"),
        @JsonSubTypes.Type(value = RunEvent.NotMeasured.class, name = "notMeasured"),
        @JsonSubTypes.Type(value = RunEvent.MeterCorrected.class, name = "meterCorrected"),
        @JsonSubTypes.Type(value = RunEvent.Warm.class, name = "warm"),
        @JsonSubTypes.Type(value = RunEvent.Keyed.class, name = "keyed"),
        @JsonSubTypes.Type(value = RunEvent.Unkeyed.class, name = "unkeyed"),
        @JsonSubTypes.Type(value = RunEvent.ReadingTaken.class, name = "readingTaken"),
        @JsonSubTypes.Type(value = RunEvent.LeftUnread.class, name = "leftUnread"),
        @JsonSubTypes.Type(value = RunEvent.RangeChosen.class, name = "rangeChosen"),
        @JsonSubTypes.Type(value = RunEvent.DialMoved.class, name = "dialMoved"),
        @JsonSubTypes.Type(value = RunEvent.TriedAgain.class, name = "triedAgain"),
        @JsonSubTypes.Type(value = RunEvent.FinishBegun.class, name = "finishBegun"),
        @JsonSubTypes.Type(value = RunEvent.StepRecorded.class, name = "stepRecorded"),
        @JsonSubTypes.Type(value = RunEvent.StepUndone.class, name = "stepUndone"),
        @JsonSubTypes.Type(value = RunEvent.SignSeen.class, name = "signSeen"),
        @JsonSubTypes.Type(value = RunEvent.ProductsRead.class, name = "productsRead"),
        @JsonSubTypes.Type(value = RunEvent.WaveformSeen.class, name = "waveformSeen"),
        @JsonSubTypes.Type(value = RunEvent.TrapezoidSeen.class, name = "trapezoidSeen"),
        @JsonSubTypes.Type(value = RunEvent.TraceTaken.class, name = "traceTaken"),
        @JsonSubTypes.Type(value = RunEvent.SchoolChosen.class, name = "schoolChosen"),
        @JsonSubTypes.Type(value = RunEvent.WeatherNoted.class, name = "weatherNoted"),
        @JsonSubTypes.Type(value = RunEvent.ConditionsNoted.class, name = "conditionsNoted"),
        @JsonSubTypes.Type(value = RunEvent.Note.class, name = "note"),
        @JsonSubTypes.Type(value = RunEvent.Finished.class, name = "finished"),
        @JsonSubTypes.Type(value = RunEvent.Abandoned.class, name = "abandoned")
    })
    private interface EventTags {}
}
