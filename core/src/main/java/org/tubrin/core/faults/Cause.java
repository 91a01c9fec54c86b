package org.tubrin.core.faults;

import static org.tubrin.core.faults.Symptom.ALC_REVERSED;
import static org.tubrin.core.faults.Symptom.ARCS;
import static org.tubrin.core.faults.Symptom.DEVICE_RUNS_AWAY;
import static org.tubrin.core.faults.Symptom.DIP_PEAK_APART;
import static org.tubrin.core.faults.Symptom.FILAMENT_DARK;
import static org.tubrin.core.faults.Symptom.FLAT_TOPPED;
import static org.tubrin.core.faults.Symptom.GRID_HIGH;
import static org.tubrin.core.faults.Symptom.HAIRY;
import static org.tubrin.core.faults.Symptom.HUM;
import static org.tubrin.core.faults.Symptom.INPUT_SWR_AMPLIFYING;
import static org.tubrin.core.faults.Symptom.KNOB_SLIPS;
import static org.tubrin.core.faults.Symptom.LOAD_SWR_DRIFTS;
import static org.tubrin.core.faults.Symptom.MATCHER_REFUSES;
import static org.tubrin.core.faults.Symptom.METERS_DEAD;
import static org.tubrin.core.faults.Symptom.METER_JUMPS;
import static org.tubrin.core.faults.Symptom.NO_OUTPUT;
import static org.tubrin.core.faults.Symptom.OUTPUT_LOW_ALL;
import static org.tubrin.core.faults.Symptom.OUTPUT_LOW_BAND;
import static org.tubrin.core.faults.Symptom.RECEIVE_DEAD;
import static org.tubrin.core.faults.Symptom.RECEIVE_NOISY;
import static org.tubrin.core.faults.Symptom.RELAY_CHATTERS;
import static org.tubrin.core.faults.Symptom.RF_FEEDBACK;
import static org.tubrin.core.faults.Symptom.SAG;
import static org.tubrin.core.faults.Symptom.SUPPLY_FOLDS;
import static org.tubrin.core.faults.Symptom.SUPPLY_RISES;
import static org.tubrin.core.faults.Symptom.SWITCH_BURNT;
import static org.tubrin.core.faults.Symptom.TRIPS;
import static org.tubrin.core.faults.Symptom.TRIPS_FILTER;
import static org.tubrin.core.faults.Symptom.TRIPS_HEAT;
import static org.tubrin.core.faults.Symptom.TRIPS_INPUT;
import static org.tubrin.core.faults.Symptom.TRIPS_REFLECTED;

import java.util.Collections;
import java.util.EnumMap;
import java.util.Map;
import java.util.Optional;
import org.jspecify.annotations.Nullable;
import org.tubrin.core.station.Alteration;

/**
 * What can be wrong, with how often that is met and how it shows.
 *
 * <p>The counts are the house's estimate of how many of some 330 faults of such stations are of each kind; nobody has counted
 * them. The operator's own closed cases are counted with them. Of each symptom stands the share of a cause's cases in which it is
 * what the operator complains of.
 */
public enum Cause {
    OPERATE_OFF(5, Shows.of(NO_OUTPUT, 0.9)),
    SLIP_BAND(
            7,
            Shows.of(OUTPUT_LOW_BAND, 0.5)
                    .and(NO_OUTPUT, 0.2)
                    .and(GRID_HIGH, 0.2)
                    .and(TRIPS_REFLECTED, 0.1)),
    METER_POSITION(6, Shows.of(OUTPUT_LOW_ALL, 0.5).and(METERS_DEAD, 0.3).and(GRID_HIGH, 0.2)),
    OVERDRIVE(9, Shows.of(GRID_HIGH, 0.3).and(FLAT_TOPPED, 0.3).and(TRIPS, 0.2).and(TRIPS_INPUT, 0.2)),
    DRIVE_KEPT(9, Shows.of(TRIPS_INPUT, 0.7).and(FLAT_TOPPED, 0.3)),
    LIGHT_LOADING(
            10, Within.TUBES, Shows.of(GRID_HIGH, 0.6).and(OUTPUT_LOW_BAND, 0.2).and(TRIPS, 0.2)),
    ALC_SETTING(4, Shows.of(FLAT_TOPPED, 0.6).and(ALC_REVERSED, 0.3).and(OUTPUT_LOW_ALL, 0.1)),
    FIRMWARE_CHANGED(6, Shows.of(ALC_REVERSED, 0.8).and(FLAT_TOPPED, 0.2)),
    PA_ON_WHILE_MATCHING(8, Shows.of(MATCHER_REFUSES, 0.8).and(TRIPS_REFLECTED, 0.2)),
    MATCHING_POWER_OFF(4, Shows.of(MATCHER_REFUSES, 1)),

