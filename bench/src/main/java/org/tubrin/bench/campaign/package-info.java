/**
 * The campaign: many simulated tune-ups of amplifiers that differ from their records, by a person who follows the advice and
 * by the plain schools as they are usually told, and a report of what each came to.
 *
 * <p>In: a number of cases and a seed. Out: {@link org.tubrin.bench.campaign.Report}. Everything belongs to the seed.
 */
@org.jspecify.annotations.NullMarked
package org.tubrin.bench.campaign;
