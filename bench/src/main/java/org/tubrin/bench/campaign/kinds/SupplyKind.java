package org.tubrin.bench.campaign.kinds;

import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Random;
import java.util.stream.Stream;
import org.tubrin.bench.SkerryPoint;
import org.tubrin.bench.SwitchingAmplifier;
import org.tubrin.bench.campaign.MeterLuck;
import org.tubrin.core.advice.Advice;
import org.tubrin.core.advice.Move;
import org.tubrin.core.advice.Reason;
import org.tubrin.core.metering.ReadingRole;
import org.tubrin.core.metering.ScaleUnit;
import org.tubrin.core.run.ClimbEnd;
import org.tubrin.core.run.Control;
import org.tubrin.core.run.Customs;
import org.tubrin.core.run.School;
import org.tubrin.core.run.TuneSetup;
import org.tubrin.core.station.Band;
import org.tubrin.core.station.Stage;

/** A stage that switches, brought to a wanted output by its supply's voltage. */
final class SupplyKind implements Kind {
    private static final Stage.Switching LUGGER = SkerryPoint.LUGGER;
    private static final double RATED_W = SkerryPoint.LUGGER_W;
    private static final double NEAR = 0.03;
    private static final String CLAIM = "by the claim";

    @Override
    public String name() {
        return "supply";
    }

    @Override
    public String title() {
        return "Stages that switch";
    }

    @Override
    public List<Metric> metrics() {
        return List.of(
                new Metric(
                        "off_percent",
                        "how far the wattmeter then stands from what is wanted, where that can be had",
                        false),
                new Metric("within_5", "cases in which that is 5 % or less", true),
                new Metric("key_downs", "until it ended", false),
                new Metric("over_rating", "more than 5 % above what the stage is rated for came out", true),
                new Metric("over_current", "its supply current was above the limit", true),
                new Metric("bent_falsely", "it was said that output does not follow the square of volts", true),
                new Metric(
                        "expected_held",
                        "outputs that lay in the 95 % interval that was told before the key-down",
                        false),
                new Metric(
                        "ended",
                        "came to an end that is so: wanted output there, or the rating, the current or the volts in the way",
                        true));
    }

    @Override
    public String cases() {
        return """
                A case: the 300 W stage for the lowest bands with 1 to 3 of its 3 modules in, bringing 0.90 to 1.02 of its claim, into
                a load of 44 to 56 Ω, 30 to 100 % of what its modules claim wanted. The supply's scale is up to 3 % off, volts are
                read within 0.5 %, watts within 5 % of full scale. *By the claim* sets the volts that the maker's claim asks for,
                and corrects by the square of volts until the wattmeter shows what is wanted within 3 %, three times at most.
                """;
    }

    @Override
    public Stream<Played> play(int number, long seed) {
        return Stream.of(TUBRIN, CLAIM).map(procedure -> new Shack(number, seed).plays(procedure));
    }

    /** The stage as it is. */
    private static final class Shack extends Desk {
        private final int number;
        private final long truth;
        private final SwitchingAmplifier stage;
        private final double ohm;
        private final int modules;
        private final double wantedW;
        private final double scaleShare;
        private final TuneSetup setup;
        private final MeterLuck meters;
        private double mostW;
        private double mostA;
        private boolean bent;
        private int told;
        private int held;

        Shack(int number, long seed) {
            this.number = number;
            Random random = new Random(seed);
            truth = random.nextLong();
            stage = new SwitchingAmplifier(LUGGER, RATED_W, truth);
            ohm = 44 + 12 * random.nextDouble();
            modules = 1 + random.nextInt(LUGGER.moduleCount());
            stage.modules(modules);
            wantedW = claimW(modules, LUGGER.mostSupplyDcV()) * (0.3 + 0.7 * random.nextDouble());
            scaleShare = 1 + 0.03 * (2 * random.nextDouble() - 1);
            setup = new Gear.Run(
                            School.SUPPLY_TABLE,
                            Gear.amplifier("Lugger", LUGGER, 5, RATED_W, Band.KHZ_472, Optional.empty()),
                            Gear.HALYARD,
                            Gear.BALLAST,
                            Band.KHZ_472,
                            475e3)
                    .with(
                            Customs.chosen(Optional.empty(), List.of(), Optional.empty(), Optional.of(wantedW))
                                    .withModules(modules),
                            Gear.pointer(
                                    ReadingRole.OUTPUT,
                                    ScaleUnit.W,
                                    0.05,
                                    Gear.range("30 W", 30),
                                    Gear.range("300 W", 300),
                                    Gear.range("1 kW", 1000)),
                            Gear.digits(ReadingRole.SUPPLY_VOLTAGE, ScaleUnit.V, 0.005, 0.01, 60),
                            Gear.digits(ReadingRole.SUPPLY_CURRENT, ScaleUnit.A, 0.01, 0.01, 30),
                            Gear.digits(ReadingRole.HEAT_SINK, ScaleUnit.C, 0.01, 0.5, 150));
            meters = new MeterLuck(setup, random);
        }

        private static double claimW(int modules, double volts) {
            return RATED_W * Math.pow(volts / LUGGER.mostSupplyDcV() * modules / LUGGER.moduleCount(), 2);
        }

