/** The tune cards. */
@org.jspecify.annotations.NullMarked
package org.tubrin.server.card;