    JUMPER_OPEN(
            14,
            Alteration.Part.CABLE,
            Shows.of(RECEIVE_DEAD, 0.5)
                    .and(RECEIVE_NOISY, 0.3)
                    .and(NO_OUTPUT, 0.1)
                    .and(OUTPUT_LOW_ALL, 0.1)),
    JUMPER_COOKED(
            6,
            Alteration.Part.CABLE,
            Shows.of(RF_FEEDBACK, 0.5)
                    .and(RECEIVE_NOISY, 0.2)
                    .and(INPUT_SWR_AMPLIFYING, 0.2)
                    .and(TRIPS_REFLECTED, 0.1)),
    RELAY_CONTACTS(
            10,
            Alteration.Part.RELAY,
            Shows.of(RECEIVE_DEAD, 0.45).and(RECEIVE_NOISY, 0.4).and(OUTPUT_LOW_ALL, 0.1)),
    RELAY_COIL(
            4,
            Alteration.Part.RELAY,
            Shows.of(RELAY_CHATTERS, 0.5).and(NO_OUTPUT, 0.4).and(RECEIVE_DEAD, 0.1)),
    RELAY_SEQUENCE(
            5,
            Shows.of(RECEIVE_NOISY, 0.3)
                    .and(TRIPS, 0.3)
                    .and(RELAY_CHATTERS, 0.2)
                    .and(ARCS, 0.2)),
    KEY_LINE(5, Shows.of(NO_OUTPUT, 0.6).and(RELAY_CHATTERS, 0.4)),
    ANTENNA_LINE(
            8,
            Shows.of(TRIPS_REFLECTED, 0.3)
                    .and(RECEIVE_NOISY, 0.25)
                    .and(RECEIVE_DEAD, 0.2)
                    .and(LOAD_SWR_DRIFTS, 0.15)
                    .and(ARCS, 0.1)),
    RF_IN_SHACK(
            8,
            Shows.of(RF_FEEDBACK, 0.7).and(TRIPS, 0.1).and(MATCHER_REFUSES, 0.1).and(METER_JUMPS, 0.1)),
    GROUND_BOND(4, Shows.of(RF_FEEDBACK, 0.6).and(HUM, 0.4)),

