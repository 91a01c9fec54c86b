package org.tubrin.core.run;

/**
 * What a reading lies between where all is well.
 *
 * @param least in the role's unit
 * @param most in the role's unit
 */
public record Likely(double least, double most) {}
