package org.tubrin.bench.campaign.kinds;

import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Random;
import java.util.stream.Stream;
import org.tubrin.bench.campaign.MeterLuck;
import org.tubrin.core.advice.Move;
import org.tubrin.core.chain.Chain;
import org.tubrin.core.chain.ChainPart;
import org.tubrin.core.chain.ChainPlan;
import org.tubrin.core.chain.Generator;
import org.tubrin.core.metering.PowerEntry;
import org.tubrin.core.metering.ReadingRole;
import org.tubrin.core.metering.ScaleUnit;
import org.tubrin.core.quantity.Decibels;
import org.tubrin.core.run.ClimbEnd;
import org.tubrin.core.run.Control;
import org.tubrin.core.run.Customs;
import org.tubrin.core.run.School;
import org.tubrin.core.run.TuneSetup;
import org.tubrin.core.station.Band;
import org.tubrin.core.station.Stage;

/** A generator, a driver and a power stage, driven up behind an attenuator; some take off, and in some RF gets into the bias. */
final class ChainKind implements Kind {
    private static final double LOAD_OHM = 50;
    private static final double GATE_V = 2.6;
    private static final double GATE_DIGIT_V = 0.01;
    private static final double TAKES_OFF_DB = 8;
    private static final String BY_WATTS = "by the wattmeter";

    @Override
    public String name() {
        return "chain";
    }

    @Override
    public String title() {
        return "Chains";
    }

    @Override
    public List<Metric> metrics() {
        return List.of(
                new Metric(
                        "beyond_db",
                        "by how much the greatest true output lay above the wanted one, where nothing takes off",
                        false),
                new Metric(
                        "over_input",
                        "a part was fed with more than it may be, by more than 0.5 dB, where that is known and nothing takes off",
                        true),
                new Metric("compressed_db", "lost gain at the last key-down, where nothing is wrong", false),
                new Metric("fault_named", "chains that take off, or whose gate moves, where that was named", true),
                new Metric("false_alarm", "chains in order that were said to take off or to move a gate", true),
                new Metric("short_db", "where it ended at the wanted output: how far the true one lies from it", false),
                new Metric("key_downs", "until it ended", false));
    }

    @Override
    public String cases() {
        return """
                A case: a generator of 5 to 20 dBm, a driver of 18 to 26 dB and a power stage of 12 to 20 dB, levels and gains up to 1.5 dB
                off what is thought of them, the power stage compressed by 1 dB at 40 to 200 W, the wanted output 0.4 to 1.3 of
                that; what the power stage may be fed with is known in two of three. One in ten takes off by 8 dB from a level of
                its own on, in one in ten the gate's direct voltage moves with drive. Volts over the load by a scope within 3 %, the
                gate by a meter to 10 mV. *By the wattmeter* goes down by 10 dB until 10 to 20 dB below what is wanted, then by 1 dB
                until it reads that or grows by less than a quarter of a step; it looks at watts alone.
                """;
    }

    @Override
    public Stream<Played> play(int number, long seed) {
        return Stream.of(TUBRIN, BY_WATTS).map(procedure -> new Shack(number, seed).plays(procedure));
    }

    /** The chain as it is. */
    private static final class Shack extends Desk {
        private final int number;
        private final ChainPlan plan;
        private final Chain truth;
        private final boolean takesOff;
        private final boolean moves;
        private final double takesOffDb;
        private final TuneSetup setup;
        private final MeterLuck meters;
        private double attenuationDb = Chain.MOST_ATTENUATION_DB;
        private double mostW;
        private double mostOverDb = -Chain.MOST_ATTENUATION_DB;

        Shack(int number, long seed) {
            this.number = number;
            Random random = new Random(seed);
            double dbm = 5 + 15 * random.nextDouble();
            double driverDb = 18 + 8 * random.nextDouble();
            double stageDb = 12 + 8 * random.nextDouble();
            double compressionW = 40 * Math.pow(5, random.nextDouble());
            double mostInputW = compressionW / Decibels.ratio(stageDb) * (1.5 + random.nextDouble());
            boolean inputKnown = random.nextInt(3) > 0;
            boolean compressionKnown = random.nextBoolean();
            double wantedW = compressionW * (0.4 + 0.9 * random.nextDouble());
            plan = new ChainPlan(
                    chain(
                            dbm,
                            driverDb,
                            stageDb,
                            compressionKnown ? Optional.of(compressionW) : Optional.empty(),
                            inputKnown ? Optional.of(mostInputW) : Optional.empty()),
                    wantedW);
            truth = chain(
                    dbm + off(random),
                    driverDb + off(random),
                    stageDb + off(random),
                    Optional.of(compressionW * (0.9 + 0.2 * random.nextDouble())),
                    Optional.of(mostInputW));
            int luck = random.nextInt(10);
            takesOff = luck == 0;
            moves = luck == 1;
            takesOffDb = 3 + 20 * random.nextDouble();
            setup = new Gear.Run(
                            School.CHAIN,
                            Gear.amplifier(
                                    "Ketch", new Stage.Transistors(50, 24), 14, 600, Band.MHZ_7, Optional.empty()),
                            Gear.HALYARD,
                            Gear.BALLAST,
                            Band.MHZ_7,
                            7.1e6)
                    .with(
                            Customs.of(plan),
                            Gear.digits(ReadingRole.OUTPUT_VPP, ScaleUnit.V, 0.03, 0.01, 1000),
                            Gear.digits(ReadingRole.GATE_VOLTAGE, ScaleUnit.V, 0.005, GATE_DIGIT_V, 20));
            meters = new MeterLuck(setup, random);
        }

