package org.tubrin.core.twin;

import java.util.ArrayList;
import java.util.List;
import org.tubrin.core.device.Construction;
import org.tubrin.core.quantity.Allowed;
import org.tubrin.core.quantity.Problem;
import org.tubrin.core.quantity.ProblemCode;
import org.tubrin.core.quantity.Refused;
import org.tubrin.core.station.Amplifier;
import org.tubrin.core.station.Band;
import org.tubrin.core.station.Stage;
import org.tubrin.core.station.TwinConstants;

/** Builds the twin of an amplifier from its maker's sheet. */
public final class TwinFromSheet {
    private TwinFromSheet() {}

    /**
     * Returns the twin of an amplifier by its sheet.
     *
     * <p>Method: the supply from rest and load; the tube's constants, bias, cathode input and plate load by least squares
     * ({@link SheetProblem}); then the tank per band from the plate load, the design Q and the chart
     * ({@link TankDesign}).
     *
     * @param amplifier one with triodes driven at the cathode or tetrodes driven at the grid; where these, the sheet must
     *     have their screen voltage
     */
    public static Outcome<SheetFit> of(Amplifier amplifier, DataSheet sheet) {
        Stage.Tubes tubes = (Stage.Tubes) amplifier.stage();
        boolean screened = tubes.tube().construction() == Construction.TETRODE;
        if (screened && sheet.screenVoltageDcV().isEmpty()) {
            throw new Refused(new Problem(ProblemCode.MISSING, "screenVoltageDcV", "", new Allowed.Nothing()));
        }
        SheetProblem problem = new SheetProblem(tubes, sheet);
        SheetProblem.Solution solution = problem.solve();
        if (solution.readings().isEmpty()) {
            return new Outcome.Unsettled<>(Outcome.Why.NO_CONVERGENCE, solution.iterations(), 0);
        }
        TankDesign design = new TankDesign(amplifier, tubes, sheet, solution.plateLoadOhm());
        TwinConstants.Tuned whole = solution.constants().withTank(design.plate(), design.load(), design.tanks());
        List<Band> assumed = new ArrayList<>(amplifier.bands());
        assumed.removeIf(band -> amplifier.chartRow(band).isPresent());
        return new Outcome.Settled<>(
                new SheetFit(whole, solution.readings(), solution.parameters(), assumed, solution.iterations()));
    }
}
