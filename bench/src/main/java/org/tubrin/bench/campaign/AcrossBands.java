package org.tubrin.bench.campaign;

import java.io.IOException;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Random;
import java.util.function.ToDoubleFunction;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import org.tubrin.core.card.DialsAhead;
import org.tubrin.core.foresee.TwinLearning;
import org.tubrin.core.practice.TrueStage;
import org.tubrin.core.practice.WithinLimits;
import org.tubrin.core.run.RunState;
import org.tubrin.core.run.TuneSetup;
import org.tubrin.core.station.Amplifier;
import org.tubrin.core.station.Band;
import org.tubrin.core.station.Stage;
import org.tubrin.core.tank.ImpedancePoint;

/**
 * What one run on one band says of the others: dials by the twin that learned from it, full drive at the first key-down there;
 * arguments: a folder, the cases, the seed.
 */
public final class AcrossBands {
    private static final int WORST = 10;
    private static final double LEAST_PEAK_MARK = 0.02;
    private static final double PEAK_MARKS = 1.5;

    /**
     * What the first key-down at full drive on another band came to.
     *
     * @param truth and what the dials rest on
     * @param asSetPercent output of the best that limits allow there, the dials left as they were set
     * @param peakedPercent the same once PLATE is peaked in that key-down
     * @param beyond whether a limit is then passed
     */
    record Other(
            int number, Band from, Band to, String truth, double asSetPercent, double peakedPercent, boolean beyond) {}

    private AcrossBands() {}

    public static void main(String[] arguments) throws IOException {
        int cases = Integer.parseInt(arguments[1]);
        long seed = Long.parseLong(arguments[2]);
        List<Other> others = run(cases, seed);
        Tables.write(
                Path.of(arguments[0]),
                "bands.md",
                markdown(others, cases, seed),
                "bands.csv",
                Tables.csv(figures(others)));
    }

    static List<Other> run(int cases, long seed) {
        return IntStream.range(0, cases)
                .parallel()
                .boxed()
                .flatMap(number -> {
                    // Triodes alone: no other tube is foreign.
                    int triodes = number + number / 4;
                    Case given = Case.of(triodes, seed + 7919L * triodes).intoItsLoad();
                    return Stream.of(
                                    others(given, "like its twin, learned", true),
                                    others(given.foreign(), "foreign, learned", true),
                                    others(given.foreign(), "foreign, twin as recorded", false))
                            .flatMap(List::stream);
                })
                .toList();
    }

    private static List<Other> others(Case given, String truth, boolean learns) {
        Amplifier known = given.setup().amplifier();
        Amplifier learned = learns ? learned(given) : known;
        List<Other> others = new ArrayList<>();
        for (Band band : known.bands()) {
            if (band != given.setup().band()) {
                double hz = (band.lowestHz() + band.highestHz()) / 2;
                DialsAhead.Spot spot =
                        new DialsAhead.Spot(band, hz, new ImpedancePoint(hz, given.loadOhm(), 0), known.driveLimitW());
                DialsAhead.at(learned, List.of(), spot)
                        .map(dials -> keyed(given, given.on(band, hz), truth, dials))
                        .ifPresent(others::add);
            }
        }
        return others;
    }

    /** Returns the amplifier as one run tells of it. */
    private static Amplifier learned(Case given) {
        CaseShack shack = new CaseShack(given.by(given.suggested()), new Random(given.seed()));
        RunState run = new Novice(shack, new Random(given.seed() + 1)).run();
        Amplifier known = given.setup().amplifier();
        return TwinLearning.of(run).map(one -> one.applied(known)).orElse(known);
    }

