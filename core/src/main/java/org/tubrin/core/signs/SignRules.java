package org.tubrin.core.signs;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.function.Function;
import org.tubrin.core.budget.LimitKind;
import org.tubrin.core.budget.Room;
import org.tubrin.core.metering.ReadingRole;
import org.tubrin.core.quantity.Quantity;
import org.tubrin.core.quantity.Standing;
import org.tubrin.core.signs.Evidence.Basis;
import org.tubrin.core.signs.Evidence.Figure;
import org.tubrin.core.signs.Sign.Code;
import org.tubrin.core.signs.Sign.Severity;
import org.tubrin.core.signs.SignRule.Clue;

/**
 * The table of signs, one rule a row. Where the amplifier has a twin, what is to be expected comes from it; else from the
 * step before, and from figures of good practice.
 */
final class SignRules {
    /** Certainty of a value beyond its bound at all. */
    private static final double MORE_LIKELY_THAN_NOT = 0.5;
    /** Certainty of a value that would be beyond with its standard uncertainty added. */
    private static final double POSSIBLE = 1 - Sign.LIKELY;

    private static final Set<Code> COUPLING = Set.of(
            Code.COUPLED_TOO_LIGHTLY, Code.COUPLED_TOO_HEAVILY, Code.PLATE_OFF_PEAK, Code.SATURATION, Code.GROWTH_POOR);

    static final List<SignRule> ALL = all();

    private SignRules() {}

    private static List<SignRule> all() {
        List<SignRule> rules = new ArrayList<>(List.of(
                // "Ip high, no output, no dip": PLATE off resonance or wrong band.
                rule(
                        Code.PLATE_CURRENT_WITHOUT_OUTPUT,
                        Severity.LIMIT,
                        Sign.LIKELY,
                        COUPLING,
                        SignClues::much,
                        SignClues::none),
                // "Meters barely move": wrong band, bypass, no keying line, wrong range.
                rule(
                        Code.METERS_STILL,
                        Severity.WATCH,
                        MORE_LIKELY_THAN_NOT,
                        COUPLING,
                        SignClues::stillOutput,
                        SignClues::stillPlate),
                // The maker's ceiling for the first, low-power tuning.
                rule(Code.FIRST_CEILING, Severity.LIMIT, MORE_LIKELY_THAN_NOT, Set.of(), SignClues::firstCeiling),
                // "Ig high, output normal or low": coupled too lightly. A tetrode tells it by its screen.
                rule(Code.COUPLED_TOO_LIGHTLY, Severity.WATCH, MORE_LIKELY_THAN_NOT, Set.of(), SignClues::light),
                // "Ig low, Ip high, output below peak": coupled too heavily, or off resonance.
                rule(
                        Code.COUPLED_TOO_HEAVILY,
                        Severity.WATCH,
                        MORE_LIKELY_THAN_NOT,
                        Set.of(Code.SATURATION, Code.GROWTH_POOR),
                        likely(SignClues::poorGrowth),
                        SignClues::gridFell,
                        SignClues::plateRoseMore),
                rule(
                        Code.PLATE_OFF_PEAK,
                        Severity.WATCH,
                        0.975,
                        Set.of(Code.SATURATION, Code.GROWTH_POOR),
                        SignClues::farBelowTwin),
                // "Output gain per doubling falls below about 1.3, or clearly below the twin's": saturation.
                rule(Code.SATURATION, Severity.WATCH, Sign.LIKELY, Set.of(), SignClues::poorGrowthUnderDrive),
                // Far below full drive nothing saturates: something else holds the output down.
                rule(Code.GROWTH_POOR, Severity.WATCH, Sign.LIKELY, Set.of(), SignClues::poorGrowthAtLowDrive),
                // At constant LOAD output nearly doubles with the drive; more is a range or a reading taken for
                // another.
                rule(Code.GROWTH_TOO_HIGH, Severity.WATCH, Sign.LIKELY, Set.of(), SignClues::greatGrowth),
                // "Efficiency above about 75 %": a meter lies.
                rule(
                        Code.EFFICIENCY_TOO_HIGH,
                        Severity.WATCH,
                        Sign.LIKELY,
                        Set.of(),
                        above(
                                Figure.EFFICIENCY,
                                facts -> facts.budget.efficiency(),
                                facts -> facts.setup.settings().efficiencyHigh())),
                // "Efficiency below about 45 % at full drive".
                rule(Code.EFFICIENCY_LOW, Severity.WATCH, Sign.LIKELY, Set.of(), SignClues::poorAtFullDrive),
                // "PLATE setting not repeatable": knob or coupling slips.
                rule(Code.KNOB_SLIPS, Severity.WATCH, Sign.LIKELY, Set.of(), SignClues::plateDrift),
                rule(
                        Code.SAG_HIGH,
                        Severity.WATCH,
                        MORE_LIKELY_THAN_NOT,
                        Set.of(),
                        above(
                                Figure.SAG,
                                facts -> facts.budget.sag(),
                                facts -> facts.setup.settings().sagHigh())),
                // Both stand in one line: beyond what their classes allow, one of them or the line between is at fault.
                rule(Code.WATTMETERS_DISAGREE, Severity.WATCH, Sign.SURE, Set.of(), SignClues::wattmetersApart),
                rule(
                        Code.INPUT_SWR_HIGH,
                        Severity.WATCH,
                        MORE_LIKELY_THAN_NOT,
                        Set.of(),
                        above(
                                Figure.INPUT_SWR,
                                facts -> facts.measured(ReadingRole.INPUT_SWR),
                                facts -> facts.setup.settings().inputSwrHigh())),
                // "Highest band gives clearly less": accept.
                rule(Code.HIGHEST_BAND_LESS, Severity.NOTE, MORE_LIKELY_THAN_NOT, Set.of(), SignClues::lessOnHighest)));
        limits(rules, LimitKind.SCREEN_CURRENT, Code.SCREEN_CURRENT_LIMIT, Code.SCREEN_CURRENT_MAY_EXCEED);
        limits(rules, LimitKind.GRID_CURRENT, Code.GRID_CURRENT_LIMIT, Code.GRID_CURRENT_MAY_EXCEED);
        limits(rules, LimitKind.PLATE_CURRENT, Code.PLATE_CURRENT_LIMIT, Code.PLATE_CURRENT_MAY_EXCEED);
        limits(rules, LimitKind.HEAT_PER_TUBE, Code.HEAT_LIMIT, Code.HEAT_MAY_EXCEED);
        limits(rules, LimitKind.OUTPUT, Code.OUTPUT_LIMIT, Code.OUTPUT_MAY_EXCEED);
        limits(rules, LimitKind.LOAD_POWER, Code.LOAD_POWER_LIMIT, Code.LOAD_POWER_MAY_EXCEED);
        rules.add(rule(
                Code.DRIVE_LIMIT,
                Severity.LIMIT,
                MORE_LIKELY_THAN_NOT,
                Set.of(),
                facts -> room(facts, LimitKind.DRIVE)
                        .map(room -> SignClues.limited(Figure.DRIVE, exact(room), room.limit()))
                        // What a meter reads of it may be a hair beyond.
                        .filter(one -> one.found().contributions().isEmpty() || one.certainty() > Sign.LIKELY)));
        return List.copyOf(rules);
    }

