/**
 * Tubes and transistors: their ratings.
 *
 * <p>In: figures of the maker's sheet. Out: records that refuse impossible figures. May import: quantity.
 */
@org.jspecify.annotations.NullMarked
package org.tubrin.core.device;