    private static Other keyed(Case from, Case there, String truth, DialsAhead dials) {
        TuneSetup setup = there.setup();
        TrueStage stage = there.stage();
        WithinLimits limits = new WithinLimits(stage, setup);
        double bestW = limits.best().outputW();
        Stage.Tubes tubes = setup.tubes();
        double plate = tubes.plate().clamp(dials.plate().value() + there.plateOffsetMarks());
        double load = tubes.load().clamp(dials.load().value() + there.loadOffsetMarks());
        double driveW = setup.topDriveW() * there.driveShare();
        double asSetW = output(stage, driveW, plate, load);
        double span = PEAK_MARKS * tubes.plate().markStep();
        double peakedAt = IntStream.rangeClosed(0, (int) Math.round(2 * PEAK_MARKS / LEAST_PEAK_MARK))
                .mapToObj(i -> tubes.plate()
                        .clamp(plate
                                - span
                                + i * LEAST_PEAK_MARK * tubes.plate().markStep()))
                .max(Comparator.comparingDouble(place -> output(stage, driveW, place, load)))
                .orElseThrow();
        double peakedW = output(stage, driveW, peakedAt, load);
        boolean beyond = limits.isPassed();
        return new Other(
                from.number(),
                from.setup().band(),
                setup.band(),
                truth,
                100 * asSetW / bestW,
                100 * peakedW / bestW,
                beyond);
    }

    private static double output(TrueStage stage, double driveW, double plate, double load) {
        stage.forget();
        return stage.settle(driveW, plate, load) ? stage.outputW() : 0;
    }

    /** The worst of twenty stands where the 95th percentile does: at the low end. */
    private static Map<String, Map<String, double[]>> figures(List<Other> others) {
        Map<String, Map<String, double[]>> figures = new LinkedHashMap<>();
        Tables.byProcedure(others, Other::truth).forEach((truth, of) -> {
            Map<String, double[]> metrics = new LinkedHashMap<>();
            metrics.put("short_as_set_percent", Tables.sorted(of, one -> 100 - one.asSetPercent()));
            metrics.put("short_peaked_percent", Tables.sorted(of, one -> 100 - one.peakedPercent()));
            metrics.put("beyond_percent", new double[] {beyondPercent(of)});
            figures.put(truth, metrics);
        });
        return figures;
    }

    static double beyondPercent(List<Other> others) {
        return 100.0 * others.stream().filter(Other::beyond).count() / others.size();
    }

    /** Returns what all but a share of the key-downs reach, in per cent of the best. */
    static double reached(List<Other> others, String truth, ToDoubleFunction<Other> figure, double allBut) {
        return Tables.at(
                Tables.sorted(
                        others.stream().filter(one -> one.truth().equals(truth)).toList(), figure),
                allBut);
    }

    private static String markdown(List<Other> others, int cases, long seed) {
        StringBuilder out = new StringBuilder(String.format(
                Locale.ROOT,
                "# One run, all bands\n\n%d amplifiers, seed %d, run on %s by `scripts/campaign bands`. Output of the best that"
                        + " limits allow there, in per cent: median / what 19 of 20 reach.\n\n"
                        + "| amplifier | key-downs | dials as set | PLATE peaked | beyond a limit |\n|-|-|-|-|-|\n",
                cases,
                seed,
                Tables.today()));
        Tables.byProcedure(others, Other::truth)
                .forEach((truth, of) -> out.append(String.format(
                        Locale.ROOT,
                        "| %s | %d | %.1f / %.1f | %.1f / %.1f | %.1f %% |\n",
                        truth,
                        of.size(),
                        reached(of, truth, Other::asSetPercent, 0.5),
                        reached(of, truth, Other::asSetPercent, 0.05),
                        reached(of, truth, Other::peakedPercent, 0.5),
                        reached(of, truth, Other::peakedPercent, 0.05),
                        beyondPercent(of))));
        out.append("\n## The ten that came out worst, PLATE peaked\n\n");
        others.stream()
                .sorted(Comparator.comparingDouble(Other::peakedPercent))
                .limit(WORST)
                .forEach(one -> out.append(String.format(
                        Locale.ROOT,
                        "- case %d, %s, %s to %s: %.0f %% as set, %.0f %% peaked%s\n",
                        one.number(),
                        one.truth(),
                        one.from(),
                        one.to(),
                        one.asSetPercent(),
                        one.peakedPercent(),
                        one.beyond() ? ", beyond a limit" : "")));
        return out.append("""

                ## What is played

                Triodes into a dummy load, tuned once on a band of theirs by the next move. The twin of the record, or the same with what
                that run told of it, then says dials for each other band, in the middle of it; the exciter is set to full drive,
                and the key goes down. *As set* leaves the dials; *peaked* turns PLATE for most output in that key-down, by up to
                1.5 marks. Beyond a limit: grid or plate current, or the licence, once peaked. Above 100 % is what limits do not allow.
                """).toString();
    }
}
