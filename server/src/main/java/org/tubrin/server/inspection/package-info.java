/** Looking at an amplifier that is offered: a sheet to take along, and what it brings back. */
@org.jspecify.annotations.NullMarked
package org.tubrin.server.inspection;
