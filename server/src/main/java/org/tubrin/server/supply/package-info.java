/** Plans of supplies, measured profiles and high-voltage supplies: kept, judged, told in words. */
@org.jspecify.annotations.NullMarked
package org.tubrin.server.supply;
