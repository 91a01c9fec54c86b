package org.tubrin.bench;

import java.util.ArrayList;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.Random;
import org.tubrin.core.run.SeenSign;
import org.tubrin.core.station.Band;
import org.tubrin.core.station.Matcher;
import org.tubrin.core.station.TwinConstants.Broadband;
import org.tubrin.core.station.TwinConstants.BroadbandBand;
import org.tubrin.core.station.TwinConstants.Expansion;
import org.tubrin.core.tank.Mismatch;
import org.tubrin.core.twin.Outcome;
import org.tubrin.core.twin.Setting;
import org.tubrin.core.twin.TransistorPoint;
import org.tubrin.core.twin.TransistorTwin;

/**
 * An amplifier with transistors as it really is: gain and saturation a little off its record and sloping within each band, a heat
 * sink, filters that follow the first RF of a band, and a protection that acts on five things.
 */
public final class TransistorAmplifier {
    private static final double AMBIENT_C = 22;
    private static final double FILTER_S = 0.15;
    /** Fundamental that the wrong filter lets through. */
    private static final double WRONG_FILTER_SHARE = 0.2;
    /** Output, as a share of what it is rated for, that the wrong filter bears. */
    private static final double WRONG_FILTER_BEARS = 1;

    private static final double OVER_RATING = 1.05;
    private static final double OVER_FOR_S = 0.02;
    private static final double LEAST_SWR = 1.1;
    /** What the bypassed path lets through. */
    private static final double PATH_SHARE = 0.93;

    /** Power at which a bridge shows twice as much standing wave as there is. */
    private static final double DIODES_W = 0.3;

    private final Model model;
    private final TransistorTwin twin;
    private final double nominalV;
    private final Map<Band, Double> slopesDbPerMhz = new EnumMap<>(Band.class);
    private Optional<Band> filter = Optional.empty();
    private double filterLagS;
    private double overS;
    private double riseK;
    private double reflectedSwr = 1;
    private final Optional<MatcherBox> matcher;
    private Optional<SeenSign> trip = Optional.empty();
    private Shown shown = new Shown(0, 0, 1, 0, 0);

    /**
     * What a kind of amplifier is.
     *
     * @param constants by its record
     * @param ratedW output that it is rated for
     * @param inputTripW drive at which it trips
     * @param leadOhm between its supply and itself
     * @param matcher in it; empty where there is none
     */
    public record Model(
            Broadband constants, double ratedW, double inputTripW, double leadOhm, Optional<Matcher> matcher) {}

    /** What its meters see: watts at the input and into the load, input SWR, amperes and volts of the supply. */
    public record Shown(double inputW, double outputW, double inputSwr, double supplyA, double supplyV) {}

    /** An amplifier whose truth belongs to a seed. */
    public TransistorAmplifier(Model model, long seed) {
        this.model = model;
        matcher = model.matcher().map(record -> new MatcherBox(record, seed));
        Random random = new Random(seed);
        Broadband record = model.constants();
        nominalV = record.nominalV();
        List<BroadbandBand> bands = new ArrayList<>();
        for (BroadbandBand band : record.bands()) {
            bands.add(new BroadbandBand(
                    band.band(),
                    band.gainDb() + 0.5 * random.nextGaussian(),
                    band.saturatedW() * (1 + 0.04 * random.nextGaussian()),
                    Math.max(1, band.inputSwr() + 0.05 * random.nextGaussian())));
            slopesDbPerMhz.put(band.band(), 2 * random.nextDouble() - 1);
        }
        twin = new TransistorTwin(new Broadband(
                nominalV,
                record.kneeV(),
                record.bestEfficiency() * (1 + 0.02 * random.nextGaussian()),
                record.restingA(),
                record.heatKPerW(),
                record.heatTimeS(),
                record.foldBackC(),
                record.tripC(),
                record.tripSwr(),
                bands,
                record.expansion()
                        .map(one -> new Expansion(
                                Math.max(0, one.gainDb() + 0.2 * random.nextGaussian()),
                                one.driveW() * Math.exp(0.15 * random.nextGaussian())))));
    }

