package org.tubrin.server;

import java.io.BufferedReader;
import java.io.IOException;
import java.io.InputStreamReader;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.sql.DriverManager;
import java.sql.SQLException;
import java.util.LinkedHashMap;
import java.util.Map;

/** A real PostgreSQL of the tests' own, started by the project's script, thrown away with the build folder. */
public final class Postgres {
    private static final String FOLDER = "folder of the cluster";
    private static final Map<String, String> SETTINGS = start();

    private Postgres() {}

    /** Returns one of TUBRIN_JDBC_URL, TUBRIN_JDBC_USER, TUBRIN_JDBC_PASSWORD. */
    public static String setting(String name) {
        return SETTINGS.get(name);
    }

    /** Runs statements as the cluster's superuser, beside the database of the application. */
    static void asSuperuser(String... statements) {
        asSuperuserIn("postgres", statements);
    }

    /** Runs statements as the cluster's superuser in a database. */
    static void asSuperuserIn(String database, String... statements) {
        String url = setting("TUBRIN_JDBC_URL").replaceFirst("/[^/]*$", "/" + database);
        try {
            String password = Files.readString(Path.of(setting(FOLDER)).resolve("password"));
            try (var connection = DriverManager.getConnection(url, "tubrin", password.strip());
                    var statement = connection.createStatement()) {
                for (String one : statements) {
                    statement.execute(one);
                }
            }
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        } catch (SQLException e) {
            throw new IllegalStateException(e);
        }
    }

    /** Returns the root of the project. */
    public static Path root() {
        Path folder = Path.of("").toAbsolutePath();
        while (!Files.isExecutable(folder.resolve("scripts/postgres"))) {
            folder = folder.getParent();
        }
        return folder;
    }

    private static Map<String, String> start() {
        Path script = root().resolve("scripts/postgres");
        Path home = Path.of("target/test-postgres" + System.getProperty("tubrin.fork", ""))
                .toAbsolutePath();
        try {
            Process process = new ProcessBuilder(script.toString(), "start", home.toString(), "--throwaway")
                    .redirectError(ProcessBuilder.Redirect.INHERIT)
                    .start();
            Map<String, String> settings = new LinkedHashMap<>();
            try (var lines =
                    new BufferedReader(new InputStreamReader(process.getInputStream(), StandardCharsets.UTF_8))) {
                lines.lines()
                        .forEach(line -> settings.put(
                                line.substring(0, line.indexOf('=')), line.substring(line.indexOf('=') + 1)));
            }
            if (process.waitFor() != 0) {
                throw new IllegalStateException("scripts/postgres start failed");
            }
            Runtime.getRuntime().addShutdownHook(new Thread(() -> stop(script, home)));
            Path elsewhere = home.resolve("elsewhere");
            settings.put(
                    FOLDER,
                    Files.exists(elsewhere) ? Files.readString(elsewhere).strip() : home.toString());
            empty(settings);
            return settings;
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
            throw new IllegalStateException(e);
        }
    }

    private static void empty(Map<String, String> settings) {
        try (var connection = DriverManager.getConnection(
                        settings.get("TUBRIN_JDBC_URL"),
                        settings.get("TUBRIN_JDBC_USER"),
                        settings.get("TUBRIN_JDBC_PASSWORD"));
                var statement = connection.createStatement()) {
            statement.execute("drop schema public cascade; create schema public");
        } catch (SQLException e) {
            throw new IllegalStateException(e);
        }
    }

    private static void stop(Path script, Path home) {
        try {
            new ProcessBuilder(script.toString(), "stop", home.toString())
                    .start()
                    .waitFor();
        } catch (IOException | InterruptedException e) {
            // The build folder is thrown away in any case.
            Thread.currentThread().interrupt();
        }
    }
}
