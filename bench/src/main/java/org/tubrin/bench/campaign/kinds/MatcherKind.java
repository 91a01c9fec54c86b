package org.tubrin.bench.campaign.kinds;

import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Random;
import java.util.stream.Stream;
import org.tubrin.bench.MatcherBox;
import org.tubrin.bench.SkerryPoint;
import org.tubrin.bench.TransistorAmplifier;
import org.tubrin.bench.campaign.MeterLuck;
import org.tubrin.core.advice.Move;
import org.tubrin.core.matcher.Matching;
import org.tubrin.core.metering.ReadingRole;
import org.tubrin.core.metering.ScaleUnit;
import org.tubrin.core.run.ClimbEnd;
import org.tubrin.core.run.Control;
import org.tubrin.core.run.Customs;
import org.tubrin.core.run.RunEvent;
import org.tubrin.core.run.School;
import org.tubrin.core.run.SeenSign;
import org.tubrin.core.run.TuneSetup;
import org.tubrin.core.station.Antenna;
import org.tubrin.core.station.Band;
import org.tubrin.core.station.Load;
import org.tubrin.core.station.Matcher;
import org.tubrin.core.station.Stage;
import org.tubrin.core.station.Termination;
import org.tubrin.core.tank.ImpedancePoint;
import org.tubrin.core.tank.Mismatch;

/** A matcher in an amplifier, into antennas within its reach and beyond it, with switches that do not do what they say. */
final class MatcherKind implements Kind {
    private static final TransistorAmplifier.Model DINGHY = SkerryPoint.DINGHY;
    private static final List<Band> BANDS = List.of(Band.MHZ_3_5, Band.MHZ_7, Band.MHZ_14, Band.MHZ_21);
    private static final double FULL_W = 7;
    private static final double KNOWN_OHM = 150;
    private static final double TICK_S = 0.05;
    private static final double LOSSY_SHARE = 0.5;
    private static final String ORDER = "the order by hand";

    /** What the switch of the power amplifier really does. */
    private enum Switch {
        WORKS,
        /** It was left on, and works once it is turned. */
        LEFT_ON,
        STAYS_ON,
        STAYS_OFF
    }

    @Override
    public String name() {
        return "matcher";
    }

    @Override
    public String title() {
        return "Matchers";
    }

    @Override
    public List<Metric> metrics() {
        return List.of(
                new Metric(
                        "right",
                        "ended by saying what is the case: matched, out of reach, faulty, PA stuck, path lossy",
                        true),
                new Metric(
                        "hot",
                        "the matcher, not yet matched, was fed by the amplifier with more than it may be tuned with",
                        true),
                new Metric("tripped", "the amplifier's protection acted", true),
                new Metric("key_downs", "until it ended", false),
                new Metric("left_swr", "in front of a matcher that was said to be matched", false));
    }

    @Override
    public String cases() {
        return """
                A case: the 60 W amplifier with a truth of its own on one of four bands, an antenna of SWR 1.2 to 5 of any phase
                or, in every fifth case, a known load of 3:1. One case in four has the power amplifier left on though it is said
                to be off; one in twenty each a switch that leaves it on, one that leaves it off, a bypass that loses 3 dB, and
                a matcher that matches nothing. Meters anywhere within 5 % of full scale. *The order by hand* believes the switch:
                matching power at once, three tries, drive to a tenth, power amplifier on; it names what it sees.
                """;
    }

    @Override
    public Stream<Played> play(int number, long seed) {
        return Stream.of(TUBRIN, ORDER).map(procedure -> new Shack(number, seed).plays(procedure));
    }

    /** The amplifier, its matcher and what hangs on it, as they are. */
    private static final class Shack extends Desk {
        private final int number;
        private final Band band;
        private final double hz;
        private final double ohm;
        private final double reactanceOhm;
        private final boolean isKnown;
        private final boolean isLossy;
        private final Switch switching;
        private final TransistorAmplifier stage;
        private final MatcherBox box;
        private final double exciterShare;
        private final MeterLuck meters;
        private final TuneSetup setup;
        private final boolean isFaulty;
        private double setW;
        private boolean on;
        private boolean hot;
        private boolean tripped;

