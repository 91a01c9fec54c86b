package org.tubrin.core.twin;

import java.util.OptionalDouble;

/**
 * A transistor amplifier at work.
 *
 * @param driveW at its input
 * @param outputW into the load
 * @param supplyVoltageDcV at its terminals
 * @param supplyCurrentA from the supply
 * @param heatW into the heat sink
 * @param compressionDb by how much saturation takes from the gain
 * @param inputSwr at its input; absent without drive
 * @param foldedBack whether heat holds the output back
 */
public record TransistorPoint(
        double driveW,
        double outputW,
        double supplyVoltageDcV,
        double supplyCurrentA,
        double heatW,
        double compressionDb,
        OptionalDouble inputSwr,
        boolean foldedBack) {}