        private static double off(Random random) {
            return 1.5 * (2 * random.nextDouble() - 1);
        }

        private static Chain chain(
                double dbm,
                double driverDb,
                double stageDb,
                Optional<Double> compressionW,
                Optional<Double> mostInputW) {
            return new Chain(
                    new Generator(Generator.Given.DBM, dbm, 1.5),
                    List.of(
                            new ChainPart(
                                    "Driver", ChainPart.Kind.STAGE, driverDb, 1.5, Optional.of(30.0), Optional.empty()),
                            new ChainPart("Ketch", ChainPart.Kind.STAGE, stageDb, 1.5, compressionW, mostInputW)));
        }

        Played plays(String procedure) {
            Optional<ClimbEnd> end = procedure.equals(TUBRIN)
                    ? new Follower(setup, meters, this).run().reached()
                    : Optional.of(byWatts());
            double lastW = outputW();
            double beyondDb = Math.max(0, Decibels.of(mostW / plan.wantedW()));
            // What takes off only above where it ended was never met.
            boolean met = moves || (takesOff && hasTakenOff());
            boolean alarm = end.filter(one -> one == ClimbEnd.TAKES_OFF || one == ClimbEnd.GATE_MOVES)
                    .isPresent();
            boolean named = end.filter(one -> one == (moves ? ClimbEnd.GATE_MOVES : ClimbEnd.TAKES_OFF))
                    .isPresent();
            double lostDb = compressionDb();
            double shortDb = Math.abs(Decibels.of(lastW / plan.wantedW()));
            boolean atWanted = end.filter(one -> one == ClimbEnd.WANTED).isPresent();
            return new Played.Figures()
                    .putIf(!met, "beyond_db", beyondDb)
                    .putIf(!met && plan.chain().inputMostW().isPresent(), "over_input", mostOverDb > 0.5)
                    .putIf(!met, "compressed_db", lostDb)
                    .putIf(met, "fault_named", named)
                    .putIf(!met, "false_alarm", alarm)
                    .putIf(atWanted && !met, "short_db", shortDb)
                    .put("key_downs", keyDowns())
                    .played(
                            procedure,
                            (met && !named ? 10 : 0)
                                    + (!met && alarm ? 10 : 0)
                                    + (met ? 0 : beyondDb + Math.max(0, mostOverDb)),
                            String.format(
                                    Locale.ROOT,
                                    "case %d: wanted %.0f W%s: %s at %.0f dB with %.1f W, most %.1f dB beyond, input %.1f dB over, %.1f dB"
                                            + " compressed, %d key-downs",
                                    number,
                                    plan.wantedW(),
                                    takesOff ? ", takes off" : moves ? ", gate moves" : "",
                                    end.map(Enum::name).orElse("no end"),
                                    attenuationDb,
                                    lastW,
                                    beyondDb,
                                    mostOverDb,
                                    lostDb,
                                    keyDowns()));
        }

        private double generatorW() {
            return truth.generator().powerW() * Decibels.ratio(-attenuationDb);
        }

        private boolean hasTakenOff() {
            return truth.outputOfW(generatorW()) > plan.wantedW() * Decibels.ratio(-takesOffDb);
        }

        private double outputW() {
            double plainW = truth.outputOfW(generatorW());
            return takesOff && hasTakenOff() ? plainW * Decibels.ratio(TAKES_OFF_DB) : plainW;
        }

        private double stageInputW() {
            return truth.parts().get(0).outputW(generatorW());
        }

        private double compressionDb() {
            return truth.parts().get(0).compressionDb(generatorW())
                    + truth.parts().get(1).compressionDb(stageInputW());
        }

        private double gateV() {
            return GATE_V + (moves ? 0.25 * Math.sqrt(outputW() / plan.wantedW()) : 0);
        }

        @Override
        public void pass(double seconds) {
            super.pass(seconds);
            if (keyed()) {
                mostW = Math.max(mostW, outputW());
                mostOverDb = Math.max(
                        mostOverDb, truth.parts().get(1).overDb(stageInputW()).orElse(-Chain.MOST_ATTENUATION_DB));
            }
        }

        private double vpp() {
            return PowerEntry.voltageV(outputW(), LOAD_OHM, PowerEntry.Form.PP);
        }

        @Override
        public boolean does(Move move, Follower person) {
            if (move instanceof Move.Turn turn && turn.control() == Control.ATTENUATOR) {
                attenuationDb = turn.to();
                return false;
            }
            if (move instanceof Move.KeyAndRead) {
                keysAndReads(person, () -> Map.of(ReadingRole.OUTPUT_VPP, vpp(), ReadingRole.GATE_VOLTAGE, gateV()));
                return true;
            }
            return false;
        }

        private double readsW() {
            key(true);
            double read = meters.reads(ReadingRole.OUTPUT_VPP, vpp(), meters.widest(ReadingRole.OUTPUT_VPP));
            key(false);
            return Generator.Given.PEAK_TO_PEAK_INTO_LOAD.watt(read);
        }

        private ClimbEnd byWatts() {
            attenuationDb = 60;
            double readW = readsW();
            while (attenuationDb > 0) {
                double toGoDb = Decibels.of(plan.wantedW() / Math.max(1e-9, readW));
                if (toGoDb < 0.5) {
                    return ClimbEnd.WANTED;
                }
                double stepDb = toGoDb > 20 ? Math.min(10, attenuationDb) : 1;
                attenuationDb -= stepDb;
                double before = readW;
                readW = readsW();
                if (stepDb == 1 && Decibels.of(readW / before) < 0.25) {
                    return ClimbEnd.COMPRESSED;
                }
            }
            return ClimbEnd.GENERATOR_FULL;
        }
    }
}
