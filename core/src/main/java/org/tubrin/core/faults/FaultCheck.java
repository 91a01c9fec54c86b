package org.tubrin.core.faults;

import static org.tubrin.core.faults.Cause.ALC_SETTING;
import static org.tubrin.core.faults.Cause.ANTENNA_LINE;
import static org.tubrin.core.faults.Cause.BIAS_FAULT;
import static org.tubrin.core.faults.Cause.BIAS_NOT_TRACKING;
import static org.tubrin.core.faults.Cause.DEVICE_FAILED;
import static org.tubrin.core.faults.Cause.DEVICE_HOT;
import static org.tubrin.core.faults.Cause.DRIVE_KEPT;
import static org.tubrin.core.faults.Cause.EXCITER_LOW;
import static org.tubrin.core.faults.Cause.FAN_STOPPED;
import static org.tubrin.core.faults.Cause.FEED_THROUGH;
import static org.tubrin.core.faults.Cause.FILAMENT_OPEN;
import static org.tubrin.core.faults.Cause.FILTER_RELAY;
import static org.tubrin.core.faults.Cause.FILTER_WRONG;
import static org.tubrin.core.faults.Cause.FIRMWARE_CHANGED;
import static org.tubrin.core.faults.Cause.FOLD_BACK;
import static org.tubrin.core.faults.Cause.GEAR_SLACK;
import static org.tubrin.core.faults.Cause.GRID_RESISTOR;
import static org.tubrin.core.faults.Cause.GROUND_BOND;
import static org.tubrin.core.faults.Cause.HEATER_SUPPLY;
import static org.tubrin.core.faults.Cause.HV_CAPACITOR;
import static org.tubrin.core.faults.Cause.INPUT_NETWORK;
import static org.tubrin.core.faults.Cause.JUMPER_COOKED;
import static org.tubrin.core.faults.Cause.JUMPER_OPEN;
import static org.tubrin.core.faults.Cause.KEY_LINE;
import static org.tubrin.core.faults.Cause.KNOB_LOOSE;
import static org.tubrin.core.faults.Cause.LEAD_DROP;
import static org.tubrin.core.faults.Cause.LIGHT_LOADING;
import static org.tubrin.core.faults.Cause.LOAD_DAMAGED;
import static org.tubrin.core.faults.Cause.LOAD_HOT;
import static org.tubrin.core.faults.Cause.MAINS_CONTACT;
import static org.tubrin.core.faults.Cause.MAINS_WEAK;
import static org.tubrin.core.faults.Cause.MATCHER_PART;
import static org.tubrin.core.faults.Cause.MATCHING_POWER_OFF;
import static org.tubrin.core.faults.Cause.MATCH_OUT_OF_RANGE;
import static org.tubrin.core.faults.Cause.METER_POSITION;
import static org.tubrin.core.faults.Cause.METER_SHUNT;
import static org.tubrin.core.faults.Cause.METER_SWITCH;
import static org.tubrin.core.faults.Cause.NO_SOFT_START;
import static org.tubrin.core.faults.Cause.OPERATE_OFF;
import static org.tubrin.core.faults.Cause.OVERDRIVE;
import static org.tubrin.core.faults.Cause.PAD_BURNT;
import static org.tubrin.core.faults.Cause.PARASITIC;
import static org.tubrin.core.faults.Cause.PA_ON_WHILE_MATCHING;
import static org.tubrin.core.faults.Cause.PIN_SOLDER;
import static org.tubrin.core.faults.Cause.PLATE_CHOKE;
import static org.tubrin.core.faults.Cause.RECTIFIER;
import static org.tubrin.core.faults.Cause.RELAY_COIL;
import static org.tubrin.core.faults.Cause.RELAY_CONTACTS;
import static org.tubrin.core.faults.Cause.RELAY_SEQUENCE;
import static org.tubrin.core.faults.Cause.RF_IN_REGULATOR;
import static org.tubrin.core.faults.Cause.RF_IN_SHACK;
import static org.tubrin.core.faults.Cause.SENSE_LEAD_OPEN;
import static org.tubrin.core.faults.Cause.SLIP_BAND;
import static org.tubrin.core.faults.Cause.SUPPLY_LIMIT;
import static org.tubrin.core.faults.Cause.SWITCH_WORN;
import static org.tubrin.core.faults.Cause.TANK_CAPACITOR;
import static org.tubrin.core.faults.Cause.TANK_CONTACTS;
import static org.tubrin.core.faults.Cause.TUBE_GASSY;
import static org.tubrin.core.faults.Cause.TUBE_SOFT;
import static org.tubrin.core.faults.Cause.WATTMETER_LIES;

