/** A claim held against arithmetic before money is spent. */
@org.jspecify.annotations.NullMarked
package org.tubrin.core.choosing;
