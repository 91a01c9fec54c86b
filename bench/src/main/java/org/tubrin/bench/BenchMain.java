package org.tubrin.bench;

import java.io.IOException;

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
        }
    }

    private static String setting(String name, String otherwise) {
        String value = System.getenv(name);
        return value == null || value.isBlank() ? otherwise : value;
    }
}
