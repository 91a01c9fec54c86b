package org.tubrin.server.store;

import java.sql.CallableStatement;
import java.sql.PreparedStatement;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.time.Instant;
import java.time.OffsetDateTime;
import java.time.ZoneOffset;
import org.apache.ibatis.type.BaseTypeHandler;
import org.apache.ibatis.type.JdbcType;
import org.apache.ibatis.type.MappedTypes;
import org.jspecify.annotations.Nullable;

/** Keeps instants as {@code timestamptz}. */
@MappedTypes(Instant.class)
public class InstantHandler extends BaseTypeHandler<Instant> {
    @Override
    public void setNonNullParameter(PreparedStatement statement, int index, Instant value, @Nullable JdbcType type)
            throws SQLException {
        statement.setObject(index, OffsetDateTime.ofInstant(value, ZoneOffset.UTC));
    }

    @Override
    public @Nullable Instant getNullableResult(ResultSet rows, String column) throws SQLException {
        return instant(rows.getObject(column, OffsetDateTime.class));
    }

    @Override
    public @Nullable Instant getNullableResult(ResultSet rows, int column) throws SQLException {
        return instant(rows.getObject(column, OffsetDateTime.class));
    }

    @Override
    public @Nullable Instant getNullableResult(CallableStatement call, int column) throws SQLException {
        return instant(call.getObject(column, OffsetDateTime.class));
    }

    private static @Nullable Instant instant(@Nullable OffsetDateTime time) {
        return time == null ? null : time.toInstant();
    }
}
