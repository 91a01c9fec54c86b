package org.tubrin.server.feed;

import java.io.IOException;
import java.io.InputStream;
import java.net.InetSocketAddress;
import java.net.Socket;
import java.net.SocketTimeoutException;
import java.nio.charset.StandardCharsets;

/** One connection to an instrument: a line out, a line back. One thread. */
final class Line implements AutoCloseable {
    /** A whole sweep of a scope is a few thousand characters. */
    private static final int LONGEST_ANSWER = 16_384;

    private final Socket socket;

    private Line(Socket socket) {
        this.socket = socket;
    }

    /** Connects within a time in milliseconds. */
    static Line to(InetSocketAddress address, int timeoutMs) throws IOException {
        Socket socket = new Socket();
        try {
            socket.connect(address, timeoutMs);
            socket.setTcpNoDelay(true);
            return new Line(socket);
        } catch (IOException e) {
            socket.close();
            throw e;
        }
    }

    /** Sends a line that wants no answer. */
    void send(String text) throws IOException {
        socket.getOutputStream().write((text + "\n").getBytes(StandardCharsets.US_ASCII));
    }

    /**
     * Returns the answer to a query.
     *
     * <p>Fails: {@link SocketTimeoutException} where the whole answer was not there in time, {@link IOException} where the
     * other end is gone or does not end its line.
     */
    String ask(String query, int timeoutMs) throws IOException {
        send(query);
        long deadline = System.nanoTime() + timeoutMs * 1_000_000L;
        InputStream in = socket.getInputStream();
        StringBuilder answer = new StringBuilder();
        while (answer.length() < LONGEST_ANSWER) {
            int leftMs = (int) ((deadline - System.nanoTime()) / 1_000_000L);
            if (leftMs <= 0) {
                throw new SocketTimeoutException("no whole answer in time");
            }
            socket.setSoTimeout(leftMs);
            int read = in.read();
            if (read < 0) {
                throw new IOException("the instrument closed the connection");
            }
            if (read == '\n') {
                return answer.toString().strip();
            }
            answer.append((char) read);
        }
        throw new IOException("the answer does not end");
    }

    @Override
    public void close() {
        try {
            socket.close();
        } catch (IOException e) {
            // It is gone either way.
        }
    }
}
