/**
 * The twin: an amplifier as physics. What each meter should show at a setting, where the dials should be, what lies around,
 * how clean it is, how warm; and the constants of an amplifier found from its maker's sheet.
 *
 * <p>In: equipment records with their {@link org.tubrin.core.station.TwinConstants}, and a {@link Setting}. Out: outcomes
 * that say whether they settled; no number leaves where the equations were not solved.
 *
 * <p>Conventions, stated once: SI units; phasors are peak values, {@code x(t) = Re(X·e^{jθ})}; the cathode's (or grid's)
 * drive is the phase reference; the plate's voltage is {@code Vdc − Re(V1·e^{jθ})}; power flows from plate to load; a
 * positive screen current flows into the tube. Only the fundamental reaches the tank and the input network, which holds for
 * loaded Q of 5 and more: with an input network of Q 3 a full simulation departs by up to 2 % in output, with 1.5 by 3 %.
 *
 * <p>Classes whose name ends in Solver work in place, allocate nothing once made, and serve one thread.
 *
 * <p>May import: quantity, device, tank, station; of libraries Hipparchus.
 */
@org.jspecify.annotations.NullMarked
package org.tubrin.core.twin;
