package org.tubrin.core.scope;

import java.util.Arrays;
import java.util.List;
import java.util.Optional;

/**
 * Where a waveform check stands: exciter, then amplifier, each unmodulated first. Volts and a wattmeter that disagree beyond both are
 * looked at once more before anything is made of them.
 *
 * @param next the next look; empty at the end
 * @param end what it came to; empty while it goes on
 */
public record ScopeCheck(Optional<Next> next, Optional<End> end) {

    /** The next look, and why. */
    public record Next(Look look, Because because) {}

    /** Why that. */
    public enum Because {
        IN_ORDER,
        /** Volts and wattmeter disagreed: probe, load and range first. */
        VOLTS_APART,
        /** The exciter itself is not clean: less of it first, or what follows is not the amplifier's. */
        EXCITER_NOT_CLEAN
    }

    /** What it came to. */
    public enum End {
        CLEAN,
        NOT_CLEAN,
        /** Clean or not, volts and wattmeter disagree: one of them lies. */
        VOLTS_APART
    }

    /**
     * One look.
     *
     * @param apart whether volts and wattmeter disagreed
     */
    public record Taken(Look look, boolean apart, Sight sight) {
        /** Returns whether what it was for is as it should be. */
        public boolean isClean() {
            return switch (look.shows()) {
                case VOLTS -> true;
                case RIPPLE -> !sight.breathes();
                case BEAT -> sight.envelope().isEmpty() && sight.overDrive().isEmpty();
            };
        }
    }

    /** Returns where it stands after some looks. */
    public static ScopeCheck of(List<Taken> taken) {
        for (Look look : Look.values()) {
            List<Taken> such = taken.stream().filter(one -> one.look() == look).toList();
            if (such.isEmpty()) {
                return goesOn(look, Because.IN_ORDER);
            }
            if (such.size() == 1 && such.get(0).apart()) {
                return goesOn(look, Because.VOLTS_APART);
            }
            boolean spoilsTheRest = look == Look.EXCITER_TONES && !such.get(0).isClean();
            if (such.size() == 1 && spoilsTheRest) {
                return goesOn(look, Because.EXCITER_NOT_CLEAN);
            }
        }
        List<Taken> last = Arrays.stream(Look.values())
                .map(look -> taken.stream()
                        .filter(one -> one.look() == look)
                        .reduce((first, second) -> second)
                        .orElseThrow())
                .toList();
        if (last.stream().anyMatch(Taken::apart)) {
            return ends(End.VOLTS_APART);
        }
        return ends(last.stream().allMatch(Taken::isClean) ? End.CLEAN : End.NOT_CLEAN);
    }

    private static ScopeCheck goesOn(Look look, Because because) {
        return new ScopeCheck(Optional.of(new Next(look, because)), Optional.empty());
    }

    private static ScopeCheck ends(End end) {
        return new ScopeCheck(Optional.empty(), Optional.of(end));
    }
}