        Played plays(String procedure) {
            Optional<ClimbEnd> end = Optional.empty();
            if (procedure.equals(TUBRIN)) {
                end = new Follower(setup, meters, this).run().reached();
            } else {
                byClaim();
            }
            key(true);
            double off = 100 * Math.abs(shownW(stage) / wantedW - 1);
            boolean canBeHad = canBeHad();
            boolean ended = end.filter(one -> isSo(one, off)).isPresent();
            boolean over = mostW > 1.05 * RATED_W;
            return new Played.Figures()
                    .putIf(canBeHad, "off_percent", off)
                    .putIf(canBeHad, "within_5", off <= 5)
                    .put("key_downs", keyDowns() - 1)
                    .putIf(procedure.equals(TUBRIN), "bent_falsely", bent)
                    .put("over_rating", over)
                    .put("over_current", mostA > LUGGER.supplyCurrentLimitA())
                    .putIf(told > 0, "expected_held", 100.0 * held / Math.max(1, told))
                    .putIf(procedure.equals(TUBRIN), "ended", ended)
                    .played(
                            procedure,
                            (canBeHad ? off : 0) + (ended ? 0 : 50) + (over ? 30 : 0) + keyDowns() / 10.0,
                            String.format(
                                    Locale.ROOT,
                                    "case %d: %d modules, %.1f Ω, wanted %.0f W: %s, %.1f W at %.2f V, %.1f %% off, %d key-downs",
                                    number,
                                    modules,
                                    ohm,
                                    wantedW,
                                    end.map(Enum::name).orElse("no end"),
                                    stage.outputW(),
                                    stage.supplyV(),
                                    off,
                                    keyDowns() - 1));
        }

        /** Whether the highest volts bring what is wanted, as the wattmeter shows it, within rating and current. */
        private boolean canBeHad() {
            SwitchingAmplifier full = new SwitchingAmplifier(LUGGER, RATED_W, truth);
            full.modules(modules);
            full.supplyV(LUGGER.mostSupplyDcV());
            full.pass(LUGGER.driveW(), ohm, 0, 1);
            return shownW(full) >= wantedW
                    && full.supplyA() * Math.sqrt(wantedW / shownW(full)) <= LUGGER.supplyCurrentLimitA()
                    && wantedW * full.outputW() / shownW(full) <= RATED_W;
        }

        private double shownW(SwitchingAmplifier of) {
            return meters.classed(
                    ReadingRole.OUTPUT,
                    of.outputW(),
                    setup.channelFor(ReadingRole.OUTPUT).orElseThrow().rangeFor(wantedW));
        }

        /** The wanted output is there; or more volts would pass what ended it. */
        private boolean isSo(ClimbEnd end, double offPercent) {
            return switch (end) {
                case WANTED -> offPercent <= 8;
                case SUPPLY_AT_TOP -> stage.supplyV() > 0.9 * LUGGER.mostSupplyDcV();
                case RATED -> stage.outputW() > 0.8 * RATED_W;
                case LIMIT_NEAR -> stage.supplyA() > 0.8 * LUGGER.supplyCurrentLimitA();
                default -> false;
            };
        }

        @Override
        public void pass(double seconds) {
            for (double left = seconds; left > 0; left -= 1) {
                stage.pass(keyed() ? LUGGER.driveW() : 0, ohm, 0, Math.min(1, left));
            }
            super.pass(seconds);
            mostW = Math.max(mostW, keyed() ? stage.outputW() : 0);
            mostA = Math.max(mostA, keyed() ? stage.supplyA() : 0);
        }

        private void supply(double volts) {
            stage.supplyV(Math.min(LUGGER.mostSupplyDcV() * 1.03, volts * scaleShare));
        }

        @Override
        public boolean does(Move move, Follower person) {
            bent = bent || person.advice().reason() == Reason.SUPPLY_NOT_SQUARE;
            if (move instanceof Move.Turn turn && turn.control() == Control.SUPPLY) {
                supply(turn.to());
                return false;
            }
            if (move instanceof Move.KeyAndRead) {
                Optional<Advice.Expectation> expect = person.advice().expect();
                keysAndReads(person, () -> {
                    expects(person, expect);
                    return Map.of(
                            ReadingRole.OUTPUT, stage.outputW(),
                            ReadingRole.SUPPLY_VOLTAGE, stage.terminalV(),
                            ReadingRole.SUPPLY_CURRENT, stage.supplyA(),
                            ReadingRole.HEAT_SINK, stage.sinkC());
                });
                return true;
            }
            return false;
        }

        /** Before the first row there is only a bound. */
        private void expects(Follower person, Optional<Advice.Expectation> expect) {
            if (expect.isPresent() && !person.state().steps().isEmpty()) {
                double shown = meters.classed(ReadingRole.OUTPUT, stage.outputW(), person.range(ReadingRole.OUTPUT));
                told++;
                held += shown >= expect.get().leastW() && shown <= expect.get().mostW() ? 1 : 0;
            }
        }

        private void byClaim() {
            double volts = LUGGER.mostSupplyDcV() * Math.sqrt(wantedW / claimW(modules, LUGGER.mostSupplyDcV()));
            for (int i = 0; i < 4; i++) {
                supply(Math.max(LUGGER.leastSupplyDcV(), Math.min(LUGGER.mostSupplyDcV(), volts)));
                key(true);
                double read = meters.reads(
                        ReadingRole.OUTPUT,
                        stage.outputW(),
                        setup.channelFor(ReadingRole.OUTPUT).orElseThrow().rangeFor(wantedW));
                key(false);
                if (Math.abs(read / wantedW - 1) < NEAR) {
                    return;
                }
                volts *= Math.sqrt(wantedW / read);
            }
        }
    }
}
