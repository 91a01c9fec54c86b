package org.tubrin.server.run;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import org.springframework.stereotype.Component;
import org.tubrin.core.foresee.Expected;
import org.tubrin.core.metering.ScaleUnit;
import org.tubrin.core.run.Control;
import org.tubrin.core.run.Step;
import org.tubrin.core.run.TuneSetup;
import org.tubrin.server.words.Figures;

/** Puts what the twin expects into the units of the run's meters. */
@Component
class ExpectedWords {

    /** Returns what each meter of the run should show at a drive in watts and two marks. */
    List<RunLive.ExpectedCell> at(TuneSetup setup, double driveW, double plate, double load) {
        List<RunLive.ExpectedCell> cells = new ArrayList<>();
        Expected.at(setup, driveW, plate, load)
                .forEach((role, quantity) -> setup.channelFor(role).ifPresent(channel -> {
                    ScaleUnit unit = channel.scaleUnit();
                    cells.add(new RunLive.ExpectedCell(
                            role,
                            quantity.value() / unit.inUnit(),
                            quantity.low() / unit.inUnit(),
                            quantity.high() / unit.inUnit(),
                            Figures.of(quantity, unit).shown()));
                }));
        return cells;
    }

    /** Returns the same at a step's drive and dials; empty where they are not all known. */
    List<RunLive.ExpectedCell> of(Step step) {
        Map<Control, Double> at = step.positions();
        return step.unset().isEmpty()
                ? at(
                        step.setup(),
                        at.getOrDefault(Control.DRIVE, 0.0),
                        at.getOrDefault(Control.PLATE, 0.0),
                        at.getOrDefault(Control.LOAD, 0.0))
                : List.of();
    }
}
