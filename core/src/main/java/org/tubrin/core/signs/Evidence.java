package org.tubrin.core.signs;

import org.tubrin.core.quantity.Quantity;

/**
 * One thing that a sign rests on: a figure seen against a bound.
 *
 * @param figure what was seen
 * @param found as it was read or reckoned
 * @param bound what it is held against, in the same unit
 * @param above whether it lies above the bound, else below
 * @param basis where the bound comes from
 */
public record Evidence(Figure figure, Quantity found, double bound, boolean above, Basis basis) {

    /** What can be seen. */
    public enum Figure {
        OUTPUT,
        PLATE_CURRENT,
        GRID_CURRENT,
        SCREEN_CURRENT,
        INPUT_SWR,
        HEAT_PER_TUBE,
        DRIVE,
        EFFICIENCY,
        SAG,
        /** {@code Ig/Ip}. */
        GRID_TO_PLATE,
        /** {@code Ig2/Ip}. */
        SCREEN_TO_PLATE,
        /** Output over output for each doubling of drive. */
        GROWTH,
        /** The rise of plate current from the step before, as a ratio. */
        PLATE_CURRENT_RISE,
        /** How far PLATE stands from where it should repeat, in marks. */
        PLATE_DRIFT,
        /** What one of two wattmeters shows over what the other does, the higher over the lower. */
        WATTMETERS
    }

    /** Where a bound comes from. */
    public enum Basis {
        /** The maker's or the licence's. */
        LIMIT,
        /** A figure of good practice. */
        PRACTICE,
        /** What the twin has there. */
        TWIN,
        /** The steps before. */
        CLIMB
    }

    /** Returns how probable it is that the true value lies on the side that is claimed, 0 to 1. */
    public double certainty() {
        double beyond = found.probabilityAbove(bound);
        return above ? beyond : 1 - beyond;
    }
}
