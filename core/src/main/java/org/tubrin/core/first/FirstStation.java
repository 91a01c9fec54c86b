package org.tubrin.core.first;

import java.util.ArrayList;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.stream.Stream;
import org.tubrin.core.device.Construction;
import org.tubrin.core.device.Tube;
import org.tubrin.core.first.Question.AmplifierKind;
import org.tubrin.core.first.Question.Heavier;
import org.tubrin.core.first.Question.Panel;
import org.tubrin.core.metering.Channel;
import org.tubrin.core.metering.MeterFace;
import org.tubrin.core.metering.NumberEntry;
import org.tubrin.core.metering.ReadingRole;
import org.tubrin.core.metering.ScaleUnit;
import org.tubrin.core.quantity.Checks;
import org.tubrin.core.quantity.Problem;
import org.tubrin.core.quantity.Refused;
import org.tubrin.core.station.Amplifier;
import org.tubrin.core.station.Band;
import org.tubrin.core.station.ChartRow;
import org.tubrin.core.station.Equipment;
import org.tubrin.core.station.Exciter;
import org.tubrin.core.station.Load;
import org.tubrin.core.station.Meter;
import org.tubrin.core.station.Stage;
import org.tubrin.core.station.Station;
import org.tubrin.core.tank.Dial;
import org.tubrin.core.tank.LoadSense;
import org.tubrin.core.twin.DataSheet;
import org.tubrin.core.twin.Outcome;
import org.tubrin.core.twin.SheetFit;
import org.tubrin.core.twin.TwinFromSheet;

/**
 * A station told by a few answers. What is not known is stood in for by what is usual, on the careful side: a climb then stops lower than
 * it might.
 *
 * <p>Source of what is usual: class AB stages of 0.6 efficiency whose supply sags by a tenth; our own for the rest.
 */
public final class FirstStation {
    private static final double EFFICIENCY = 0.6;
    private static final double SAGGED = 0.9;
    /** Of the plates' rated heat, what flows at rest. */
    private static final double RESTING_SHARE = 0.45;

    private static final double HIGH_SUPPLY_FROM_W = 250;
    private static final double WATTMETER_CLASS = 0.05;
    private static final double PANEL_CLASS = 0.03;
    private static final double DESIGN_Q = 12;
    private static final double USUAL_AMPLIFICATION = 100;
    private static final Dial ZERO_TO_TEN = new Dial(0, 10, 1);
    private static final List<Band> BANDS = List.of(
            Band.MHZ_3_5, Band.MHZ_7, Band.MHZ_10, Band.MHZ_14, Band.MHZ_18, Band.MHZ_21, Band.MHZ_24, Band.MHZ_28);

    private final Map<Question, Double> numbers = new EnumMap<>(Question.class);
    private final Map<Question, String> choices = new EnumMap<>(Question.class);
    private final List<Question> answered = new ArrayList<>();

    private FirstStation() {}

    /**
     * Returns a station by the answers so far, as typed; a blank one was asked and is not known. Fails with {@link Refused}: each
     * problem names its question.
     */
    public static FirstStation of(Map<Question, String> answers) {
        FirstStation station = new FirstStation();
        List<Problem> problems = new ArrayList<>();
        answers.forEach((question, text) -> {
            try {
                station.take(question, text.strip());
            } catch (Refused refused) {
                problems.addAll(refused.problems());
            }
        });
        if (!problems.isEmpty()) {
            throw new Refused(problems);
        }
        return station;
    }

    private void take(Question question, String text) {
        answered.add(question);
        if (text.isEmpty()) {
            return;
        }
        if (question.choices().isEmpty()) {
            double value = NumberEntry.parse(question.name(), text, question.scale(), false);
            new Checks()
                    .range(
                            question.name(),
                            value,
                            question.least(),
                            question.most(),
                            question.scale().unit())
                    .done();
            numbers.put(question, value);
        } else {
            new Checks().oneOf(question.name(), text, question.choices()).done();
            choices.put(question, text);
        }
    }

    /** Returns the questions that matter, by the answers so far, in their order. */
    public List<Question> asked() {
        boolean tubes = kind().hasTubes();
        boolean tetrode = kind() == AmplifierKind.TETRODE;
        return Stream.of(Question.values())
                .filter(question -> switch (question) {
                    case EXCITER_POWER, LICENCE, KIND, RATED_OUTPUT, DRIVE, WATTMETER, PANEL, LOAD_POWER -> true;
                    case DISSIPATION, PLATE_CURRENT, PLATE_VOLTAGE, RESTING_CURRENT, WARM_UP, HEAVIER -> tubes;
                    case GRID_CURRENT -> tubes && !tetrode;
                    case SCREEN_CURRENT -> tetrode;
                    case SUPPLY_VOLTAGE, SUPPLY_CURRENT -> !tubes;
                    case CHART_BAND -> tubes;
                    case CHART_PLATE,
                            CHART_LOAD,
                            LOADED_VOLTAGE,
                            SCREEN_VOLTAGE,
                            LOADED_PLATE,
                            LOADED_GRID,
                            LOADED_SCREEN -> isTwinAsked() && isOfItsTwin(question);
                })
                .toList();
    }

