package org.tubrin.server.drive;

import java.util.Optional;
import org.jspecify.annotations.Nullable;
import org.tubrin.core.chain.PadMeasured;
import org.tubrin.core.metering.NumberEntry;
import org.tubrin.core.quantity.Quantity;
import org.tubrin.core.quantity.Unit;

/**
 * What a pad is to do, as typed.
 *
 * @param exciter its full power, in watts
 * @param wanted drive at the input, in watts
 * @param inputMost what the input stands, in watts; empty where it is not known
 * @param measured one that was measured; absent where none was
 */
public record PadRequest(
        String exciter,
        String wanted,
        @Nullable String inputMost,
        @Nullable MeasuredEntry measured) {

    /**
     * A pad on one meter, as typed.
     *
     * @param without shown without it, in watts
     * @param withoutScale full scale of that range
     * @param with shown with it, in watts
     * @param withScale full scale of that range
     * @param percent class of the meter, in per cent of full scale
     */
    public record MeasuredEntry(String without, String withoutScale, String with, String withScale, String percent) {

        Quantity attenuationDb() {
            double withoutW = watt("measured.without", without, 2e-6);
            return PadMeasured.attenuationDb(
                    withoutW,
                    watt("measured.withoutScale", withoutScale, withoutW),
                    NumberEntry.parsePlain("measured.with", with, 1e-6, withoutW, Unit.WATT),
                    watt("measured.withScale", withScale, 1e-6),
                    NumberEntry.parsePercent("measured.percent", percent, 0.1, 30));
        }

        private static double watt(String field, String text, double least) {
            return NumberEntry.parsePlain(field, text, least, 1e4, Unit.WATT);
        }
    }

    double exciterW() {
        return watt("exciter", exciter);
    }

    double wantedW() {
        return watt("wanted", wanted);
    }

    Optional<Double> inputMostW() {
        return Optional.ofNullable(inputMost).filter(text -> !text.isBlank()).map(text -> watt("inputMost", text));
    }

    private static double watt(String field, String text) {
        return NumberEntry.parsePlain(field, text, 1e-4, 2000, Unit.WATT);
    }
}
