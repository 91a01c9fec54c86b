package org.tubrin.core.advice;

/** Why a move; each names the rule that it comes from. */
public enum Reason {
    BEFORE_POWER(Rule.ORDER_OF_WORK),
    COLD_TUBE(Rule.WARM_UP),
    PRESET_FROM_CARD(Rule.PRESET),
    PRESET_AHEAD(Rule.PRESET),
    PRESET_FROM_CHART(Rule.PRESET),
    PRESET_FROM_TWIN(Rule.PRESET),
    PRESET_UNKNOWN(Rule.PRESET),
    FIRST_STEP_LOW(Rule.CLIMB),
    DOUBLE_DRIVE(Rule.CLIMB),
    RAISE_AFTER_FIRST(Rule.CLIMB),
    LICENCE_CAPS_DRIVE(Rule.LICENCE),
    RANGE_TOO_SMALL(Rule.RANGE_FIRST),
    RANGE_TOO_WIDE(Rule.RANGE_FIRST),
    ANTICIPATE(Rule.ANTICIPATION),
    PEAK_FOR_OUTPUT(Rule.PEAK),
    PEAK_PLATE_ONLY(Rule.PEAK),
    /** The school would turn LOAD here; the twin has it already. */
    PEAK_PLATE_TWIN(Rule.PEAK),
    DIP_AND_LOAD(Rule.DIP),
    DIP_PLATE_ONLY(Rule.DIP),
    DIP_BELOW_TARGET(Rule.DIP),
    DIP_ABOVE_TARGET(Rule.DIP),
    GRID_FOR_RESONANCE(Rule.GRID),
    GRID_TO_WINDOW(Rule.GRID),
    GRID_ABOVE_WINDOW(Rule.GRID),
    GRID_BELOW_WINDOW(Rule.GRID),
    LET_REST(Rule.PACE),
    LOAD_MUST_COOL(Rule.PACE),
    KEY_IS_DOWN(Rule.PACE),
    KEY_DOWN_PLATE_ONLY(Rule.PACE),
    KEY_TOO_LONG(Rule.PACE),
    READINGS_MISSING(Rule.CLIMB),
    ENTRY_DOUBTFUL(Rule.CLIMB),
    STEP_IS_GOOD(Rule.CLIMB),
    FIRST_STEP_IS_GOOD(Rule.CLIMB),
    STEP_IS_LAST(Rule.CLIMB),
    STEP_WITH_SIGN(Rule.SIGNS),
    FINISH_AT_ONCE(Rule.FINISH),
    LIMITS_CAP_DRIVE(Rule.FINISH),
    FINISH_HEAVIER(Rule.FINISH),
    CORRECT_HEAVIER(Rule.FINISH),
    CORRECT_LIGHTER(Rule.FINISH),
    HEAT_LIGHTER(Rule.FINISH),
    RE_PEAK_AFTER_HEAVIER(Rule.FINISH),
    RE_PEAK_LOAD_STAYS(Rule.FINISH),
    FINISH_IS_GOOD(Rule.FINISH),
    CLOSING_CHECK(Rule.CHECK),
    KEEP_FOR_NEXT_TIME(Rule.WRITE_DOWN),
    RUN_OVER(Rule.WRITE_DOWN),
    TOO_LIGHT(Rule.SIGNS),
    GRID_CURRENT_OVER(Rule.SIGNS),
    CURRENT_STAYS(Rule.SIGNS),
    LOAD_AT_STOP(Rule.SIGNS),
    PLATE_CURRENT_OVER(Rule.SIGNS),
    HEAT_OVER(Rule.SIGNS),
    OUTPUT_OVER(Rule.LICENCE),
    LOAD_POWER_OVER(Rule.SIGNS),
    DRIVE_OVER(Rule.SIGNS),
    NEEDS_PAD(Rule.SIGNS),
    TOO_HEAVY_OR_OFF(Rule.SIGNS),
    BACK_TO_TWIN(Rule.SIGNS),
    BACK_TO_START(Rule.SIGNS),
    PLATE_OFF_RESONANCE(Rule.SIGNS),
    NOTHING_MOVES(Rule.SIGNS),
    METER_LIES(Rule.SIGNS),
    GREW_TOO_MUCH(Rule.SIGNS),
    GREW_TOO_LITTLE(Rule.SIGNS),
    OUTPUT_POOR(Rule.SIGNS),
    AFTER_TRIP(Rule.SIGNS),
    AFTER_GRID_TRIP(Rule.SIGNS),
    AFTER_PLATE_TRIP(Rule.SIGNS),
    AFTER_REFLECTED_TRIP(Rule.SIGNS),
    AFTER_HEAT_TRIP(Rule.SIGNS),
    RESET_AFTER_TRIP(Rule.SIGNS),
    AFTER_ARC(Rule.SIGNS),
    KNOB_FIRST(Rule.SIGNS);

    private final Rule rule;

    Reason(Rule rule) {
        this.rule = rule;
    }

    /** Returns the rule that the reason comes from. */
    public Rule rule() {
        return rule;
    }

    /** The rules of the order of work. */
    public enum Rule {
        ORDER_OF_WORK,
        WARM_UP,
        PRESET,
        CLIMB,
        RANGE_FIRST,
        ANTICIPATION,
        PEAK,
        DIP,
        GRID,
        PACE,
        FINISH,
        CHECK,
        WRITE_DOWN,
        SIGNS,
        LICENCE
    }
}
