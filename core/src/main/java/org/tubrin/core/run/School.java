package org.tubrin.core.run;

import java.util.List;
import org.tubrin.core.device.Construction;
import org.tubrin.core.metering.ReadingRole;
import org.tubrin.core.station.Stage;

/** How a run decides where the dials go. */
public enum School {
    /** Peak PLATE and LOAD for output at each step of drive, finish a little heavier. */
    PEAK_THEN_HEAVIER(Aim.OUTPUT, Rungs.DOUBLING, true, true),
    /** PLATE to the dip of plate current, LOAD until the dip stands at its target. */
    DIP_AND_LOAD(Aim.DIP, Rungs.QUARTERS, true, false),
    /** PLATE for most grid current; at full drive LOAD until grid current sits in its window. */
    GRID_TARGET(Aim.GRID, Rungs.DOUBLING, false, false),
    /** The maker's dials, touched up at operating drive. */
    MAKERS_CHART(Aim.OUTPUT, Rungs.PROOF, false, false),
    /** Climb quickly on PLATE alone; all tuning at operating drive. */
    TUNE_WHERE_YOU_RUN(Aim.OUTPUT, Rungs.TRIPLING, false, true),
    /** Peak, then heavier, with a string of dots or pulses instead of a carrier. */
    PULSED(Aim.OUTPUT, Rungs.DOUBLING, true, true),
    /** No dials: the drive in steps of 3 dB at most, and what each brings. */
    DRIVE_TABLE(Aim.OUTPUT, Rungs.DOUBLING, false, false),
    /** No dials and no drive: the level into the exciter, until its level control acts. */
    ALC(Aim.OUTPUT, Rungs.DOUBLING, false, false),
    /** No drive: the idle current of transistors, device by device. */
    BIAS(Aim.OUTPUT, Rungs.DOUBLING, false, false),
    /** No dials: the matcher's order, from the proof that nothing amplifies to the first key-down that does. */
    MATCHER(Aim.OUTPUT, Rungs.DOUBLING, false, false),
    /** No dials: an attenuator behind the generator, from 50 dB down. */
    CHAIN(Aim.OUTPUT, Rungs.DOUBLING, false, false),
    /** No dials: what a scope over the load shows, the exciter first. */
    WAVEFORM(Aim.OUTPUT, Rungs.DOUBLING, false, false),
    /** No dials, and the drive is fixed: the supply's voltage in steps of 3 dB of output at most. */
    SUPPLY_TABLE(Aim.OUTPUT, Rungs.DOUBLING, false, false),
    /** No dials: short steps of an antenna's motor, until the sign turns. */
    RESONANCE(Aim.OUTPUT, Rungs.DOUBLING, false, false);

    /** What PLATE is turned for. */
    public enum Aim {
        OUTPUT,
        DIP,
        GRID
    }

    private final Aim aim;
    private final Rungs rungs;
    private final boolean tunesLoadEachStep;
    private final boolean finishesHeavier;

    School(Aim aim, Rungs rungs, boolean tunesLoadEachStep, boolean finishesHeavier) {
        this.aim = aim;
        this.rungs = rungs;
        this.tunesLoadEachStep = tunesLoadEachStep;
        this.finishesHeavier = finishesHeavier;
    }

    /** Returns whether a stage can be tuned by it: a target of grid current needs grids that draw one. */
    public boolean suits(Stage stage) {
        return stage.in(new Stage.Cases<>() {
            @Override
            public Boolean tubes(Stage.Tubes tubes) {
                return hasDials() && (aim != Aim.GRID || tubes.tube().construction() == Construction.TRIODE);
            }

            @Override
            public Boolean transistors(Stage.Transistors transistors) {
                return School.this == DRIVE_TABLE;
            }

            @Override
            public Boolean switching(Stage.Switching switching) {
                return School.this == SUPPLY_TABLE;
            }
        });
    }

    /** Returns whether it finds the dials of less than full drive: LOAD goes to where that drive wants it. */
    public boolean suits(Use use) {
        return use == Use.SPEECH_AND_CW || (tunesLoadEachStep && aim == Aim.OUTPUT);
    }

    /** Returns whether dials are turned. */
    public boolean hasDials() {
        return switch (this) {
            case PEAK_THEN_HEAVIER, DIP_AND_LOAD, GRID_TARGET, MAKERS_CHART, TUNE_WHERE_YOU_RUN, PULSED -> true;
            case DRIVE_TABLE, ALC, BIAS, MATCHER, CHAIN, WAVEFORM, SUPPLY_TABLE, RESONANCE -> false;
        };
    }

    /** Returns whether it cannot be followed without reading a role: the current that it loads for. */
    public boolean needs(ReadingRole role) {
        return switch (aim) {
            case OUTPUT -> false;
            case DIP -> role == ReadingRole.PLATE_CURRENT;
            case GRID -> role == ReadingRole.GRID_CURRENT;
        };
    }

    /** Returns the schools by which a stage can be tuned. */
    public static List<School> forStage(Stage stage) {
        return List.of(values()).stream().filter(school -> school.suits(stage)).toList();
    }

    /** Returns the schools that turn dials. */
    public static List<School> withDials() {
        return List.of(values()).stream().filter(School::hasDials).toList();
    }

    /** Returns what PLATE is turned for. */
    public Aim aim() {
        return aim;
    }

    /** Returns the ladder that it climbs by custom. */
    public Rungs rungs() {
        return rungs;
    }

    /** Returns whether LOAD is tuned at each step, else at the last drive only. */
    public boolean tunesLoadEachStep() {
        return tunesLoadEachStep;
    }

    /** Returns whether it ends with a step a little heavier. */
    public boolean finishesHeavier() {
        return finishesHeavier;
    }
}
