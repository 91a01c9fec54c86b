package org.tubrin.server.card;

import java.util.Optional;
import org.jspecify.annotations.Nullable;
import org.tubrin.core.card.CardRow;
import org.tubrin.core.quantity.Quantity;

/** What is kept of a card row: plain numbers with their standard uncertainties, in the core's units. */
public record CardBody(
        double frequencyHz,
        String exciter,
        String carrier,
        double plate,
        double load,
        double driveW,
        Stated outputW,
        Stated plateCurrentA,
        @Nullable Stated gridCurrentA,
        @Nullable Stated plateVoltageV,
        @Nullable Stated efficiency) {

    /** A value with its standard uncertainty. */
    public record Stated(double value, double standardUncertainty) {
        static Stated of(Quantity quantity) {
            return new Stated(quantity.value(), quantity.standardUncertainty());
        }

        static @Nullable Stated of(Optional<Quantity> quantity) {
            return quantity.map(Stated::of).orElse(null);
        }
    }

    /** Returns what to keep of a row. */
    public static CardBody of(CardRow row) {
        return new CardBody(
                row.frequencyHz(),
                row.exciter(),
                row.carrier().name(),
                row.plate(),
                row.load(),
                row.driveW(),
                Stated.of(row.outputW()),
                Stated.of(row.plateCurrentA()),
                Stated.of(row.gridCurrentA()),
                Stated.of(row.plateVoltageV()),
                Stated.of(row.efficiency()));
    }
}