        Shack(int number, long seed) {
            this.number = number;
            Random random = new Random(seed);
            band = BANDS.get(random.nextInt(BANDS.size()));
            hz = band.lowestHz() + random.nextDouble() * (band.highestHz() - band.lowestHz());
            isKnown = random.nextInt(5) == 0;
            double swr = 1.2 + 3.8 * random.nextDouble();
            double angle = 2 * Math.PI * random.nextDouble();
            ImpedancePoint antenna = Mismatch.onCircle(hz, swr, angle);
            ohm = isKnown ? KNOWN_OHM : antenna.ohm();
            reactanceOhm = isKnown ? 0 : antenna.reactanceOhm();
            int luck = random.nextInt(20);
            switching = luck < 5
                    ? Switch.LEFT_ON
                    : luck == 5 ? Switch.STAYS_ON : luck == 6 ? Switch.STAYS_OFF : Switch.WORKS;
            isLossy = luck == 7;
            isFaulty = luck == 8;
            Matcher record = DINGHY.matcher().orElseThrow();
            // A matcher that matches nothing is one of next to no reach.
            Matcher really = isFaulty ? new Matcher(record.leastW(), record.mostW(), 1.5, record.switching()) : record;
            stage = new TransistorAmplifier(
                    new TransistorAmplifier.Model(
                            DINGHY.constants(),
                            DINGHY.ratedW(),
                            DINGHY.inputTripW(),
                            DINGHY.leadOhm(),
                            Optional.of(really)),
                    random.nextLong());
            box = stage.matcher().orElseThrow();
            setup = setup(record);
            exciterShare = 1 + setup.exciter().powerAccuracyFraction() * (2 * random.nextDouble() - 1);
            meters = new MeterLuck(setup, random);
            on = switching == Switch.LEFT_ON || switching == Switch.STAYS_ON;
        }

        private TuneSetup setup(Matcher record) {
            Termination end = isKnown
                    ? new Load("Trestle", KNOWN_OHM, 100, Optional.empty())
                    : new Antenna("Yardarm", List.of(new Antenna.AntennaBand(band, 1.5, 0)), Optional.empty());
            return new Gear.Run(
                            School.MATCHER,
                            Gear.amplifier(
                                    "Dinghy",
                                    new Stage.Transistors(13.8, 12),
                                    FULL_W,
                                    DINGHY.ratedW(),
                                    band,
                                    Optional.of(record)),
                            Gear.SKIFF,
                            end,
                            band,
                            hz)
                    .with(
                            Customs.CUSTOMARY,
                            Gear.pointer(ReadingRole.INPUT_POWER, ScaleUnit.W, 0.05, Gear.range("10 W", 10)),
                            Gear.pointer(
                                    ReadingRole.OUTPUT,
                                    ScaleUnit.W,
                                    0.05,
                                    Gear.range("15 W", 15),
                                    Gear.range("150 W", 150)),
                            Gear.pointer(ReadingRole.INPUT_SWR, ScaleUnit.ONE, 0.03, Gear.range("5", 5)));
        }

        Played plays(String procedure) {
            Optional<ClimbEnd> end = procedure.equals(TUBRIN)
                    ? new Follower(setup, meters, this).run().reached()
                    : Optional.of(byHand());
            boolean right = end.filter(one -> one == truth()).isPresent();
            double swr = box.swr(swrBehind());
            return new Played.Figures()
                    .put("right", right)
                    .put("hot", hot)
                    .put("tripped", tripped)
                    .put("key_downs", keyDowns())
                    .putIf(
                            end.filter(one -> one == ClimbEnd.MATCHED || one == ClimbEnd.REACH_PROVEN)
                                    .isPresent(),
                            "left_swr",
                            swr)
                    .played(
                            procedure,
                            (right ? 0 : 10) + (hot ? 20 : 0) + (tripped ? 5 : 0) + keyDowns() / 100.0,
                            String.format(
                                    Locale.ROOT,
                                    "case %d: %s, SWR %.2f%s, switch %s%s%s: %s, truly %s, %d key-downs%s%s",
                                    number,
                                    band,
                                    swrBehind(),
                                    isKnown ? " known" : "",
                                    switching,
                                    isLossy ? ", lossy" : "",
                                    isFaulty ? ", matcher faulty" : "",
                                    end.map(Enum::name).orElse("no end"),
                                    truth(),
                                    keyDowns(),
                                    hot ? ", HOT" : "",
                                    tripped ? ", TRIPPED" : ""));
        }

