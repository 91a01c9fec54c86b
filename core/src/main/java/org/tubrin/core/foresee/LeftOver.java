package org.tubrin.core.foresee;

import org.tubrin.core.metering.ReadingRole;
import org.tubrin.core.quantity.Quantity;

/**
 * A reading that stays off.
 *
 * @param place of the step, from 0
 * @param role what was read
 * @param measured what it is worth
 * @param twin what the fitted twin has, in the same unit
 * @param sigmas how many of its standard uncertainties it lies off
 */
public record LeftOver(int place, ReadingRole role, Quantity measured, double twin, double sigmas) {}
