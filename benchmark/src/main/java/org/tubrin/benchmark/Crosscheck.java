package org.tubrin.benchmark;

import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.tubrin.core.station.Band;
import org.tubrin.core.twin.Outcome;
import org.tubrin.core.twin.Setting;
import org.tubrin.core.twin.TubePoint;
import org.tubrin.core.twin.TubeTwin;

/** Compares the twin with a transient simulation of the same stage and prints one table. */
public final class Crosscheck {
    private static final Pattern MEASURE =
            Pattern.compile("^(output|plate|grid|supply)\\s*=\\s*(\\S+)", Pattern.MULTILINE);

    /** One point to compare. */
    private record Case(String name, TubeTwin twin, Setting setting, boolean inResonance) {
        Case(String name, TubeTwin twin, Setting setting) {
            this(name, twin, setting, true);
        }

        Case offResonance() {
            return new Case(name, twin, setting, false);
        }
    }

    private static final String HEADER = """
            # Source: ngspice, a transient simulation with the same tube law, real networks and all harmonics; by scripts/crosscheck.
            # Columns: band, Hz, W, marks, ohms; what the simulation has: W, A, A, V. In resonance the twin is to come within 0.5 % of
            # output, 0.3 % of plate current, 0.7 % of grid current; off it, where the simulation's step of a hundredth of a cycle
            # shifts the resonance, within 1.5 %, 0.3 %, 1.3 %. A grid current below 1 mA is none.
            point,stage,inResonance,band,frequencyHz,driveW,plate,load,loadOhm,loadReactanceOhm,outputW,plateA,gridA,plateV
            """;

    private Crosscheck() {}

    private static Setting into(double ohm, double reactanceOhm) {
        return new Setting(Band.MHZ_7, 7.1e6, 70, 5.103, 4.439, ohm, reactanceOhm);
    }

    private static List<Case> cases() {
        TubeTwin triodes = Stages.TWIN;
        return List.of(
                new Case("at rest", triodes, Stages.at(0, 5.103, 4.439)),
                new Case("4.4 W", triodes, Stages.at(4.375, 5.103, 4.439)),
                new Case("17.5 W", triodes, Stages.at(17.5, 5.103, 4.439)),
                new Case("35 W", triodes, Stages.at(35, 5.103, 4.439)),
                new Case("70 W, tuned", triodes, Stages.at(70, 5.103, 4.439)),
                new Case("84 W", triodes, Stages.at(84, 5.103, 4.439)),
                new Case("heavier finish", triodes, Stages.at(70, 5.093, 5.041)),
                new Case("light", triodes, Stages.at(70, 5.131, 2.939)),
                new Case("PLATE low by 0.4", triodes, Stages.at(70, 4.703, 4.439)).offResonance(),
                new Case("into 35 Ω", triodes, into(35, 0)).offResonance(),
                new Case("into 50 + j20 Ω", triodes, into(50, 20)),
                new Case("into 75 − j15 Ω", triodes, into(75, -15)).offResonance(),
                new Case("1.9 MHz", triodes, new Setting(Band.MHZ_1_8, 1.9e6, 70, 2.608, 3.736, 50, 0)),
                new Case("14.2 MHz", triodes, new Setting(Band.MHZ_14, 14.2e6, 70, 7.451, 6.437, 50, 0)),
                new Case("28.5 MHz", triodes, new Setting(Band.MHZ_28, 28.5e6, 70, 8.268, 6.473, 50, 0)),
                new Case("tetrode, 0.5 W", Stages.TETRODE, Stages.tetrodeAt(0.5)),
                new Case("tetrode, 2 W", Stages.TETRODE, Stages.tetrodeAt(2)),
                new Case("tetrode, 2.4 W", Stages.TETRODE, Stages.tetrodeAt(2.4)));
    }

