package org.tubrin.server.station;

import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import java.util.stream.Stream;
import org.jspecify.annotations.Nullable;
import org.springframework.http.HttpStatus;
import org.springframework.transaction.annotation.Transactional;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;
import org.tubrin.core.first.AmplifierType;
import org.tubrin.core.first.Enough;
import org.tubrin.core.first.FirstStation;
import org.tubrin.core.first.Question;
import org.tubrin.core.first.Usual;
import org.tubrin.core.metering.ScaleUnit;
import org.tubrin.core.quantity.Allowed;
import org.tubrin.core.quantity.Problem;
import org.tubrin.core.quantity.ProblemCode;
import org.tubrin.core.quantity.Refused;
import org.tubrin.core.station.Equipment;
import org.tubrin.server.words.Figures;
import org.tubrin.server.words.Words;

/** The first station, told by a few answers. */
@RestController
@RequestMapping("/api/first-station")
public class FirstStationController {
    private static final int MOST_ANSWERS = 40;

    private final Stations stations;
    private final Words words;

    FirstStationController(Stations stations, Words words) {
        this.stations = stations;
        this.words = words;
    }

    /**
     * One answer.
     *
     * @param question what was asked
     * @param text as typed, or the code of a choice; empty where it is not known
     */
    public record Answered(Question question, String text) {}

    /** The answers so far, in the order in which they were given. */
    public record FirstStationRequest(List<Answered> answers) {}

    /** Something to choose. */
    public record ChoiceView(String code, String name) {}

    /**
     * A question in words.
     *
     * @param asks the sentence
     * @param why what it is for, and where to find it
     * @param unit of a number; empty for a plain one
     * @param choices to choose from; empty where a number is asked
     * @param usual what is usual; absent where nothing is
     * @param unknown what happens where it is not known
     */
    public record QuestionView(
            Question code,
            Question.Topic about,
            String asks,
            String why,
            String unit,
            List<ChoiceView> choices,
            @Nullable String usual,
            String unknown) {}

    /** An answer as it counts; whether it is known, or stands in. */
    public record AnswerView(Question code, Question.Topic about, String label, String shown, boolean known) {}

    /** One step of what the answers are enough for. */
    public record EnoughView(Enough.For what, String name, int known, int needed) {}

    /**
     * Where the conversation stands.
     *
     * @param next what is asked now; absent at its end
     * @param number its number, from 1
     * @param of how many there are, by the answers so far
     * @param answers what was answered
     * @param enough what that is enough for
     */
    public record FirstStationView(
            @Nullable QuestionView next, int number, int of, List<AnswerView> answers, List<EnoughView> enough) {}

    /** What was made. */
    public record FirstStationMade(boolean hasTwin, List<String> names) {}

    @PostMapping("/questions")
    FirstStationView ask(@RequestBody FirstStationRequest request) {
        Map<Question, String> texts = texts(request);
        FirstStation told = FirstStation.of(texts);
        List<Question> asked = told.asked();
        Optional<Question> next = told.next();
        return new FirstStationView(
                next.map(question -> view(told, question)).orElse(null),
                next.map(asked::indexOf).orElse(asked.size()) + 1,
                asked.size(),
                texts.entrySet().stream()
                        .map(entry -> answer(told, entry.getKey(), entry.getValue()))
                        .toList(),
                told.enough().stream()
                        .map(step -> new EnoughView(
                                step.what(), words.say("enough." + step.what()), step.known(), step.needed()))
                        .toList());
    }

    /** A type of amplifier to start a record from, and that record. */
    public record AmplifierTypeView(AmplifierType code, String name, Equipment body) {}

    @GetMapping("/amplifier-types")
    List<AmplifierTypeView> types() {
        return Stream.of(AmplifierType.values())
                .map(type -> new AmplifierTypeView(type, words.say("amplifierType." + type), type.amplifier(names())))
                .toList();
    }

    /** Keeps what the answers make; fails with {@link Refused} where there is a station with equipment already. */
    @PostMapping
    @ResponseStatus(HttpStatus.CREATED)
    @Transactional
    FirstStationMade make(@RequestBody FirstStationRequest request) {
        if (!stations.equipment().isEmpty()) {
            throw new Refused(new Problem(ProblemCode.STATION_THERE, "station", "", new Allowed.Nothing()));
        }
        FirstStation.Records records = FirstStation.of(texts(request)).records(names());
        int revision = stations.station().map(Stations.KeptStation::revision).orElse(0);
        if (revision == 0) {
            stations.keep(records.station(), revision);
        }
        records.equipment().forEach(one -> stations.add(UUID.randomUUID(), one));
        return new FirstStationMade(
                records.hasTwin(),
                records.equipment().stream().map(one -> one.name()).toList());
    }

    private static Map<Question, String> texts(FirstStationRequest request) {
        if (request.answers().size() > MOST_ANSWERS) {
            throw new Refused(new Problem(ProblemCode.TOO_LONG, "answers", "", new Allowed.Length(0, MOST_ANSWERS)));
        }
        Map<Question, String> texts = new EnumMap<>(Question.class);
        request.answers().forEach(one -> texts.put(one.question(), one.text()));
        return texts;
    }

    private FirstStation.Names names() {
        return new FirstStation.Names(
                words.say("first.station"),
                words.say("first.exciter"),
                words.say("first.amplifier"),
                words.say("first.tube"),
                words.say("first.wattmeter"),
                words.say("first.panel"),
                words.say("first.load"));
    }

    private QuestionView view(FirstStation told, Question question) {
        String key = "ask." + question;
        return new QuestionView(
                question,
                question.topic(),
                words.say(key),
                words.say(key + ".why"),
                unit(question),
                question.choices().stream()
                        .map(code -> new ChoiceView(code, words.say("pick." + code)))
                        .toList(),
                told.usual(question)
                        .map(usual -> words.say(
                                "first.usual",
                                Map.of(
                                        "least", shown(usual.least()),
                                        "most", shown(usual.most()),
                                        "unit", unit(question))))
                        .orElse(null),
                told.usual(question)
                        .map(usual -> words.say(
                                "first.stands", Map.of("value", shown(usual.standsIn()), "unit", unit(question))))
                        .orElseGet(() -> words.say(
                                question.topic() == Question.Topic.TWIN
                                        ? "first.noTwin"
                                        : "first.unknown." + question)));
    }

    private static String unit(Question question) {
        return question == Question.WARM_UP
                ? "s"
                : question.scale() == ScaleUnit.ONE ? "" : question.scale().symbol();
    }

    private static String shown(double value) {
        return Figures.plain(value, 3);
    }

    private AnswerView answer(FirstStation told, Question question, String text) {
        boolean known = told.knows(question);
        String unit = unit(question);
        String value = known
                ? question.choices().isEmpty() ? text.strip() : words.say("pick." + text)
                : told.usual(question)
                        .map(Usual::standsIn)
                        .map(FirstStationController::shown)
                        .orElse("?");
        boolean bare = !question.choices().isEmpty() || value.equals("?") || value.matches(".*[A-Za-z]$");
        return new AnswerView(
                question,
                question.topic(),
                words.say("ask." + question + ".label"),
                bare || unit.isEmpty() ? value : value + "\u2009" + unit,
                known);
    }
}