import java.util.Arrays;
import java.util.Collections;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.stream.Stream;

/**
 * One look, one swap or one question: what it takes, and how probable its yes is with each cause. The shares are the house's
 * estimate; a cause that is not named says yes by mistake only.
 */
public enum FaultCheck {
    // What stands wrong is seen at once.
    LOOK_OPERATE(Kind.LOOK, 0.3, Care.NONE, sure(OPERATE_OFF)),
    LOOK_BAND(Kind.LOOK, 0.3, Care.NONE, sure(SLIP_BAND).and(0.2, FILTER_WRONG)),
    LOOK_METER_POSITION(Kind.LOOK, 0.3, Care.NONE, sure(METER_POSITION)),
    LOOK_DRIVE(Kind.LOOK, 1, Care.KEYED, on(0.95, OVERDRIVE, DRIVE_KEPT).and(0.3, ALC_SETTING)),
    LOOK_FAN(Kind.LOOK, 0.5, Care.NONE, sure(FAN_STOPPED)),
    LOOK_PA(Kind.LOOK, 0.5, Care.NONE, sure(PA_ON_WHILE_MATCHING)),
    LOOK_MATCHING_POWER(Kind.LOOK, 1, Care.KEYED, on(0.95, MATCHING_POWER_OFF).and(0.3, FOLD_BACK)),
    LOOK_BAND_DATA(Kind.LOOK, 1, Care.NONE, on(0.94, FILTER_WRONG).and(0.3, SLIP_BAND)),
    LOOK_ONE_DARK(Kind.LOOK, 0.5, Care.NONE, on(0.85, PIN_SOLDER, FILAMENT_OPEN).and(0.06, HEATER_SUPPLY)),

    // What was, and where.
    ASK_ONE_BAND(
            Kind.ONLY,
            0.3,
            Care.NONE,
            on(0.9, TANK_CONTACTS, INPUT_NETWORK, FILTER_RELAY, FILTER_WRONG)
                    .and(0.7, SLIP_BAND, FOLD_BACK, MATCH_OUT_OF_RANGE, PLATE_CHOKE, DRIVE_KEPT)
                    .and(0.4, RF_IN_SHACK, LIGHT_LOADING, EXCITER_LOW, ANTENNA_LINE, TANK_CAPACITOR)),
    ASK_SUDDEN(
            Kind.ASK,
            0.3,
            Care.NONE,
            on(0.9, FILAMENT_OPEN, PIN_SOLDER, DEVICE_FAILED, METER_POSITION, LOAD_DAMAGED, GRID_RESISTOR)
                    .and(0.75, PAD_BURNT, WATTMETER_LIES, HEATER_SUPPLY, TANK_CAPACITOR, PLATE_CHOKE, FILTER_RELAY)
                    .and(0.5, EXCITER_LOW, ALC_SETTING, JUMPER_OPEN, BIAS_FAULT, TANK_CONTACTS, TUBE_GASSY)
                    .and(0.3, RELAY_CONTACTS, LEAD_DROP)),
    ASK_RECEIVE(
            Kind.ASK,
            0.3,
            Care.NONE,
            on(0.85, JUMPER_OPEN, RELAY_CONTACTS).and(0.6, ANTENNA_LINE).and(0.3, JUMPER_COOKED)),
    ASK_FIRMWARE(Kind.ASK, 0.3, Care.NONE, sure(FIRMWARE_CHANGED)),
    ASK_LIGHTS_DIP(
            Kind.ASK,
            0.3,
            Care.NONE,
            on(0.85, NO_SOFT_START).and(0.4, MAINS_WEAK).and(0.3, RECTIFIER)),

