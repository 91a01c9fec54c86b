package org.tubrin.bench.campaign.kinds;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.Random;
import java.util.function.DoubleUnaryOperator;
import java.util.stream.Stream;
import org.tubrin.bench.ScopeTap;
import org.tubrin.bench.SkerryPoint;
import org.tubrin.bench.TransistorAmplifier;
import org.tubrin.bench.campaign.MeterLuck;
import org.tubrin.core.advice.Move;
import org.tubrin.core.metering.PowerEntry;
import org.tubrin.core.metering.ReadingRole;
import org.tubrin.core.metering.ScaleUnit;
import org.tubrin.core.run.ClimbEnd;
import org.tubrin.core.run.Control;
import org.tubrin.core.run.Customs;
import org.tubrin.core.run.RunEvent;
import org.tubrin.core.run.RunState;
import org.tubrin.core.run.School;
import org.tubrin.core.run.ScopeSteps;
import org.tubrin.core.run.Step;
import org.tubrin.core.run.TuneSetup;
import org.tubrin.core.scope.Look;
import org.tubrin.core.scope.Ripple;
import org.tubrin.core.scope.ScopePlan;
import org.tubrin.core.scope.Trace;
import org.tubrin.core.scope.TrapezoidShape;
import org.tubrin.core.station.Band;
import org.tubrin.core.station.Stage;
import org.tubrin.core.twin.Linearity;

/** A scope over the load of an amplifier that is driven more or less far, with a supply that hums and a probe that is set wrong. */
final class ScopeKind implements Kind {
    private static final double LOAD_OHM = 50;
    private static final TransistorAmplifier.Model KETCH = SkerryPoint.KETCH;
    private static final List<Band> BANDS = List.of(Band.MHZ_1_8, Band.MHZ_7, Band.MHZ_14, Band.MHZ_28);
    private static final double BEAT_SPAN_S = 3e-3;
    private static final double RIPPLE_SPAN_S = 0.05;
    private static final int SAMPLES = 400;
    /** Third-order products nearer than this to the border may be called either. */
    private static final double CLEAR_DB = 2;
    /** A ripple nearer than this to what is heard may be called either. */
    private static final double CLEAR_RIPPLE = 0.015;

    @Override
    public String name() {
        return "waveform";
    }

    @Override
    public String title() {
        return "Waveforms";
    }

    @Override
    public List<Metric> metrics() {
        return List.of(
                new Metric(
                        "third_off_db",
                        "how far the amplifier's own third-order products lie from the true ones, down to −35 dB",
                        false),
                new Metric(
                        "rough_found",
                        "amplifiers clearly flat, by −25 dB and 1 dB of lost gain, where that was said",
                        true),
                new Metric("rough_falsely", "amplifiers clearly not, where flatness was said", true),
                new Metric(
                        "hum_found", "carriers that clearly breathe by more than is heard, where that was said", true),
                new Metric("hum_falsely", "carriers that clearly do not, where that was said", true),
                new Metric(
                        "probe_found",
                        "probes set wrong by more than a tenth in power, where volts and wattmeter were said to be apart",
                        true),
                new Metric("probe_falsely", "probes that are right, where that was said", true),
                new Metric("key_downs", "until it ended", false));
    }

    @Override
    public String cases() {
        return """
                A case: the 600 W amplifier with a truth of its own on one of four bands, its peaks at 50 to 115 % of its rating; a
                supply that makes the carrier breathe by 0.5 to 10 %; in one case of six a probe whose ratio is set wrong, by −30
                to +40 % in volts. The scope is within 2 %, the wattmeter within 5 % of full scale, a trace has 200 columns with
                0.4 % of noise. True products are computed from the amplifier's own curve.
                """;
    }

    @Override
    public Stream<Played> play(int number, long seed) {
        return Stream.of(new Shack(number, seed).plays());
    }

    /** What is before the scope, as it is. */
    private static final class Shack extends Desk {
        private final int number;
        private final Band band;
        private final double hz;
        private final TransistorAmplifier stage;
        private final ScopeTap scope;
        private final double driveW;
        private final double outputW;
        private final double humShare;
        private final double probeShare;
        private final TuneSetup setup;
        private final MeterLuck meters;
        private Look look = Look.EXCITER_CARRIER;

