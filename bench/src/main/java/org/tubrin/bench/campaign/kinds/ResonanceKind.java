package org.tubrin.bench.campaign.kinds;

import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Random;
import java.util.stream.Stream;
import org.tubrin.bench.DriftingAntenna;
import org.tubrin.bench.SkerryPoint;
import org.tubrin.bench.campaign.MeterLuck;
import org.tubrin.core.advice.Move;
import org.tubrin.core.metering.ReadingRole;
import org.tubrin.core.metering.ScaleUnit;
import org.tubrin.core.resonance.ResonancePlan;
import org.tubrin.core.resonance.Witness;
import org.tubrin.core.run.Control;
import org.tubrin.core.run.Customs;
import org.tubrin.core.run.RunEvent;
import org.tubrin.core.run.School;
import org.tubrin.core.run.TuneSetup;
import org.tubrin.core.station.Antenna;
import org.tubrin.core.station.Band;

/** An antenna of a low band kept in resonance over two hours of wind and rain. */
final class ResonanceKind implements Kind {
    private static final double HZ = 475e3;
    private static final double LINE_OHM = 50;
    private static final double DEGREES = 10;
    private static final double LASTS_S = 2 * 3600;
    private static final double SENDS_S = 120;
    private static final double PAUSES_S = 180;
    private static final double READING_S = 4;
    private static final double WEATHER_S = 1800;
    private static final double PLAIN_STEPS = 10;
    private static final double PLAIN_BEYOND = 0.5;
    private static final String ONE_READING = "a reading each time";

    @Override
    public String name() {
        return "resonance";
    }

    @Override
    public String title() {
        return "Antennas that wander";
    }

    @Override
    public List<Metric> metrics() {
        return List.of(
                new Metric("off_of_alarm", "mean departure on the air, as a share of what an alarm is due for", false),
                new Metric(
                        "beyond_percent",
                        "share of the time on the air beyond what an alarm is due for, the first look left out",
                        false),
                new Metric("motor_steps_an_hour", "of the motor", false),
                new Metric("readings_an_hour", "that were taken", false),
                new Metric("stopped_falsely", "it was said that the motor does not mend it, though it does", true));
    }

    @Override
    public String cases() {
        return """
                A case: a wire of its own, 2 to 5 steps of its motor off and turned either way, watched by a phase meter or by volts and
                amperes for two hours of transmissions of 2 min every 5 min; gusts of 5 to 120 Hz (95 Hz are two tenths of a
                division), rain that moves it by up to 800 Hz an hour either way, anew every half hour. *A reading each time* reads once
                at the start of each transmission, and beyond half of an alarm steps until it is within, or worse than before.
                """;
    }

    @Override
    public Stream<Played> play(int number, long seed) {
        return Stream.of(TUBRIN, ONE_READING).map(procedure -> new Shack(number, seed).plays(procedure));
    }

    /** The antenna as it is. */
    private static final class Shack extends Desk {
        private final int number;
        private final Random random;
        private final DriftingAntenna antenna;
        private final Witness witness;
        private final double windHz;
        private final TuneSetup setup;
        private final MeterLuck meters;
        private double nextWeatherS;
        private double onAirS;
        private double offS;
        private double beyondS;
        private double settledS;
        private int steps;
        private int readings;
        private boolean stopped;
        private int way = 1;

        Shack(int number, long seed) {
            this.number = number;
            random = new Random(seed);
            antenna = new DriftingAntenna(random.nextLong());
            witness = random.nextBoolean() ? Witness.PHASE : Witness.VOLTS_OVER_AMPERES;
            windHz = 5 * Math.pow(24, random.nextDouble());
            antenna.wind(windHz);
            Gear.Run run = new Gear.Run(
                    School.RESONANCE,
                    Gear.amplifier(
                            "Lugger", SkerryPoint.LUGGER, 5, SkerryPoint.LUGGER_W, Band.KHZ_472, Optional.empty()),
                    Gear.HALYARD,
                    new Antenna("Mizzen", List.of(new Antenna.AntennaBand(Band.KHZ_472, 1.1, 0)), Optional.empty()),
                    Band.KHZ_472,
                    HZ);
            Customs customs = Customs.of(new ResonancePlan(witness, LINE_OHM));
            setup = witness == Witness.PHASE
                    ? run.with(customs, Gear.digits(ReadingRole.PHASE, ScaleUnit.MARKS, 0.02, 0.05, 9))
                    : run.with(
                            customs,
                            Gear.digits(ReadingRole.LINE_VOLTAGE, ScaleUnit.V, 0.005, 0.1, 500),
                            Gear.digits(ReadingRole.LINE_CURRENT, ScaleUnit.A, 0.005, 0.01, 10));
            meters = new MeterLuck(setup, random);
        }

