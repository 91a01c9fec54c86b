package org.tubrin.core.supply;

/**
 * A set used in one mode alone, all else at rest.
 *
 * @param mode which
 * @param draw of the set
 * @param mains at the wall meanwhile, with what all other boxes draw at rest
 */
public record ModeUse(DrawMode mode, Draw draw, MainsSide mains) {}
