package org.tubrin.core.advice;

import java.util.Optional;
import org.tubrin.core.metering.Channel;
import org.tubrin.core.metering.MeterRange;
import org.tubrin.core.metering.ReadingRole;
import org.tubrin.core.run.RunState;
import org.tubrin.core.run.TuneSetup;

/** The range of the output meter for what is to come. */
final class RangeAdvice {
    /** A finer range is asked for only where the most that is expected lies well within it. */
    private static final double FINER_MARGIN = 1.3;

    private RangeAdvice() {}

    /** Asks for the range that suits what is to come: wider where the needle may hit its end, finer where it would hardly lift. */
    static Optional<Advice> of(RunState state, Optional<Advice.Expectation> expect) {
        TuneSetup setup = state.setup();
        Optional<Channel> channel = setup.channelFor(ReadingRole.OUTPUT);
        String inUse = state.ranges().get(ReadingRole.OUTPUT);
        if (expect.isEmpty() || channel.isEmpty() || inUse == null) {
            return Optional.empty();
        }
        double mostW = Math.min(expect.get().mostW(), setup.station().licenceLimitW())
                / channel.get().correctionFactor();
        MeterRange wider = channel.get().rangeFor(mostW);
        MeterRange finer = channel.get().rangeFor(FINER_MARGIN * mostW);
        // A finer one at whose end the needle stood is not asked for again.
        boolean mayBeFiner = setup.stage().isTuned() || state.keyDownsInStep() == 0;
        return channel.get()
                .range(inUse)
                .flatMap(range -> range.fullScale() < mostW && wider.fullScale() > range.fullScale()
                        ? Optional.of(switchTo(setup, inUse, wider, Reason.RANGE_TOO_SMALL))
                        : mayBeFiner && finer.fullScale() < range.fullScale()
                                ? Optional.of(switchTo(setup, inUse, finer, Reason.RANGE_TOO_WIDE))
                                : Optional.empty());
    }

    private static Advice switchTo(TuneSetup setup, String inUse, MeterRange range, Reason reason) {
        return Advice.of(
                new Move.SwitchRange(
                        setup.meterFor(ReadingRole.OUTPUT).orElseThrow().name(),
                        ReadingRole.OUTPUT,
                        inUse,
                        range.name()),
                reason);
    }
}
