package org.tubrin.core.first;

import java.util.Map;
import org.tubrin.core.first.Question.AmplifierKind;
import org.tubrin.core.station.Amplifier;

/**
 * A type of amplifier that a record can start from: no amplifier that there is, but what is usual of its kind. Source: our own, within
 * the bounds of heat and input that {@code AmplifierTypeTest} holds them to.
 */
public enum AmplifierType {
    TRIODE_PAIR,
    ONE_TRIODE,
    ONE_TETRODE,
    TRANSISTORS;

    /** Returns an amplifier of this type; what the type does not say is stood in for on the careful side. */
    public Amplifier amplifier(FirstStation.Names names) {
        return FirstStation.of(answers()).amplifier(names);
    }

    private Map<Question, String> answers() {
        return switch (this) {
            case TRIODE_PAIR ->
                Map.of(
                        Question.KIND, AmplifierKind.TWO_TRIODES.name(),
                        Question.RATED_OUTPUT, "850",
                        Question.DRIVE, "70",
                        Question.DISSIPATION, "350",
                        Question.PLATE_VOLTAGE, "2.8 kV",
                        Question.PLATE_CURRENT, "600 mA",
                        Question.GRID_CURRENT, "200 mA",
                        Question.RESTING_CURRENT, "120 mA",
                        Question.WARM_UP, "180");
            case ONE_TRIODE ->
                Map.of(
                        Question.KIND, AmplifierKind.ONE_TRIODE.name(),
                        Question.RATED_OUTPUT, "700",
                        Question.DRIVE, "60",
                        Question.DISSIPATION, "800",
                        Question.PLATE_VOLTAGE, "3 kV",
                        Question.PLATE_CURRENT, "450 mA",
                        Question.GRID_CURRENT, "150 mA",
                        Question.RESTING_CURRENT, "100 mA",
                        Question.WARM_UP, "180");
            case ONE_TETRODE ->
                Map.of(
                        Question.KIND, AmplifierKind.TETRODE.name(),
                        Question.RATED_OUTPUT, "1000",
                        Question.DRIVE, "2",
                        Question.DISSIPATION, "800",
                        Question.PLATE_VOLTAGE, "2.7 kV",
                        Question.PLATE_CURRENT, "700 mA",
                        Question.SCREEN_CURRENT, "60 mA",
                        Question.RESTING_CURRENT, "150 mA",
                        Question.WARM_UP, "120");
            case TRANSISTORS ->
                Map.of(
                        Question.KIND, AmplifierKind.TRANSISTORS.name(),
                        Question.RATED_OUTPUT, "600",
                        Question.DRIVE, "30",
                        Question.SUPPLY_VOLTAGE, "50",
                        Question.SUPPLY_CURRENT, "24");
        };
    }
}
