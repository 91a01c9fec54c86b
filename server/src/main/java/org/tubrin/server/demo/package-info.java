/** The invented demo station. */
@org.jspecify.annotations.NullMarked
package org.tubrin.server.demo;