    /** Runs the cases; arguments: a folder for the netlists and for what came out, simulated.csv, and how many cases. */
    public static void main(String[] args) throws IOException, InterruptedException {
        Path folder = Files.createDirectories(Path.of(args[0]));
        System.out.println(
                "| point | output W | twin % | plate A | twin % | grid A | twin % | efficiency | twin % | simulator s | ratio |");
        System.out.println("|---|---|---|---|---|---|---|---|---|---|---|");
        StringBuilder table = new StringBuilder(HEADER);
        int n = 0;
        for (Case one : cases().subList(0, Integer.parseInt(args[1]))) {
            TubePoint point = settled(one);
            Path netlist = folder.resolve("point-" + n++ + ".cir");
            Files.writeString(
                    netlist,
                    Netlist.of(
                            one.twin(),
                            one.setting(),
                            point.meters().plateVoltageDcV(),
                            point.meters().plateCurrentA()));
            long from = System.nanoTime();
            Map<String, Double> simulated = run(netlist);
            double simulatorS = (System.nanoTime() - from) / 1e9;
            print(one, point, simulated, simulatorS, simulatorS / twinS(one));
            table.append(row(one, simulated));
        }
        Files.writeString(folder.resolve("simulated.csv"), table);
    }

    private static String row(Case one, Map<String, Double> simulated) {
        Setting at = one.setting();
        return String.format(
                Locale.ROOT,
                "%s,%s,%s,%s,%.0f,%s,%s,%s,%s,%s,%.2f,%.5f,%.5f,%.1f%n",
                one.name().replace(",", ""),
                one.twin() == Stages.TWIN ? "triodes" : "tetrode",
                one.inResonance() ? "yes" : "no",
                at.band(),
                at.frequencyHz(),
                at.driveW(),
                at.plate(),
                at.load(),
                at.loadOhm(),
                at.loadReactanceOhm(),
                simulated.get("output"),
                simulated.get("plate"),
                simulated.get("grid"),
                simulated.get("supply"));
    }

    private static TubePoint settled(Case one) {
        if (one.twin().at(one.setting()) instanceof Outcome.Settled<TubePoint> settled) {
            return settled.point();
        }
        throw new IllegalStateException("the twin did not settle at " + one.name());
    }

    /** Returns the time of one point found from nothing, after warming up. */
    private static double twinS(Case one) {
        var probe = one.twin().probe(one.setting()).orElseThrow();
        double sum = 0;
        long from = 0;
        int rounds = 20_000;
        for (int i = -rounds; i < rounds; i++) {
            if (i == 0) {
                from = System.nanoTime();
            }
            probe.forget();
            if (probe.settle(
                    one.setting().driveW(), one.setting().plate(), one.setting().load())) {
                sum += probe.outputW();
            }
        }
        double seconds = (System.nanoTime() - from) / 1e9 / rounds;
        if (sum < 0) {
            throw new IllegalStateException("negative output");
        }
        return seconds;
    }

    /** Runs a netlist; returns output in watts, plate and grid current in amperes, supply in volts. */
    static Map<String, Double> run(Path netlist) throws IOException, InterruptedException {
        Process process = new ProcessBuilder("ngspice", "-b", netlist.toString())
                .redirectErrorStream(true)
                .start();
        String said = new String(process.getInputStream().readAllBytes(), StandardCharsets.UTF_8);
        process.waitFor();
        Map<String, Double> measures = new HashMap<>();
        Matcher matcher = MEASURE.matcher(said);
        while (matcher.find()) {
            measures.put(matcher.group(1), Double.valueOf(matcher.group(2)));
        }
        if (measures.size() != 4) {
            throw new IllegalStateException("ngspice did not measure " + netlist + ":\n" + said);
        }
        return measures;
    }

    private static void print(
            Case one, TubePoint point, Map<String, Double> simulated, double simulatorS, double ratio) {
        double output = simulated.get("output");
        double plate = simulated.get("plate");
        double grid = simulated.get("grid");
        double efficiency = output / (plate * simulated.get("supply"));
        System.out.printf(
                Locale.ROOT,
                "| %s | %.1f | %s | %.4f | %s | %.4f | %s | %.3f | %s | %.1f | %,.0f |%n",
                one.name(),
                output,
                off(point.outputW(), output, 0.05),
                plate,
                off(point.meters().plateCurrentA(), plate, 1e-4),
                grid,
                off(point.meters().gridCurrentA(), grid, 1e-4),
                efficiency,
                off(point.efficiency().orElse(0), efficiency, 1e-3),
                simulatorS,
                ratio);
    }

    private static String off(double twin, double simulated, double least) {
        return Math.abs(simulated) < least ? "–" : String.format(Locale.ROOT, "%+.2f", 100 * (twin / simulated - 1));
    }
}
