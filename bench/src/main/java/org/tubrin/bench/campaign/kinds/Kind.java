package org.tubrin.bench.campaign.kinds;

import java.util.List;
import java.util.stream.Stream;

/** One kind of run that is played: its cases, what is counted of them, and what both mean. */
interface Kind {
    /** The procedure that does what the next move says, and nothing else. */
    String TUBRIN = "tubrin";

    /**
     * One thing that is counted.
     *
     * @param name as the table has it
     * @param words what it is, as a sentence without its end
     * @param share whether a case has it or has it not, so that its share in per cent is told
     */
    record Metric(String name, String words, boolean share) {}

    /** Returns the name of its files and of its argument. */
    String name();

    /** Returns the heading of its report. */
    String title();

    List<Metric> metrics();

    /** Returns what a case is, and by what the plain procedure goes. */
    String cases();

    /** Plays one case by each procedure. */
    Stream<Played> play(int number, long seed);
}
