package org.tubrin.core.station;

import java.util.ArrayList;
import java.util.List;
import org.tubrin.core.device.Construction;
import org.tubrin.core.metering.ReadingRole;

/** Says which answers the station cannot give yet, and what record or field they wait for. */
public final class Gaps {

    private Gaps() {}

    /** What is missing, each for an answer of its own. */
    public enum Code {
        NO_TUNABLE_AMPLIFIER,
        NO_EXCITER,
        NO_TERMINATION,
        NO_OUTPUT_METER,
        NO_PLATE_CURRENT_METER,
        NO_GRID_CURRENT_METER,
        NO_PLATE_VOLTAGE_METER,
        NO_CHART_ROW,
        NO_RELAY_TIME,
        NO_SCREEN_LIMIT,
        NO_LOAD_THERMAL
    }

    /**
     * One gap.
     *
     * @param code what is missing
     * @param equipment name of the record to edit; empty where a whole record is missing
     * @param bands the bands concerned, where it concerns bands
     */
    public record Gap(Code code, String equipment, List<Band> bands) {
        public Gap {
            bands = List.copyOf(bands);
        }
    }

    /** Returns the gaps of a station with this equipment, those that stop a tune-up first. */
    public static List<Gap> of(List<Equipment> equipment) {
        List<Gap> gaps = new ArrayList<>();
        addMissingKinds(equipment, gaps);
        for (Equipment one : equipment) {
            if (one instanceof Amplifier amplifier && amplifier.stage() instanceof Stage.Tubes tubes) {
                List<Band> uncharted = amplifier.bands().stream()
                        .filter(band -> amplifier.chartRow(band).isEmpty())
                        .toList();
                if (!uncharted.isEmpty()) {
                    gaps.add(new Gap(Code.NO_CHART_ROW, amplifier.name(), uncharted));
                }
                if (amplifier.relayTimeS().isEmpty()) {
                    gaps.add(new Gap(Code.NO_RELAY_TIME, amplifier.name(), List.of()));
                }
                if (tubes.tube().construction() == Construction.TETRODE
                        && tubes.tube().screenCurrentLimitA().isEmpty()) {
                    gaps.add(new Gap(Code.NO_SCREEN_LIMIT, amplifier.name(), List.of()));
                }
            } else if (one instanceof Load load && load.thermal().isEmpty()) {
                gaps.add(new Gap(Code.NO_LOAD_THERMAL, load.name(), List.of()));
            }
        }
        return List.copyOf(gaps);
    }

    private static void addMissingKinds(List<Equipment> equipment, List<Gap> gaps) {
        addUnless(
                equipment.stream()
                        .anyMatch(
                                one -> one instanceof Amplifier amplifier && amplifier.stage() instanceof Stage.Tubes),
                Code.NO_TUNABLE_AMPLIFIER,
                gaps);
        addUnless(equipment.stream().anyMatch(Exciter.class::isInstance), Code.NO_EXCITER, gaps);
        addUnless(equipment.stream().anyMatch(Termination.class::isInstance), Code.NO_TERMINATION, gaps);
        addUnless(reads(equipment, ReadingRole.OUTPUT), Code.NO_OUTPUT_METER, gaps);
        addUnless(reads(equipment, ReadingRole.PLATE_CURRENT), Code.NO_PLATE_CURRENT_METER, gaps);
        addUnless(reads(equipment, ReadingRole.GRID_CURRENT), Code.NO_GRID_CURRENT_METER, gaps);
        addUnless(reads(equipment, ReadingRole.PLATE_VOLTAGE), Code.NO_PLATE_VOLTAGE_METER, gaps);
    }

    private static boolean reads(List<Equipment> equipment, ReadingRole role) {
        return equipment.stream()
                .anyMatch(
                        one -> one instanceof Meter meter && meter.channel(role).isPresent());
    }

    private static void addUnless(boolean present, Code code, List<Gap> gaps) {
        if (!present) {
            gaps.add(new Gap(code, "", List.of()));
        }
    }
}