    /** Lets time pass with a drive at its input in watts, or none; the load as its resistance and reactance in ohms. */
    public void pass(
            Band band, double hz, boolean amplifies, double inputW, double loadOhm, double reactanceOhm, double s) {
        double swrBehind = Mismatch.swr(loadOhm, reactanceOhm);
        matcher.ifPresent(one -> one.pass(amplifies ? outputW() : inputW, swrBehind, s));
        boolean isMatched = matcher.filter(one -> one.matches(swrBehind)).isPresent();
        reflectedSwr = matcher.map(one -> one.swr(swrBehind)).orElse(swrBehind);
        double seenOhm = isMatched ? Mismatch.LINE_OHM * reflectedSwr : loadOhm;
        double seenReactanceOhm = isMatched ? 0 : reactanceOhm;
        double through = matcher.map(MatcherBox::throughShare).orElse(1.0);
        // Once it has seen RF of the band it switches over, whatever comes after.
        filterLagS = Math.max(0, filterLagS - s);
        boolean driven = inputW > 0 && amplifies && trip.isEmpty();
        // Its bias is on with the key alone.
        double heatW = 0;
        shown = new Shown(inputW, 0, 1, 0, nominalV);
        if (driven) {
            follow(band);
            TransistorPoint point = at(band, hz, inputW, seenOhm, seenReactanceOhm);
            double share = through * (filterLagS > 0 ? WRONG_FILTER_SHARE : 1);
            shown = new Shown(
                    inputW, share * point.outputW(), swr(point), point.supplyCurrentA(), point.supplyVoltageDcV());
            heatW = point.heatW() + (1 - share) * point.outputW();
            protect(point, inputW, s);
        } else if (inputW > 0 && !amplifies) {
            double comesBack = Mismatch.reflectedShare(seenOhm, seenReactanceOhm);
            shown = new Shown(
                    inputW,
                    PATH_SHARE * through * inputW * (1 - comesBack),
                    atLittlePower(reflectedSwr, inputW),
                    0,
                    nominalV);
        }
        double aimK = heatW * model.constants().heatKPerW();
        riseK += (aimK - riseK) * -Math.expm1(-s / model.constants().heatTimeS());
    }

    /** A bridge whose diodes carry next to nothing shows more standing waves than there are. */
    private static double atLittlePower(double swr, double inputW) {
        return 1 + (swr - 1) * (1 + DIODES_W / inputW);
    }

    /** Returns its matcher; empty where it has none. */
    public Optional<MatcherBox> matcher() {
        return matcher;
    }

    private double restingA() {
        return model.constants().restingA();
    }

    private void follow(Band band) {
        if (filter.filter(band::equals).isEmpty()) {
            filter = Optional.of(band);
            filterLagS = FILTER_S;
        }
    }

    /** Returns the true point at a drive, with the supply that sags over its leads; nothing is tripped by asking. */
    public TransistorPoint at(Band band, double hz, double inputW, double loadOhm, double reactanceOhm) {
        double slope = slopesDbPerMhz.getOrDefault(band, 0.0) * (hz - (band.lowestHz() + band.highestHz()) / 2) / 1e6;
        Setting sloped = new Setting(band, hz, inputW * Math.pow(10, slope / 10), 0, 0, loadOhm, reactanceOhm);
        double volts = nominalV;
        TransistorPoint point = nothing(inputW);
        for (int i = 0; i < 3; i++) {
            if (twin.at(sloped, volts, heatSinkC()) instanceof Outcome.Settled<TransistorPoint> settled) {
                point = settled.point();
                volts = nominalV - model.leadOhm() * point.supplyCurrentA();
            }
        }
        return point;
    }

    private TransistorPoint nothing(double inputW) {
        return new TransistorPoint(
                inputW,
                0,
                nominalV,
                restingA(),
                restingA() * nominalV,
                0,
                OptionalDouble.empty(),
                heatSinkC() > model.constants().foldBackC());
    }

    /** The match is spoilt by level: none of it at next to no output, all of it at the rating. */
    private double swr(TransistorPoint point) {
        double full = point.inputSwr().orElse(LEAST_SWR);
        return LEAST_SWR + Math.max(0, full - LEAST_SWR) * Math.min(1, point.outputW() / model.ratedW());
    }

    private void protect(TransistorPoint point, double inputW, double s) {
        overS = point.outputW() > OVER_RATING * model.ratedW() ? overS + s : 0;
        if (inputW > model.inputTripW()) {
            trip = Optional.of(SeenSign.TRIP_INPUT);
        } else if (filterLagS > 0 && point.outputW() > WRONG_FILTER_BEARS * model.ratedW()) {
            trip = Optional.of(SeenSign.TRIP_FILTER);
        } else if (reflectedSwr > model.constants().tripSwr()) {
            trip = Optional.of(SeenSign.TRIP_REFLECTED);
        } else if (heatSinkC() >= model.constants().tripC()) {
            trip = Optional.of(SeenSign.TRIP_HEAT);
        } else if (overS > OVER_FOR_S) {
            trip = Optional.of(SeenSign.TRIP_OUTPUT);
        }
    }

    /** Returns on what the protection acted; empty where it did not. */
    public Optional<SeenSign> trip() {
        return trip;
    }

    /** Resets the protection. */
    public void reset() {
        trip = Optional.empty();
        overS = 0;
    }

    /** Returns what its meters see. */
    public Shown shown() {
        return shown;
    }

    /** Returns the output now, in watts. */
    public double outputW() {
        return shown.outputW();
    }

    /** Returns the temperature of its heat sink in °C. */
    public double heatSinkC() {
        return AMBIENT_C + riseK;
    }
}
