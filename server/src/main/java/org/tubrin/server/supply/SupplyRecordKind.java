package org.tubrin.server.supply;

import org.tubrin.core.hv.HighVoltage;
import org.tubrin.core.supply.Plan;
import org.tubrin.core.supply.ProfileRun;

/** What is kept of the reckoning with supplies. */
public enum SupplyRecordKind {
    PLAN(Plan.class),
    PROFILE(ProfileRun.class),
    HIGH_VOLTAGE(HighVoltage.class);

    private final Class<?> type;

    SupplyRecordKind(Class<?> type) {
        this.type = type;
    }

    /** Returns the record that a paper of this kind holds. */
    Class<?> type() {
        return type;
    }

    /** Returns what a record is kept as. */
    public static String nameOf(Object paper) {
        if (paper instanceof Plan plan) {
            return plan.name();
        }
        return paper instanceof ProfileRun run ? run.name() : ((HighVoltage) paper).name();
    }
}
