package org.tubrin.server.run;

import java.util.List;
import java.util.UUID;
import org.apache.ibatis.annotations.Mapper;
import org.apache.ibatis.annotations.Param;
import org.jspecify.annotations.Nullable;

/** Keeps runs as lists of events. */
@Mapper
public interface RunMapper {
    List<RunRow> runs(@Param("most") int most);

    @Nullable
    RunRow run(UUID id);

    /** Returns the newest run that has not ended. */
    @Nullable
    UUID going();

    List<UUID> allIds();

    /** Returns the finished runs of an amplifier, band and load or antenna, oldest first. */
    List<UUID> finished(
            @Param("amplifier") String amplifier, @Param("band") String band, @Param("termination") String termination);

    int insertRun(RunRow row);

    /** Moves a run on, where it still stands at the sequence that was read; returns 0 where it does not. */
    int advanceRun(@Param("row") RunRow row, @Param("readSequence") long readSequence);

    int insertEvents(@Param("events") List<EventRow> events);

    List<EventRow> events(UUID runId);

    boolean hasClient(@Param("runId") UUID runId, @Param("clientId") UUID clientId);

    int deleteAllEvents();

    int deleteAllRuns();
}
