package org.tubrin.server.practice;

import java.time.Instant;
import java.util.List;
import java.util.UUID;
import org.apache.ibatis.annotations.Mapper;
import org.apache.ibatis.annotations.Param;
import org.jspecify.annotations.Nullable;

/** Keeps exercises and what was done in them. */
@Mapper
public interface PracticeMapper {
    /** Returns the newest. */
    List<PracticeRow> newest(int most);

    /** Returns the next ones after an id, in the order of their ids. */
    List<PracticeRow> after(@Param("after") UUID after, @Param("most") int most);

    /** Returns how often each lesson came to its end, and its most points. */
    List<LessonRow> lessons();

    /** How often a lesson came to its end, and its most points. */
    record LessonRow(String lesson, int times, double mostPoints) {}

    @Nullable
    PracticeRow byId(UUID id);

    /** Returns all that was done in one, in its order. */
    List<PracticeActRow> acts(UUID practiceId);

    int insert(@Param("row") PracticeRow row);

    int insertAct(@Param("row") PracticeActRow row);

    int end(@Param("id") UUID id, @Param("endedAt") Instant endedAt, @Param("points") double points);

    int delete(UUID id);
}