    ASK_CHANGED(
            Kind.ASK,
            0.3,
            Care.NONE,
            on(0.85, FIRMWARE_CHANGED, DRIVE_KEPT, FILTER_WRONG, PA_ON_WHILE_MATCHING, MATCHING_POWER_OFF)
                    .and(0.7, METER_POSITION, SLIP_BAND, ALC_SETTING, OPERATE_OFF, MATCH_OUT_OF_RANGE)
                    .and(0.5, OVERDRIVE, LIGHT_LOADING, SENSE_LEAD_OPEN, RELAY_SEQUENCE, GROUND_BOND)
                    .and(0.3, JUMPER_OPEN, KEY_LINE, SUPPLY_LIMIT, LEAD_DROP, RF_IN_SHACK, RF_IN_REGULATOR)),
    ASK_WITH_HEAT(
            Kind.ASK,
            0.3,
            Care.NONE,
            on(0.9, LOAD_HOT, DEVICE_HOT, BIAS_NOT_TRACKING, FAN_STOPPED)
                    .and(0.5, JUMPER_COOKED, PIN_SOLDER, MAINS_CONTACT, TANK_CONTACTS)
                    .and(0.3, ANTENNA_LINE, HV_CAPACITOR, PAD_BURNT, LOAD_DAMAGED, TUBE_GASSY)),

    ASK_LITTLE_DRIVE(
            Kind.ASK,
            0.3,
            Care.NONE,
            on(0.85, OVERDRIVE, DRIVE_KEPT, SUPPLY_LIMIT, MAINS_WEAK, LEAD_DROP, RF_IN_REGULATOR)
                    .and(0.6, RF_IN_SHACK, TANK_CAPACITOR, ALC_SETTING, FOLD_BACK, TUBE_GASSY, LIGHT_LOADING)
                    .and(0.4, HV_CAPACITOR, JUMPER_COOKED, GROUND_BOND, FILTER_WRONG, PARASITIC, MATCHER_PART)),

