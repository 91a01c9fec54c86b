package org.tubrin.core.supply;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.stream.Stream;
import org.tubrin.core.quantity.ErrorSource;
import org.tubrin.core.quantity.Quantity;
import org.tubrin.core.quantity.Standing;
import org.tubrin.core.quantity.Unit;

/**
 * What a plan comes to.
 *
 * @param tenMinutes what is drawn over the worst ten minutes
 * @param windows averages over shorter and longer times
 * @param sizing what each school asks for
 * @param stair from the terminals down to the set that draws most, at its peak with all else that is drawn at once from the
 *     supply; absent where nothing transmits
 * @param lead what the lead is to be; absent where nothing transmits
 * @param outputKeptShare of the set's greatest output at the voltage that reaches it, 0 to 1; absent where nothing transmits
 * @param mains at the wall
 * @param runDown of the battery that stands by; absent where there is none
 * @param runtimeS of it, with its uncertainty; absent where there is none, where it ends at once or never
 * @param standby what the battery's voltage leaves of the output, and how long it lasts alone; absent where there is none
 * @param modes what the set that draws most draws in each mode at its greatest power; empty where nothing transmits
 * @param diodes what stands behind series diodes
 * @param findings what is wrong, the gravest first; empty where the supply carries it all
 * @param verdict all of it in one
 */
