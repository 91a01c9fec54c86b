package org.tubrin.bench;

import java.io.IOException;
import java.io.InputStream;
import java.io.OutputStream;
import java.net.InetAddress;
import java.net.InetSocketAddress;
import java.net.ServerSocket;
import java.net.Socket;
import java.nio.charset.StandardCharsets;
import java.util.HashSet;
import java.util.Optional;
import java.util.Set;

/** Serves one instrument on a port of loopback: lines of ASCII ended by LF, several clients at once. */
final class ScpiServer implements AutoCloseable {
    private static final int LONGEST_LINE = 512;
    private static final int MOST_CLIENTS = 32;
    private static final long SLOW_MS = 3000;

    private final Instrument instrument;
    private final ServerSocket socket;
    private final Set<Socket> clients = new HashSet<>();

    ScpiServer(Instrument instrument, int port) throws IOException {
        this.instrument = instrument;
        socket = new ServerSocket();
        socket.setReuseAddress(true);
        socket.bind(new InetSocketAddress(InetAddress.getLoopbackAddress(), port));
        daemon("scpi-" + socket.getLocalPort(), this::accept);
    }

    int port() {
        return socket.getLocalPort();
    }

    private static void daemon(String name, Runnable work) {
        Thread thread = new Thread(work, name);
        thread.setDaemon(true);
        thread.start();
    }

    private void accept() {
        while (!socket.isClosed()) {
            try {
                Socket client = socket.accept();
                if (enter(client)) {
                    daemon("scpi-client", () -> serve(client));
                } else {
                    client.close();
                }
            } catch (IOException e) {
                if (!socket.isClosed()) {
                    System.err.println("port " + port() + ": " + e.getMessage());
                }
            }
        }
    }

    /** One that came in while the server was being closed is not let in: nobody would close it, and it would be answered for ever. */
    private synchronized boolean enter(Socket client) {
        return !socket.isClosed() && clients.size() < MOST_CLIENTS && clients.add(client);
    }

    private synchronized void leave(Socket client) {
        clients.remove(client);
    }

    private void serve(Socket client) {
        try (client) {
            client.setTcpNoDelay(true);
            Instrument.Session session = instrument.new Session();
            InputStream in = client.getInputStream();
            OutputStream out = client.getOutputStream();
            byte[] line = new byte[LONGEST_LINE];
            int length = 0;
            boolean overrun = false;
            for (int read = in.read(); read >= 0; read = in.read()) {
                if (read == '\n') {
                    if (overrun) {
                        session.note(ScpiError.tooLong());
                    } else {
                        answer(session, new String(line, 0, length, StandardCharsets.US_ASCII).strip(), out);
                    }
                    length = 0;
                    overrun = false;
                } else if (length < LONGEST_LINE) {
                    line[length++] = (byte) read;
                } else {
                    overrun = true;
                }
            }
        } catch (IOException e) {
            // The client went away in mid-sentence; there is nobody to tell.
        } finally {
            leave(client);
        }
    }

    private void answer(Instrument.Session session, String line, OutputStream out) throws IOException {
        Optional<String> said = session.say(line);
        if (said.isEmpty() || instrument.fault() == Instrument.Fault.SILENT) {
            return;
        }
        if (instrument.fault() == Instrument.Fault.SLOW) {
            try {
                Thread.sleep(SLOW_MS);
            } catch (InterruptedException e) {
                Thread.currentThread().interrupt();
            }
        }
        String text = instrument.fault() == Instrument.Fault.GARBAGE ? "#!%" : said.get();
        out.write((text + "\n").getBytes(StandardCharsets.US_ASCII));
        out.flush();
    }

    @Override
    public synchronized void close() throws IOException {
        socket.close();
        for (Socket client : clients) {
            client.close();
        }
    }
}
