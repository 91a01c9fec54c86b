package org.tubrin.e2e;

import java.io.BufferedReader;
import java.io.IOException;
import java.io.InputStreamReader;
import java.io.UncheckedIOException;
import java.net.InetAddress;
import java.net.ServerSocket;
import java.net.Socket;
import java.nio.channels.FileChannel;
import java.nio.channels.FileLock;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardOpenOption;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.concurrent.CompletableFuture;
import java.util.concurrent.ExecutionException;
import java.util.concurrent.TimeUnit;
import java.util.concurrent.TimeoutException;
import org.tubrin.bench.Bench;

/** The packaged application, started by {@code ./start} in a home of its own. */
final class App implements AutoCloseable {
    private final Path home;
    private final int port;
    private final boolean demo;
    private Process process;
    private int benchPort;
    private boolean besideBench;

    private App(Path home, boolean demo, int port) {
        this.home = home;
        this.demo = demo;
        this.port = port;
    }

    /** Starts the application in a fresh home under the build folder. */
    static App fresh(String name, boolean demo) {
        return fresh(name, demo, false);
    }

    /** Starts it empty, beside a bench that {@link #startBench} starts. */
    static App besideBench(String name) {
        return fresh(name, false, true);
    }

    private static App fresh(String name, boolean demo, boolean besideBench) {
        try {
            Path home = Files.createTempDirectory(Files.createDirectories(Path.of("target/homes")), name)
                    .toAbsolutePath();
            App app = new App(home, demo, freePort());
            app.benchPort = freeBenchPort();
            app.besideBench = besideBench;
            if (demo && System.getProperty("tubrin.fork") != null) {
                copy(demoDatabase(), home.resolve("postgres"));
            }
            app.start();
            return app;
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    /**
     * Returns a database that holds the demo and is at rest: it is made by a start of its own, once for all classes of tests, since
     * that takes half of every start.
     */
    private static Path demoDatabase() throws IOException {
        Path homes = Path.of("target/homes").toAbsolutePath();
        // Another build has another demo.
        Path home = homes.resolve("template-"
                + Files.getLastModifiedTime(root().resolve("target/app/built")).toMillis());
        try (FileChannel channel = FileChannel.open(
                        homes.resolve("template.lock"), StandardOpenOption.CREATE, StandardOpenOption.WRITE);
                FileLock lock = channel.lock()) {
            Path made = home.resolve("made");
            if (lock.isValid() && !Files.exists(made)) {
                App app = new App(Files.createDirectories(home), true, freePort());
                app.benchPort = freeBenchPort();
                app.start();
                app.close();
                Files.createFile(made);
            }
        }
        return home.resolve("postgres");
    }

    private static void copy(Path from, Path to) throws IOException {
        try {
            int code = new ProcessBuilder("cp", "-a", from.toString(), to.toString())
                    .inheritIO()
                    .start()
                    .waitFor();
            if (code != 0) {
                throw new IOException("cp ended with " + code + ": " + from);
            }
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
            throw new IllegalStateException(e);
        }
    }

    Path home() {
        return home;
    }

    /** Returns the most memory that the server had resident since its start, in megabytes. */
    long mostMemoryMb() {
        try {
            return Files.readAllLines(Path.of("/proc/" + server().orElseThrow().pid() + "/status")).stream()
                    .filter(line -> line.startsWith("VmHWM:"))
                    .mapToLong(line -> Long.parseLong(line.replaceAll("\\D", "")) >> 10)
                    .findFirst()
                    .orElseThrow();
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    String url() {
        return "http://127.0.0.1:" + port;
    }

    /** Starts it (again) in the same home on the same port, and waits until it says where it is. */
    void start() {
        List<String> command = new ArrayList<>(List.of(root().resolve("start").toString()));
        if (!demo) {
            command.add("--empty");
        }
        ProcessBuilder builder = new ProcessBuilder(command).redirectErrorStream(true);
        builder.environment().put("TUBRIN_HOME", home.toString());
        builder.environment().put("TUBRIN_PORT", Integer.toString(port));
        builder.environment().put("TUBRIN_BENCH_PORT", Integer.toString(benchPort));
        builder.environment().put("TUBRIN_BENCH_WARM_UP_SPEED", "60");
        // None lives long enough to earn what the second compiler costs: a third of all that a journey computes.
        builder.environment().put("TUBRIN_JAVA", "-XX:TieredStopAtLevel=1");
        if (besideBench) {
            builder.environment().put("TUBRIN_BENCH", "127.0.0.1:" + benchPort);
        }
        try {
            process = builder.start();
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
        List<String> said = java.util.Collections.synchronizedList(new ArrayList<>());
        CompletableFuture<Boolean> ready = new CompletableFuture<>();
        Process started = process;
        Thread reader = new Thread(() -> {
            try (var lines =
                    new BufferedReader(new InputStreamReader(started.getInputStream(), StandardCharsets.UTF_8))) {
                for (String line = lines.readLine(); line != null; line = lines.readLine()) {
                    said.add(line);
                    if (line.contains("Tubrin is at")) {
                        ready.complete(true);
                    }
                }
            } catch (IOException e) {
                said.add(e.toString());
            }
            ready.complete(false);
        });
        reader.setDaemon(true);
        reader.start();
        try {
            if (!ready.get(120, TimeUnit.SECONDS)) {
                throw new IllegalStateException("./start ended:\n" + String.join("\n", said));
            }
        } catch (InterruptedException | ExecutionException | TimeoutException e) {
            throw new IllegalStateException("./start did not come up:\n" + String.join("\n", said), e);
        }
    }

    /** Says a command to an instrument of the bench, by its place from 0, and waits until it is taken. */
    void tellBench(int instrument, String command) {
        try (Socket socket = new Socket(InetAddress.getLoopbackAddress(), benchPort + instrument)) {
            socket.getOutputStream().write((command + ";SYST:ERR?\n").getBytes(StandardCharsets.US_ASCII));
            String said = new BufferedReader(new InputStreamReader(socket.getInputStream(), StandardCharsets.US_ASCII))
                    .readLine();
            if (!said.startsWith("0,")) {
                throw new IllegalArgumentException(command + ": " + said);
            }
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    /** Ends the server and the database as a power cut would: both at once, without a word. */
    void powerCut() {
        Optional<ProcessHandle> postmaster = postmaster();
        server().orElseThrow().destroyForcibly();
        postmaster.ifPresent(ProcessHandle::destroyForcibly);
        awaitEnd();
    }

    /** Ends the server alone, without a word. */
    void killServer() {
        server().orElseThrow().destroyForcibly();
        awaitEnd();
    }

    /** Ends the database alone, without a word; {@code ./start} starts it again. */
    void killDatabase() {
        postmaster().ifPresent(ProcessHandle::destroyForcibly);
    }

    /** Stops the database's processes where they stand, so that nothing answers, until {@link #letDatabaseGo}. */
    void holdDatabase() {
        signalDatabase("-STOP");
    }

    /** Lets the database go on. */
    void letDatabaseGo() {
        signalDatabase("-CONT");
    }

    private void signalDatabase(String signal) {
        ProcessHandle postmaster = postmaster().orElseThrow();
        List<String> command = new ArrayList<>(List.of("kill", signal, Long.toString(postmaster.pid())));
        postmaster.descendants().forEach(child -> command.add(Long.toString(child.pid())));
        try {
            new ProcessBuilder(command).inheritIO().start().waitFor();
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
        }
    }

    /** Ends {@code ./start} alone, without a word; what it started goes on. */
    void killStart() {
        process.destroyForcibly();
        awaitEnd();
    }

    boolean isRunning() {
        return process.isAlive();
    }

    /** Returns what {@code ./start} says, and its exit code, when it is started once more beside the running one. */
    String startsTwice() {
        ProcessBuilder builder = new ProcessBuilder(root().resolve("start").toString()).redirectErrorStream(true);
        builder.environment().put("TUBRIN_HOME", home.toString());
        try {
            Process second = builder.start();
            String said = new String(second.getInputStream().readAllBytes(), StandardCharsets.UTF_8);
            return second.waitFor() + " " + said;
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
            return "";
        }
    }

    private Optional<ProcessHandle> server() {
        return process.descendants()
                .filter(child -> commandLine(child).contains("tubrin.jar"))
                .findFirst();
    }

    private static String commandLine(ProcessHandle process) {
        return process.info().command().orElse("")
                + " "
                + String.join(" ", process.info().arguments().orElse(new String[0]));
    }

    /** Ends the simulated bench alone, without a word. */
    void killBench() {
        process.descendants()
                .filter(child -> commandLine(child).contains("BenchMain"))
                .findFirst()
                .orElseThrow()
                .destroyForcibly();
    }

    /** Starts the bench alone, where the application looks for it; the caller ends it. */
    Process startBench() {
        ProcessBuilder builder =
                new ProcessBuilder(root().resolve("scripts/bench").toString()).inheritIO();
        builder.environment().put("TUBRIN_BENCH_PORT", Integer.toString(benchPort));
        builder.environment().put("TUBRIN_BENCH_WARM_UP_SPEED", "60");
        try {
            return builder.start();
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    private Optional<ProcessHandle> postmaster() {
        try {
            Path folder = home.resolve("postgres");
            if (Files.exists(folder.resolve("elsewhere"))) {
                folder = Path.of(Files.readString(folder.resolve("elsewhere")).strip());
            }
            return ProcessHandle.of(Long.parseLong(
                    Files.readAllLines(folder.resolve("data/postmaster.pid")).get(0)));
        } catch (IOException notRunning) {
            return Optional.empty();
        }
    }

    private void awaitEnd() {
        try {
            if (!process.waitFor(60, TimeUnit.SECONDS)) {
                throw new IllegalStateException("./start goes on after its server is gone");
            }
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
        }
    }

    @Override
    public void close() {
        process.destroy();
        awaitEnd();
    }

    static Path root() {
        Path folder = Path.of("").toAbsolutePath();
        while (!Files.isExecutable(folder.resolve("start"))) {
            folder = folder.getParent();
        }
        return folder;
    }

    /** Returns the first of a row of ports that are free now, and that no journey beside this one takes. */
    private static int freeBenchPort() throws IOException {
        for (int first = 15_240 + 1000 * Integer.getInteger("tubrin.fork", 0); ; first += 10) {
            boolean free = true;
            for (int port = first; free && port < first + Bench.INSTRUMENTS; port++) {
                try (ServerSocket socket = new ServerSocket(port, 1, InetAddress.getLoopbackAddress())) {
                    free = socket.isBound();
                } catch (IOException taken) {
                    free = false;
                }
            }
            if (free) {
                return first;
            }
        }
    }

    private static int freePort() throws IOException {
        try (ServerSocket socket = new ServerSocket(0, 1, InetAddress.getLoopbackAddress())) {
            return socket.getLocalPort();
        }
    }
}
