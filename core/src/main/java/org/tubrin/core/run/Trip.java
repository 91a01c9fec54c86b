package org.tubrin.core.run;

import org.tubrin.core.quantity.Quantity;

/**
 * The protection acted: a reading that says that this drive was too much.
 *
 * @param kind on what it acted
 * @param driveW at this drive
 * @param afterSteps how many steps had been done
 */
public record Trip(SeenSign kind, Quantity driveW, int afterSteps) {}