    // One thing is swapped: the symptom goes with it or stays.
    SWAP_JUMPER(Kind.SWAP, 3, Care.NONE, on(0.95, JUMPER_OPEN, JUMPER_COOKED)),
    SWAP_KEY_LINE(Kind.SWAP, 3, Care.NONE, on(0.95, KEY_LINE)),
    SWAP_LOAD_IN(Kind.SWAP, 3, Care.KEYED, on(0.93, ANTENNA_LINE).and(0.85, RF_IN_SHACK, MATCH_OUT_OF_RANGE)),
    SWAP_LOAD(Kind.SWAP, 5, Care.KEYED, on(0.92, LOAD_HOT, LOAD_DAMAGED)),
    SWAP_WATTMETER(Kind.SWAP, 4, Care.KEYED, on(0.95, WATTMETER_LIES)),
    SWAP_EXCITER(
            Kind.SWAP,
            6,
            Care.KEYED,
            on(0.93, EXCITER_LOW).and(0.8, FIRMWARE_CHANGED, ALC_SETTING).and(0.3, FOLD_BACK)),
    SWAP_BYPASS(
            Kind.SWAP,
            4,
            Care.NONE,
            on(0.9, RELAY_CONTACTS, RELAY_COIL, RELAY_SEQUENCE, METER_SWITCH).and(0.3, JUMPER_OPEN)),
    SWAP_PAD(Kind.SWAP, 3, Care.KEYED, on(0.94, PAD_BURNT)),
    SWAP_SUPPLY(
            Kind.SWAP,
            8,
            Care.KEYED,
            on(0.93, SUPPLY_LIMIT).and(0.8, SENSE_LEAD_OPEN).and(0.5, RF_IN_REGULATOR)),
    SWAP_OUTLET(Kind.SWAP, 4, Care.KEYED, on(0.9, MAINS_WEAK).and(0.6, MAINS_CONTACT)),
    SWAP_TUBES(
            Kind.SWAP,
            20,
            Care.HIGH_VOLTAGE,
            on(0.93, TUBE_SOFT, TUBE_GASSY, FILAMENT_OPEN).and(0.4, PIN_SOLDER)),
    /** Two amplifiers with one symptom: what is wrong is what they share. */
    SEE_SHARED(
            Kind.LOOK,
            10,
            Care.KEYED,
            on(0.93, JUMPER_OPEN, JUMPER_COOKED, ANTENNA_LINE, EXCITER_LOW, WATTMETER_LIES, LOAD_HOT, LOAD_DAMAGED)
                    .and(0.93, MAINS_WEAK, KEY_LINE, GROUND_BOND, ALC_SETTING, FIRMWARE_CHANGED, PAD_BURNT)
                    .and(0.85, RF_IN_SHACK, MATCH_OUT_OF_RANGE, MAINS_CONTACT)
                    .and(0.6, DRIVE_KEPT, OVERDRIVE, SUPPLY_LIMIT, LEAD_DROP, RF_IN_REGULATOR)),
    SWAP_TIGHT_BOND(Kind.SWAP, 3, Care.NONE, on(0.93, GROUND_BOND)),
    SWAP_CHOKES(Kind.SWAP, 5, Care.NONE, on(0.85, RF_IN_SHACK, RF_IN_REGULATOR).and(0.3, GROUND_BOND)),
    SWAP_DELAY(Kind.SWAP, 3, Care.KEYED, on(0.9, RELAY_SEQUENCE)),
    SWAP_KNOWN_MATCH(Kind.SWAP, 4, Care.KEYED, on(0.94, MATCH_OUT_OF_RANGE).and(0.6, RF_IN_SHACK)),
    SWAP_LESS_DRIVE(
            Kind.SWAP,
            1,
            Care.KEYED,
            on(0.92, OVERDRIVE, DRIVE_KEPT)
                    .and(0.7, SUPPLY_LIMIT, RF_IN_REGULATOR)
                    .and(0.5, LEAD_DROP, RF_IN_SHACK, ALC_SETTING, MAINS_WEAK)),
    SWAP_LOUDNESS(Kind.SWAP, 2, Care.KEYED, on(0.93, ALC_SETTING).and(0.4, OVERDRIVE)),

    // Outside, with the hands.
    BEND_JUMPER(Kind.LOOK, 1, Care.NONE, on(0.8, JUMPER_OPEN).and(0.45, JUMPER_COOKED)),
    FEEL_JUMPER(Kind.LOOK, 2, Care.HOT, on(0.8, JUMPER_COOKED).and(0.25, JUMPER_OPEN)),
    WORK_RELAY(Kind.LOOK, 1, Care.NONE, on(0.85, RELAY_CONTACTS).and(0.3, RELAY_COIL)),
    LISTEN_RELAY(Kind.LOOK, 1, Care.NONE, on(0.9, RELAY_COIL, KEY_LINE, OPERATE_OFF)),
    TURN_METER_SWITCH(Kind.LOOK, 0.5, Care.NONE, on(0.95, METER_SWITCH)),
    TURN_BOTH_WAYS(Kind.LOOK, 1, Care.KEYED, on(0.94, GEAR_SLACK).and(0.12, KNOB_LOOSE)),
    HOLD_SHAFT(Kind.LOOK, 1, Care.NONE, on(0.94, KNOB_LOOSE)),
    LOAD_HEAVIER(Kind.LOOK, 1, Care.KEYED, on(0.95, LIGHT_LOADING).and(0.15, OVERDRIVE)),
    LOAD_COOLED(Kind.LOOK, 15, Care.HOT, on(0.93, LOAD_HOT).and(0.15, ANTENNA_LINE)),
    FEEL_PLUG(Kind.LOOK, 2, Care.MAINS, on(0.85, MAINS_CONTACT)),
    WATCH_FLASH(
            Kind.LOOK,
            3,
            Care.KEYED,
            on(0.8, TANK_CAPACITOR).and(0.6, TANK_CONTACTS).and(0.3, PLATE_CHOKE)),
    LISTEN_FILTERS(Kind.LOOK, 2, Care.NONE, on(0.88, FILTER_RELAY)),
    SEE_SENSE_LEADS(Kind.LOOK, 2, Care.NONE, on(0.93, SENSE_LEAD_OPEN)),
    MATCHER_SELF_TEST(Kind.LOOK, 3, Care.NONE, on(0.93, MATCHER_PART)),

