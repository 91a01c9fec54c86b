package org.tubrin.core.station;

import java.util.List;
import java.util.Optional;
import org.tubrin.core.device.TetrodeLaw;
import org.tubrin.core.device.TriodeLaw;
import org.tubrin.core.quantity.Because;
import org.tubrin.core.quantity.Checks;
import org.tubrin.core.quantity.Unit;
import org.tubrin.core.tank.CapacitorLaw;

/** What the physical model of an amplifier needs beyond its maker's ratings. */
public sealed interface TwinConstants {

    /** Returns the name of its kind, as records carry it. */
    String kind();

    /** Constants of a stage that has a tank. */
    sealed interface Tuned extends TwinConstants {
        /** Returns the supply's voltage with no current drawn, in volts. */
        double supplyOpenV();

        /** Returns how much it sags per ampere, in ohms. */
        double supplySourceOhm();

        /** Returns the capacitor that PLATE turns. */
        CapacitorLaw plate();

        /** Returns the capacitor that LOAD turns. */
        CapacitorLaw load();

        /** Returns what is known per band. */
        List<TankBand> tanks();

        /** Returns the same with another tank. */
        Tuned withTank(CapacitorLaw plate, CapacitorLaw load, List<TankBand> tanks);

        /**
         * Returns the same with factors on what drifts: the tubes' emission, the supply's open voltage, the resistance that
         * the drive works into, and the unloaded Q of one band.
         */
        Tuned scaled(Band band, double emission, double supply, double drive, double unloadedQ);

        /** Returns what is known of a band. */
        default Optional<TankBand> tank(Band band) {
            return tanks().stream().filter(tank -> tank.band() == band).findFirst();
        }
    }

    /**
     * Triodes driven at the cathode.
     *
     * @param tube constants of one tube
     * @param biasV cathode bias, 0 to 200 V
     * @param supplyOpenV 100 to 20 000 V
     * @param supplySourceOhm 0 to 20 000 Ω
     * @param cathodeInputOhm source resistance that the input network shows the cathodes, 5 to 1000 Ω
     * @param plate capacitor of PLATE
     * @param load capacitor of LOAD
     * @param tanks at least one band, each once
     */
    record CathodeDriven(
            TriodeLaw tube,
            double biasV,
            double supplyOpenV,
            double supplySourceOhm,
            double cathodeInputOhm,
            CapacitorLaw plate,
            CapacitorLaw load,
            List<TankBand> tanks)
            implements Tuned {
        public static final String KIND = "cathodeDriven";

        public CathodeDriven {
            tanks = List.copyOf(tanks);
            supply(supplyOpenV, supplySourceOhm, tanks)
                    .range("biasV", biasV, 0, 200, Unit.VOLT)
                    .range("cathodeInputOhm", cathodeInputOhm, 5, 1000, Unit.OHM)
                    .done();
        }

        @Override
        public String kind() {
            return KIND;
        }

        @Override
        public CathodeDriven scaled(Band band, double emission, double supply, double drive, double unloadedQ) {
            return new CathodeDriven(
                    tube.withEmission(emission),
                    biasV,
                    supplyOpenV * supply,
                    supplySourceOhm,
                    cathodeInputOhm * drive,
                    plate,
                    load,
                    withQ(tanks, band, unloadedQ));
        }

        @Override
        public CathodeDriven withTank(CapacitorLaw plate, CapacitorLaw load, List<TankBand> tanks) {
            return new CathodeDriven(tube, biasV, supplyOpenV, supplySourceOhm, cathodeInputOhm, plate, load, tanks);
        }
    }

    /**
     * Tetrodes driven at the control grid across a swamping resistor.
     *
     * @param tube constants of one tube
     * @param gridBiasV −500 to 0 V
     * @param screenV 50 to 2000 V
     * @param supplyOpenV 100 to 20 000 V
     * @param supplySourceOhm 0 to 20 000 Ω
     * @param swampOhm 5 to 100 000 Ω
     * @param plate capacitor of PLATE
     * @param load capacitor of LOAD
     * @param tanks at least one band, each once
     */
    record GridDriven(
            TetrodeLaw tube,
            double gridBiasV,
            double screenV,
            double supplyOpenV,
            double supplySourceOhm,
            double swampOhm,
            CapacitorLaw plate,
            CapacitorLaw load,
            List<TankBand> tanks)
            implements Tuned {
        public static final String KIND = "gridDriven";

        public GridDriven {
            tanks = List.copyOf(tanks);
            supply(supplyOpenV, supplySourceOhm, tanks)
                    .range("gridBiasV", gridBiasV, -500, 0, Unit.VOLT)
                    .range("screenV", screenV, 50, 2000, Unit.VOLT)
                    .range("swampOhm", swampOhm, 5, 1e5, Unit.OHM)
                    .done();
        }

        @Override
        public String kind() {
            return KIND;
        }

        @Override
        public GridDriven scaled(Band band, double emission, double supply, double drive, double unloadedQ) {
            return new GridDriven(
                    tube.withEmission(emission),
                    gridBiasV,
                    screenV,
                    supplyOpenV * supply,
                    supplySourceOhm,
                    swampOhm * drive,
                    plate,
                    load,
                    withQ(tanks, band, unloadedQ));
        }

        @Override
        public GridDriven withTank(CapacitorLaw plate, CapacitorLaw load, List<TankBand> tanks) {
            return new GridDriven(tube, gridBiasV, screenV, supplyOpenV, supplySourceOhm, swampOhm, plate, load, tanks);
        }
    }

