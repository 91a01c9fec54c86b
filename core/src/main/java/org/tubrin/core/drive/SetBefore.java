package org.tubrin.core.drive;

import java.time.Instant;
import java.util.Optional;
import org.tubrin.core.run.Control;
import org.tubrin.core.run.RunState;
import org.tubrin.core.station.Exciter;
import org.tubrin.core.station.Mode;

/**
 * What an exciter was last left at on a band in a mode. Many sets remember it, and come up with it.
 *
 * @param exciter its name
 * @param mode the mode
 * @param setW as its scale shows it, in watts
 * @param at when; empty where its record says so, whatever the band
 */
public record SetBefore(String exciter, Mode mode, double setW, Optional<Instant> at) {

    /** Returns what a run left; empty where it never set the drive, or goes by levels. */
    public static Optional<SetBefore> of(RunState run) {
        return run.draft()
                .position(Control.DRIVE)
                .or(() -> run.lastStep().flatMap(step -> step.position(Control.DRIVE)))
                .filter(driveW -> driveW > 0)
                .map(driveW -> new SetBefore(
                        run.setup().exciter().name(),
                        run.setup().carrier(),
                        run.setup().exciterOfW(driveW),
                        Optional.of(run.lastAt())));
    }

    /** Returns what an exciter's record says that it remembers for a mode. */
    public static Optional<SetBefore> of(Exciter exciter, Mode mode) {
        return exciter.powerW(mode).map(setW -> new SetBefore(exciter.name(), mode, setW, Optional.empty()));
    }
}