    /** Without a line of the chart a twin would foretell dials that nobody has. */
    private boolean isTwinAsked() {
        return kind().hasTubes() && (!answered.contains(Question.CHART_BAND) || knows(Question.CHART_BAND));
    }

    /** Returns the first question that was not asked yet. */
    public Optional<Question> next() {
        return asked().stream().filter(one -> !answered.contains(one)).findFirst();
    }

    /** Returns whether an answer is known. */
    public boolean knows(Question question) {
        return numbers.containsKey(question) || choices.containsKey(question);
    }

    /** Returns the steps that the answers are enough for. */
    public List<Enough> enough() {
        List<Enough> steps = new ArrayList<>();
        boolean tubes = kind().hasTubes();
        steps.add(step(
                Enough.For.CLIMB,
                Question.RATED_OUTPUT,
                Question.DRIVE,
                tubes ? Question.PLATE_CURRENT : Question.SUPPLY_CURRENT,
                Question.WATTMETER));
        if (tubes) {
            boolean tetrode = kind() == AmplifierKind.TETRODE;
            steps.add(step(
                    Enough.For.LOADING, tetrode ? Question.SCREEN_CURRENT : Question.GRID_CURRENT, Question.HEAVIER));
            steps.add(step(Enough.For.HEAT, Question.DISSIPATION, Question.PLATE_VOLTAGE, Question.RESTING_CURRENT));
            steps.add(step(Enough.For.TWIN, twinQuestions()));
        }
        return steps;
    }

    private Question[] twinQuestions() {
        return Stream.of(Question.values()).filter(this::isOfItsTwin).toArray(Question[]::new);
    }

    /** Of a tetrode's twin the screen is asked for, of a triode's the grid. */
    private boolean isOfItsTwin(Question question) {
        boolean ofScreen = question == Question.SCREEN_VOLTAGE || question == Question.LOADED_SCREEN;
        boolean tetrode = kind() == AmplifierKind.TETRODE;
        return question.topic() == Question.Topic.TWIN && (tetrode ? question != Question.LOADED_GRID : !ofScreen);
    }

    private Enough step(Enough.For what, Question... questions) {
        return new Enough(what, (int) Stream.of(questions).filter(this::knows).count(), questions.length);
    }

    /** Returns what is usual for a number, by the answers before it; empty where nothing is, or a choice is asked. */
    public Optional<Usual> usual(Question question) {
        int tubes = kind().tubeCount();
        boolean tetrode = kind() == AmplifierKind.TETRODE;
        return switch (question) {
            case EXCITER_POWER -> Optional.of(new Usual(10, 100, 100));
            case LICENCE -> Optional.of(new Usual(400, 1500, 400));
            case RATED_OUTPUT ->
                Optional.of(
                        switch (kind()) {
                            case TWO_TRIODES, TETRODE -> new Usual(600, 1500, 800);
                            case ONE_TRIODE -> new Usual(300, 700, 400);
                            case TRANSISTORS -> new Usual(300, 1000, 500);
                        });
            case DRIVE ->
                Optional.of(
                        tetrode
                                ? Usual.about(value(Question.RATED_OUTPUT), 0.002, 0.05, 0.002)
                                : kind().hasTubes()
                                        ? Usual.about(value(Question.RATED_OUTPUT), 0.06, 0.1, 0.06)
                                        : Usual.about(value(Question.RATED_OUTPUT), 0.02, 0.08, 0.02));
            case DISSIPATION ->
                Optional.of(Usual.about(
                        value(Question.RATED_OUTPUT) * (1 - EFFICIENCY) / EFFICIENCY / tubes, 0.9, 1.4, 0.9));
            case PLATE_VOLTAGE -> Optional.of(new Usual(2000, 3000, 2500));
            case PLATE_CURRENT ->
                Optional.of(Usual.about(
                        value(Question.RATED_OUTPUT) / (EFFICIENCY * SAGGED * value(Question.PLATE_VOLTAGE)),
                        0.9,
                        1.25,
                        0.9));
            case GRID_CURRENT -> Optional.of(Usual.about(value(Question.PLATE_CURRENT), 0.25, 0.35, 0.25));
            case SCREEN_CURRENT -> Optional.of(Usual.about(value(Question.PLATE_CURRENT), 0.05, 0.1, 0.05));
            case RESTING_CURRENT ->
                Optional.of(Usual.about(
                        tubes * value(Question.DISSIPATION) / value(Question.PLATE_VOLTAGE), 0.3, 0.55, RESTING_SHARE));
            case WARM_UP -> Optional.of(new Usual(60, 180, 180));
            case SUPPLY_VOLTAGE ->
                Optional.of(
                        value(Question.RATED_OUTPUT) > HIGH_SUPPLY_FROM_W
                                ? new Usual(48, 50, 50)
                                : new Usual(12, 14, 13.8));
            case SUPPLY_CURRENT ->
                Optional.of(Usual.about(
                        value(Question.RATED_OUTPUT) / (0.5 * value(Question.SUPPLY_VOLTAGE)), 0.9, 1.4, 0.9));
            case WATTMETER -> {
                double scaleW = Round.scaleFor(1.2 * value(Question.RATED_OUTPUT));
                yield Optional.of(new Usual(scaleW, 2 * scaleW, scaleW));
            }
            case LOAD_POWER -> Optional.of(Usual.about(value(Question.RATED_OUTPUT), 1, 2, 0.5));
            case KIND,
                    HEAVIER,
                    PANEL,
                    CHART_BAND,
                    CHART_PLATE,
                    CHART_LOAD,
                    LOADED_VOLTAGE,
                    SCREEN_VOLTAGE,
                    LOADED_PLATE,
                    LOADED_GRID,
                    LOADED_SCREEN -> Optional.empty();
        };
    }