        Shack(int number, long seed) {
            this.number = number;
            Random random = new Random(seed);
            band = BANDS.get(random.nextInt(BANDS.size()));
            hz = (band.lowestHz() + band.highestHz()) / 2;
            stage = new TransistorAmplifier(KETCH, random.nextLong());
            scope = new ScopeTap(random);
            double aimW = KETCH.ratedW() * (0.5 + 0.65 * random.nextDouble());
            driveW = driveForW(aimW);
            outputW = outputW(driveW);
            humShare = 0.005 + 0.095 * random.nextDouble();
            probeShare = random.nextInt(6) == 0 ? 0.7 + 0.7 * random.nextDouble() : 1;
            scope.humShare(humShare);
            scope.probeShare(probeShare);
            setup = new Gear.Run(
                            School.WAVEFORM,
                            Gear.amplifier("Ketch", new Stage.Transistors(50, 24), 60, 800, band, Optional.empty()),
                            Gear.HALYARD,
                            Gear.BALLAST,
                            band,
                            hz)
                    .with(
                            Customs.of(new ScopePlan(driveW, outputW)),
                            Gear.digits(ReadingRole.OUTPUT_VPP, ScaleUnit.V, 0.02, 0.1, 2000),
                            Gear.pointer(
                                    ReadingRole.OUTPUT,
                                    ScaleUnit.W,
                                    0.05,
                                    Gear.range("30 W", 30),
                                    Gear.range("150 W", 150),
                                    Gear.range("1 kW", 1000)));
            meters = new MeterLuck(setup, random);
        }

        private double outputW(double watt) {
            return stage.at(band, hz, watt, LOAD_OHM, 0).outputW();
        }

        private double driveForW(double aimW) {
            double watt = 0.5;
            while (outputW(watt) < aimW && watt < 50) {
                watt *= 1.02;
            }
            return watt;
        }

        /** Returns the amplifier's output at a share of the peak drive's volts. */
        private double along(double share) {
            return Math.sqrt(outputW(driveW * share * share));
        }

        /** Returns its true third-order products below one tone of two, in decibels. */
        private double thirdDb() {
            double first = 0;
            double third = 0;
            for (int i = 0; i < SAMPLES; i++) {
                double angle = (i + 0.5) * Math.PI / (2 * SAMPLES);
                double volts = along(Math.cos(angle));
                first += volts * Math.cos(angle);
                third += volts * Math.cos(3 * angle);
            }
            return 20 * Math.log10(Math.abs(third / first));
        }

        private double compressionDb() {
            double most = 0;
            for (int i = 20; i <= 100; i++) {
                most = Math.max(most, along(i / 100.0) / (i / 100.0));
            }
            return 20 * Math.log10(most / along(1));
        }

