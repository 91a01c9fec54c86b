/**
 * A simulated station that is read and set like a real one: instruments that answer SCPI over TCP on loopback, one port each.
 * Behind them stands the twin with a truth of its own, a little off the amplifier's record, and meters with the errors of
 * their class. A process of its own; may import the core. The commands are described in {@code docs/bench.md}.
 */
@org.jspecify.annotations.NullMarked
package org.tubrin.bench;
