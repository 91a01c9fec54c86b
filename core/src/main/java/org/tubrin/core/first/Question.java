package org.tubrin.core.first;

import java.util.List;
import java.util.stream.Stream;
import org.tubrin.core.metering.ScaleUnit;

/** What is asked for a first station, in its order. A number is in its scale's unit where none is typed. */
public enum Question {
    EXCITER_POWER(Topic.EXCITER, ScaleUnit.W, 1, 1000),
    LICENCE(Topic.EXCITER, ScaleUnit.W, 1, 10_000),
    KIND(Topic.AMPLIFIER),
    RATED_OUTPUT(Topic.AMPLIFIER, ScaleUnit.W, 5, 10_000),
    DRIVE(Topic.AMPLIFIER, ScaleUnit.W, 0.1, 500),
    DISSIPATION(Topic.AMPLIFIER, ScaleUnit.W, 10, 5000),
    PLATE_CURRENT(Topic.AMPLIFIER, ScaleUnit.A, 0.05, 10),
    GRID_CURRENT(Topic.AMPLIFIER, ScaleUnit.A, 0.001, 3),
    SCREEN_CURRENT(Topic.AMPLIFIER, ScaleUnit.A, 0.005, 1),
    PLATE_VOLTAGE(Topic.AMPLIFIER, ScaleUnit.V, 300, 10_000),
    RESTING_CURRENT(Topic.AMPLIFIER, ScaleUnit.A, 0.005, 3),
    WARM_UP(Topic.AMPLIFIER, ScaleUnit.ONE, 0, 600),
    HEAVIER(Topic.AMPLIFIER),
    SUPPLY_VOLTAGE(Topic.AMPLIFIER, ScaleUnit.V, 5, 200),
    SUPPLY_CURRENT(Topic.AMPLIFIER, ScaleUnit.A, 0.5, 200),
    WATTMETER(Topic.METER, ScaleUnit.W, 1, 10_000),
    PANEL(Topic.METER),
    LOAD_POWER(Topic.LOAD, ScaleUnit.W, 5, 10_000),
    CHART_BAND(Topic.TWIN),
    CHART_PLATE(Topic.TWIN, ScaleUnit.ONE, 0, 10),
    CHART_LOAD(Topic.TWIN, ScaleUnit.ONE, 0, 10),
    LOADED_VOLTAGE(Topic.TWIN, ScaleUnit.V, 200, 10_000),
    SCREEN_VOLTAGE(Topic.TWIN, ScaleUnit.V, 50, 2000),
    LOADED_PLATE(Topic.TWIN, ScaleUnit.A, 0.02, 10),
    LOADED_GRID(Topic.TWIN, ScaleUnit.A, 0, 3),
    LOADED_SCREEN(Topic.TWIN, ScaleUnit.A, 0, 1);

    /** What a question is about. */
    public enum Topic {
        EXCITER,
        AMPLIFIER,
        METER,
        LOAD,
        TWIN
    }

    /** What amplifies. */
    public enum AmplifierKind {
        TWO_TRIODES,
        ONE_TRIODE,
        TETRODE,
        TRANSISTORS;

        boolean hasTubes() {
            return this != TRANSISTORS;
        }

        int tubeCount() {
            return this == TWO_TRIODES ? 2 : 1;
        }
    }

    /** Which way LOAD's number goes for heavier. */
    public enum Heavier {
        HIGHER,
        LOWER
    }

    /** What the amplifier's own meters are. */
    public enum Panel {
        SEVERAL,
        ONE_WITH_SWITCH,
        NONE
    }

    /** The band of a line of the maker's chart. */
    public enum ChartBand {
        MHZ_3_5,
        MHZ_7,
        MHZ_14,
        MHZ_21
    }

    private final Topic topic;
    private final ScaleUnit scale;
    private final double least;
    private final double most;

    Question(Topic topic, ScaleUnit scale, double least, double most) {
        this.topic = topic;
        this.scale = scale;
        this.least = least;
        this.most = most;
    }

    Question(Topic topic) {
        this(topic, ScaleUnit.ONE, 0, 0);
    }

    public Topic topic() {
        return topic;
    }

    /** Returns the scale of a number. */
    public ScaleUnit scale() {
        return scale;
    }

    /** Returns the least that is taken, in the core's unit. */
    double least() {
        return least;
    }

    /** Returns the most that is taken, in the core's unit. */
    double most() {
        return most;
    }

    /** Returns the codes to choose from; empty where a number is asked. */
    public List<String> choices() {
        return switch (this) {
            case KIND -> names(AmplifierKind.values());
            case HEAVIER -> names(Heavier.values());
            case PANEL -> names(Panel.values());
            case CHART_BAND -> names(ChartBand.values());
            case EXCITER_POWER,
                    LICENCE,
                    RATED_OUTPUT,
                    DRIVE,
                    DISSIPATION,
                    PLATE_CURRENT,
                    GRID_CURRENT,
                    SCREEN_CURRENT,
                    PLATE_VOLTAGE,
                    RESTING_CURRENT,
                    WARM_UP,
                    SUPPLY_VOLTAGE,
                    SUPPLY_CURRENT,
                    WATTMETER,
                    LOAD_POWER,
                    CHART_PLATE,
                    CHART_LOAD,
                    LOADED_VOLTAGE,
                    SCREEN_VOLTAGE,
                    LOADED_PLATE,
                    LOADED_GRID,
                    LOADED_SCREEN -> List.of();
        };
    }

    private static List<String> names(Enum<?>[] codes) {
        return Stream.of(codes).map(Enum::name).toList();
    }
}