    // With a meter, from outside.
    READ_DRIVE(
            Kind.LOOK,
            2,
            Care.KEYED,
            on(0.93, EXCITER_LOW, FOLD_BACK, PAD_BURNT).and(0.3, JUMPER_OPEN)),
    READ_DRIVE_BEFORE_PAD(Kind.LOOK, 2, Care.KEYED, on(0.93, EXCITER_LOW, FOLD_BACK)),
    READ_CURRENT_LOW(
            Kind.LOOK,
            1,
            Care.KEYED,
            on(0.9, TUBE_SOFT, EXCITER_LOW, PAD_BURNT, FOLD_BACK, DEVICE_FAILED, BIAS_FAULT, KEY_LINE, GRID_RESISTOR)
                    .and(0.9, PIN_SOLDER, FILAMENT_OPEN, HEATER_SUPPLY, OPERATE_OFF, RELAY_COIL)
                    .and(0.6, JUMPER_OPEN, MAINS_WEAK, ALC_SETTING)),
    READ_BYPASS_SWR(
            Kind.LOOK,
            1,
            Care.KEYED,
            on(0.93, ANTENNA_LINE, MATCH_OUT_OF_RANGE, LOAD_DAMAGED).and(0.5, MATCHER_PART, JUMPER_COOKED)),
    READ_LINE(Kind.LOOK, 2, Care.KEYED, on(0.94, MAINS_WEAK).and(0.85, MAINS_CONTACT)),
    READ_IDLE(
            Kind.LOOK,
            1,
            Care.KEYED,
            on(0.92, BIAS_FAULT, GRID_RESISTOR)
                    .and(0.7, DEVICE_FAILED)
                    .and(0.5, BIAS_NOT_TRACKING)
                    .and(0.3, TUBE_SOFT)),
    NO_DRIVE_TRIP(
            Kind.LOOK,
            1,
            Care.NONE,
            on(0.85, TUBE_GASSY, BIAS_FAULT)
                    .and(0.3, TANK_CAPACITOR, HV_CAPACITOR, RECTIFIER)
                    .and(0.2, PARASITIC)),
    READ_RIPPLE(Kind.LOOK, 3, Care.KEYED, on(0.88, HV_CAPACITOR, RECTIFIER).and(0.2, HEATER_SUPPLY)),
    READ_LOAD_OHM(Kind.LOOK, 3, Care.HOT, on(0.93, LOAD_DAMAGED)),
    READ_SET_VOLTS_RISE(Kind.LOOK, 3, Care.KEYED, on(0.9, SENSE_LEAD_OPEN, RF_IN_REGULATOR)),
    READ_LEAD_VOLTS(Kind.LOOK, 3, Care.KEYED, on(0.94, LEAD_DROP).and(0.3, SENSE_LEAD_OPEN)),
    READ_SUPPLY_AMPERES(Kind.LOOK, 2, Care.KEYED, on(0.93, SUPPLY_LIMIT)),
    READ_EACH_DEVICE(Kind.LOOK, 5, Care.KEYED, on(0.94, DEVICE_FAILED).and(0.3, BIAS_NOT_TRACKING)),
    WATCH_IDLE(Kind.LOOK, 5, Care.KEYED, on(0.92, BIAS_NOT_TRACKING).and(0.35, DEVICE_HOT)),
    SEE_HEAT_CONTACT(Kind.LOOK, 15, Care.HOT, on(0.92, DEVICE_HOT)),
    READ_FEED_THROUGH(Kind.LOOK, 4, Care.KEYED, on(0.88, FEED_THROUGH)),

