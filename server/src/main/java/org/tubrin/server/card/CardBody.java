package org.tubrin.server.card;

import java.util.Optional;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import org.tubrin.core.card.CardRow;
import org.tubrin.core.quantity.ErrorSource;
import org.tubrin.core.quantity.Quantity;
import org.tubrin.core.quantity.Standing;
import org.tubrin.core.quantity.Unit;
import org.tubrin.core.run.Use;
import org.tubrin.core.station.Band;
import org.tubrin.core.station.Mode;
import tools.jackson.databind.json.JsonMapper;

/**
 * What is kept of a card row: plain numbers with their standard uncertainties, in the core's units. Rows of before there was a choice of
 * use are for speech and CW, and do not say whether they were pulsed.
 */
public record CardBody(
        double frequencyHz,
        String exciter,
        String carrier,
        @Nullable String use,
        @Nullable Boolean pulsed,
        double plate,
        double load,
        double driveW,
        Stated outputW,
        @Nullable Stated plateCurrentA,
        @Nullable Stated gridCurrentA,
        @Nullable Stated plateVoltageV,
        @Nullable Stated efficiency,
        @Nullable String switchPosition) {

    /** A value with its standard uncertainty. */
    public record Stated(double value, double standardUncertainty) {
        static Stated of(Quantity quantity) {
            return new Stated(quantity.value(), quantity.standardUncertainty());
        }

        private Quantity quantity(Unit unit, CardRecord record) {
            return Quantity.of(
                    value,
                    unit,
                    Standing.MEASURED,
                    new ErrorSource(record.id().toString(), unit.name(), ""),
                    standardUncertainty);
        }

        static @Nullable Stated of(Optional<Quantity> quantity) {
            return quantity.map(Stated::of).orElse(null);
        }
    }

    /** Returns a row as it is kept; its run is absent where it came from a file. */
    public static CardRecord record(UUID id, @Nullable UUID runId, CardRow row, JsonMapper json) {
        return new CardRecord(
                id,
                runId,
                row.amplifier(),
                row.band().name(),
                row.termination(),
                row.verifiedAt(),
                json.writeValueAsString(of(row)));
    }

    private static CardBody of(CardRow row) {
        return new CardBody(
                row.frequencyHz(),
                row.exciter(),
                row.carrier().name(),
                row.use().name(),
                row.pulsed(),
                row.plate(),
                row.load(),
                row.driveW(),
                Stated.of(row.outputW()),
                Stated.of(row.plateCurrentA()),
                Stated.of(row.gridCurrentA()),
                Stated.of(row.plateVoltageV()),
                Stated.of(row.efficiency()),
                row.switchPosition().orElse(null));
    }

    /** Returns the row that was kept; each row's values err apart from those of others. */
    CardRow row(CardRecord record) {
        return new CardRow(
                record.amplifier(),
                Band.valueOf(record.band()),
                frequencyHz,
                record.termination(),
                exciter,
                Mode.valueOf(carrier),
                use == null ? Use.SPEECH_AND_CW : Use.valueOf(use),
                Boolean.TRUE.equals(pulsed),
                plate,
                load,
                driveW,
                outputW.quantity(Unit.WATT, record),
                Optional.ofNullable(plateCurrentA).map(one -> one.quantity(Unit.AMPERE, record)),
                Optional.ofNullable(gridCurrentA).map(one -> one.quantity(Unit.AMPERE, record)),
                Optional.ofNullable(plateVoltageV).map(one -> one.quantity(Unit.VOLT, record)),
                Optional.ofNullable(efficiency).map(one -> one.quantity(Unit.ONE, record)),
                Optional.ofNullable(switchPosition),
                record.verifiedAt());
    }
}
