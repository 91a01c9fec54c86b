package org.tubrin.bench.campaign;

import java.io.IOException;
import java.nio.file.Path;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Random;
import java.util.function.DoubleSupplier;
import java.util.function.Predicate;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import org.tubrin.core.card.CardRow;
import org.tubrin.core.metering.MeterRange;
import org.tubrin.core.metering.ReadingRole;
import org.tubrin.core.run.Control;
import org.tubrin.core.run.School;
import org.tubrin.core.run.TuneSetup;
import org.tubrin.core.station.Stage;

/**
 * Finds dials for a carrier that stands long by the next move, and holds them against those for speech with the drive turned down;
 * arguments: a folder, the number of cases, the seed.
 */
public final class LongCarrierCampaign {
    static final String OWN = "tubrin";
    private static final String DOWN = "turned down";
    private static final double NEAR = 0.1;
    private static final double LOOK_S = 4;
    private static final int HALVINGS = 30;

    private LongCarrierCampaign() {}

    /**
     * What one climb came to.
     *
     * @param procedure how the dials were found, and what was known
     * @param wantedW output that was wanted
     * @param outputW output that the dials and the drive bring as they were left
     * @param heatShare heat of a plate then, as a share of its rating
     * @param ofSpeech the same as a share of what the dials for speech make at the same output
     * @param row what was saved of it; empty of dials for speech, and where the run came to no end
     */
    record Result(
            String procedure,
            double wantedW,
            double outputW,
            double heatShare,
            double ofSpeech,
            Optional<CardRow> row,
            double beyondS,
            int keyDowns,
            double carrierS) {
        double outputShare() {
            return outputW / wantedW;
        }

        boolean isNear() {
            return Math.abs(outputShare() - 1) <= NEAR;
        }

        boolean isHeld() {
            return row.filter(one -> one.outputW().low() <= outputW
                            && outputW <= one.outputW().high())
                    .isPresent();
        }
    }

    public static void main(String[] arguments) throws IOException {
        int cases = Integer.parseInt(arguments[1]);
        long seed = Long.parseLong(arguments[2]);
        List<Result> results = run(cases, seed);
        Tables.write(
                Path.of(arguments[0]),
                "long.md",
                markdown(results, cases, seed, Tables.today()),
                "long.csv",
                csv(results));
    }

    static List<Result> run(int cases, long seed) {
        return IntStream.range(0, cases)
                .parallel()
                .boxed()
                .flatMap(number -> {
                    Case given = Case.of(number, seed + 7919L * number).by(School.PEAK_THEN_HEAVIER);
                    return Stream.of(
                                    both(given, "twin"),
                                    both(given.withoutTwin(), "chart"),
                                    both(given.foreign(), "foreign, twin"),
                                    both(given.withoutTwin().foreign(), "foreign, chart"))
                            .flatMap(List::stream);
                })
                .toList();
    }

    private static List<Result> both(Case given, String known) {
        return List.of(own(given, OWN + ", " + known), turnedDown(given, DOWN + ", " + known));
    }

    /** Plays a climb for a carrier that stands long, by the next move. */
    static Result own(Case given, String procedure) {
        double wantedW = wantedW(given);
        CaseShack shack = new CaseShack(given.forLongCarrier(wantedW), new Random(given.seed()));
        Optional<CardRow> row = CardRow.of(new Novice(shack, new Random(given.seed() + 1)).run());
        shack.key(true);
        double outputW = shack.truth(ReadingRole.OUTPUT);
        CaseShack speech = tunedForSpeech(given);
        turnTo(speech, outputW, () -> speech.truth(ReadingRole.OUTPUT));
        return result(procedure, wantedW, shack, row, shack.heatPerTubeW() / speech.heatPerTubeW());
    }

    /** Plays a climb for speech by the next move, and turns the drive down until the wattmeter shows what is wanted. */
    private static Result turnedDown(Case given, String procedure) {
        double wantedW = wantedW(given);
        CaseShack shack = tunedForSpeech(given);
        MeterRange range =
                shack.setup().channelFor(ReadingRole.OUTPUT).orElseThrow().rangeFor(wantedW);
        shack.key(true);
        turnTo(shack, wantedW, () -> shack.shows(ReadingRole.OUTPUT, range));
        shack.pass(LOOK_S);
        return result(procedure, wantedW, shack, Optional.empty(), 1);
    }

    private static double wantedW(Case given) {
        TuneSetup setup = given.setup();
        return setup.settings().longCarrierW(setup.amplifier(), setup.station());
    }

    private static CaseShack tunedForSpeech(Case given) {
        CaseShack shack = new CaseShack(given, new Random(given.seed()));
        new Novice(shack, new Random(given.seed() + 1)).run();
        return shack;
    }

