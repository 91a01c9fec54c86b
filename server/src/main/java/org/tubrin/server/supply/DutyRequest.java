package org.tubrin.server.supply;

import org.tubrin.core.supply.CurrentProfile;

/** An average current that was read while a set was in use, as typed, with the set's profile. */
public record DutyRequest(CurrentProfile profile, double peakEnvelopeW, String averageA) {}
