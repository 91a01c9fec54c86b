package org.tubrin.core.run;

import java.util.List;
import java.util.Optional;
import org.tubrin.core.alc.SoundPath;
import org.tubrin.core.bias.BiasPlan;
import org.tubrin.core.chain.ChainPlan;
import org.tubrin.core.metering.ReadingRole;
import org.tubrin.core.quantity.Because;
import org.tubrin.core.quantity.Checks;
import org.tubrin.core.quantity.Unit;
import org.tubrin.core.resonance.ResonancePlan;
import org.tubrin.core.scope.ScopePlan;
import org.tubrin.core.station.Stage;

/**
 * What an operator chooses about how a school is followed.
 *
 * @param rungs how the ladder is spaced; absent for the school's own custom
 * @param ownDrivesW the drives of a ladder of one's own, in watts, 1 to 12 of them; empty for others
 * @param firstCeilingA plate current not to pass at the first step, by the maker, 0.001 to 20 A; absent where none is named
 * @param plateTargetShare where the dip is loaded to at full drive, as a share of the plate current's limit, 0.3 to 1
 * @param gridLeastShare lower end of the grid current's window at full drive, as a share of its limit, 0.1 to 1
 * @param gridMostShare its upper end, above that, to 1
 * @param wantedOutputW output at which a drive table ends, in watts, 0.1 to 10 000; absent where it goes as far as the stage is rated for. Of a
 *     run with dials the output of a long carrier that they are for; absent for speech and CW
 * @param unfiltered true where no filter stood between amplifier and wattmeter, which then counts harmonics; absent where one did
 * @param unread what is left unread though a meter in use could show it; absent where nothing is
 * @param bias what a bias climb sets; absent but for one
 * @param chain what is driven up; absent but for a chain
 * @param scope what a waveform check expects; absent but for one
 * @param resonance what an antenna is watched by; absent but for a watch
 * @param modules how many modules of a stage that switches are in, from 1; absent for all
 * @param sound the way of the sound into the exciter; absent but for a run by levels
 * @param dutyFactor share of the time that a pulse is on, 0.05 to 1
 */