    PIN_SOLDER(
            6,
            Within.TUBES,
            null,
            Care.HIGH_VOLTAGE,
            Shows.of(FILAMENT_DARK, 0.85).and(OUTPUT_LOW_ALL, 0.15)),
    FILAMENT_OPEN(
            4,
            Within.TUBES,
            Alteration.Part.TUBES,
            Care.HIGH_VOLTAGE,
            Shows.of(FILAMENT_DARK, 0.9).and(OUTPUT_LOW_ALL, 0.1)),
    HEATER_SUPPLY(
            3,
            Within.TUBES,
            null,
            Care.HIGH_VOLTAGE,
            Shows.of(FILAMENT_DARK, 0.7).and(OUTPUT_LOW_ALL, 0.2).and(HUM, 0.1)),
    TUBE_SOFT(
            10,
            Within.TUBES,
            Alteration.Part.TUBES,
            Care.HIGH_VOLTAGE,
            Shows.of(OUTPUT_LOW_ALL, 0.85).and(INPUT_SWR_AMPLIFYING, 0.1)),
    TUBE_GASSY(
            4,
            Within.TUBES,
            Alteration.Part.TUBES,
            Care.HIGH_VOLTAGE,
            Shows.of(ARCS, 0.5).and(TRIPS, 0.4).and(GRID_HIGH, 0.1)),
    TANK_CONTACTS(
            6,
            Within.TUBES,
            Alteration.Part.TANK,
            Care.HIGH_VOLTAGE,
            Shows.of(OUTPUT_LOW_BAND, 0.6).and(ARCS, 0.3).and(DIP_PEAK_APART, 0.1)),
    TANK_CAPACITOR(
            4,
            Within.TUBES,
            Alteration.Part.TANK,
            Care.HIGH_VOLTAGE,
            Shows.of(ARCS, 0.7).and(OUTPUT_LOW_BAND, 0.2).and(TRIPS, 0.1)),
    PARASITIC(
            3,
            Within.TUBES,
            Alteration.Part.TANK,
            Care.HIGH_VOLTAGE,
            Shows.of(TRIPS, 0.3).and(HAIRY, 0.3).and(ARCS, 0.2).and(GRID_HIGH, 0.2)),
    FEED_THROUGH(
            3,
            Within.TUBES,
            Alteration.Part.OTHER,
            Care.HIGH_VOLTAGE,
            Shows.of(DIP_PEAK_APART, 0.8).and(HAIRY, 0.2)),
    INPUT_NETWORK(
            6,
            Within.TUBES,
            Alteration.Part.OTHER,
            Care.HIGH_VOLTAGE,
            Shows.of(INPUT_SWR_AMPLIFYING, 0.7).and(OUTPUT_LOW_BAND, 0.3)),
    GRID_RESISTOR(
            4,
            Within.TUBES,
            Alteration.Part.RESISTOR,
            Care.HIGH_VOLTAGE,
            Shows.of(METERS_DEAD, 0.4).and(NO_OUTPUT, 0.4).and(GRID_HIGH, 0.2)),
    METER_SHUNT(
            3,
            Within.TUBES,
            Alteration.Part.RESISTOR,
            Care.HIGH_VOLTAGE,
            Shows.of(METERS_DEAD, 0.7).and(GRID_HIGH, 0.3)),
    BIAS_FAULT(
            3,
            Within.TUBES,
            Alteration.Part.OTHER,
            Care.HIGH_VOLTAGE,
            Shows.of(NO_OUTPUT, 0.4).and(TRIPS, 0.3).and(HAIRY, 0.3)),
    PLATE_CHOKE(
            2,
            Within.TUBES,
            Alteration.Part.TANK,
            Care.HIGH_VOLTAGE,
            Shows.of(ARCS, 0.4).and(NO_OUTPUT, 0.3).and(OUTPUT_LOW_BAND, 0.3)),
    KNOB_LOOSE(
            4,
            Within.TUBES,
            Alteration.Part.TANK,
            Care.NONE,
            Shows.of(KNOB_SLIPS, 0.9).and(DIP_PEAK_APART, 0.1)),
    GEAR_SLACK(4, Within.TUBES, null, Care.NONE, Shows.of(KNOB_SLIPS, 0.8).and(DIP_PEAK_APART, 0.2)),
    RECTIFIER(
            4,
            Within.TUBES,
            Alteration.Part.OTHER,
            Care.HIGH_VOLTAGE,
            Shows.of(SAG, 0.4).and(HUM, 0.4).and(NO_OUTPUT, 0.1).and(SWITCH_BURNT, 0.1)),
    HV_CAPACITOR(
            5,
            Within.TUBES,
            Alteration.Part.OTHER,
            Care.HIGH_VOLTAGE,
            Shows.of(HUM, 0.5).and(SAG, 0.4).and(ARCS, 0.1)),
    NO_SOFT_START(
            4,
            Within.TUBES,
            null,
            Care.HIGH_VOLTAGE,
            Shows.of(SWITCH_BURNT, 0.9).and(TRIPS, 0.1)),
    SWITCH_WORN(2, Within.ANY, null, Care.MAINS, Shows.of(SWITCH_BURNT, 0.8).and(METERS_DEAD, 0.2)),
    MAINS_WEAK(
            8,
            Within.ANY,
            null,
            Care.MAINS,
            Shows.of(SAG, 0.7).and(OUTPUT_LOW_ALL, 0.2).and(TRIPS, 0.1)),
    MAINS_CONTACT(
            3,
            Within.ANY,
            null,
            Care.MAINS,
            Shows.of(SAG, 0.5).and(RELAY_CHATTERS, 0.3).and(METERS_DEAD, 0.2)),

    METER_SWITCH(6, Shows.of(METER_JUMPS, 0.7).and(METERS_DEAD, 0.3)),
    WATTMETER_LIES(6, Shows.of(OUTPUT_LOW_ALL, 0.7).and(LOAD_SWR_DRIFTS, 0.2)),
    LOAD_HOT(6, Shows.of(LOAD_SWR_DRIFTS, 0.9).and(TRIPS_REFLECTED, 0.1)),
    LOAD_DAMAGED(4, Shows.of(LOAD_SWR_DRIFTS, 0.6).and(TRIPS_REFLECTED, 0.2).and(OUTPUT_LOW_ALL, 0.2)),
    EXCITER_LOW(7, Shows.of(OUTPUT_LOW_ALL, 0.6).and(OUTPUT_LOW_BAND, 0.3).and(NO_OUTPUT, 0.1)),
    PAD_BURNT(
            4,
            Alteration.Part.RESISTOR,
            Shows.of(OUTPUT_LOW_ALL, 0.4).and(INPUT_SWR_AMPLIFYING, 0.3).and(TRIPS_INPUT, 0.3)),
    FOLD_BACK(4, Shows.of(OUTPUT_LOW_BAND, 0.5).and(INPUT_SWR_AMPLIFYING, 0.5)),
    MATCHER_PART(
            4,
            Alteration.Part.OTHER,
            Shows.of(MATCHER_REFUSES, 0.7).and(TRIPS_REFLECTED, 0.2).and(ARCS, 0.1)),
    MATCH_OUT_OF_RANGE(5, Shows.of(MATCHER_REFUSES, 0.8).and(TRIPS_REFLECTED, 0.2)),

