/** Everything out as one file, and back. */
@org.jspecify.annotations.NullMarked
package org.tubrin.server.backup;