    private static SignRule rule(Code code, Severity severity, double leastCertainty, Set<Code> hides, Clue... clues) {
        return new SignRule(code, severity, leastCertainty, List.of(clues), hides);
    }

    private static void limits(List<SignRule> rules, LimitKind kind, Code beyond, Code maybe) {
        Figure figure = kind == LimitKind.LOAD_POWER ? Figure.OUTPUT : Figure.valueOf(kind.name());
        Clue clue = facts -> room(facts, kind).map(room -> SignClues.limited(figure, room.value(), room.limit()));
        rules.add(rule(beyond, Severity.LIMIT, MORE_LIKELY_THAN_NOT, Set.of(maybe), clue));
        rules.add(rule(maybe, Severity.WATCH, POSSIBLE, Set.of(), clue));
    }

    private static Optional<Room> room(StepFacts facts, LimitKind kind) {
        return facts.step.room().stream().filter(room -> room.kind() == kind).findFirst();
    }

    /** The drive that was set, and not read, is held against its limit as set. */
    private static Quantity exact(Room room) {
        return room.value().standing() == Standing.MEASURED
                ? room.value()
                : Quantity.exact(
                        room.value().value(), room.value().unit(), room.value().standing());
    }

    /** A clue that counts only where it is likely. */
    private static Clue likely(Clue clue) {
        return facts -> clue.apply(facts).filter(one -> one.certainty() > Sign.LIKELY);
    }

    private static Clue above(
            Figure figure, Function<StepFacts, Optional<Quantity>> found, Function<StepFacts, Double> bound) {
        return facts ->
                found.apply(facts).map(one -> new Evidence(figure, one, bound.apply(facts), true, Basis.PRACTICE));
    }
}