    // Inside, without voltage.
    SEE_PINS(Kind.LOOK, 8, Care.HIGH_VOLTAGE, on(0.9, PIN_SOLDER)),
    READ_FILAMENT_OHM(Kind.LOOK, 8, Care.HIGH_VOLTAGE, on(0.95, FILAMENT_OPEN).and(0.7, PIN_SOLDER)),
    READ_HEATER_WINDING(Kind.LOOK, 8, Care.HIGH_VOLTAGE, on(0.93, HEATER_SUPPLY)),
    READ_SHUNT_OHM(Kind.LOOK, 8, Care.HIGH_VOLTAGE, on(0.94, METER_SHUNT)),
    READ_GRID_RESISTOR_OHM(Kind.LOOK, 8, Care.HIGH_VOLTAGE, on(0.94, GRID_RESISTOR)),
    SEE_BAND_SWITCH(Kind.LOOK, 8, Care.HIGH_VOLTAGE, on(0.92, TANK_CONTACTS)),
    SEE_CAPACITOR(Kind.LOOK, 8, Care.HIGH_VOLTAGE, on(0.92, TANK_CAPACITOR)),
    SEE_SUPPRESSORS(Kind.LOOK, 8, Care.HIGH_VOLTAGE, on(0.88, PARASITIC)),
    SEE_CHOKE(Kind.LOOK, 8, Care.HIGH_VOLTAGE, on(0.9, PLATE_CHOKE)),
    READ_BIAS_PARTS(Kind.LOOK, 8, Care.HIGH_VOLTAGE, on(0.92, BIAS_FAULT)),
    READ_HV_CAPACITORS(Kind.LOOK, 15, Care.HIGH_VOLTAGE, on(0.94, HV_CAPACITOR)),
    READ_RECTIFIERS(Kind.LOOK, 15, Care.HIGH_VOLTAGE, on(0.94, RECTIFIER)),
    READ_SOFT_START(Kind.LOOK, 10, Care.HIGH_VOLTAGE, on(0.92, NO_SOFT_START)),
    READ_SWITCH_OHM(Kind.LOOK, 5, Care.MAINS, on(0.92, SWITCH_WORN)),
    TURN_INPUT_COIL(Kind.LOOK, 8, Care.HIGH_VOLTAGE, on(0.93, INPUT_NETWORK)),

    // What the station's own records say; never asked of the operator.
    RECORD_OUTPUT_FELL(
            Kind.RECORD,
            0,
            Care.NONE,
            on(0.8, TUBE_SOFT)
                    .and(0.4, EXCITER_LOW, WATTMETER_LIES, LOAD_DAMAGED)
                    .and(0.3, PAD_BURNT, DEVICE_FAILED)),
    RECORD_SAG_GREW(Kind.RECORD, 0, Care.NONE, on(0.6, MAINS_WEAK, MAINS_CONTACT, HV_CAPACITOR, RECTIFIER)),
    RECORD_LOAD_MOVED(Kind.RECORD, 0, Care.NONE, on(0.85, LOAD_DAMAGED).and(0.4, LOAD_HOT)),
    RECORD_LIGHT(Kind.RECORD, 0, Care.NONE, on(0.8, LIGHT_LOADING)),
    RECORD_INPUT_SWR(Kind.RECORD, 0, Care.NONE, on(0.7, INPUT_NETWORK).and(0.5, PAD_BURNT, FOLD_BACK)),
    RECORD_FIRMWARE(Kind.RECORD, 0, Care.NONE, on(0.9, FIRMWARE_CHANGED));

