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

/**
 * A twin found from a maker's sheet, and how good it is.
 *
 * @param constants of the amplifier
 * @param readings each figure of the sheet beside the twin's
 * @param parameters each constant, and how far the sheet determines it
 * @param assumedBands bands without a row of the maker's chart, whose dials are therefore guesses
 * @param iterations of the least squares, over all starts
 */
public record SheetFit(
        TwinConstants.Tuned constants,
        List<Reading> readings,
        List<Parameter> parameters,
        List<Band> assumedBands,
        int iterations) {
    public SheetFit {
        readings = List.copyOf(readings);
        parameters = List.copyOf(parameters);
        assumedBands = List.copyOf(assumedBands);
    }

    /** What a sheet states of a point. */
    public enum Figure {
        RESTING_CURRENT,
        PLATE_CURRENT,
        GRID_CURRENT,
        SCREEN_CURRENT,
        OUTPUT,
        INPUT_SWR
    }

    /**
     * A figure of the sheet beside the twin's.
     *
     * @param operation which point, from 0; the resting current stands with 0
     * @param figure what
     * @param sheet in its SI unit; an input SWR of 1 is taken for granted
     * @param twin in the same unit
     */
    public record Reading(int operation, Figure figure, double sheet, double twin) {}

    /** A constant that is fitted. */
    public enum Constant {
        PERVEANCE,
        AMPLIFICATION_FACTOR,
        DIVISION,
        BIAS,
        CATHODE_INPUT,
        SWAMP,
        PLATE_LOAD
    }

    /**
     * A constant as fitted.
     *
     * @param constant which
     * @param value in its SI unit
     * @param relativeUncertainty standard, as the sheet leaves it when its figures hold to a few per cent
     * @param standing how far the sheet determines it
     */
    public record Parameter(Constant constant, double value, double relativeUncertainty, Determined standing) {}

    /** How far a sheet determines a constant. */
    public enum Determined {
        /** The sheet's figures narrow it to less than half of what is customary. */
        WELL,
        /** They narrow it somewhat. */
        PARTLY,
        /** They say next to nothing: it is the customary value. */
        NOT
    }

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
