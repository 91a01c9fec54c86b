package org.tubrin.core.chain;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertFalse;
import static org.testng.Assert.assertThrows;
import static org.testng.Assert.assertTrue;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Random;
import org.testng.annotations.Test;
import org.tubrin.core.quantity.Quantity;
import org.tubrin.core.quantity.Refused;

/** Levels, pads and the way up, by hand. */
public class ChainTest {
    private static ChainPart pad(double db) {
        return new ChainPart("Pad", ChainPart.Kind.PAD, db, 0.3, Optional.empty(), Optional.of(50.0));
    }

    private static ChainPart stage(double gainDb, Optional<Double> compressionW, Optional<Double> mostInputW) {
        return new ChainPart("Stage", ChainPart.Kind.STAGE, gainDb, 0.4, compressionW, mostInputW);
    }

    private static Chain chain(double generatorW, ChainPart... parts) {
        return new Chain(new Generator(Generator.Given.WATT, generatorW, 0), List.of(parts));
    }

    @Test
    public void aGeneratorsVoltsOpenAreAQuarterOfThePower() {
        assertEquals(Generator.Given.RMS_INTO_LOAD.watt(1), 0.02, 1e-12);
        assertEquals(Generator.Given.RMS_OPEN.watt(1), 0.005, 1e-12);
        // 632 V from peak to peak is 1 kW: 632.46²/400.
        assertEquals(Generator.Given.PEAK_TO_PEAK_INTO_LOAD.watt(632.4555), 1000, 0.001);
        assertEquals(Generator.Given.PEAK_TO_PEAK_OPEN.watt(632.4555), 250, 0.001);
        assertEquals(Generator.Given.DBM.watt(30), 1, 1e-12);
        for (Generator.Given given : Generator.Given.values()) {
            assertEquals(given.watt(given.value(3.7)), 3.7, 1e-9, given.name());
        }
    }

    @Test
    public void levelsAddUpInDecibels() {
        Chain chain = chain(0.1, pad(6), stage(20, Optional.empty(), Optional.empty()));
        // 20 dBm less 6 plus 20.
        assertEquals(Power.dbm(chain.outputW()), 34, 1e-9);
        assertEquals(chain.nodes().get(1).openDb(), 0.5, 1e-9, "0.3 and 0.4, independent");
        assertEquals(chain.nodes().get(0).part().heatW(0.1), 0.1 * (1 - Math.pow(10, -0.6)), 1e-12);
    }

    @Test
    public void aStageLosesADecibelWhereItIsSaidTo() {
        ChainPart stage = stage(10, Optional.of(100.0), Optional.empty());
        double inputW = stage.inputW(100).orElseThrow();
        assertEquals(stage.compressionDb(inputW), 1, 1e-9);
        assertEquals(10 * Math.log10(100 / inputW), 9, 1e-9, "10 dB less 1");
        assertEquals(stage.inputW(170), Optional.empty(), "it saturates at 165 W");
    }

    @Test
    public void theGeneratorForAnOutputBringsThatOutput() {
        Random random = new Random(5);
        for (int i = 0; i < 500; i++) {
            List<ChainPart> parts = new ArrayList<>();
            for (int n = 0; n <= random.nextInt(6); n++) {
                parts.add(
                        random.nextBoolean()
                                ? pad(20 * random.nextDouble())
                                : stage(
                                        25 * random.nextDouble(),
                                        Optional.of(1 + 99 * random.nextDouble()),
                                        Optional.empty()));
            }
            Chain chain = new Chain(new Generator(Generator.Given.WATT, 0.01 + random.nextDouble(), 0), parts);
            double outputW = chain.outputW();
            Generator found = new Generator(
                    Generator.Given.WATT, chain.generatorForW(outputW).orElseThrow(), 0);
            assertEquals(new Chain(found, parts).outputW(), outputW, 1e-6 * outputW, chain.toString());
            assertTrue(chain.generatorForW(outputW / 2).orElseThrow()
                    < chain.generator().powerW());
        }
    }

