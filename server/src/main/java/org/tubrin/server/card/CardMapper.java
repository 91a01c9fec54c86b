package org.tubrin.server.card;

import java.util.List;
import org.apache.ibatis.annotations.Mapper;

/** Keeps the rows that finished runs leave, and those that came from a file. */
@Mapper
public interface CardMapper {
    /** Returns all rows, newest first. */
    List<CardRecord> all();

    /** Returns the rows that came from files, newest first. */
    List<CardRecord> fromFiles();

    int insert(CardRecord record);

    int deleteAll();
}