    /** Yes with a cause that does not bear on it: somebody mistook something. */
    private static final double BY_MISTAKE = 0.04;
    /** Of a record: other causes move figures too. */
    private static final double BY_CHANCE = 0.12;
    /** A fault that comes and goes stays away by itself for twice the time that it usually takes to come, which a swap is given. */
    static final double AWAY = 0.25;

    private final Kind kind;
    private final double minutes;
    private final Care care;
    /** Never changed once it is made. */
    @SuppressWarnings("ImmutableEnumChecker")
    private final Map<Cause, Double> yes;

    FaultCheck(Kind kind, double minutes, Care care, Shares shares) {
        this.kind = kind;
        this.minutes = minutes;
        this.care = care;
        yes = shares.of;
    }

    /** What a check is, and with it what two causes at once make of its answer. */
    public enum Kind {
        /** Something is seen or read: either of two causes shows it. */
        LOOK,
        /** A question about what was. */
        ASK,
        /** A question whether it is nowhere else: two causes must both be so. */
        ONLY,
        /** One thing is swapped or spared: the symptom is gone only where nothing else brings it. */
        SWAP,
        /** The station's own records. */
        RECORD
    }

    /** Returns what kind of check it is. */
    public Kind kind() {
        return kind;
    }

    /** Returns how long it takes, in minutes. */
    public double minutes() {
        return minutes;
    }

    /** Returns what is dangerous about it. */
    public Care care() {
        return care;
    }

    /** Returns whether it asks about what was, which is known before anything is done. */
    public boolean isOfWhatWas() {
        return kind == Kind.ASK || kind == Kind.ONLY;
    }

    /** Returns whether a symptom answers it already. */
    boolean isAnsweredBy(Symptom symptom) {
        boolean ofOutput = symptom == Symptom.OUTPUT_LOW_BAND || symptom == Symptom.OUTPUT_LOW_ALL;
        boolean ofReception = symptom == Symptom.RECEIVE_DEAD || symptom == Symptom.RECEIVE_NOISY;
        return (this == ASK_ONE_BAND && ofOutput) || (this == ASK_RECEIVE && ofReception);
    }

    /** Returns how probable its yes is with each cause that bears on it, 0 to 1. */
    public Map<Cause, Double> shares() {
        return Collections.unmodifiableMap(yes);
    }

    /** Returns whether a yes clears away rather than finds: of a swap, that the symptom is gone. */
    private boolean needsAll() {
        return kind == Kind.SWAP || kind == Kind.ONLY;
    }

    /**
     * Returns how probable a yes is.
     *
     * @param causes all that is wrong; without any, something that the table does not know
     * @param intermittent whether it comes and goes
     */
    public double yes(Set<Cause> causes, boolean intermittent) {
        double otherwise = kind == Kind.RECORD ? BY_CHANCE : BY_MISTAKE;
        double all = 1;
        double none = 1;
        for (Cause cause : causes) {
            double share = yes.getOrDefault(cause, otherwise);
            all *= share;
            none *= 1 - share;
        }
        double shown = causes.isEmpty() ? otherwise : needsAll() ? all : 1 - none;
        // It is looked at while it shows; a swap may seem to have cleared it.
        return intermittent && kind == Kind.SWAP ? shown + AWAY * (1 - shown) : shown;
    }

    private static final List<FaultCheck> ASKABLE =
            Stream.of(values()).filter(check -> check.kind != Kind.RECORD).toList();

    /** Returns the checks that may be asked of the operator. */
    static List<FaultCheck> askable() {
        return ASKABLE;
    }

    private static Shares sure(Cause... causes) {
        return on(0.97, causes);
    }

    private static Shares on(double share, Cause... causes) {
        return new Shares().and(share, causes);
    }

    /** How probable a yes is with some causes. */
    private static final class Shares {
        private final Map<Cause, Double> of = new EnumMap<>(Cause.class);

        Shares and(double share, Cause... causes) {
            Arrays.stream(causes).forEach(cause -> of.put(cause, share));
            return this;
        }
    }
}
