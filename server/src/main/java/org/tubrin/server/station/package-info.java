/** Equipment of the station. */
@org.jspecify.annotations.NullMarked
package org.tubrin.server.station;
