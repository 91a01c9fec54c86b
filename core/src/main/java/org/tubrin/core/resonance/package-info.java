/** An antenna that drifts: how far off resonance it is, which way its motor mends that, and how it wanders over hours. */
@org.jspecify.annotations.NullMarked
package org.tubrin.core.resonance;