    DEVICE_FAILED(
            4,
            Within.TRANSISTORS,
            Alteration.Part.OTHER,
            Care.HOT,
            Shows.of(OUTPUT_LOW_ALL, 0.5).and(HAIRY, 0.3).and(TRIPS, 0.2)),
    DEVICE_HOT(
            5,
            Within.TRANSISTORS,
            Alteration.Part.OTHER,
            Care.HOT,
            Shows.of(DEVICE_RUNS_AWAY, 0.6).and(TRIPS_HEAT, 0.4)),
    BIAS_NOT_TRACKING(
            4,
            Within.TRANSISTORS,
            Alteration.Part.OTHER,
            Care.NONE,
            Shows.of(DEVICE_RUNS_AWAY, 0.75).and(HAIRY, 0.25)),
    FAN_STOPPED(6, Shows.of(TRIPS_HEAT, 0.85).and(DEVICE_RUNS_AWAY, 0.1)),
    FILTER_WRONG(
            7,
            Within.TRANSISTORS,
            null,
            Care.NONE,
            Shows.of(TRIPS_FILTER, 0.7).and(OUTPUT_LOW_BAND, 0.2).and(TRIPS_REFLECTED, 0.1)),
    FILTER_RELAY(
            4,
            Within.TRANSISTORS,
            Alteration.Part.RELAY,
            Care.HOT,
            Shows.of(OUTPUT_LOW_BAND, 0.6).and(TRIPS_FILTER, 0.3).and(HAIRY, 0.1)),
    RF_IN_REGULATOR(5, Shows.of(SUPPLY_RISES, 0.8).and(RF_FEEDBACK, 0.2)),
    SENSE_LEAD_OPEN(3, Shows.of(SUPPLY_RISES, 0.7).and(SUPPLY_FOLDS, 0.3)),
    SUPPLY_LIMIT(6, Shows.of(SUPPLY_FOLDS, 0.8).and(FLAT_TOPPED, 0.2)),
    LEAD_DROP(6, Shows.of(SUPPLY_FOLDS, 0.6).and(OUTPUT_LOW_ALL, 0.2).and(FLAT_TOPPED, 0.2));

    private final double count;
    private final Within within;
    private final Alteration.@Nullable Part part;
    private final Care care;
    /** Never changed once it is made. */
    @SuppressWarnings("ImmutableEnumChecker")
    private final Map<Symptom, Double> shares;

    Cause(double count, Within within, Alteration.@Nullable Part part, Care care, Shows shows) {
        this.count = count;
        this.within = within;
        this.part = part;
        this.care = care;
        shares = shows.shares;
    }

    Cause(double count, Within within, Shows shows) {
        this(count, within, null, Care.NONE, shows);
    }

    Cause(double count, Alteration.Part part, Shows shows) {
        this(count, Within.ANY, part, Care.NONE, shows);
    }

    Cause(double count, Shows shows) {
        this(count, Within.ANY, null, Care.NONE, shows);
    }

    /** Returns how many of such faults are of this kind, as estimated. */
    public double count() {
        return count;
    }

    /** Returns which amplifiers have it. */
    public Within within() {
        return within;
    }

    /**
     * Returns the part of the amplifier, or of what leads to it, that is changed when this is put right; empty where dials, levels and
     * trends that were found before hold as well as ever.
     */
    public Optional<Alteration.Part> changes() {
        return Optional.ofNullable(part);
    }

    /** Returns what is dangerous about putting it right. */
    public Care care() {
        return care;
    }

    /** Returns in which share of its cases each symptom is what the operator complains of; those without are not there. */
    public Map<Symptom, Double> shares() {
        return Collections.unmodifiableMap(shares);
    }

    /** The shares of a cause's symptoms. */
    private static final class Shows {
        private final Map<Symptom, Double> shares = new EnumMap<>(Symptom.class);

        static Shows of(Symptom symptom, double share) {
            return new Shows().and(symptom, share);
        }

        Shows and(Symptom symptom, double share) {
            shares.put(symptom, share);
            return this;
        }
    }
}
