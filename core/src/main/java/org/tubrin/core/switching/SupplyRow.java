package org.tubrin.core.switching;

import org.tubrin.core.quantity.Quantity;

/**
 * What came out at a supply voltage.
 *
 * @param supplyV as read
 * @param modules how many were switched in
 * @param outputW as read
 */
public record SupplyRow(Quantity supplyV, int modules, Quantity outputW) {}