        Played plays() {
            RunState run = new Follower(setup, meters, this).run();
            Optional<ClimbEnd> end = run.reached();
            double trueDb = thirdDb();
            double lostDb = compressionDb();
            OptionalDouble saysDb = last(run, Look.AMPLIFIER_TONES)
                    .flatMap(step -> step.sight().trace())
                    .flatMap(TrapezoidShape::of)
                    .map(shape -> OptionalDouble.of(shape.thirdDb()))
                    .orElse(OptionalDouble.empty());
            boolean saysRough = last(run, Look.AMPLIFIER_TONES)
                    .filter(step -> !step.sight().overDrive().isEmpty()
                            || !step.sight().envelope().isEmpty())
                    .isPresent();
            boolean saysHum = last(run, Look.AMPLIFIER_RIPPLE)
                    .filter(step -> step.sight().breathes())
                    .isPresent();
            boolean apart = end.filter(one -> one == ClimbEnd.VOLTS_APART).isPresent();
            boolean isRough = Linearity.Grade.of(trueDb - CLEAR_DB) == Linearity.Grade.ROUGH && lostDb > CLEAR_DB;
            boolean isClean = Linearity.Grade.of(trueDb + CLEAR_DB) != Linearity.Grade.ROUGH || lostDb < 0.5;
            double thirdOff = Math.abs(Math.max(-35, saysDb.orElse(0)) - Math.max(-35, trueDb));
            boolean wrongProbe = Math.abs(probeShare * probeShare - 1) > 0.1;
            boolean hums = humShare > Ripple.HEARD_SHARE + CLEAR_RIPPLE;
            boolean isStill = humShare < Ripple.HEARD_SHARE - CLEAR_RIPPLE;
            boolean wrong = (isRough && !saysRough)
                    || (isClean && saysRough)
                    || (hums && !saysHum)
                    || (isStill && saysHum)
                    || (probeShare == 1 && apart);
            return new Played.Figures()
                    .putIf(saysDb.isPresent(), "third_off_db", thirdOff)
                    .putIf(isRough, "rough_found", saysRough)
                    .putIf(isClean, "rough_falsely", saysRough)
                    .putIf(hums, "hum_found", saysHum)
                    .putIf(isStill, "hum_falsely", saysHum)
                    .putIf(wrongProbe, "probe_found", apart)
                    .putIf(probeShare == 1, "probe_falsely", apart)
                    .put("key_downs", keyDowns())
                    .played(
                            TUBRIN,
                            thirdOff + (wrong ? 20 : 0),
                            String.format(
                                    Locale.ROOT,
                                    "case %d: %s, %.0f W for %.0f W, true %.1f dB and %.1f dB lost, said %.1f dB%s; ripple %.1f %%%s; probe"
                                            + " %.2f: %s",
                                    number,
                                    band,
                                    driveW,
                                    outputW,
                                    trueDb,
                                    lostDb,
                                    saysDb.orElse(Double.NaN),
                                    saysRough ? " and flat" : "",
                                    100 * humShare,
                                    saysHum ? " said" : "",
                                    probeShare,
                                    end.map(Enum::name).orElse("no end")));
        }

        private static Optional<Step> last(RunState run, Look look) {
            return run.steps().stream()
                    .filter(step -> ScopeSteps.look(step).filter(look::equals).isPresent())
                    .reduce((first, second) -> second);
        }

        private double truthW() {
            return look.amplifies() ? outputW : driveW;
        }

        @Override
        public boolean does(Move move, Follower person) {
            if (move instanceof Move.Turn turn && turn.control() == Control.LOOK) {
                look = Look.at(turn.to());
                return false;
            }
            if (move instanceof Move.KeyAndRead) {
                keysAndReads(
                        person,
                        () -> Map.of(
                                ReadingRole.OUTPUT_VPP,
                                probeShare * PowerEntry.voltageV(truthW(), LOAD_OHM, PowerEntry.Form.PP),
                                ReadingRole.OUTPUT,
                                truthW() / (look.hasTones() ? 2 : 1)));
                return true;
            }
            if (move instanceof Move.TellShape) {
                person.does(new RunEvent.TraceTaken(trace()));
                return true;
            }
            return false;
        }

        private Trace trace() {
            DoubleUnaryOperator through = look.amplifies() ? this::along : DoubleUnaryOperator.identity();
            scope.spanS(look.shows() == Look.Shows.RIPPLE ? RIPPLE_SPAN_S : BEAT_SPAN_S);
            scope.humShare(look.amplifies() ? humShare : 0);
            double[] swept = Arrays.stream(scope.sweep(
                                    new ScopeTap.Signal(driveW, truthW(), LOAD_OHM, look.hasTones(), through),
                                    probeShare)
                            .split(","))
                    .mapToDouble(Double::parseDouble)
                    .toArray();
            List<Double> low = new ArrayList<>();
            List<Double> high = new ArrayList<>();
            List<Double> drive = new ArrayList<>();
            for (int i = 1; i + 2 < swept.length; i += 3) {
                low.add(swept[i]);
                high.add(swept[i + 1]);
                drive.add(Math.max(0, swept[i + 2]));
            }
            return new Trace(swept[0], low, high, drive);
        }
    }
}
