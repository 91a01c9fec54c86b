package org.tubrin.core.chain;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.stream.DoubleStream;
import org.tubrin.core.quantity.Decibels;

/**
 * A pad between an exciter and what it drives.
 *
 * @param attenuationDb what it takes
 * @param setW what the exciter is set to for the wanted drive, in watts; above its most where it cannot reach it
 * @param heatW in the pad at that, in watts
 * @param keyedHeatW in the pad where the exciter is keyed at its full power by mistake, in watts
 * @param keyedDriveW what then reaches the input, in watts
 * @param keyedOverWantedDb by how many decibels that is above the wanted drive
 * @param keyedOverInputDb above what the input stands; negative below; empty where that is not known
 */
public record PadChoice(
        double attenuationDb,
        double setW,
        double heatW,
        double keyedHeatW,
        double keyedDriveW,
        double keyedOverWantedDb,
        Optional<Double> keyedOverInputDb) {
    private static final double[] STANDARD_DB = {1, 2, 3, 4, 5, 6, 8, 10, 12, 15, 16, 20, 30, 40};
    private static final int EITHER_SIDE = 2;

    /** Returns what a pad must take for the full power of an exciter to become the wanted drive: {@code 10·log10(P/Pwanted)}. */
    public static double exactDb(double exciterW, double wantedW) {
        return Decibels.of(exciterW / wantedW);
    }

    /** Returns one pad. */
    public static PadChoice of(double attenuationDb, double exciterW, double wantedW, Optional<Double> inputMostW) {
        double passes = Decibels.ratio(-attenuationDb);
        double setW = wantedW / passes;
        double keyedW = exciterW * passes;
        return new PadChoice(
                attenuationDb,
                setW,
                setW - wantedW,
                exciterW - keyedW,
                keyedW,
                Decibels.of(keyedW / wantedW),
                inputMostW.map(most -> Decibels.of(keyedW / most)));
    }

    /** Returns the standard values nearest to the exact one, in rising order, from which the wanted drive can be reached or nearly. */
    public static List<PadChoice> standard(double exciterW, double wantedW, Optional<Double> inputMostW) {
        double exactDb = exactDb(exciterW, wantedW);
        List<Double> below =
                DoubleStream.of(STANDARD_DB).filter(db -> db <= exactDb).boxed().toList();
        List<Double> above =
                DoubleStream.of(STANDARD_DB).filter(db -> db > exactDb).boxed().toList();
        List<Double> near = new ArrayList<>(below.subList(Math.max(0, below.size() - EITHER_SIDE), below.size()));
        if (exactDb > 0 && !above.isEmpty()) {
            near.add(above.get(0));
        }
        return near.stream().map(db -> of(db, exciterW, wantedW, inputMostW)).toList();
    }

    /** Returns whether the exciter reaches the wanted drive through it. */
    public boolean reaches(double exciterW) {
        return setW <= exciterW;
    }
}
