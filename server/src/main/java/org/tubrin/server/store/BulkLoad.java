package org.tubrin.server.store;

import java.io.IOException;
import java.io.StringReader;
import java.io.UncheckedIOException;
import java.sql.Connection;
import java.sql.SQLException;
import javax.sql.DataSource;
import org.jspecify.annotations.Nullable;
import org.postgresql.PGConnection;
import org.springframework.jdbc.datasource.DataSourceUtils;
import org.springframework.jdbc.support.SQLExceptionSubclassTranslator;
import org.springframework.stereotype.Component;

/** PostgreSQL's bulk load, within the transaction of the caller. */
@Component
public class BulkLoad {
    private final DataSource source;

    BulkLoad(DataSource source) {
        this.source = source;
    }

    /** Puts lines into a table, named with its columns. */
    public void copy(String table, CharSequence lines) {
        if (lines.isEmpty()) {
            return;
        }
        Connection connection = DataSourceUtils.getConnection(source);
        try {
            connection
                    .unwrap(PGConnection.class)
                    .getCopyAPI()
                    .copyIn("copy " + table + " from stdin", new StringReader(lines.toString()));
        } catch (SQLException e) {
            throw new SQLExceptionSubclassTranslator().translate("bulk load", table, e);
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        } finally {
            DataSourceUtils.releaseConnection(connection, source);
        }
    }

    /** Writes a line in PostgreSQL's text format. */
    public static void line(StringBuilder to, @Nullable Object... cells) {
        String between = "";
        for (Object cell : cells) {
            to.append(between);
            between = "\t";
            if (cell == null) {
                to.append("\\N");
            } else {
                escape(to, cell.toString());
            }
        }
        to.append('\n');
    }

    private static void escape(StringBuilder to, String text) {
        for (int i = 0; i < text.length(); i++) {
            char c = text.charAt(i);
            switch (c) {
                case '\\' -> to.append("\\\\");
                case '\t' -> to.append("\\t");
                case '\n' -> to.append("\\n");
                case '\r' -> to.append("\\r");
                default -> to.append(c);
            }
        }
    }
}
