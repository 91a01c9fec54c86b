/** Hidden faults, found by the next check and by a fixed list. */
@org.jspecify.annotations.NullMarked
package org.tubrin.bench.campaign.faults;