public record PlanJudgement(
        TenMinutes tenMinutes,
        List<TenMinutes.Window> windows,
        Sizing sizing,
        Optional<VoltageStair> stair,
        Optional<Conductor.Choice> lead,
        Optional<Quantity> outputKeptShare,
        MainsSide mains,
        Optional<RunDown> runDown,
        Optional<Quantity> runtimeS,
        Optional<OnBattery> standby,
        List<ModeUse> modes,
        List<Dropped> diodes,
        List<Finding> findings,
        Verdict verdict) {
    /** A lead is chosen to drop at most this share of the voltage. */
    private static final double DROP_SHARE = 0.03;

    private static final double ALWAYS = 0.975;
    /** Standard uncertainty of a battery's capacity, as a share of it. */
    private static final double CAPACITY_SHARE = 0.1;
    /** The same of its internal resistance. */
    private static final double INTERNAL_SHARE = 0.2;

    public PlanJudgement {
        windows = List.copyOf(windows);
        modes = List.copyOf(modes);
        diodes = List.copyOf(diodes);
        findings = List.copyOf(findings);
    }

    /** What it all comes to. */
    public enum Verdict {
        /** Nothing is to be sent with this supply. */
        STOP,
        /** Something is to be mended first. */
        MEND,
        /** It is carried, though not every school of sizing would say so. */
        CARRIES_BY_SOME,
        CARRIES,
        /** A set stands in it that transmits, and no transmission is described: nothing is said for it or against it. */
        NO_USE,
        /** No box draws anything yet. */
        EMPTY
    }

    /**
     * A set on its battery.
     *
     * @param outputFullShare of the set's greatest output at the peak when the battery is full, 0 to 1
     * @param outputEndShare the same at the end
     * @param aloneS runtime without panel or charger; absent where it ends at once or never
     */
    public record OnBattery(Quantity outputFullShare, Quantity outputEndShare, Optional<Quantity> aloneS) {}

    /**
     * A box behind series diodes.
     *
     * @param box its name
     * @param dropV that the diodes take off
     * @param behindV what is left of the supply's voltage
     * @param heatEachW of each diode
     */
    public record Dropped(String box, Quantity dropV, Quantity behindV, Quantity heatEachW) {}

    /** What can be wrong with a plan, the gravest first. */
    public enum Fault {
        /** The supply's voltage rises when the set transmits: RF gets into its regulator. */
        SUPPLY_RISES,
        /** The lead would get too hot for what flows for ten minutes. */
        LEAD_HOT,
        /** The fuse would blow, or is larger than the lead bears. */
        FUSE_SMALL,
        FUSE_LARGE,
        /** The peak is beyond what the supply gives even for a short while. */
        SUPPLY_PEAK,
        /** The ten minutes are beyond what it gives for ever. */
        SUPPLY_AVERAGE,
        /** Too little voltage reaches the set, mostly by what is named. */
        VOLTAGE_LOW,
        /** More than the set bears, at rest. */
        VOLTAGE_HIGH,
        /** The circuit of the house bears it no more. */
        CIRCUIT_FULL,
        /** The battery does not even carry the peak. */
        BATTERY_AT_ONCE,
        /** The lead drops more than is customary, though the set still works. */
        LEAD_THIN
    }

    /**
     * Something wrong.
     *
     * @param fault what
     * @param found the figure
     * @param bound what it is held against, in the same unit
     * @param certainty how sure it is beyond its bound, 0 to 1
     */
    public record Finding(Fault fault, Quantity found, double bound, double certainty) {}

    /**
     * Returns what a plan comes to.
     *
     * @param plan the plan
     * @param riseV by how much the supply's voltage was seen to rise on transmission; empty where it was not
     */
    public static PlanJudgement of(Plan plan, Optional<Quantity> riseV) {
        TenMinutes ten = TenMinutes.of(plan.boxes(), plan.pattern());
        boolean sends = !plan.pattern().isEmpty();
        Sizing sizing = sends
                ? Sizing.of(Optional.of(ten.peakA()), Optional.of(ten.averageA()), plan.fusesA())
                : Sizing.of(Optional.empty(), Optional.empty(), plan.fusesA());
        Optional<Box.Transmitting> fed = plan.fed();
        Optional<VoltageStair> stair = fed.map(set -> stair(plan, set, ten));
        Optional<Conductor.Choice> lead = fed.map(set -> choice(plan, set, ten));
        Optional<Quantity> kept =
                fed.map(set -> set.fall().shareAt(stair.orElseThrow().atTheSetV()));
        MainsSide mains = MainsSide.of(plan.supply(), use(plan, ten), plan.circuit());
        Optional<RunDown> runDown = plan.battery().map(standby -> runDown(plan, standby, ten, fed));
        List<Finding> findings = findings(plan, ten, fed, stair, mains, runDown);
        riseV.ifPresent(rise -> above(findings, Fault.SUPPLY_RISES, rise, 0));
        findings.sort(Comparator.comparing(Finding::fault));
        return new PlanJudgement(
                ten,
                TenMinutes.windows(plan.boxes(), plan.pattern()),
                sizing,
                stair,
                lead,
                kept,
                mains,
                runDown,
                plan.battery().flatMap(standby -> runtime(plan, standby, ten, fed)),
                plan.battery()
                        .flatMap(standby ->
                                runDown.flatMap(down -> fed.map(set -> onBattery(plan, standby, down, ten, set)))),
                fed.map(set -> modes(plan, set, ten.restingA())).orElse(List.of()),
                dropped(plan),
                findings,
                verdict(plan, sizing, findings));
    }

    private static Verdict verdict(Plan plan, Sizing sizing, List<Finding> findings) {
        if (plan.boxes().isEmpty()) {
            return Verdict.EMPTY;
        }
        if (!findings.isEmpty()) {
            return findings.get(0).fault() == Fault.SUPPLY_RISES ? Verdict.STOP : Verdict.MEND;
        }
        boolean transmits = plan.boxes().stream().anyMatch(Box.Transmitting.class::isInstance);
        if (transmits && plan.pattern().isEmpty()) {
            return Verdict.NO_USE;
        }
        boolean byAll = sizing.metBy(plan.supply()).size() == sizing.needs().size();
        return byAll ? Verdict.CARRIES : Verdict.CARRIES_BY_SOME;
    }

    private static List<ModeUse> modes(Plan plan, Box.Transmitting set, double restingA) {
        Quantity others = exact(restingA - set.restingA(), Unit.AMPERE);
        double watt = plan.peakEnvelopeW(set);
        return Stream.of(DrawMode.values())
                .map(mode -> {
                    Draw draw = Draw.of(set.profile(), mode.envelope(), watt);
                    MainsSide.Use use = new MainsSide.Use(
                            draw.peakA().plus(others),
                            draw.averageA().plus(others),
                            watt,
                            draw.outputW(),
                            plan.hoursPerDay());
                    return new ModeUse(mode, draw, MainsSide.of(plan.supply(), use, plan.circuit()));
                })
                .toList();
    }

    private static List<Dropped> dropped(Plan plan) {
        List<Dropped> dropped = new ArrayList<>();
        for (Box box : plan.boxes()) {
            if (box instanceof Box.Steady steady && steady.currentA() > 0) {
                steady.seriesDiodes().ifPresent(diodes -> {
                    Quantity dropV = diodes.dropV(steady.currentA());
                    dropped.add(new Dropped(
                            box.name(), dropV, openV(plan).minus(dropV), diodes.heatEachW(steady.currentA())));
                });
            }
        }
        return dropped;
    }

    private static VoltageStair.Path path(Plan plan) {
        return new VoltageStair.Path(
                plan.supply().sourceOhm(),
                plan.lead().conductor(),
                plan.lead().fuseOhm(),
                plan.lead().connectorsOhm());
    }

    private static VoltageStair stair(Plan plan, Box.Transmitting set, TenMinutes ten) {
        return VoltageStair.of(openV(plan), ten.peakA(), peakOf(plan, set), path(plan));
    }

    private static Quantity openV(Plan plan) {
        return Quantity.exact(plan.supply().voltageV(), Unit.VOLT, Standing.ASSUMED);
    }

    private static Quantity peakOf(Plan plan, Box.Transmitting set) {
        return set.profile().currentA(plan.peakEnvelopeW(set));
    }

    /** Returns what flows to a set on average over the ten minutes, as unsure as its peak. */
    private static Quantity averageOf(Plan plan, TenMinutes ten, Box.Transmitting set) {
        double averageA = ten.strips().stream()
                .filter(strip -> strip.box().equals(set.name()))
                .flatMap(strip -> strip.currentA().stream())
                .mapToDouble(Double::doubleValue)
                .average()
                .orElse(0);
        Quantity peakA = peakOf(plan, set);
        return peakA.value() > 0 ? peakA.scaled(averageA / peakA.value()) : exact(averageA, Unit.AMPERE);
    }

    private static Conductor.Choice choice(Plan plan, Box.Transmitting set, TenMinutes ten) {
        return plan.lead()
                .conductor()
                .choice(
                        peakOf(plan, set).value(),
                        averageOf(plan, ten, set).value(),
                        DROP_SHARE * plan.supply().voltageV(),
                        plan.lead().ambientC(),
                        plan.lead().fuseA());
    }

    private static MainsSide.Use use(Plan plan, TenMinutes ten) {
        double peakW = 0;
        double averageW = 0;
        for (Stretch stretch : plan.pattern()) {
            double end = Math.min(stretch.fromS() + stretch.lengthS(), ten.fromS() + TenMinutes.WINDOW_S);
            double within = Math.max(0, end - Math.max(stretch.fromS(), ten.fromS()));
            averageW += stretch.envelope().meanPowerShare() * stretch.peakEnvelopeW() * within / TenMinutes.WINDOW_S;
            double together = plan.pattern().stream()
                    .filter(one -> one.covers(stretch.fromS()))
                    .mapToDouble(Stretch::peakEnvelopeW)
                    .sum();
            peakW = Math.max(peakW, together);
        }
        return new MainsSide.Use(ten.peakA(), ten.averageA(), peakW, averageW, plan.hoursPerDay());
    }

    private static OnBattery onBattery(
            Plan plan, Plan.Standby standby, RunDown down, TenMinutes ten, Box.Transmitting set) {
        Plan.Standby alone = new Plan.Standby(standby.battery(), 0, standby.temperatureC());
        List<RunDown.Point> course = down.course();
        return new OnBattery(
                set.fall().shareAt(peakV(plan, standby, ten, course.get(0))),
                set.fall().shareAt(peakV(plan, standby, ten, course.get(course.size() - 1))),
                runtime(plan, alone, ten, Optional.of(set)));
    }

    /** Returns the voltage that a peak leaves at the set, as unsure as the peak and what it flows through. */
    private static Quantity peakV(Plan plan, Plan.Standby standby, TenMinutes ten, RunDown.Point at) {
        double internalOhm = standby.battery().internalOhm()
                * CellLaw.of(standby.battery().chemistry()).resistanceFactor(standby.temperatureC());
        Quantity ohm = ohm("battery", internalOhm, INTERNAL_SHARE)
                .plus(ohm("path", pathOhm(plan), VoltageStair.RESISTANCE_SHARE));
        Quantity fall = ten.peakA().times(ohm, Unit.VOLT);
        return Quantity.exact(at.peakV() + fall.value(), Unit.VOLT, Standing.PREDICTED)
                .minus(fall);
    }

    private static Quantity ohm(String of, double ohm, double share) {
        return Quantity.of(ohm, Unit.OHM, Standing.ASSUMED, new ErrorSource(of, "resistance", ""), share * ohm);
    }

    private static double pathOhm(Plan plan) {
        return 2 * plan.lead().conductor().oneWayOhm()
                + plan.lead().fuseOhm()
                + plan.lead().connectorsOhm();
    }

    /** Method: once more with the average a standard uncertainty higher, and with a tenth less capacity. */
    private static Optional<Quantity> runtime(
            Plan plan, Plan.Standby standby, TenMinutes ten, Optional<Box.Transmitting> fed) {
        double runtimeS = runDown(plan, standby, ten, fed).runtimeS();
        if (!(runtimeS > 0) || Double.isInfinite(runtimeS)) {
            return Optional.empty();
        }
        TenMinutes more = new TenMinutes(
                ten.fromS(),
                ten.strips(),
                ten.peakA(),
                exact(ten.averageA().likelyHigh(), Unit.AMPERE),
                ten.restingA());
        double shorterS = runDown(plan, standby, more, fed).runtimeS();
        double lessS = runDown(plan, standby.withCapacity(1 - CAPACITY_SHARE), ten, fed)
                .runtimeS();
        return Optional.of(Quantity.exact(0, Unit.SECOND, Standing.COMPUTED)
                .plus(Quantity.of(
                        runtimeS,
                        Unit.SECOND,
                        Standing.PREDICTED,
                        new ErrorSource("plan", "average", ""),
                        Math.abs(runtimeS - shorterS)))
                .plus(Quantity.of(
                        0,
                        Unit.SECOND,
                        Standing.PREDICTED,
                        new ErrorSource("battery", "capacity", ""),
                        Math.abs(runtimeS - lessS))));
    }

    private static RunDown runDown(Plan plan, Plan.Standby standby, TenMinutes ten, Optional<Box.Transmitting> fed) {
        return RunDown.of(
                standby.battery(),
                new RunDown.Use(
                        ten.averageA().value(),
                        Math.max(ten.averageA().value(), ten.peakA().value()),
                        standby.chargingA(),
                        fed.map(Box.Transmitting::leastV).orElse(1.0),
                        pathOhm(plan),
                        standby.temperatureC()));
    }

    private static List<Finding> findings(
            Plan plan,
            TenMinutes ten,
            Optional<Box.Transmitting> fed,
            Optional<VoltageStair> stair,
            MainsSide mains,
            Optional<RunDown> runDown) {
        List<Finding> found = new ArrayList<>();
        above(found, Fault.SUPPLY_PEAK, ten.peakA(), plan.supply().intermittentA());
        above(found, Fault.SUPPLY_AVERAGE, ten.averageA(), plan.supply().continuousA());
        fed.ifPresent(set -> {
            Quantity peak = peakOf(plan, set);
            double bears =
                    plan.lead().conductor().carriesA(plan.lead().ambientC()).value();
            above(found, Fault.LEAD_HOT, averageOf(plan, ten, set), bears);
            above(found, Fault.FUSE_SMALL, peak, plan.lead().fuseA());
            above(found, Fault.FUSE_LARGE, exact(plan.lead().fuseA(), Unit.AMPERE), bears);
            Quantity atSet = stair.orElseThrow().atTheSetV();
            below(found, Fault.VOLTAGE_LOW, atSet, set.leastV());
            above(found, Fault.VOLTAGE_HIGH, exact(plan.supply().voltageV(), Unit.VOLT), set.mostV());
            Quantity drop = peak.times(
                    ohm("path", 2 * plan.lead().conductor().oneWayOhm(), VoltageStair.RESISTANCE_SHARE), Unit.VOLT);
            double customaryV = DROP_SHARE * plan.supply().voltageV();
            // By its value alone, as a lead is chosen; where the set does not work with it, that says more.
            if (drop.value() > customaryV && found.stream().noneMatch(one -> one.fault() == Fault.VOLTAGE_LOW)) {
                found.add(new Finding(Fault.LEAD_THIN, drop, customaryV, drop.probabilityAbove(customaryV)));
            }
        });
        if (mains.averageAcRmsA().value() > mains.mayContinuouslyA()) {
            above(found, Fault.CIRCUIT_FULL, mains.averageAcRmsA(), mains.mayContinuouslyA());
        } else if (!mains.borneBy(plan.circuit())) {
            double left = plan.circuit().breakerA() - plan.circuit().othersA();
            above(found, Fault.CIRCUIT_FULL, mains.peakAcRmsA(), left);
        }
        runDown.filter(down -> down.end() == RunDown.End.AT_ONCE)
                .ifPresent(down -> below(
                        found,
                        Fault.BATTERY_AT_ONCE,
                        peakV(
                                plan,
                                plan.battery().orElseThrow(),
                                ten,
                                down.course().get(0)),
                        fed.map(Box.Transmitting::leastV).orElse(1.0)));
        return found;
    }

    private static Quantity exact(double value, Unit unit) {
        return Quantity.exact(value, unit, Standing.COMPUTED);
    }

    /** What may well be beyond is told as what is: a plan has room to be mended. */
    private static void above(List<Finding> found, Fault fault, Quantity value, double bound) {
        double certainty = value.probabilityAbove(bound);
        if (certainty > 1 - ALWAYS) {
            found.add(new Finding(fault, value, bound, certainty));
        }
    }

    private static void below(List<Finding> found, Fault fault, Quantity value, double bound) {
        double certainty = 1 - value.probabilityAbove(bound);
        if (certainty > 1 - ALWAYS) {
            found.add(new Finding(fault, value, bound, certainty));
        }
    }
}