    /** Returns what is known, or what stands in for it, in the core's unit. */
    private double value(Question question) {
        Double known = numbers.get(question);
        return known != null ? known : usual(question).orElseThrow().standsIn();
    }

    private AmplifierKind kind() {
        return Optional.ofNullable(choices.get(Question.KIND))
                .map(AmplifierKind::valueOf)
                .orElse(AmplifierKind.TWO_TRIODES);
    }

    /** Returns whether LOAD's number rises towards heavier: so it is on most. */
    private boolean higherIsHeavier() {
        return Optional.ofNullable(choices.get(Question.HEAVIER))
                .filter(Heavier.LOWER.name()::equals)
                .isEmpty();
    }

    private Panel panel() {
        return Optional.ofNullable(choices.get(Question.PANEL))
                .map(Panel::valueOf)
                .orElse(Panel.ONE_WITH_SWITCH);
    }

    /**
     * What the records are called.
     *
     * @param station the station
     * @param exciter the exciter
     * @param amplifier the amplifier
     * @param tube its tubes
     * @param wattmeter the meter of output
     * @param panel the amplifier's own meters
     * @param load the dummy load
     */
    public record Names(
            String station,
            String exciter,
            String amplifier,
            String tube,
            String wattmeter,
            String panel,
            String load) {}

    /**
     * What the answers make.
     *
     * @param station the station
     * @param equipment exciter, amplifier, meters and load
     * @param hasTwin whether the amplifier has one
     */
    public record Records(Station station, List<Equipment> equipment, boolean hasTwin) {}

    /** Returns the records; fails with {@link Refused} where answers do not fit together. */
    public Records records(Names names) {
        double exciterW = value(Question.EXCITER_POWER);
        List<Equipment> all = new ArrayList<>();
        all.add(new Exciter(
                names.exciter(),
                Math.max(0.01, exciterW / 100),
                exciterW,
                0.1,
                0.03,
                List.of(),
                Optional.empty(),
                Optional.empty(),
                Optional.empty()));
        Amplifier amplifier = amplifier(names);
        Amplifier whole = twinned(amplifier);
        all.add(whole);
        double wattmeterW = value(Question.WATTMETER);
        all.add(new Meter(names.wattmeter(), List.of(channel(ReadingRole.OUTPUT, ScaleUnit.W, wattmeterW))));
        panel(names).ifPresent(all::add);
        all.add(new Load(names.load(), 50, value(Question.LOAD_POWER), Optional.empty()));
        return new Records(
                new Station(names.station(), "", value(Question.LICENCE), 20, Optional.empty()),
                List.copyOf(all),
                whole.twin().isPresent());
    }

    Amplifier amplifier(Names names) {
        List<ChartRow> chart = Optional.ofNullable(choices.get(Question.CHART_BAND))
                .filter(band -> numbers.containsKey(Question.CHART_PLATE) && numbers.containsKey(Question.CHART_LOAD))
                .map(band -> List.of(
                        new ChartRow(Band.valueOf(band), value(Question.CHART_PLATE), value(Question.CHART_LOAD))))
                .orElse(List.of());
        return new Amplifier(
                names.amplifier(),
                kind().hasTubes()
                        ? tubes(names)
                        : new Stage.Transistors(value(Question.SUPPLY_VOLTAGE), value(Question.SUPPLY_CURRENT)),
                value(Question.DRIVE),
                value(Question.RATED_OUTPUT),
                Optional.empty(),
                BANDS,
                chart,
                Optional.empty(),
                Optional.empty(),
                Optional.empty(),
                Optional.empty());
    }

