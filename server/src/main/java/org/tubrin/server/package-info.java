/** The server: REST, storage and words around the core. Holds no formula of the job. */
@org.jspecify.annotations.NullMarked
package org.tubrin.server;
