package org.tubrin.bench;

import java.io.IOException;
import java.net.BindException;

/** Starts the bench and stays until it is ended. */
public final class BenchMain {
    private static final int FIRST_PORT = 5240;

    private BenchMain() {}

    /** Reads TUBRIN_BENCH_PORT, TUBRIN_BENCH_SEED and TUBRIN_BENCH_WARM_UP_SPEED. */
    public static void main(String[] args) throws IOException, InterruptedException {
        int port = Integer.parseInt(setting("TUBRIN_BENCH_PORT", Integer.toString(FIRST_PORT)));
        long seed = Long.parseLong(setting("TUBRIN_BENCH_SEED", "7"));
        double speed = Double.parseDouble(setting("TUBRIN_BENCH_WARM_UP_SPEED", "1"));
        try (Bench bench = new Bench(new SimulatedStation(seed, speed), port)) {
            for (int i = 0; i < Bench.INSTRUMENTS; i++) {
                System.out.println("127.0.0.1:" + bench.port(i));
            }
            Thread.currentThread().join();
        } catch (BindException taken) {
            System.err.println("One of the ports " + port + " to " + (port + Bench.INSTRUMENTS - 1)
                    + " is taken. Set TUBRIN_BENCH_PORT to the first of " + Bench.INSTRUMENTS + " free ones.");
            System.exit(1);
        }
    }

    private static String setting(String name, String otherwise) {
        String value = System.getenv(name);
        return value == null || value.isBlank() ? otherwise : value;
    }
}
