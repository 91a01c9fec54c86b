/** What a scope over the load shows: the volts to expect, the envelope, the trapezoid, ripple; and the order in which it is looked at. */
@org.jspecify.annotations.NullMarked
package org.tubrin.core.scope;
