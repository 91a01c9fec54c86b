package org.tubrin.core.chain;

import java.util.Optional;
import org.tubrin.core.quantity.Checks;
import org.tubrin.core.quantity.Decibels;
import org.tubrin.core.quantity.Unit;
import org.tubrin.core.twin.Rapp;

/**
 * One part of a chain.
 *
 * @param name 1 to 40 characters
 * @param kind what it is
 * @param decibels what a pad or line takes, 0 to 80 dB; what a stage gives before it is compressed, 0 to 60 dB
 * @param openDb half of the 95 % interval of that, 0 to 6 dB
 * @param compressionW output of a stage at which its gain has fallen by 1 dB, 1e-6 to 10 000 W; empty where it has none, or it is not
 *     known
 * @param mostInputW what may be fed in, 1e-6 to 10 000 W; empty where it is not known
 */
public record ChainPart(
        String name,
        Kind kind,
        double decibels,
        double openDb,
        Optional<Double> compressionW,
        Optional<Double> mostInputW) {
    /** Output as a share of the saturated one where the gain has fallen by 1 dB. */
    private static final double AT_ONE_DECIBEL = Rapp.output(Math.sqrt(Decibels.ratio(2) - 1));

    /** What a part is. */
    public enum Kind {
        PAD,
        LINE,
        STAGE;

        /** Returns the most that one takes or gives, in decibels. */
        public double mostDb() {
            return this == STAGE ? 60 : 80;
        }
    }

    public ChainPart {
        boolean isStage = kind == Kind.STAGE;
        Checks checks = new Checks()
                .text("name", name, 1, 40)
                .range("decibels", decibels, 0, kind.mostDb(), Unit.DECIBEL)
                .range("openDb", openDb, 0, Power.MOST_OPEN_DB, Unit.DECIBEL);
        if (isStage) {
            compressionW.ifPresent(one -> checks.range("compressionW", one, Power.LEAST_W, Power.MOST_W, Unit.WATT));
        } else {
            compressionW = Optional.empty();
        }
        mostInputW.ifPresent(one -> checks.range("mostInputW", one, Power.LEAST_W, Power.MOST_W, Unit.WATT));
        checks.done();
    }

    private double ratio() {
        return Decibels.ratio(kind == Kind.STAGE ? decibels : -decibels);
    }

    private Optional<Double> saturatedW() {
        return compressionW.map(one -> one / AT_ONE_DECIBEL);
    }

    /** Returns what comes out for what is fed in, in watts; a stage saturates by {@link Rapp}. */
    public double outputW(double inputW) {
        double straightW = ratio() * inputW;
        return saturatedW().map(end -> end * Rapp.output(straightW / end)).orElse(straightW);
    }

    /** Returns what must be fed in for an output, in watts; empty where it saturates before. */
    public Optional<Double> inputW(double outputW) {
        if (saturatedW().filter(end -> outputW >= end).isPresent()) {
            return Optional.empty();
        }
        double straightW =
                saturatedW().map(end -> end * Rapp.straight(outputW / end)).orElse(outputW);
        return Optional.of(straightW / ratio());
    }

    /** Returns by how many decibels the gain has fallen at an input in watts. */
    public double compressionDb(double inputW) {
        return saturatedW()
                .map(end -> Rapp.compressionDb(ratio() * inputW / end))
                .orElse(0.0);
    }

    /** Returns by how many decibels an input in watts is above what may be fed in, negative below; empty where that is not known. */
    public Optional<Double> overDb(double inputW) {
        return mostInputW.map(most -> Decibels.of(inputW / most));
    }

    /** Returns the heat in a pad or line, in watts; 0 in a stage, whose heat comes from its supply. */
    public double heatW(double inputW) {
        return kind == Kind.STAGE ? 0 : inputW - outputW(inputW);
    }
}
