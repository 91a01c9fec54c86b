/** What the twin says of a run: the ground around it, where the watts go, how clean the signal is; and a twin from a sheet. */
@org.jspecify.annotations.NullMarked
package org.tubrin.server.twin;