    /**
     * Transistors with broadband transformers.
     *
     * @param nominalV supply voltage at which the bands' figures hold, 5 to 200 V
     * @param kneeV voltage that the devices do not swing, 0 to 20 V
     * @param bestEfficiency at saturation, 0.1 to 0.95
     * @param restingA current at rest, 0 to 50 A
     * @param heatKPerW rise of the heat sink per watt, 0.001 to 10 K/W
     * @param heatTimeS its time constant, 1 to 10 000 s
     * @param foldBackC where output begins to be held back, 30 to 200 °C
     * @param tripC where it trips, above the fold-back, to 250 °C
     * @param tripSwr SWR at which it trips, 1.1 to 20
     * @param bands at least one, each once
     * @param expansion how the gain grows before it is compressed; absent where it does not, or is not known
     */
    record Broadband(
            double nominalV,
            double kneeV,
            double bestEfficiency,
            double restingA,
            double heatKPerW,
            double heatTimeS,
            double foldBackC,
            double tripC,
            double tripSwr,
            List<BroadbandBand> bands,
            Optional<Expansion> expansion)
            implements TwinConstants {
        public static final String KIND = "broadband";

        public Broadband {
            bands = List.copyOf(bands);
            new Checks()
                    .range("nominalV", nominalV, 5, 200, Unit.VOLT)
                    .range("kneeV", kneeV, 0, Math.min(20, nominalV / 2), Unit.VOLT)
                    .range("bestEfficiency", bestEfficiency, 0.1, 0.95, Unit.ONE)
                    .range("restingA", restingA, 0, 50, Unit.AMPERE)
                    .range("heatKPerW", heatKPerW, 1e-3, 10, Unit.ONE)
                    .range("heatTimeS", heatTimeS, 1, 1e4, Unit.SECOND)
                    .range("foldBackC", foldBackC, 30, 200, Unit.CELSIUS)
                    .range("tripC", tripC, foldBackC + 1, 250, Unit.CELSIUS, Because.FOLD_BACK)
                    .range("tripSwr", tripSwr, 1.1, 20, Unit.ONE)
                    .size("bands", bands, 1, Band.values().length)
                    .distinct("bands", bands.stream().map(BroadbandBand::band).toList())
                    .done();
        }

        @Override
        public String kind() {
            return KIND;
        }

        /** Returns what is known of a band. */
        public Optional<BroadbandBand> on(Band band) {
            return bands.stream().filter(one -> one.band() == band).findFirst();
        }
    }

    /**
     * The gain of a stage in class AB grows with the drive before it is compressed.
     *
     * @param gainDb by how much, 0 to 4 dB
     * @param driveW drive over which it does: at this, 63 % of it is there; 0.001 to 100 W
     */
    record Expansion(double gainDb, double driveW) {
        public Expansion {
            new Checks()
                    .range("gainDb", gainDb, 0, 4, Unit.DECIBEL)
                    .range("driveW", driveW, 1e-3, 100, Unit.WATT)
                    .done();
        }

        /** Returns the gain at a drive as a share of the greatest: {@code a + (1 − a)(1 − e^(−P/Pe))}, {@code a = 10^(−E/10)}. */
        public double share(double atW) {
            double least = Math.pow(10, -gainDb / 10);
            return least + (1 - least) * -Math.expm1(-atW / driveW);
        }
    }

    /**
     * One band of a broadband amplifier.
     *
     * @param band the band
     * @param gainDb greatest gain, before it is compressed, 0 to 40 dB
     * @param saturatedW where output ends at nominal voltage, 0.1 to 10 000 W
     * @param inputSwr standing-wave ratio at its input, 1 to 10
     */
    record BroadbandBand(Band band, double gainDb, double saturatedW, double inputSwr) {
        public BroadbandBand {
            new Checks()
                    .range("gainDb", gainDb, 0, 40, Unit.DECIBEL)
                    .range("saturatedW", saturatedW, 0.1, 1e4, Unit.WATT)
                    .range("inputSwr", inputSwr, 1, 10, Unit.ONE)
                    .done();
        }
    }

    private static List<TankBand> withQ(List<TankBand> tanks, Band band, double factor) {
        return tanks.stream()
                .map(tank -> tank.band() == band ? tank.withUnloadedQ(tank.unloadedQ() * factor) : tank)
                .toList();
    }

    private static Checks supply(double supplyOpenV, double supplySourceOhm, List<TankBand> tanks) {
        return new Checks()
                .range("supplyOpenV", supplyOpenV, 100, 20_000, Unit.VOLT)
                .range("supplySourceOhm", supplySourceOhm, 0, 20_000, Unit.OHM)
                .size("tanks", tanks, 1, Band.values().length)
                .distinct("tanks", tanks.stream().map(TankBand::band).toList());
    }
}
