package org.tubrin.core.station;

import java.util.List;
import java.util.Optional;
import org.tubrin.core.device.Construction;
import org.tubrin.core.quantity.Because;
import org.tubrin.core.quantity.Checks;
import org.tubrin.core.quantity.Unit;

/**
 * A linear amplifier by its maker's sheet.
 *
 * @param name what it is called
 * @param stage tubes, transistors, or transistors that switch
 * @param driveLimitW highest drive, 0.01 to 500 W
 * @param ratedOutputW output that the maker claims at that drive, 1 to 10 000 W
 * @param relayTimeS what its T/R relay needs, 0 to 1 s; absent where unknown
 * @param bands bands that it covers
 * @param chart the maker's dials, at most one row a band
 * @param mains what it asks of the mains; absent where it runs from a DC supply
 * @param twin constants of its physical model; of the kind that its stage asks for; absent where unknown
 * @param modeSwitch its own switch between modes, which changes the plate voltage; absent where there is none
 * @param matcher the matcher in it or behind it; absent where there is none
 */
public record Amplifier(
        String name,
        Stage stage,
        double driveLimitW,
        double ratedOutputW,
        Optional<Double> relayTimeS,
        List<Band> bands,
        List<ChartRow> chart,
        Optional<Mains> mains,
        Optional<TwinConstants> twin,
        Optional<ModeSwitch> modeSwitch,
        Optional<Matcher> matcher)
        implements Equipment {

    public Amplifier {
        bands = List.copyOf(bands);
        chart = List.copyOf(chart);
        Checks checks = new Checks()
                .name("name", name)
                .range("driveLimitW", driveLimitW, 0.01, 500, Unit.WATT)
                .range("ratedOutputW", ratedOutputW, 1, 10_000, Unit.WATT)
                .size("bands", bands, 1, Band.values().length)
                .distinct("bands", bands)
                .distinct("chart", chart.stream().map(ChartRow::band).toList());
        relayTimeS.ifPresent(time -> checks.range("relayTimeS", time, 0, 1, Unit.SECOND));
        if (stage instanceof Stage.Tubes tubes) {
            for (int i = 0; i < chart.size(); i++) {
                ChartRow row = chart.get(i);
                checks.range(
                        "chart." + i + ".plate",
                        row.plate(),
                        tubes.plate().least(),
                        tubes.plate().most(),
                        Unit.MARK,
                        Because.OWN_DIAL);
                checks.range(
                        "chart." + i + ".load",
                        row.load(),
                        tubes.load().least(),
                        tubes.load().most(),
                        Unit.MARK,
                        Because.OWN_DIAL);
            }
        }
        boolean switched = modeSwitch.isPresent();
        if (switched && !(stage instanceof Stage.Tubes)) {
            checks.oneOf("modeSwitch", modeSwitch.get().at(), List.of());
        } else if (switched && stage instanceof Stage.Tubes tubes) {
            double restDcV = modeSwitch.get().restDcV();
            checks.range(
                    "stage.plateVoltageRestDcV",
                    tubes.plateVoltageRestDcV(),
                    restDcV,
                    restDcV,
                    Unit.VOLT,
                    Because.SWITCH_POSITION);
        }
        if (stage instanceof Stage.Switching switching) {
            checks.range("stage.driveW", switching.driveW(), 0.01, driveLimitW, Unit.WATT);
        }
        twin.ifPresent(constants -> checks.oneOf("twin.kind", constants.kind(), kindsFor(stage)));
        checks.done();
    }

    private static List<String> kindsFor(Stage stage) {
        return stage.in(new Stage.Cases<>() {
            @Override
            public List<String> tubes(Stage.Tubes tubes) {
                return List.of(
                        tubes.tube().construction() == Construction.TRIODE
                                ? TwinConstants.CathodeDriven.KIND
                                : TwinConstants.GridDriven.KIND);
            }

            @Override
            public List<String> transistors(Stage.Transistors transistors) {
                return List.of(TwinConstants.Broadband.KIND);
            }

            /** What its rows tell is law enough. */
            @Override
            public List<String> switching(Stage.Switching switching) {
                return List.of();
            }
        });
    }

    /** Returns the same with a twin. */
    public Amplifier withTwin(TwinConstants constants) {
        return new Amplifier(
                name,
                stage,
                driveLimitW,
                ratedOutputW,
                relayTimeS,
                bands,
                chart,
                mains,
                Optional.of(constants),
                modeSwitch,
                matcher);
    }

    /**
     * Returns the same with its mode switch in a position: plate voltage at rest, and the twin's supply with it, in the ratio
     * of the two positions. Fails with {@link org.tubrin.core.quantity.Refused} where it has no such position.
     */
    public Amplifier switchedTo(String position) {
        List<String> names = modeSwitch.stream()
                .flatMap(one -> one.positions().stream())
                .map(ModeSwitch.Position::name)
                .toList();
        new Checks().oneOf("switchPosition", position, names).done();
        ModeSwitch from = modeSwitch.orElseThrow();
        ModeSwitch to = new ModeSwitch(position, from.positions());
        double ratio = to.restDcV() / from.restDcV();
        return new Amplifier(
                name,
                stage instanceof Stage.Tubes tubes ? tubes.atPlateVoltage(to.restDcV()) : stage,
                driveLimitW,
                ratedOutputW,
                relayTimeS,
                bands,
                chart,
                mains,
                twin.map(constants -> constants instanceof TwinConstants.Tuned tuned
                        ? tuned.scaled(tuned.tanks().get(0).band(), 1, ratio, 1, 1)
                        : constants),
                Optional.of(to),
                matcher);
    }

    /** Returns the same with the limits of its stage at a share of what is recorded, above 0 to 1. */
    public Amplifier withLimits(double share) {
        return new Amplifier(
                name,
                stage.withLimits(share),
                driveLimitW,
                ratedOutputW,
                relayTimeS,
                bands,
                chart,
                mains,
                twin,
                modeSwitch,
                matcher);
    }

    /** Returns the maker's dials for a band. */
    public Optional<ChartRow> chartRow(Band band) {
        return chart.stream().filter(row -> row.band() == band).findFirst();
    }

    @Override
    public <T> T in(Cases<T> cases) {
        return cases.amplifier(this);
    }
}
