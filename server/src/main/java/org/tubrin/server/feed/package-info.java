/** Live readings: a client for instruments that answer SCPI over TCP, and the link to the simulated bench. */
@org.jspecify.annotations.NullMarked
package org.tubrin.server.feed;
