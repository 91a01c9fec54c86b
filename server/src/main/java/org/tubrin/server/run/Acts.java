package org.tubrin.server.run;

import java.time.Duration;
import java.time.Instant;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.UUID;
import java.util.function.Function;
import org.jspecify.annotations.Nullable;
import org.tubrin.core.advice.Following;
import org.tubrin.core.advice.NextMove;
import org.tubrin.core.alc.LevelPoint;
import org.tubrin.core.alc.SoundPath;
import org.tubrin.core.metering.Channel;
import org.tubrin.core.metering.MeterRange;
import org.tubrin.core.metering.NumberEntry;
import org.tubrin.core.metering.PowerEntry;
import org.tubrin.core.metering.Reading;
import org.tubrin.core.metering.ReadingRole;
import org.tubrin.core.metering.Reflection;
import org.tubrin.core.metering.ScaleUnit;
import org.tubrin.core.metering.SeenEntry;
import org.tubrin.core.quantity.Allowed;
import org.tubrin.core.quantity.Problem;
import org.tubrin.core.quantity.ProblemCode;
import org.tubrin.core.quantity.Quantity;
import org.tubrin.core.quantity.Refused;
import org.tubrin.core.quantity.Unit;
import org.tubrin.core.run.Conditions;
import org.tubrin.core.run.Control;
import org.tubrin.core.run.RunEvent;
import org.tubrin.core.run.RunState;
import org.tubrin.core.station.Load;
import org.tubrin.core.station.Meter;
import org.tubrin.core.tank.Dial;
import org.tubrin.core.twin.Products;
import org.tubrin.server.web.Required;

/** Turns what the operator did, as it came, into events. */
final class Acts {
    private static final double LONGEST_WARM_MIN = 24 * 60;
    private static final double PERCENT = 100;

    private Acts() {}

    /** Returns the events of an act; fails with {@link Refused} where something of it is missing or mistyped. */
    static List<RunEvent> events(
            RunState state, ActRequest request, Instant now, LiveActs live, Function<UUID, Meter> meters) {
        return switch (request.act()) {
            case FOLLOW ->
                Following.events(NextMove.of(state, now), now).stream()
                        .map(event -> event instanceof RunEvent.Warm ? warm(state, now, Duration.ZERO, live) : event)
                        .toList();
            case CHECK -> List.of(new RunEvent.Checked(Required.given("check", request.check())));
            case LEAVE -> List.of(new RunEvent.NotMeasured(Required.given("check", request.check())));
            case CORRECT ->
                List.of(new RunEvent.MeterCorrected(
                        state.setup().inPositionsInUse(meters.apply(Required.given("meterId", request.meterId())))));
            case WARM -> List.of(warm(state, now, warmFor(request.text()), live));
            case TAKE ->
                live.told(state, Optional.ofNullable(request.told())).orElseGet(() -> live.readings(state, now));
            case KEY -> Following.keyed(state, now);
            case UNKEY -> List.of(new RunEvent.Unkeyed());
            case READ -> List.of(reading(state, request));
            case UNREAD -> List.of(new RunEvent.LeftUnread(Required.given("role", request.role())));
            case RANGE ->
                List.of(new RunEvent.RangeChosen(
                        Required.given("role", request.role()), Required.given("text", request.text())));
            case SET ->
                List.of(setting(
                        state, Required.given("control", request.control()), Required.given("text", request.text())));
            case AGAIN -> List.of(new RunEvent.TriedAgain());
            case RECORD -> List.of(new RunEvent.StepRecorded());
            case UNDO -> List.of(new RunEvent.StepUndone());
            case SIGN -> List.of(new RunEvent.SignSeen(Required.given("sign", request.sign())));
            case PRODUCTS -> List.of(products(Required.given("products", request.products())));
            case WAVEFORM -> List.of(new RunEvent.WaveformSeen(Required.given("waveform", request.waveform())));
            case TRAPEZOID -> List.of(new RunEvent.TrapezoidSeen(Required.given("trapezoid", request.trapezoid())));
            case WEATHER -> List.of(new RunEvent.WeatherNoted(Required.given("weather", request.weather())));
            case SCHOOL -> List.of(new RunEvent.SchoolChosen(Required.given("school", request.school())));
            case CONDITIONS -> List.of(conditions(state, Required.given("conditions", request.conditions())));
            case NOTE ->
                List.of(new RunEvent.Note(Required.given("text", request.text()).strip()));
            case FINISH -> List.of(new RunEvent.Finished());
            case ABANDON ->
                List.of(new RunEvent.Abandoned(
                        request.text() == null ? "" : request.text().strip()));
        };
    }

    /** Returns since when the heaters are on: what the bench says of its own, else what the operator says. */
    private static RunEvent warm(RunState state, Instant now, Duration said, LiveActs live) {
        return new RunEvent.Warm(now.minus(live.heatersOnFor(state).orElse(said)));
    }

    private static Duration warmFor(@Nullable String minutes) {
        if (minutes == null || minutes.isBlank()) {
            return Duration.ZERO;
        }
        double min = NumberEntry.parsePlain("text", minutes, 0, LONGEST_WARM_MIN, Unit.ONE);
        return Duration.ofMillis(Math.round(min * 60_000));
    }

