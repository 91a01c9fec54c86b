/** The one catalogue of words, in ICU message format. */
@org.jspecify.annotations.NullMarked
package org.tubrin.server.words;
