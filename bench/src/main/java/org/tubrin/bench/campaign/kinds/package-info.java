/** Campaigns of the shorter kinds of run: matcher, chain, supply table, antenna watch, waveform. */
@NullMarked
package org.tubrin.bench.campaign.kinds;

import org.jspecify.annotations.NullMarked;
