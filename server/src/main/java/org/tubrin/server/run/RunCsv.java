package org.tubrin.server.run;

import java.util.ArrayList;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.Function;
import org.jspecify.annotations.Nullable;
import org.springframework.http.ResponseEntity;
import org.tubrin.core.budget.Budget;
import org.tubrin.core.metering.Reading;
import org.tubrin.core.metering.ReadingRole;
import org.tubrin.core.quantity.Quantity;
import org.tubrin.core.run.Control;
import org.tubrin.core.run.RunState;
import org.tubrin.core.run.Step;
import org.tubrin.server.web.Csv;

/** Writes the steps of a run as a table: one row a step, in the core's units, raw and worth side by side. */
final class RunCsv {
    /** What a control is called at the head of its column. */
    private static final Map<Control, String> CONTROLS = new EnumMap<>(Map.ofEntries(
            Map.entry(Control.DRIVE, "driveW"),
            Map.entry(Control.PLATE, "plateMark"),
            Map.entry(Control.LOAD, "loadMark"),
            Map.entry(Control.TONE, "toneHz"),
            Map.entry(Control.LEVEL, "levelShare"),
            Map.entry(Control.DEVICE, "device"),
            Map.entry(Control.POT, "potTurns"),
            Map.entry(Control.POWER_AMPLIFIER, "powerAmplifierOn"),
            Map.entry(Control.MATCHER, "matcherInLine"),
            Map.entry(Control.ATTENUATOR, "attenuatorDb"),
            Map.entry(Control.LOOK, "look"),
            Map.entry(Control.SUPPLY, "supplySetV"),
            Map.entry(Control.MODULES, "modules"),
            Map.entry(Control.MOTOR, "motorSteps"),
            Map.entry(Control.WATTMETERS, "wattmetersChangedOver")));

    private RunCsv() {}

    static ResponseEntity<String> of(RunView view, RunState state) {
        List<String> header = new ArrayList<>(List.of("step", "kind"));
        List<Control> controls = List.of(Control.values());
        controls.forEach(control -> header.add(CONTROLS.getOrDefault(control, control.name())));
        for (ReadingRole role : state.setup().rolesAsked()) {
            String name = role.name().toLowerCase(java.util.Locale.ROOT);
            header.addAll(List.of(name + "_typed", name + "_range", name, name + "_u95"));
        }
        List<Function<Budget, Optional<Quantity>>> figures = List.of(
                Budget::efficiency,
                Budget::heatPerDeviceW,
                Budget::heatPerDeviceCorrectedW,
                Budget::gainDb,
                Budget::sag);
        for (String name : List.of("efficiency", "heatPerTubeW", "heatPerTubeCorrectedW", "gainDb", "sag")) {
            header.addAll(List.of(name, name + "_u95"));
        }
        header.add("readAt");
        List<List<@Nullable Object>> rows = new ArrayList<>();
        for (int i = 0; i < state.steps().size(); i++) {
            Step step = state.steps().get(i);
            List<@Nullable Object> row = new ArrayList<>();
            row.add(i + 1);
            row.add(step.kind());
            controls.forEach(control -> row.add(step.position(control).orElse(null)));
            for (ReadingRole role : state.setup().rolesAsked()) {
                Reading reading = step.readings().get(role);
                row.add(reading == null ? null : reading.textAsTyped());
                row.add(reading == null ? null : reading.range());
                add(row, step.measured(role));
            }
            Budget budget = step.budget();
            figures.forEach(figure -> add(row, figure.apply(budget)));
            row.add(step.readAt().orElse(null));
            rows.add(row);
        }
        String day = view.moment().startedAt().toString().substring(0, 10);
        String name = "run-" + day + "-" + state.setup().band().name().toLowerCase(java.util.Locale.ROOT) + ".csv";
        return Csv.reply(name, header, rows);
    }

    private static void add(List<@Nullable Object> row, Optional<Quantity> quantity) {
        row.add(quantity.map(Quantity::value).orElse(null));
        row.add(quantity.map(Quantity::halfWidth95).orElse(null));
    }
}
