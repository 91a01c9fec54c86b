package org.tubrin.core.chain;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import org.tubrin.core.quantity.Checks;
import org.tubrin.core.quantity.Decibels;

/**
 * A generator, what follows on it, and a load of 50 Ω.
 *
 * @param generator what drives it
 * @param parts 1 to 12, in order from the generator
 */
public record Chain(Generator generator, List<ChainPart> parts) {
    private static final int MOST_PARTS = 12;
    private static final double START_DB = 50;
    private static final double COARSE_DB = 10;
    /** No attenuator takes more. */
    public static final double MOST_ATTENUATION_DB = 120;

    /**
     * What stands behind a part.
     *
     * @param part the part
     * @param inputW fed into it, in watts
     * @param outputW out of it, in watts
     * @param openDb half of the 95 % interval of that output: what is open of all before it, as independent of each other
     * @param compressionDb by how much its gain has fallen
     */
    public record Node(ChainPart part, double inputW, double outputW, double openDb, double compressionDb) {
        /** Returns by how many decibels the input is above what may be fed in; empty where that is not known. */
        public Optional<Double> overDb() {
            return part.overDb(inputW);
        }
    }

    /**
     * One setting of an attenuator behind the generator, on the way up.
     *
     * @param attenuationDb of the attenuator
     * @param inputW at the first stage, in watts
     * @param outputW into the load, in watts
     */
    public record Setting(double attenuationDb, double inputW, double outputW) {}

    /** What ends the way up. */
    public enum End {
        /** The wanted output. */
        WANTED,
        /** A part is fed with what it may be fed with. */
        INPUT,
        /** A stage has lost 1 dB of its gain. */
        COMPRESSION,
        /** The generator gives no more. */
        GENERATOR
    }

    public Chain {
        new Checks().size("parts", parts, 1, MOST_PARTS).done();
        parts = List.copyOf(parts);
    }

    /** Returns what stands behind each part, from the generator to the load. */
    public List<Node> nodes() {
        return nodes(generator.powerW());
    }

    private List<Node> nodes(double generatorW) {
        List<Node> nodes = new ArrayList<>();
        double watt = generatorW;
        double openDb = generator.openDb();
        for (ChainPart part : parts) {
            double outputW = part.outputW(watt);
            openDb = Math.hypot(openDb, part.openDb());
            nodes.add(new Node(part, watt, outputW, openDb, part.compressionDb(watt)));
            watt = outputW;
        }
        return List.copyOf(nodes);
    }

    /** Returns what reaches the load, in watts. */
    public double outputW() {
        return outputOfW(generator.powerW());
    }

    /** Returns what reaches the load at a power of the generator, both in watts. */
    public double outputOfW(double generatorW) {
        List<Node> nodes = nodes(generatorW);
        return nodes.get(nodes.size() - 1).outputW();
    }

    /** Returns the power of the generator for an output, both in watts; empty where a stage saturates before. */
    public Optional<Double> generatorForW(double outputW) {
        return back(parts, outputW);
    }

    /**
     * The most that the generator may bring.
     *
     * @param end what ends it
     * @param generatorW behind the attenuator, in watts
     */
    public record Most(End end, double generatorW) {}

    /** Returns the most that may come from the generator on the way to a wanted output in watts. */
    public Most most(double wantedW) {
        List<Most> ends = new ArrayList<>();
        ends.add(new Most(End.GENERATOR, generator.powerW()));
        generatorForW(wantedW).ifPresent(watt -> ends.add(new Most(End.WANTED, watt)));
        for (int i = 0; i < parts.size(); i++) {
            ChainPart part = parts.get(i);
            List<ChainPart> before = parts.subList(0, i);
            if (part.compressionW().isPresent()) {
                part.inputW(part.compressionW().get())
                        .flatMap(input -> back(before, input))
                        .ifPresent(watt -> ends.add(new Most(End.COMPRESSION, watt)));
            }
        }
        inputMostW().ifPresent(watt -> ends.add(new Most(End.INPUT, watt)));
        return ends.stream().min(Comparator.comparingDouble(Most::generatorW)).orElseThrow();
    }

    /** Returns the power of the generator at which the first of the parts is fed with what it may be, in watts; empty where none is known. */
    public Optional<Double> inputMostW() {
        List<Double> ends = new ArrayList<>();
        for (int i = 0; i < parts.size(); i++) {
            List<ChainPart> before = parts.subList(0, i);
            parts.get(i).mostInputW().flatMap(most -> back(before, most)).ifPresent(ends::add);
        }
        return ends.stream().min(Comparator.naturalOrder());
    }

    private static Optional<Double> back(List<ChainPart> parts, double outputW) {
        Optional<Double> watt = Optional.of(outputW);
        for (int i = parts.size() - 1; i >= 0; i--) {
            ChainPart part = parts.get(i);
            watt = watt.flatMap(part::inputW);
        }
        return watt;
    }

    /**
     * Returns the settings of an attenuator behind the generator on the way to a wanted output in watts: 50 dB or more to begin with,
     * down by 10 dB, the last ten by 1 dB; never beyond {@link #most}.
     */
    public List<Setting> wayUp(double wantedW) {
        double leastDb = Math.max(
                0, Math.ceil(Decibels.of(generator.powerW() / most(wantedW).generatorW()) - 1e-9));
        double db = Math.min(
                MOST_ATTENUATION_DB, Math.max(START_DB, COARSE_DB * Math.ceil((leastDb + COARSE_DB) / COARSE_DB)));
        List<Setting> settings = new ArrayList<>();
        while (db >= leastDb) {
            settings.add(setting(db));
            db -= db - COARSE_DB >= leastDb ? COARSE_DB : 1;
        }
        return List.copyOf(settings);
    }

    private Setting setting(double attenuationDb) {
        double watt = generator.powerW() * Decibels.ratio(-attenuationDb);
        List<Node> nodes = nodes(watt);
        double inputW = nodes.stream()
                .filter(node -> node.part().kind() == ChainPart.Kind.STAGE)
                .findFirst()
                .map(Node::inputW)
                .orElse(watt);
        return new Setting(attenuationDb, inputW, nodes.get(nodes.size() - 1).outputW());
    }
}