public record Customs(
        Optional<Rungs> rungs,
        List<Double> ownDrivesW,
        Optional<Double> firstCeilingA,
        Optional<Double> wantedOutputW,
        Optional<Boolean> unfiltered,
        Optional<List<ReadingRole>> unread,
        Optional<SoundPath> sound,
        Optional<BiasPlan> bias,
        Optional<ChainPlan> chain,
        Optional<ScopePlan> scope,
        Optional<ResonancePlan> resonance,
        Optional<Integer> modules,
        double plateTargetShare,
        double gridLeastShare,
        double gridMostShare,
        double dutyFactor) {

    /** What is customary. */
    public static final Customs CUSTOMARY = new Customs(
            Optional.empty(),
            List.of(),
            Optional.empty(),
            Optional.empty(),
            Optional.empty(),
            Optional.empty(),
            Optional.empty(),
            Optional.empty(),
            Optional.empty(),
            Optional.empty(),
            Optional.empty(),
            Optional.empty(),
            0.85,
            0.6,
            0.85,
            0.3);

    /** Returns what is customary but for what is chosen here. */
    public static Customs chosen(
            Optional<Rungs> rungs,
            List<Double> ownDrivesW,
            Optional<Double> firstCeilingA,
            Optional<Double> wantedOutputW) {
        return new Customs(
                rungs,
                ownDrivesW,
                firstCeilingA,
                wantedOutputW,
                Optional.empty(),
                Optional.empty(),
                Optional.empty(),
                Optional.empty(),
                Optional.empty(),
                Optional.empty(),
                Optional.empty(),
                Optional.empty(),
                CUSTOMARY.plateTargetShare,
                CUSTOMARY.gridLeastShare,
                CUSTOMARY.gridMostShare,
                CUSTOMARY.dutyFactor);
    }

    /** Returns what is customary, with the way of the sound. */
    public static Customs of(SoundPath sound) {
        return CUSTOMARY.about(
                Optional.of(sound), Optional.empty(), Optional.empty(), Optional.empty(), Optional.empty());
    }

    /** Returns what is customary, with what a bias climb sets. */
    public static Customs of(BiasPlan bias) {
        return CUSTOMARY.about(
                Optional.empty(), Optional.of(bias), Optional.empty(), Optional.empty(), Optional.empty());
    }

    /** Returns what is customary, with what is driven up. */
    public static Customs of(ChainPlan chain) {
        return CUSTOMARY.about(
                Optional.empty(), Optional.empty(), Optional.of(chain), Optional.empty(), Optional.empty());
    }

    /** Returns what is customary, with what a waveform check expects. */
    public static Customs of(ScopePlan scope) {
        return CUSTOMARY.about(
                Optional.empty(), Optional.empty(), Optional.empty(), Optional.of(scope), Optional.empty());
    }

    /** Returns what is customary, with what an antenna is watched by. */
    public static Customs of(ResonancePlan resonance) {
        return CUSTOMARY.about(
                Optional.empty(), Optional.empty(), Optional.empty(), Optional.empty(), Optional.of(resonance));
    }

    /** Returns the same for a number of modules. */
    public Customs withModules(int count) {
        return with(unfiltered, unread, Optional.of(count));
    }

    private Customs with(
            Optional<Boolean> withoutFilter, Optional<List<ReadingRole>> leftUnread, Optional<Integer> modulesIn) {
        return new Customs(
                rungs,
                ownDrivesW,
                firstCeilingA,
                wantedOutputW,
                withoutFilter,
                leftUnread,
                sound,
                bias,
                chain,
                scope,
                resonance,
                modulesIn,
                plateTargetShare,
                gridLeastShare,
                gridMostShare,
                dutyFactor);
    }

    private Customs about(
            Optional<SoundPath> path,
            Optional<BiasPlan> idle,
            Optional<ChainPlan> way,
            Optional<ScopePlan> looks,
            Optional<ResonancePlan> watched) {
        return new Customs(
                rungs,
                ownDrivesW,
                firstCeilingA,
                wantedOutputW,
                unfiltered,
                unread,
                path,
                idle,
                way,
                looks,
                watched,
                modules,
                plateTargetShare,
                gridLeastShare,
                gridMostShare,
                dutyFactor);
    }

    /** Returns the same without a filter between amplifier and wattmeter. */
    public Customs withoutFilter() {
        return with(Optional.of(true), unread, modules);
    }

    /** Returns the same with some of what the meters in use could show left unread. */
    public Customs leaving(List<ReadingRole> left) {
        return with(unfiltered, left.isEmpty() ? Optional.empty() : Optional.of(left), modules);
    }

    /** Returns whether a role is read where a meter in use shows it. */
    public boolean reads(ReadingRole role) {
        return unread.filter(left -> left.contains(role)).isEmpty();
    }

    public Customs {
        ownDrivesW = List.copyOf(ownDrivesW);
        unread = unread.map(List::copyOf);
        boolean own = rungs.filter(Rungs.OWN::equals).isPresent();
        Checks checks = new Checks()
                .size("ownDrivesW", ownDrivesW, own ? 1 : 0, 12)
                .range("plateTargetShare", plateTargetShare, 0.3, 1, Unit.ONE)
                .range("gridLeastShare", gridLeastShare, 0.1, 1, Unit.ONE)
                .range("gridMostShare", gridMostShare, gridLeastShare, 1, Unit.ONE, Because.LEAST_SHARE)
                .range("dutyFactor", dutyFactor, 0.05, 1, Unit.ONE);
        for (int i = 0; i < ownDrivesW.size(); i++) {
            checks.range("ownDrivesW." + i, ownDrivesW.get(i), 0.01, 500, Unit.WATT);
        }
        wantedOutputW.ifPresent(wanted -> checks.range("wantedOutputW", wanted, 0.1, 1e4, Unit.WATT));
        modules.ifPresent(count -> checks.range("modules", count, 1, Stage.Switching.MOST_MODULES, Unit.ONE));
        firstCeilingA.ifPresent(ceiling -> checks.range("firstCeilingA", ceiling, 1e-3, 20, Unit.AMPERE));
        checks.done();
    }
}
