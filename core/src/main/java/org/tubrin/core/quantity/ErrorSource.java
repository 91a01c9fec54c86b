package org.tubrin.core.quantity;

/**
 * Names one independent cause of error, such as the class error of one meter on one range. Two quantities that name the
 * same source are correlated through it.
 *
 * @param instrument who errs, such as the meter's name
 * @param channel what of it, such as the reading's role
 * @param range on which range; empty where there is only one
 */
public record ErrorSource(String instrument, String channel, String range) {}