        Played plays(String procedure) {
            Follower person = new Follower(setup, meters, this);
            while (person.advice().move() instanceof Move.Answer) {
                person.step();
            }
            while (nowS() < LASTS_S) {
                double until = nowS() + SENDS_S;
                key(true);
                person.does(new RunEvent.Keyed());
                if (procedure.equals(TUBRIN)) {
                    follows(person, until);
                } else {
                    readsOnce();
                }
                pass(Math.max(0, until - nowS()));
                if (settledS == 0) {
                    settledS = nowS();
                }
                key(false);
                person.does(new RunEvent.Unkeyed());
                pass(PAUSES_S);
            }
            double hours = nowS() / 3600;
            double beyond = 100 * beyondS / onAirS;
            return new Played.Figures()
                    .put("off_of_alarm", offS / onAirS)
                    .put("beyond_percent", beyond)
                    .put("motor_steps_an_hour", steps / hours)
                    .put("readings_an_hour", readings / hours)
                    .put("stopped_falsely", stopped)
                    .played(
                            procedure,
                            beyond + (stopped ? 100 : 0),
                            String.format(
                                    Locale.ROOT,
                                    "case %d: %s, gusts of %.0f Hz: off %.2f of an alarm, beyond it %.1f %% of the time, %d steps, %d"
                                            + " readings%s",
                                    number,
                                    witness,
                                    windHz,
                                    offS / onAirS,
                                    beyond,
                                    steps,
                                    readings,
                                    stopped ? ", stopped" : ""));
        }

        /** Does what is said until it is to be left alone, or until the transmission ends. */
        private void follows(Follower person, double untilS) {
            while (nowS() < untilS) {
                Move move = person.step();
                if (move instanceof Move.LeaveAlone) {
                    return;
                }
                if (move instanceof Move.Unkey) {
                    stopped = true;
                    return;
                }
            }
        }

        private double tangent() {
            return antenna.reactanceOhm(HZ) / antenna.ohm();
        }

        private double divisions() {
            return Math.toDegrees(Math.atan(tangent())) / DEGREES;
        }

        private double impedanceOhm() {
            return Math.hypot(antenna.ohm(), antenna.reactanceOhm(HZ));
        }

        private double off() {
            return witness == Witness.PHASE ? Math.abs(divisions()) : Math.abs(impedanceOhm() / LINE_OHM - 1);
        }

        @Override
        public void pass(double seconds) {
            for (double left = seconds; left > 0; left -= 1) {
                double s = Math.min(1, left);
                if (nowS() >= nextWeatherS) {
                    antenna.rain(800 * (2 * random.nextDouble() - 1));
                    nextWeatherS += WEATHER_S;
                }
                antenna.pass(s, 1);
                super.pass(s);
                if (keyed() && settledS > 0) {
                    onAirS += s;
                    offS += s * off() / witness.alarm();
                    beyondS += off() > witness.alarm() ? s : 0;
                }
            }
        }

        private void turns(double to) {
            steps += (int) Math.abs(Math.round(to - antenna.motor()));
            antenna.motor(to);
        }

        private Map<ReadingRole, Double> shows() {
            double amperes = 2;
            return Map.of(
                    ReadingRole.PHASE,
                    divisions(),
                    ReadingRole.LINE_VOLTAGE,
                    amperes * impedanceOhm(),
                    ReadingRole.LINE_CURRENT,
                    amperes);
        }

        @Override
        public boolean does(Move move, Follower person) {
            if (move instanceof Move.Turn turn && turn.control() == Control.MOTOR) {
                turns(turn.to());
                return false;
            }
            if (move instanceof Move.ReadOff) {
                pass(READING_S);
                readings++;
                person.reads(shows());
                return true;
            }
            // The key is the transmission's.
            return move instanceof Move.KeyAndRead || move instanceof Move.Unkey || move instanceof Move.LeaveAlone;
        }

        /** What one reading shows, with its sign where there is one. */
        private double reading() {
            pass(READING_S);
            readings++;
            Map<ReadingRole, Double> shows = shows();
            if (witness == Witness.PHASE) {
                return reads(shows, ReadingRole.PHASE);
            }
            return reads(shows, ReadingRole.LINE_VOLTAGE) / reads(shows, ReadingRole.LINE_CURRENT) / LINE_OHM - 1;
        }

        private double reads(Map<ReadingRole, Double> shows, ReadingRole role) {
            return meters.reads(role, shows.getOrDefault(role, 0.0), meters.widest(role));
        }

        private void readsOnce() {
            double before = reading();
            for (int i = 0; i < PLAIN_STEPS && Math.abs(before) > PLAIN_BEYOND * witness.alarm(); i++) {
                turns(antenna.motor() + way);
                double after = reading();
                if (Math.abs(after) > Math.abs(before)) {
                    way = -way;
                    turns(antenna.motor() + way);
                    // Passed, or begun the wrong way: it goes on only from the first step.
                    if (i > 0) {
                        return;
                    }
                } else {
                    before = after;
                }
            }
        }
    }
}