    private static RunEvent reading(RunState state, ActRequest request) {
        ReadingRole role = Required.given("role", request.role());
        String text = Required.given("text", request.text()).strip();
        Channel channel = state.setup()
                .channelFor(role)
                .orElseThrow(() ->
                        new Refused(new Problem(ProblemCode.NO_CHANNEL, "role", role.name(), new Allowed.Nothing())));
        Optional<RunEvent> converted = role == ReadingRole.OUTPUT ? converted(state, channel, text) : Optional.empty();
        if (converted.isPresent()) {
            return converted.get();
        }
        SeenEntry seen = SeenEntry.parse(role.name(), text, channel.scaleUnit(), role.mayBeNegative());
        String range = state.ranges().getOrDefault(role, channel.ranges().get(0).name());
        String instrument = state.setup().meterFor(role).orElseThrow().name();
        boolean confirmed = Boolean.TRUE.equals(request.confirmed());
        return new RunEvent.ReadingTaken(
                new Reading(role, text, seen.value(), instrument, range, seen.spread(), OptionalDouble.empty()),
                confirmed);
    }

    /** Returns output that was typed as a voltage on the load, or as forward and reflected power; nothing for plain watts. */
    private static Optional<RunEvent> converted(RunState state, Channel channel, String text) {
        String role = ReadingRole.OUTPUT.name();
        String range = state.ranges()
                .getOrDefault(ReadingRole.OUTPUT, channel.ranges().get(0).name());
        String meter = state.setup().meterFor(ReadingRole.OUTPUT).orElseThrow().name();
        Optional<Quantity> watts = PowerEntry.parse(role, text).map(entry -> entry.watts(ohm(state, text)));
        // A voltage was read across the load, by whatever showed it.
        String instrument = watts.isPresent() ? state.setup().termination().name() : meter;
        int slash = text.indexOf('/');
        if (watts.isEmpty() && slash > 0) {
            MeterRange on = channel.range(range).orElseThrow();
            double forward = NumberEntry.parse(role, text.substring(0, slash), channel.scaleUnit(), false);
            double reflected = NumberEntry.parse(role, text.substring(slash + 1), channel.scaleUnit(), false);
            watts = Optional.of(Reflection.of(
                            channel.measured(forward, meter, on),
                            channel.measured(reflected, meter, channel.rangeFor(reflected)))
                    .netW());
        }
        return watts.map(power -> new RunEvent.ReadingTaken(
                new Reading(
                        ReadingRole.OUTPUT,
                        text,
                        power.value(),
                        instrument,
                        range,
                        OptionalDouble.empty(),
                        OptionalDouble.of(power.standardUncertainty())),
                false));
    }

    private static Quantity ohm(RunState state, String text) {
        if (state.setup().termination() instanceof Load load) {
            return PowerEntry.measuredOhm(load.resistanceColdOhm());
        }
        throw new Refused(new Problem(ProblemCode.NEEDS_LOAD, ReadingRole.OUTPUT.name(), text, new Allowed.Nothing()));
    }

    private static RunEvent products(ActRequest.ProductsEntry entry) {
        double third = -below("third", entry.third());
        Optional<Double> fifth = Optional.ofNullable(entry.fifth())
                .filter(text -> !text.isBlank())
                .map(text -> -below("fifth", text));
        return new RunEvent.ProductsRead(
                entry.through(), entry.toPep() ? Products.belowPep(third, fifth) : new Products(third, fifth));
    }

    private static RunEvent conditions(RunState state, ActRequest.ConditionsEntry entry) {
        ScaleUnit current = state.setup()
                .channelFor(ReadingRole.PLATE_CURRENT)
                .map(Channel::scaleUnit)
                .orElse(ScaleUnit.A);
        return new RunEvent.ConditionsNoted(new Conditions(
                typed(entry.lineVoltage())
                        .map(text -> NumberEntry.parsePlain("lineVoltageV", text, 50, 500, Unit.VOLT)),
                typed(entry.ambient()).map(text -> NumberEntry.parsePlain("ambientC", text, -40, 60, Unit.CELSIUS)),
                typed(entry.resting()).map(text -> NumberEntry.parse("restingPlateCurrentA", text, current, false))));
    }

    private static Optional<String> typed(@Nullable String text) {
        return Optional.ofNullable(text).filter(one -> !one.isBlank());
    }

    private static double below(String field, String text) {
        return NumberEntry.parsePlain(field, text, Products.LEAST_BELOW_DB, Products.MOST_BELOW_DB, Unit.DECIBEL);
    }

    private static RunEvent setting(RunState state, Control control, String text) {
        String typed = text.strip();
        if (control == Control.DRIVE) {
            return new RunEvent.DialMoved(control, typed, NumberEntry.parse(control.name(), typed, ScaleUnit.W, false));
        }
        if (control == Control.LEVEL) {
            return new RunEvent.DialMoved(
                    control,
                    typed,
                    NumberEntry.parsePercent(control.name(), typed, PERCENT * LevelPoint.LEAST_LEVEL, PERCENT));
        }
        if (control == Control.TONE) {
            return new RunEvent.DialMoved(
                    control,
                    typed,
                    NumberEntry.parsePlain(
                            control.name(), typed, SoundPath.LOWEST_HZ, SoundPath.HIGHEST_HZ, Unit.HERTZ));
        }
        if (control == Control.WATTMETERS) {
            return new RunEvent.DialMoved(
                    control, typed, NumberEntry.parsePlain(control.name(), typed, 0, 1, Unit.ONE));
        }
        Dial dial = state.setup()
                .stage()
                .dial(control)
                .orElseThrow(() -> new Refused(new Problem(
                        ProblemCode.UNKNOWN_NAME,
                        "control",
                        control.name(),
                        new Allowed.OneOf(state.setup().controls().stream()
                                .map(Control::name)
                                .toList()))));
        double position = NumberEntry.parsePlain(control.name(), typed, dial.least(), dial.most(), Unit.MARK);
        return new RunEvent.DialMoved(control, typed, position);
    }
}
