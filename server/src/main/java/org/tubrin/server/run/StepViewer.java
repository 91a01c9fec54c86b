package org.tubrin.server.run;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Component;
import org.tubrin.core.advice.Advice;
import org.tubrin.core.budget.Budget;
import org.tubrin.core.budget.LimitKind;
import org.tubrin.core.budget.Room;
import org.tubrin.core.foresee.Ahead;
import org.tubrin.core.metering.Channel;
import org.tubrin.core.metering.MeterRange;
import org.tubrin.core.metering.Reading;
import org.tubrin.core.metering.ReadingRole;
import org.tubrin.core.metering.ScaleUnit;
import org.tubrin.core.metering.SeenEntry;
import org.tubrin.core.quantity.Quantity;
import org.tubrin.core.quantity.Standing;
import org.tubrin.core.run.Control;
import org.tubrin.core.run.Growth;
import org.tubrin.core.run.RunState;
import org.tubrin.core.run.ScopeSteps;
import org.tubrin.core.run.Step;
import org.tubrin.core.run.StepFigure;
import org.tubrin.core.run.Stop;
import org.tubrin.core.signs.Sign;
import org.tubrin.core.signs.Signs;
import org.tubrin.server.words.Figures;
import org.tubrin.server.words.Language;
import org.tubrin.server.words.Words;

/** Makes the columns of the step table, its rows, and the rulers of room left. */
@Component
class StepViewer {
    private final Words words;
    private final ExpectedWords twin;

    StepViewer(Words words, ExpectedWords twin) {
        this.words = words;
        this.twin = twin;
    }

    /** Returns the rows that are read off meters. */
    List<RunView.Row> rows(RunState state) {
        List<RunView.Row> rows = new ArrayList<>();
        List<ReadingRole> asked = state.setup().rolesAsked();
        List<Stop> stops = Stop.of(state.setup(), state.school(), state.ranges());
        for (ReadingRole role : ReadingRole.values()) {
            state.setup()
                    .channelFor(role)
                    .ifPresent(channel -> rows.add(new RunView.Row(
                            role,
                            words.name(role.name()),
                            channel.scaleUnit().symbol(),
                            state.setup().meterFor(role).orElseThrow().name(),
                            state.ranges().getOrDefault(role, ""),
                            channel.ranges().stream().map(MeterRange::name).toList(),
                            asked.contains(role),
                            channel.hasPointer() ? pointer(state, role, channel, stops) : null)));
        }
        return rows;
    }

    private static RunView.PointerScale pointer(RunState state, ReadingRole role, Channel channel, List<Stop> stops) {
        double unit = channel.scaleUnit().inUnit();
        MeterRange range = channel.range(state.ranges().getOrDefault(role, ""))
                .orElse(channel.ranges().get(0));
        Optional<Double> shows =
                stops.stream().filter(stop -> stop.role() == role).findFirst().map(stop -> stop.shows() / unit);
        return new RunView.PointerScale(
                range.fullScale() / unit,
                shows.orElse(null),
                shows.map(Figures::mark).orElse(null));
    }

    /** Returns one column. */
    RunView.StepView view(RunState state, Step step, int place, Optional<Advice.Expectation> expected) {
        Budget budget = step.budget();
        Optional<Step> before = state.stepBefore(place);
        Optional<Quantity> growth =
                before.flatMap(last -> Growth.between(last, step)).map(Growth::ratio);
        return new RunView.StepView(
                place,
                step.kind(),
                step.position(Control.DRIVE).orElse(null),
                step.position(Control.DRIVE)
                        .map(driveW -> Figures.plain(driveW, 2))
                        .orElse(null),
                step.position(Control.PLATE).map(Figures::dial).orElse(null),
                step.position(Control.LOAD).map(Figures::dial).orElse(null),
                step.position(Control.TONE).map(hz -> Figures.plain(hz, 0)).orElse(null),
                step.position(Control.LEVEL).map(LevelViewer::percent).orElse(null),
                step.position(Control.DEVICE)
                        .map(number -> number > 0 ? Figures.plain(number, 0) : words.say("bias.all"))
                        .orElse(null),
                step.position(Control.POWER_AMPLIFIER)
                        .map(on -> path(on, step.position(Control.MATCHER).orElse(0.0)))
                        .or(() -> ScopeSteps.look(step).map(look -> words.say("look." + look.name())))
                        .orElse(null),
                step.position(Control.ATTENUATOR)
                        .map(db -> Figures.plain(db, 1))
                        .orElse(null),
                step.position(Control.SUPPLY).map(one -> Figures.plain(one, 1)).orElse(null),
                step.position(Control.MODULES).map(one -> Figures.plain(one, 0)).orElse(null),
                step.position(Control.MOTOR).map(one -> Figures.plain(one, 0)).orElse(null),
                List.copyOf(step.moved()),
                cells(state, step, place == state.steps().size()),
                step.measured(ReadingRole.OUTPUT)
                        .map(output -> Figures.of(output, ScaleUnit.W))
                        .orElse(null),
                doublingW(state, step),
                growth.map(ratio -> Figures.of(ratio, 1, "", 2)).orElse(null),
                budget.efficiency().map(Figures::percent).orElse(null),
                watts(budget.heatPerDeviceW()),
                watts(budget.heatPerDeviceCorrectedW()),
                budget.gainDb().map(gain -> Figures.of(gain, 1, "dB", 1)).orElse(null),
                budget.sag().map(Figures::percent).orElse(null),
                expected.map(one -> new RunView.StepView.Advice(one.leastW(), one.mostW()))
                        .orElse(null),
                step.isComplete(),
                List.copyOf(step.unread()),
                Signs.of(step, before).stream().map(Sign::code).toList(),
                twin.of(step));
    }

