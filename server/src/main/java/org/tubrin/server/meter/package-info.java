/** Meters against each other: comparison, conversion, and whom to believe. */
@org.jspecify.annotations.NullMarked
package org.tubrin.server.meter;