        private double swrBehind() {
            return Mismatch.swr(ohm, reactanceOhm);
        }

        private ClimbEnd truth() {
            if (switching == Switch.STAYS_ON) {
                return ClimbEnd.PA_STAYS_ON;
            }
            if (isLossy) {
                return ClimbEnd.PATH_LOSES;
            }
            if (!box.canMatch(swrBehind())) {
                return isKnown ? ClimbEnd.MATCHER_FAULTY : ClimbEnd.NOT_MATCHED;
            }
            if (isKnown) {
                return ClimbEnd.REACH_PROVEN;
            }
            return switching == Switch.STAYS_OFF ? ClimbEnd.PA_STAYS_OFF : ClimbEnd.MATCHED;
        }

        @Override
        public void pass(double seconds) {
            for (double left = seconds; left > 0; left -= TICK_S) {
                double s = Math.min(TICK_S, left);
                double inputW = keyed() ? setW * exciterShare : 0;
                stage.pass(band, hz, on, inputW, ohm, reactanceOhm, s);
                boolean unmatched = keyed() && on && box.inLine() && !box.matches(swrBehind());
                hot = hot
                        || (unmatched
                                && stage.outputW()
                                        > DINGHY.matcher().orElseThrow().mostW());
                tripped = tripped || stage.trip().isPresent();
            }
            super.pass(seconds);
        }

        @Override
        public boolean does(Move move, Follower person) {
            if (move instanceof Move.Turn turn) {
                turns(turn.control(), turn.to());
                return false;
            }
            if (move instanceof Move.WorkThrough) {
                stage.reset();
                return false;
            }
            if (move instanceof Move.KeyAndRead) {
                person.does(new RunEvent.Keyed());
                key(true);
                if (stage.trip().isPresent()) {
                    key(false);
                    person.does(new RunEvent.Unkeyed());
                    person.does(new RunEvent.SignSeen(SeenSign.TRIP_REFLECTED));
                    return true;
                }
                person.reads(Map.of(
                        ReadingRole.INPUT_POWER, stage.shown().inputW(),
                        ReadingRole.OUTPUT, forwardW(),
                        ReadingRole.INPUT_SWR, stage.shown().inputSwr()));
                key(false);
                person.does(new RunEvent.Unkeyed());
                return true;
            }
            return false;
        }

        private void turns(Control control, double to) {
            if (control == Control.DRIVE) {
                setW = to;
            } else if (control == Control.MATCHER) {
                box.inLine(to > 0);
            } else if (control == Control.POWER_AMPLIFIER) {
                on = switching == Switch.STAYS_ON || (to > 0 && switching != Switch.STAYS_OFF);
            }
        }

        /** A directional wattmeter behind the amplifier shows what goes out, whatever comes back. */
        private double forwardW() {
            double share = isLossy && !on ? LOSSY_SHARE : 1;
            return share * stage.shown().outputW() / (1 - Mismatch.reflectedShare(ohm, reactanceOhm));
        }

        private double reads(ReadingRole role, double truth) {
            return meters.reads(role, truth, meters.widest(role));
        }

        private ClimbEnd byHand() {
            box.inLine(true);
            setW = 1.25 * DINGHY.matcher().orElseThrow().leastW();
            boolean found = false;
            for (int i = 0; i < 3 && !found; i++) {
                key(true);
                found = reads(ReadingRole.INPUT_SWR, stage.shown().inputSwr()) <= Matching.MATCHED_SWR;
                key(false);
                stage.reset();
            }
            if (!found) {
                return isKnown ? ClimbEnd.MATCHER_FAULTY : ClimbEnd.NOT_MATCHED;
            }
            if (isKnown) {
                return ClimbEnd.REACH_PROVEN;
            }
            setW = FULL_W / 10;
            turns(Control.POWER_AMPLIFIER, 1);
            key(true);
            boolean amplifies = reads(ReadingRole.OUTPUT, forwardW()) > 2 * setW;
            key(false);
            return amplifies ? ClimbEnd.MATCHED : ClimbEnd.PA_STAYS_OFF;
        }
    }
}
