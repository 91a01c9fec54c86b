package org.tubrin.core.advice;

import java.util.Optional;
import org.tubrin.core.metering.Channel;
import org.tubrin.core.metering.MeterRange;
import org.tubrin.core.metering.ReadingRole;
import org.tubrin.core.run.RunState;
import org.tubrin.core.run.TuneSetup;

/** The ranges of the output meters for what is to come. */
final class RangeAdvice {
    /** A finer range is asked for only where the most that is expected lies well within it. */
    private static final double FINER_MARGIN = 1.3;

    /** A drive that was lowered by more than this ratio lets a finer range be looked for. */
    private static final double LOWERED = 1.4;

    /** So little more than a range's end asks for the next wider one. */
    private static final double JUST_MORE = 1.001;

    /** Below this share of a scale a needle as good as rests. */
    private static final double AT_REST = 0.02;

    private RangeAdvice() {}

    /** Asks for the range that suits what is to come: wider where the needle may hit its end, finer where it would hardly lift. */
    static Optional<Advice> of(RunState state, Optional<Advice.Expectation> expect) {
        return of(state, expect, FINER_MARGIN, mayBeFiner(state));
    }

    /** Asks for the finest range that holds an output which is come near to from below: it is read there and nowhere else. */
    static Optional<Advice> toRead(RunState state, double watt) {
        return of(state, Optional.of(new Advice.Expectation(0, watt)), 1, mayBeFiner(state));
    }

    /** A finer one at whose end the needle stood is not asked for again. */
    private static boolean mayBeFiner(RunState state) {
        return state.keyDownsInStep() == 0;
    }

    private static Optional<Advice> of(
            RunState state, Optional<Advice.Expectation> expect, double finerMargin, boolean mayBeFiner) {
        return of(state, expect, finerMargin, mayBeFiner, ReadingRole.OUTPUT)
                .or(() -> of(state, expect, finerMargin, mayBeFiner, ReadingRole.OTHER_OUTPUT));
    }

    private static Optional<Advice> of(
            RunState state,
            Optional<Advice.Expectation> expect,
            double finerMargin,
            boolean mayBeFiner,
            ReadingRole role) {
        TuneSetup setup = state.setup();
        Optional<Channel> channel = setup.channelFor(role);
        String inUse = state.ranges().get(role);
        if (expect.isEmpty() || channel.isEmpty() || inUse == null) {
            return Optional.empty();
        }
        double expectedW =
                Math.min(expect.get().mostW(), mostForLessDriveW(state).orElse(Double.MAX_VALUE));
        double mostW = Math.min(expectedW, setup.station().licenceLimitW())
                / channel.get().correctionFactor();
        MeterRange wider = channel.get().rangeFor(mostW);
        MeterRange finer = channel.get().rangeFor(finerMargin * mostW);
        return channel.get()
                .range(inUse)
                .flatMap(range -> range.fullScale() < mostW && wider.fullScale() > range.fullScale()
                        ? Optional.of(Advice.of(move(setup, role, inUse, wider), Reason.RANGE_TOO_SMALL))
                        : mayBeFiner && finer.fullScale() < range.fullScale()
                                ? Optional.of(Advice.of(move(setup, role, inUse, finer), Reason.RANGE_TOO_WIDE))
                                : Optional.empty());
    }

    /** Asks for a finer range where the drive was lowered: what comes out then would hardly lift the needle of a wide one. */
    static Optional<Advice> forLessDrive(RunState state) {
        return mostForLessDriveW(state)
                .filter(watt -> state.draft().readings().isEmpty())
                .flatMap(watt -> of(state, Optional.of(new Advice.Expectation(0, watt)), 1, true));
    }

    /** Returns the output to allow for where the try before had much more drive, in proportion to it and with room, in watts. */
    private static Optional<Double> mostForLessDriveW(RunState state) {
        double driveW = state.draft().driveW().value();
        return state.struck()
                .filter(before ->
                        state.setup().stage().isTuned() && before.driveW().value() > LOWERED * driveW)
                .flatMap(before -> before.measured(ReadingRole.OUTPUT)
                        .map(output -> FINER_MARGIN
                                * output.value()
                                * driveW
                                / before.driveW().value()));
    }

    /** Asks for the next wider range of a meter whose needle stands at its end: what it showed there is no reading. */
    static Optional<Advice> wider(RunState state, ReadingRole role) {
        return Optional.ofNullable(state.ranges().get(role))
                .flatMap(inUse -> state.setup()
                        .channelFor(role)
                        .flatMap(channel -> channel.range(inUse)
                                .map(range -> channel.rangeFor(range.fullScale() * JUST_MORE))
                                .filter(wider -> !wider.name().equals(inUse)))
                        .map(wider -> Advice.striking(move(state.setup(), role, inUse, wider), Reason.NEEDLE_AT_END)));
    }

    /** Asks for the finest range of an output meter that shows next to nothing: on a wide one a small output lies under its needle. */
    static Optional<Advice> finer(RunState state) {
        ReadingRole role = ReadingRole.OUTPUT;
        return Optional.ofNullable(state.ranges().get(role))
                .flatMap(inUse -> state.setup()
                        .channelFor(role)
                        .flatMap(channel -> channel.range(inUse)
                                .filter(range -> state.draft()
                                        .measured(role)
                                        .filter(output -> output.value() < AT_REST * range.fullScale())
                                        .isPresent())
                                .map(range -> channel.rangeFor(AT_REST * range.fullScale()))
                                .filter(finer -> !finer.name().equals(inUse)))
                        .map(finer -> Advice.striking(move(state.setup(), role, inUse, finer), Reason.NEEDLE_AT_REST)));
    }

    private static Move move(TuneSetup setup, ReadingRole role, String inUse, MeterRange range) {
        return new Move.SwitchRange(setup.meterFor(role).orElseThrow().name(), role, inUse, range.name());
    }
}
