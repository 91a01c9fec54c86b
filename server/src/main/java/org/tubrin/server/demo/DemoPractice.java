package org.tubrin.server.demo;

import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.UUID;
import java.util.stream.IntStream;
import org.tubrin.core.metering.MeterRange;
import org.tubrin.core.metering.ReadingRole;
import org.tubrin.core.practice.Act;
import org.tubrin.core.practice.Debrief;
import org.tubrin.core.practice.Exercise;
import org.tubrin.core.practice.Hidden;
import org.tubrin.core.practice.Lesson;
import org.tubrin.core.practice.Panel;
import org.tubrin.core.practice.Play;
import org.tubrin.core.run.Control;
import org.tubrin.core.station.Band;
import org.tubrin.core.station.PowerStep;
import org.tubrin.server.practice.Practices;

/** An exercise that was played without help: loaded too lightly at first, a fault named wrongly and then rightly. */
final class DemoPractice {
    private final Play play;
    private final List<Practices.StoredAct> acts = new ArrayList<>();

    private DemoPractice(Exercise exercise, Instant start) {
        play = new Play(exercise, start);
    }

    /** Returns it, begun at a moment. */
    static Practices.Stored played(Practices practices, Instant start) {
        DemoPractice one = new DemoPractice(exercise(practices), start);
        one.plays();
        return new Practices.Stored(
                UUID.randomUUID(),
                start,
                start.plus(Duration.ofMillis(Math.round(1000 * one.play.nowS()))),
                Debrief.of(one.play).points(),
                one.play.exercise(),
                List.copyOf(one.acts));
    }

    /** The first that hides a cooked jumper on 14 MHz. */
    private static Exercise exercise(Practices practices) {
        return IntStream.range(0, 10_000)
                .mapToObj(seed -> new Exercise(
                        Lesson.ONE_FAULT,
                        seed,
                        Panel.Kind.SEVERAL,
                        new PowerStep(PowerStep.Scale.WATT, 1),
                        true,
                        false,
                        practices.trainingAmplifier(),
                        practices.names(),
                        Optional.of(Lesson.faults())))
                .filter(exercise -> exercise.hidden().equals(Set.of(Hidden.COOKED_JUMPER))
                        && exercise.setup().band() == Band.MHZ_14)
                .findFirst()
                .orElseThrow();
    }

    private void plays() {
        double plate = play.setup().preset().plate();
        double load = play.setup().preset().load();
        after(14, new Act.Turned(Control.DRIVE, 4));
        // Light loading takes grid current beyond its limit further up.
        after(1, new Act.Turned(Control.LOAD, load - 2.6));
        keyDown(new double[] {plate - 0.1, plate + 0.02, plate + 0.1, plate + 0.05});
        climb(9, plate + 0.04);
        after(1, new Act.RangeSet(range(1)));
        climb(18, plate + 0.04);
        climb(36, plate + 0.02);
        climb(70, plate);
        after(1, new Act.Turned(Control.LOAD, load));
        climb(70, plate - 0.02);
        after(4, new Act.Named(Hidden.SOFT_TUBE));
        climb(70, plate - 0.01);
        after(6, new Act.Named(Hidden.COOKED_JUMPER));
        climb(70, plate - 0.02);
        after(3, new Act.Ended());
    }

    private String range(int place) {
        List<MeterRange> ranges =
                play.setup().channelFor(ReadingRole.OUTPUT).orElseThrow().ranges();
        return ranges.get(place).name();
    }

    private void climb(double driveW, double plate) {
        after(6, new Act.Turned(Control.DRIVE, driveW));
        keyDown(new double[] {plate - 0.06, plate});
    }

    private void keyDown(double[] plates) {
        after(2, new Act.Keyed(true));
        for (double plate : plates) {
            after(0.8, new Act.Turned(Control.PLATE, plate));
        }
        after(1.5, new Act.Read());
        after(0.4, new Act.Keyed(false));
        after(1, new Act.Done());
    }

    private void after(double seconds, Act act) {
        play.pass(play.nowS() + seconds);
        play.does(act);
        acts.add(new Practices.StoredAct(UUID.randomUUID(), play.nowS(), act));
    }
}
