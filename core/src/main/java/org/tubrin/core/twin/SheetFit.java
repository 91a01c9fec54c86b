package org.tubrin.core.twin;

import java.util.List;
import org.tubrin.core.station.Band;
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
}