    @Test
    public void theWayUpBeginsAtFiftyDecibelsAndEndsByOnes() {
        // 1 W, 20 dB: 10 W wanted takes 10 dB of attenuation.
        Chain chain = chain(1, stage(20, Optional.empty(), Optional.empty()));
        List<Double> steps =
                chain.wayUp(10).stream().map(Chain.Setting::attenuationDb).toList();
        assertEquals(steps, List.of(50.0, 40.0, 30.0, 20.0, 10.0));
        assertEquals(chain.wayUp(10).get(4).outputW(), 10, 1e-9);
        assertEquals(chain.most(10).end(), Chain.End.WANTED);
        steps = chain.wayUp(12).stream().map(Chain.Setting::attenuationDb).toList();
        assertEquals(steps, List.of(50.0, 40.0, 30.0, 20.0, 10.0), "9.2 dB would be finer than steps of 1 dB");
        steps = chain.wayUp(20).stream().map(Chain.Setting::attenuationDb).toList();
        assertEquals(steps, List.of(50.0, 40.0, 30.0, 20.0, 10.0, 9.0, 8.0, 7.0));
        assertEquals(chain.wayUp(1e4).get(chain.wayUp(1e4).size() - 1).attenuationDb(), 0.0);
        assertEquals(chain.most(1e4).end(), Chain.End.GENERATOR);
    }

    @Test
    public void theWayUpNeverPassesWhatAPartMayBeFedWithNorTheCompression() {
        Random random = new Random(9);
        for (int i = 0; i < 300; i++) {
            ChainPart first = stage(20 * random.nextDouble(), Optional.of(0.1 + random.nextDouble()), Optional.empty());
            ChainPart last = stage(
                    20 * random.nextDouble(),
                    Optional.of(5 + 20 * random.nextDouble()),
                    Optional.of(0.05 + random.nextDouble()));
            Chain chain = chain(0.01 + 10 * random.nextDouble(), first, last);
            List<Chain.Setting> way = chain.wayUp(1 + 50 * random.nextDouble());
            assertTrue(way.get(0).attenuationDb() >= 50);
            for (Chain.Setting setting : way) {
                double watt = chain.generator().powerW() * Math.pow(10, -setting.attenuationDb() / 10);
                assertTrue(first.compressionDb(watt) <= 1 + 1e-6);
                double intoLast = first.outputW(watt);
                assertTrue(last.overDb(intoLast).orElseThrow() <= 1e-6, setting.toString());
                assertTrue(last.compressionDb(intoLast) <= 1 + 1e-6);
            }
            for (int n = 1; n < way.size(); n++) {
                assertTrue(way.get(n).outputW() > way.get(n - 1).outputW());
                assertTrue(way.get(n - 1).attenuationDb() - way.get(n).attenuationDb() <= 10);
            }
        }
    }

    @Test
    public void aPadSaysWhatKeyingAtFullPowerByMistakeDoes() {
        // 100 W through 6 dB into an input that wants 1.5 W: 25.1 W, 12.2 dB over.
        PadChoice six = PadChoice.of(6, 100, 1.5, Optional.of(3.0));
        assertEquals(six.keyedDriveW(), 25.12, 0.01);
        assertEquals(six.keyedOverWantedDb(), 12.24, 0.01);
        assertEquals(six.keyedOverInputDb().orElseThrow(), 9.23, 0.01);
        assertEquals(six.keyedHeatW(), 74.88, 0.01);
        assertEquals(six.setW(), 5.97, 0.01);
        assertEquals(PadChoice.exactDb(100, 1.5), 18.24, 0.01);
        List<Double> near = PadChoice.standard(100, 1.5, Optional.empty()).stream()
                .map(PadChoice::attenuationDb)
                .toList();
        assertEquals(near, List.of(15.0, 16.0, 20.0));
        assertTrue(PadChoice.of(16, 100, 1.5, Optional.empty()).reaches(100));
        assertFalse(PadChoice.of(20, 100, 1.5, Optional.empty()).reaches(100), "150 W it has not");
        assertEquals(PadChoice.standard(1, 1.5, Optional.empty()), List.of(), "no pad where there is too little");
    }

    @Test
    public void aPadIsMeasuredOnOneMeterWhoseErrorHalfFallsOut() {
        Quantity sameScale = PadMeasured.attenuationDb(10, 15, 2.5, 15, 0.05);
        assertEquals(sameScale.value(), 6.02, 0.01);
        // 0.75 W bound: 4.343·0.433·(1/2.5 − 1/10) = 0.56 dB.
        assertEquals(sameScale.standardUncertainty(), 0.564, 0.01);
        Quantity ownScales = PadMeasured.attenuationDb(10, 15, 2.5, 5, 0.05);
        // 4.343·√(0.0433² + 0.0577²) = 0.31 dB.
        assertEquals(ownScales.standardUncertainty(), 0.313, 0.005);
    }

    @Test
    public void badPartsNameTheirField() {
        assertThrows(Refused.class, () -> pad(90));
        assertThrows(Refused.class, () -> new Generator(Generator.Given.DBM, 70, 0));
        assertThrows(Refused.class, () -> new Chain(new Generator(Generator.Given.WATT, 1, 0), List.of()));
    }
}
