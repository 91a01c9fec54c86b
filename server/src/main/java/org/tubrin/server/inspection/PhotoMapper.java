package org.tubrin.server.inspection;

import java.util.List;
import java.util.UUID;
import org.apache.ibatis.annotations.Mapper;
import org.apache.ibatis.annotations.Param;
import org.jspecify.annotations.Nullable;

/** Keeps photographs. */
@Mapper
public interface PhotoMapper {
    /** Returns those of a candidate, the first taken first, without their pictures. */
    List<PhotoRow> of(UUID candidateId);

    /** Returns all, without their pictures. */
    List<PhotoRow> all();

    /** Returns a picture as base64. */
    @Nullable
    String picture(@Param("candidateId") UUID candidateId, @Param("id") UUID id);

    /** Adds one with its picture as base64; the same again is left as it is. */
    int insert(@Param("row") PhotoRow row, @Param("jpeg") String jpeg);

    int delete(@Param("candidateId") UUID candidateId, @Param("id") UUID id);
}
