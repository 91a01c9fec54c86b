/** How records become JSON and columns, and back. */
@org.jspecify.annotations.NullMarked
package org.tubrin.server.store;
