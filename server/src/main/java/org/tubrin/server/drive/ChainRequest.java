package org.tubrin.server.drive;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import org.jspecify.annotations.Nullable;
import org.tubrin.core.chain.Chain;
import org.tubrin.core.chain.ChainPart;
import org.tubrin.core.chain.Generator;
import org.tubrin.core.metering.NumberEntry;
import org.tubrin.core.quantity.Unit;

/**
 * A chain, as typed.
 *
 * @param given how the generator's output is told
 * @param value that output
 * @param open half of the 95 % interval of its level, in decibels
 * @param parts from the generator to the load
 * @param wanted output into the load, in watts
 */
public record ChainRequest(Generator.Given given, String value, String open, List<PartEntry> parts, String wanted) {

    /**
     * One part, as typed.
     *
     * @param decibels what it takes or gives
     * @param open half of the 95 % interval of that
     * @param compression output of a stage at 1 dB of compression, in watts; empty where it is not known
     * @param most what may be fed in, in watts; empty where it is not known
     */
    public record PartEntry(
            String name,
            ChainPart.Kind kind,
            String decibels,
            String open,
            @Nullable String compression,
            @Nullable String most) {

        private ChainPart part(String at) {
            return new ChainPart(
                    name.strip(),
                    kind,
                    NumberEntry.parsePlain(
                            at + "decibels", decibels, 0, kind == ChainPart.Kind.STAGE ? 60 : 80, Unit.DECIBEL),
                    NumberEntry.parsePlain(at + "open", open, 0, 6, Unit.DECIBEL),
                    kind == ChainPart.Kind.STAGE ? watt(at + "compression", compression) : Optional.empty(),
                    watt(at + "most", most));
        }

        private static Optional<Double> watt(String field, @Nullable String text) {
            return Optional.ofNullable(text)
                    .filter(one -> !one.isBlank())
                    .map(one -> NumberEntry.parsePlain(field, one, 1e-6, 1e4, Unit.WATT));
        }
    }

    Chain chain() {
        boolean isDbm = given == Generator.Given.DBM;
        Generator generator = new Generator(
                given,
                NumberEntry.parsePlain(
                        "value",
                        value,
                        isDbm ? -120 : 1e-6,
                        isDbm ? 60 : 2000,
                        isDbm ? Unit.DECIBEL : given == Generator.Given.WATT ? Unit.WATT : Unit.VOLT),
                NumberEntry.parsePlain("open", open, 0, 6, Unit.DECIBEL));
        List<ChainPart> all = new ArrayList<>();
        for (int i = 0; i < parts.size(); i++) {
            all.add(parts.get(i).part("parts." + i + "."));
        }
        return new Chain(generator, all);
    }

    double wantedW() {
        return NumberEntry.parsePlain("wanted", wanted, 1e-6, 1e4, Unit.WATT);
    }
}
