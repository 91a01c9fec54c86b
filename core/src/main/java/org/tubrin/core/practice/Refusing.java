package org.tubrin.core.practice;

import java.util.List;
import java.util.stream.Stream;
import org.tubrin.core.metering.Channel;
import org.tubrin.core.metering.MeterRange;
import org.tubrin.core.metering.ReadingRole;
import org.tubrin.core.quantity.Allowed;
import org.tubrin.core.quantity.Problem;
import org.tubrin.core.quantity.ProblemCode;
import org.tubrin.core.quantity.Unit;
import org.tubrin.core.run.Control;
import org.tubrin.core.run.TuneSetup;
import org.tubrin.core.station.Band;
import org.tubrin.core.tank.Dial;

/** Which acts there are not at a panel. */
record Refusing(Exercise exercise, TuneSetup setup) implements Act.Cases<List<Problem>> {

    @Override
    public List<Problem> turned(Act.Turned turned) {
        return turned.control() == Control.DRIVE
                ? notWithin(
                        turned.to(),
                        setup.exciter().powerMinW(),
                        setup.exciter().powerMaxW(),
                        Unit.WATT)
                : notWithin(
                        turned.to(),
                        dial(turned.control()).least(),
                        dial(turned.control()).most(),
                        Unit.MARK);
    }

    @Override
    public List<Problem> keyed(Act.Keyed keyed) {
        return none();
    }

    @Override
    public List<Problem> bandSet(Act.BandSet set) {
        return notAmong(
                "band",
                set.band().name(),
                exercise.bands().stream().map(Band::name).toList());
    }

    @Override
    public List<Problem> modeSet(Act.ModeSet set) {
        return none();
    }

    @Override
    public List<Problem> operateSet(Act.OperateSet set) {
        return none();
    }

    @Override
    public List<Problem> meterSwitched(Act.MeterSwitched to) {
        return notAmong(
                "to",
                to.to().name(),
                setup.meters().stream()
                        .flatMap(meter -> meter.channels().stream())
                        .map(Channel::role)
                        .filter(setup::isSwitched)
                        .map(ReadingRole::name)
                        .toList());
    }

    @Override
    public List<Problem> rangeSet(Act.RangeSet set) {
        return notAmong(
                "to",
                set.to(),
                setup.channelFor(ReadingRole.OUTPUT).orElseThrow().ranges().stream()
                        .map(MeterRange::name)
                        .toList());
    }

    @Override
    public List<Problem> detectorSet(Act.DetectorSet set) {
        return none();
    }

    @Override
    public List<Problem> matched(Act.Matched matched) {
        return exercise.lesson().hasAntenna()
                ? none()
                : List.of(new Problem(ProblemCode.NEEDS_ANTENNA, "act", "", new Allowed.Nothing()));
    }

    @Override
    public List<Problem> reset(Act.Reset reset) {
        return none();
    }

    @Override
    public List<Problem> read(Act.Read read) {
        return none();
    }

    @Override
    public List<Problem> done(Act.Done done) {
        return none();
    }

    @Override
    public List<Problem> named(Act.Named named) {
        // What was left at the panel is set right there.
        return notAmong(
                "hidden",
                named.hidden().name(),
                Stream.of(Hidden.values())
                        .filter(one -> one.kind() == Hidden.Kind.FAULT)
                        .map(Hidden::name)
                        .toList());
    }

    @Override
    public List<Problem> ended(Act.Ended over) {
        return none();
    }

    private Dial dial(Control control) {
        return control == Control.PLATE ? setup.tubes().plate() : setup.tubes().load();
    }

    private static List<Problem> none() {
        return List.of();
    }

    private static List<Problem> notAmong(String field, String value, List<String> allowed) {
        return allowed.contains(value)
                ? none()
                : List.of(new Problem(ProblemCode.UNKNOWN_NAME, field, value, new Allowed.OneOf(allowed)));
    }

    private static List<Problem> notWithin(double value, double least, double most, Unit unit) {
        return value >= least && value <= most
                ? none()
                : List.of(new Problem(
                        ProblemCode.OUT_OF_RANGE, "to", Double.toString(value), new Allowed.Range(least, most, unit)));
    }
}
