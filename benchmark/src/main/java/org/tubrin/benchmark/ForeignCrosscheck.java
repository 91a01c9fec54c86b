package org.tubrin.benchmark;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import org.tubrin.bench.foreign.ForeignStage;
import org.tubrin.core.station.Band;
import org.tubrin.core.station.TwinConstants;
import org.tubrin.core.twin.Setting;

/** Compares amplifiers that the twin cannot express with a transient simulation of the same, and prints one table. */
public final class ForeignCrosscheck {
    private static final String HEADER = """
            # Source: ngspice, a transient simulation of the same amplifier with all harmonics; by scripts/crosscheck foreign.
            # Columns: Hz, ohms, W, marks; what the simulation has: W, A, A, V.
            seed,band,frequencyHz,loadOhm,loadReactanceOhm,driveW,plate,load,outputW,plateA,gridA,plateV
            """;

    private ForeignCrosscheck() {}

    /** One amplifier, driven, with PLATE so far off resonance. */
    private record Case(
            long seed,
            Band band,
            double frequencyHz,
            double reactanceOhm,
            double driveW,
            double load,
            double offMarks) {}

    private static List<Case> cases() {
        return List.of(
                new Case(1, Band.MHZ_7, 7.1e6, 0, 17.5, 4.5, 0),
                new Case(1, Band.MHZ_7, 7.1e6, 0, 70, 4.5, 0),
                new Case(1, Band.MHZ_7, 7.1e6, 0, 70, 3, 0),
                new Case(2, Band.MHZ_7, 7.1e6, 0, 35, 4.5, 0),
                new Case(2, Band.MHZ_7, 7.1e6, 0, 70, 5, 0),
                new Case(2, Band.MHZ_7, 7.1e6, 0, 70, 5, -0.2),
                new Case(3, Band.MHZ_7, 7.1e6, 20, 70, 4.5, 0),
                new Case(3, Band.MHZ_14, 14.2e6, 0, 70, 6.4, 0),
                new Case(4, Band.MHZ_7, 7.1e6, 0, 70, 4, 0),
                new Case(4, Band.MHZ_1_8, 1.9e6, 0, 70, 3.7, 0),
                new Case(5, Band.MHZ_7, 7.1e6, 0, 50, 4.5, 0),
                new Case(5, Band.MHZ_28, 28.5e6, 0, 70, 6.5, 0),
                new Case(6, Band.MHZ_7, 7.1e6, 0, 70, 6, 0),
                new Case(6, Band.MHZ_3_5, 3.6e6, 0, 70, 4.5, 0));
    }

    /** Runs them; argument: a folder for the netlists and for what came out, foreign.csv. */
    public static void main(String[] args) throws IOException, InterruptedException {
        Path folder = Files.createDirectories(Path.of(args[0]));
        System.out.println("| amplifier | output W | stage % | plate A | stage % | grid A | stage % |");
        System.out.println("|---|---|---|---|---|---|---|");
        StringBuilder table = new StringBuilder(HEADER);
        int n = 0;
        for (Case one : cases()) {
            Setting setting = new Setting(one.band(), one.frequencyHz(), 1, 0, 0, 50, one.reactanceOhm());
            ForeignStage stage = ForeignStage.like(
                    (TwinConstants.CathodeDriven) Stages.TWIN.constants(), Stages.TWIN.tubes(), setting, one.seed());
            double plate = Math.rint(1000 * (stage.resonantPlate(one.load()) + one.offMarks())) / 1000;
            Path netlist = folder.resolve("foreign-" + n++ + ".cir");
            Files.writeString(netlist, stage.netlist(one.driveW(), plate, one.load()));
            Map<String, Double> simulated = Crosscheck.run(netlist);
            double output = simulated.get("output");
            double plateA = simulated.get("plate");
            double gridA = simulated.get("grid");
            System.out.printf(
                    Locale.ROOT,
                    "| %d, %s, %.0f W, %.2f / %.1f | %.1f | %+.2f | %.4f | %+.2f | %.4f | %+.2f |%n",
                    one.seed(),
                    one.band(),
                    one.driveW(),
                    plate,
                    one.load(),
                    output,
                    100 * (stage.outputW() / output - 1),
                    plateA,
                    100 * (stage.plateCurrentA() / plateA - 1),
                    gridA,
                    100 * (stage.gridCurrentA() / gridA - 1));
            table.append(String.format(
                    Locale.ROOT,
                    "%d,%s,%.0f,50,%s,%s,%s,%s,%.2f,%.5f,%.5f,%.1f%n",
                    one.seed(),
                    one.band(),
                    one.frequencyHz(),
                    one.reactanceOhm(),
                    one.driveW(),
                    plate,
                    one.load(),
                    output,
                    plateA,
                    gridA,
                    simulated.get("supply")));
        }
        Files.writeString(folder.resolve("foreign.csv"), table);
    }
}
