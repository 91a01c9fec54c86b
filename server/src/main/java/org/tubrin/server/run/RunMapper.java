package org.tubrin.server.run;

import java.util.List;
import java.util.UUID;
import org.apache.ibatis.annotations.Mapper;
import org.apache.ibatis.annotations.Param;
import org.jspecify.annotations.Nullable;

/** Keeps runs as lists of events. */
@Mapper
public interface RunMapper {
    /** Returns runs that a filter lets through, newest first or oldest first. */
    List<RunRow> runs(
            @Param("filter") RunFilter filter,
            @Param("oldestFirst") boolean oldestFirst,
            @Param("skip") int skip,
            @Param("most") int most);

    /** Returns how many runs a filter lets through. */
    int count(@Param("filter") RunFilter filter);

    /** Returns what was run where, and how often. */
    List<RunPlace> places();

    @Nullable
    RunRow run(UUID id);

    /** Returns the newest run that has not ended. */
    @Nullable
    UUID going();

    boolean isEmpty();

    /** Returns the next finished runs after an id whose figures were not kept, or were reckoned another way. */
    List<UUID> withoutFigures(@Param("version") int version, @Param("after") UUID after, @Param("most") int most);

    int insertRun(RunRow row);

    /** Moves a run on, where it still stands at the sequence that was read; returns 0 where it does not. */
    int advanceRun(@Param("row") RunRow row, @Param("readSequence") long readSequence);

    /** Sets the small stair of a run that an earlier version kept. */
    int drawStair(@Param("id") UUID id, @Param("stair") String stair);

    int insertEvents(@Param("events") List<EventRow> events);

    /** Returns the events of a run from a sequence on, in their order. */
    List<EventRow> events(@Param("runId") UUID runId, @Param("from") long from);

    int keepFigures(FiguresRow row);

    /** Returns the figures of the finished runs of a place, oldest first. */
    List<String> figures(
            @Param("amplifier") String amplifier, @Param("band") String band, @Param("termination") String termination);

    /** Returns how often runs were begun, ended, or put back. */
    long changes();

    /** Says that they were; after what was done to them, so that all wait for each other in one order. */
    int changed();
}