    private static void turnTo(CaseShack shack, double outputW, DoubleSupplier seenW) {
        double low = 0;
        double high = shack.setup().topDriveW();
        for (int i = 0; i < HALVINGS; i++) {
            double middle = (low + high) / 2;
            shack.turn(Control.DRIVE, middle);
            shack.key(true);
            if (seenW.getAsDouble() < outputW) {
                low = middle;
            } else {
                high = middle;
            }
        }
    }

    private static Result result(
            String procedure, double wantedW, CaseShack shack, Optional<CardRow> row, double ofSpeech) {
        Stage.Tubes tubes = shack.setup().tubes();
        return new Result(
                procedure,
                wantedW,
                shack.truth(ReadingRole.OUTPUT),
                shack.heatPerTubeW() / tubes.plateDissipationPerTubeW(),
                ofSpeech,
                row,
                shack.beyondS,
                shack.keyDowns,
                shack.carrierS);
    }

    private static double percent(List<Result> results, Predicate<Result> what) {
        return 100.0 * results.stream().filter(what).count() / results.size();
    }

    static String csv(List<Result> results) {
        Map<String, Map<String, double[]>> figures = new LinkedHashMap<>();
        Tables.byProcedure(results, Result::procedure).forEach((procedure, of) -> {
            Map<String, double[]> metrics = new LinkedHashMap<>();
            metrics.put("output_percent", Tables.sorted(of, result -> 100 * result.outputShare()));
            metrics.put("near_percent", new double[] {percent(of, Result::isNear)});
            metrics.put("heat_percent", Tables.sorted(of, result -> 100 * result.heatShare()));
            if (procedure.startsWith(OWN)) {
                metrics.put("heat_of_speech_percent", Tables.sorted(of, result -> 100 * result.ofSpeech()));
                metrics.put("held_percent", new double[] {percent(of, Result::isHeld)});
            }
            metrics.put("beyond_s", Tables.sorted(of, Result::beyondS));
            metrics.put("key_downs", Tables.sorted(of, Result::keyDowns));
            metrics.put("carrier_s", Tables.sorted(of, Result::carrierS));
            figures.put(procedure, metrics);
        });
        return Tables.csv(figures);
    }

    private static final String MEANING = """

            ## What is counted

            - **tubrin**: a person who does what the next move says in a run for a carrier that stands long, and nothing else. **turned
              down**: the same person tunes for speech by the next move, then turns the drive down until the wattmeter shows what is
              wanted. **twin, chart**: what is known of the amplifier, which is a few per cent off its record; **foreign**: one that
              the twin cannot express.
            - **output**: what it brings as it was left, of what was wanted; **near**: within 10 % of that.
            - **heat**: of a plate, in per cent of its rating; **of speech dials**: in per cent of what the dials for speech make at the
              same output, 100 where nothing is gained.
            - **held**: the 95 % interval of the output that is saved on the card holds the output as it is.
            - **beyond**: seconds with a current or the output beyond its limit.
            """;

    static String markdown(List<Result> results, int cases, long seed, String day) {
        StringBuilder words = new StringBuilder(String.format(
                Locale.ROOT,
                "# A carrier that stands long\n\n%d cases, seed %d, %s. `scripts/campaign long %d %d` makes it anew.%n%n"
                        + "| | output %% of wanted (median / p95 / most) | near | heat %% (median / p95 / most) |"
                        + " of speech dials %% | held | beyond s | key-downs | carrier s |%n|---|---|---|---|---|---|---|---|---|%n",
                cases,
                seed,
                day,
                cases,
                seed));
        Tables.byProcedure(results, Result::procedure).forEach((procedure, of) -> {
            boolean own = procedure.startsWith(OWN);
            words.append(String.format(
                    Locale.ROOT,
                    "| %s | %s | %.1f %% | %s | %s | %s | %s | %s | %s |%n",
                    procedure,
                    Tables.three(Tables.sorted(of, result -> 100 * result.outputShare()), 0),
                    percent(of, Result::isNear),
                    Tables.three(Tables.sorted(of, result -> 100 * result.heatShare()), 0),
                    own ? Tables.three(Tables.sorted(of, result -> 100 * result.ofSpeech()), 0) : "–",
                    own ? String.format(Locale.ROOT, "%.1f %%", percent(of, Result::isHeld)) : "–",
                    Tables.three(Tables.sorted(of, Result::beyondS), 1),
                    Tables.three(Tables.sorted(of, Result::keyDowns), 0),
                    Tables.three(Tables.sorted(of, Result::carrierS), 0)));
        });
        return words + MEANING;
    }
}