    /** Returns whether the power amplifier is on, and the matcher in line. */
    private String path(double powerAmplifier, double matcher) {
        return words.say(
                "match.path", Map.of("pa", powerAmplifier > 0 ? "on" : "off", "matcher", matcher > 0 ? "in" : "out"));
    }

    private static Figures.@Nullable Figure watts(Optional<Quantity> power) {
        return power.map(one -> Figures.of(one, ScaleUnit.W)).orElse(null);
    }

    /** Returns what doubling with the drive would bring, from the first step on: the stair's guide line. */
    private static @Nullable Double doublingW(RunState state, Step step) {
        if (state.steps().isEmpty() || !step.moved().contains(Control.DRIVE)) {
            return null;
        }
        Step first = state.steps().get(0);
        return first.measured(ReadingRole.OUTPUT)
                .map(output ->
                        output.value() * step.driveW().value() / first.driveW().value())
                .orElse(null);
    }

    private List<RunView.Cell> cells(RunState state, Step step, boolean inHand) {
        List<RunView.Cell> cells = new ArrayList<>();
        for (ReadingRole role : ReadingRole.values()) {
            Optional<Channel> channel = state.setup().channelFor(role);
            Reading reading = step.readings().get(role);
            if (channel.isPresent() && reading != null) {
                String question = inHand
                        ? state.doubt(role)
                                .map(doubt -> words.say(
                                        "doubt." + doubt.name(),
                                        Map.of("found", reading.textAsTyped(), "range", reading.range())))
                                .orElse(null)
                        : null;
                cells.add(new RunView.Cell(
                        role,
                        shown(reading, channel.get().scaleUnit()),
                        corrected(reading, channel.get()),
                        reading.range(),
                        question,
                        step.confirmed().contains(role)));
            }
        }
        return cells;
    }

    private static @Nullable String corrected(Reading reading, Channel channel) {
        boolean isCorrected = reading.ownUncertainty().isEmpty()
                && (channel.correctionFactor() != 1
                        || channel.correction(reading.range()).isPresent());
        return !isCorrected
                ? null
                : channel.range(reading.range())
                        .map(range -> Figures.of(channel.measured(reading, range), channel.scaleUnit())
                                .shown())
                        .orElse(null);
    }

    /** Returns the number as typed, with the decimal sign of the language, or turned into the unit of the scale where it was typed with another; of a span both ends. */
    private static String shown(Reading reading, ScaleUnit scale) {
        Optional<SeenEntry> span = SeenEntry.spanOf(reading);
        if (span.isPresent()) {
            return Figures.plain(span.get().low() / scale.inUnit(), 5)
                    + "\u2013"
                    + Figures.plain(span.get().high() / scale.inUnit(), 5);
        }
        String typed = reading.textAsTyped().strip();
        return typed.matches("[0-9]+([.,][0-9]+)?")
                ? Language.now().decimal(typed.replace(',', '.'))
                : Figures.plain(reading.rawValue() / scale.inUnit(), 5);
    }

    /** Returns the room left at a step. */
    RunView.RoomsView rooms(Step step, int place) {
        String atDrive = step.readings().isEmpty()
                ? null
                : step.position(Control.DRIVE)
                        .map(driveW -> Figures.plain(driveW, 2))
                        .orElse(null);
        return new RunView.RoomsView(
                place,
                atDrive,
                step.readings().isEmpty()
                        ? List.of()
                        : step.room().stream().map(room -> room(step, room)).toList(),
                step.setup()
                        .settings()
                        .limitMargin()
                        .map(margin -> words.say("room.lowered", Map.of("percent", Figures.plain(100 * margin, 0))))
                        .orElse(null));
    }

    private static ScaleUnit unit(LimitKind kind) {
        return switch (kind) {
            case PLATE_CURRENT, GRID_CURRENT, SCREEN_CURRENT, SUPPLY_CURRENT -> ScaleUnit.A;
            case HEAT_PER_TUBE, RATED_OUTPUT, OUTPUT, LOAD_POWER, DRIVE -> ScaleUnit.W;
            case HEAT_SINK -> ScaleUnit.C;
        };
    }

    /** Returns what is foretold against a limit. */
    RunPreview.Line ahead(Ahead.Against end) {
        ScaleUnit unit = unit(end.kind());
        int decimals = unit == ScaleUnit.A ? 2 : 0;
        return new RunPreview.Line(
                words.name(end.kind().name()),
                Figures.fixed(end.value(), decimals) + "\u00a0" + unit.symbol(),
                Figures.fixed(end.limit(), decimals) + "\u00a0" + unit.symbol());
    }

    private RunView.RoomView room(Step step, Room room) {
        boolean exact = room.kind() == LimitKind.DRIVE && room.value().standing() != Standing.MEASURED;
        ScaleUnit unit = unit(room.kind());
        Figures.Figure value = Figures.of(room.value(), unit);
        int decimals = unit == ScaleUnit.A ? 3 : 0;
        String shown = words.say(
                "room.shown",
                Map.of(
                        "value", exact ? Figures.plain(room.value().value(), 2) : value.withUncertainty(),
                        "unit", unit.symbol(),
                        "limit", exact ? Figures.plain(room.limit(), 2) : Figures.fixed(room.limit(), decimals)));
        return new RunView.RoomView(
                room.kind().name(),
                words.name(room.kind().name()),
                shown,
                room.verdict().name(),
                words.say("verdict." + room.verdict().name()),
                room.value().value(),
                exact ? 0 : room.value().halfWidth95(),
                room.limit(),
                room.share(),
                room.kind().role().orElse(null),
                room.kind() == LimitKind.HEAT_PER_TUBE ? StepFigure.heldAgainstHeatLimit(step) : null);
    }
}
