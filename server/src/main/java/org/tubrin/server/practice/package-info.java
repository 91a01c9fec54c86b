/** Exercises, kept act by act, and played. */
@org.jspecify.annotations.NullMarked
package org.tubrin.server.practice;
