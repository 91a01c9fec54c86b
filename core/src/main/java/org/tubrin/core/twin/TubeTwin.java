package org.tubrin.core.twin;

import java.util.Optional;
import org.tubrin.core.station.Amplifier;
import org.tubrin.core.station.Band;
import org.tubrin.core.station.Stage;
import org.tubrin.core.station.TankBand;
import org.tubrin.core.station.TwinConstants;

/**
 * The twin of a tube amplifier with PLATE and LOAD.
 *
 * @param tubes its stage by the maker's sheet
 * @param constants what its physics needs beyond that
 */
public record TubeTwin(Stage.Tubes tubes, TwinConstants.Tuned constants) {
    /** Points over a cycle; against 2048 points currents and powers move by less than 0.3 %. */
    public static final int POINTS = 48;

    /** Returns the twin of an amplifier with tubes, where its record has one. */
    public static Optional<TubeTwin> of(Amplifier amplifier) {
        return amplifier.stage() instanceof Stage.Tubes tubes
                ? amplifier
                        .twin()
                        .filter(TwinConstants.Tuned.class::isInstance)
                        .map(constants -> new TubeTwin(tubes, (TwinConstants.Tuned) constants))
                : Optional.empty();
    }

    /**
     * Returns the operating point at a setting.
     *
     * <p>Method: {@link TubeSolver}. Fails: never; what does not settle is an outcome.
     */
    public Outcome<TubePoint> at(Setting setting) {
        return probe(setting)
                .map(probe -> probe.settle(setting.driveW(), setting.plate(), setting.load())
                        ? new Outcome.Settled<>(probe.point())
                        : probe.<TubePoint>unsettled())
                .orElseGet(() -> new Outcome.Unsettled<>(Outcome.Why.BAND_UNKNOWN, 0, 0));
    }

    /** Returns a working copy on the setting's band, at its frequency and into its load; empty where the band is unknown. */
    public Optional<Probe> probe(Setting setting) {
        return probe(setting, POINTS);
    }

    /** Returns the same with so many points over a cycle, at least 16. */
    public Optional<Probe> probe(Setting setting, int points) {
        Optional<TankBand> tank = constants.tank(setting.band());
        return tank.map(one -> new Probe(constants, tubes, one, setting, solver(points)));
    }

    /** Returns whether the twin knows the band. */
    public boolean covers(Band band) {
        return constants.tank(band).isPresent();
    }

    TubeSolver solver(int points) {
        return new TubeSolver(equations(points));
    }

    private TubeEquations equations(int points) {
        if (constants instanceof TwinConstants.CathodeDriven cathodeDriven) {
            return new CathodeEquations(cathodeDriven, tubes.tubeCount(), points);
        }
        return new GridEquations((TwinConstants.GridDriven) constants, tubes.tubeCount(), points);
    }
}
