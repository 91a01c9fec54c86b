package org.tubrin.server.run;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import org.jspecify.annotations.Nullable;
import org.tubrin.core.chain.Chain;
import org.tubrin.core.chain.ChainPart;
import org.tubrin.core.chain.ChainPlan;
import org.tubrin.core.chain.Generator;
import org.tubrin.core.chain.Power;
import org.tubrin.core.metering.NumberEntry;
import org.tubrin.core.quantity.Refused;
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
            double takesDb = NumberEntry.parsePlain(at + "decibels", decibels, 0, kind.mostDb(), Unit.DECIBEL);
            double openDb = openDb(at + "open", open);
            Optional<Double> compressionW =
                    kind == ChainPart.Kind.STAGE ? watt(at + "compression", compression) : Optional.empty();
            Optional<Double> mostW = watt(at + "most", most);
            try {
                return new ChainPart(name.strip(), kind, takesDb, openDb, compressionW, mostW);
            } catch (Refused e) {
                throw new Refused(e.problems().stream()
                        .map(problem -> problem.under(at.substring(0, at.length() - 1)))
                        .toList());
            }
        }

        private static Optional<Double> watt(String field, @Nullable String text) {
            return Optional.ofNullable(text)
                    .filter(one -> !one.isBlank())
                    .map(one -> NumberEntry.parsePlain(field, one, Power.LEAST_W, Power.MOST_W, Unit.WATT));
        }
    }

    /** Returns the chain; refuses what is mistyped by its field. */
    public Chain chain() {
        Generator generator = new Generator(
                given,
                NumberEntry.parsePlain("value", value, given.least(), given.most(), given.unit()),
                openDb("open", open));
        List<ChainPart> all = new ArrayList<>();
        for (int i = 0; i < parts.size(); i++) {
            all.add(parts.get(i).part("parts." + i + "."));
        }
        return new Chain(generator, all);
    }

    /** Returns what is driven up. */
    public ChainPlan plan() {
        return new ChainPlan(chain(), wantedW());
    }

    private static double openDb(String field, String text) {
        return NumberEntry.parsePlain(field, text, 0, Power.MOST_OPEN_DB, Unit.DECIBEL);
    }

    /** Returns the wanted output, in watts. */
    public double wantedW() {
        return NumberEntry.parsePlain("wanted", wanted, Power.LEAST_W, Power.MOST_W, Unit.WATT);
    }
}