    private Stage.Tubes tubes(Names names) {
        int count = kind().tubeCount();
        boolean tetrode = kind() == AmplifierKind.TETRODE;
        double plateA = value(Question.PLATE_CURRENT);
        // A tetrode in class AB draws hardly any at its control grid.
        double gridA = tetrode ? Math.max(0.001, 0.01 * plateA) : value(Question.GRID_CURRENT);
        Tube tube = new Tube(
                names.tube(),
                tetrode ? Construction.TETRODE : Construction.TRIODE,
                value(Question.DISSIPATION),
                1.2 * value(Question.PLATE_VOLTAGE),
                plateA / count,
                gridA / count,
                tetrode ? OptionalDouble.of(value(Question.SCREEN_CURRENT) / count) : OptionalDouble.empty(),
                value(Question.WARM_UP));
        return new Stage.Tubes(
                tube,
                count,
                value(Question.PLATE_VOLTAGE),
                value(Question.RESTING_CURRENT),
                plateA,
                gridA,
                ZERO_TO_TEN,
                ZERO_TO_TEN,
                higherIsHeavier() ? LoadSense.MORE_IS_HEAVIER : LoadSense.MORE_IS_LIGHTER,
                tetrode ? 0 : 0.75,
                0.95);
    }

    /** Gives it a twin where one line of the sheet and one of the chart are known, and one is found for them. */
    private Amplifier twinned(Amplifier amplifier) {
        if (!kind().hasTubes() || !Stream.of(twinQuestions()).allMatch(this::knows)) {
            return amplifier;
        }
        boolean tetrode = kind() == AmplifierKind.TETRODE;
        DataSheet sheet = new DataSheet(
                // How much the screen counts the sheet's figures tell; of a triode they do not.
                tetrode ? OptionalDouble.empty() : OptionalDouble.of(USUAL_AMPLIFICATION),
                known(Question.SCREEN_VOLTAGE, tetrode),
                value(Question.PLATE_VOLTAGE),
                value(Question.RESTING_CURRENT),
                List.of(new DataSheet.Operation(
                        number(Question.LOADED_VOLTAGE),
                        number(Question.LOADED_PLATE),
                        tetrode ? 0 : number(Question.LOADED_GRID),
                        known(Question.LOADED_SCREEN, tetrode),
                        value(Question.DRIVE),
                        value(Question.RATED_OUTPUT))),
                DESIGN_Q,
                List.of());
        return TwinFromSheet.of(amplifier, sheet) instanceof Outcome.Settled<SheetFit> settled
                ? amplifier.withTwin(settled.point().constants())
                : amplifier;
    }

    private OptionalDouble known(Question question, boolean isAsked) {
        return isAsked ? OptionalDouble.of(number(question)) : OptionalDouble.empty();
    }

    private double number(Question question) {
        return Optional.ofNullable(numbers.get(question)).orElseThrow();
    }

    private Optional<Meter> panel(Names names) {
        if (panel() == Panel.NONE) {
            return Optional.empty();
        }
        List<Channel> channels = new ArrayList<>();
        if (kind().hasTubes()) {
            channels.add(channel(
                    ReadingRole.PLATE_CURRENT, ScaleUnit.A, Round.scaleFor(1.3 * value(Question.PLATE_CURRENT))));
            if (kind() == AmplifierKind.TETRODE) {
                channels.add(channel(
                        ReadingRole.SCREEN_CURRENT,
                        ScaleUnit.MA,
                        Round.scaleFor(1.5 * value(Question.SCREEN_CURRENT))));
            } else {
                channels.add(channel(
                        ReadingRole.GRID_CURRENT, ScaleUnit.MA, Round.scaleFor(1.5 * value(Question.GRID_CURRENT))));
            }
            channels.add(channel(
                    ReadingRole.PLATE_VOLTAGE, ScaleUnit.KV, Round.scaleFor(1.1 * value(Question.PLATE_VOLTAGE))));
        } else {
            channels.add(channel(
                    ReadingRole.SUPPLY_CURRENT, ScaleUnit.A, Round.scaleFor(1.3 * value(Question.SUPPLY_CURRENT))));
        }
        return Optional.of(new Meter(
                names.panel(),
                channels,
                panel() == Panel.ONE_WITH_SWITCH ? Optional.of(MeterFace.ONE_AT_A_TIME) : Optional.empty()));
    }

    private static Channel channel(ReadingRole role, ScaleUnit scale, double fullScale) {
        return Channel.ofFullScale(
                role,
                scale,
                List.of(Round.range(fullScale, scale)),
                role == ReadingRole.OUTPUT ? WATTMETER_CLASS : PANEL_CLASS);
    }
}
