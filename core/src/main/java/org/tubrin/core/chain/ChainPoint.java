package org.tubrin.core.chain;

import java.util.Optional;
import org.tubrin.core.quantity.Quantity;

/**
 * One key-down on the way up.
 *
 * @param attenuationDb of the attenuator behind the generator
 * @param outputW into the load
 * @param gateDcV direct voltage at the gate; empty where it was not read
 */
public record ChainPoint(double attenuationDb, Quantity outputW, Optional<Quantity> gateDcV) {}
