package org.tubrin.server.web;

import jakarta.servlet.FilterChain;
import jakarta.servlet.ReadListener;
import jakarta.servlet.ServletException;
import jakarta.servlet.ServletInputStream;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletRequestWrapper;
import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import java.net.URI;
import java.util.Optional;
import java.util.Set;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import org.springframework.core.Ordered;
import org.springframework.core.annotation.Order;
import org.springframework.stereotype.Component;
import org.springframework.web.filter.OncePerRequestFilter;

/**
 * Lets through only calls from this machine's own page: the Host must name the loopback, an Origin must be our own, a
 * body must be JSON and no larger than it may be. A page of another site, or a name that was made to point here, gets
 * nothing.
 */
@Component
@Order(Ordered.HIGHEST_PRECEDENCE)
public class Calls extends OncePerRequestFilter {
    /** The attribute of a request with the mark that lets style elements of the page's document through. */
    static final String NONCE = "tubrin.nonce";

    private static final Set<String> LOOPBACK = Set.of("127.0.0.1", "localhost", "[::1]");
    private static final long MOST_BYTES = 256 * 1024;
    /** A scope saves its samples as text. */
    private static final long MOST_TRACE_BYTES = 4L * 1024 * 1024;
    /** Some dozens of photographs. */
    private static final long MOST_INSPECTION_BYTES = 48L * 1024 * 1024;
    /** A backup of many years of runs; it is read part by part. */
    private static final long MOST_BACKUP_BYTES = 16L * 1024 * 1024 * 1024;

    private final ProblemReply reply;

    Calls(ProblemReply reply) {
        this.reply = reply;
    }

    @Override
    protected void doFilterInternal(HttpServletRequest request, HttpServletResponse response, FilterChain chain)
            throws ServletException, IOException {
        response.setHeader("X-Content-Type-Options", "nosniff");
        response.setHeader("Referrer-Policy", "no-referrer");
        response.setHeader("Cross-Origin-Resource-Policy", "same-origin");
        String nonce = UUID.randomUUID().toString();
        request.setAttribute(NONCE, nonce);
        response.setHeader(
                "Content-Security-Policy",
                "default-src 'self'; img-src 'self' data: blob:; style-src 'self' 'nonce-" + nonce + "';"
                        + " frame-ancestors 'none'; base-uri 'none'; form-action 'self'; object-src 'none'");
        String host = request.getHeader("Host");
        if (!isLoopback(host)) {
            reply.send(response, 403, "wrongHost", String.valueOf(host));
            return;
        }
        String origin = request.getHeader("Origin");
        if (origin != null && !isOwn(origin, host)) {
            reply.send(response, 403, "wrongOrigin", origin);
            return;
        }
        boolean writes = !Set.of("GET", "HEAD", "OPTIONS").contains(request.getMethod());
        String site = request.getHeader("Sec-Fetch-Site");
        boolean foreign = "cross-site".equals(site) || "same-site".equals(site);
        // A link may lead to a page of ours; nothing else of another site may ask for anything.
        boolean follows = "navigate".equals(request.getHeader("Sec-Fetch-Mode"))
                && "document".equals(request.getHeader("Sec-Fetch-Dest"))
                && !request.getRequestURI().startsWith("/api/");
        if (foreign && (writes || !follows)) {
            reply.send(response, 403, "wrongOrigin", site);
            return;
        }
        Optional<String> fault = AddressText.fault(request.getRequestURI(), request.getQueryString());
        if (fault.isPresent()) {
            reply.send(response, 400, "badAddress", fault.get());
            return;
        }
        long most = mostBytes(request.getRequestURI());
        if (request.getContentLengthLong() > most) {
            reply.send(response, 413, "tooLarge", request.getContentLengthLong() + " > " + most);
            return;
        }
        chain.doFilter(writes ? new Bounded(request, most) : request, response);
    }

    private static long mostBytes(String path) {
        if (path.startsWith("/api/backup")) {
            return MOST_BACKUP_BYTES;
        }
        if (path.startsWith("/api/candidates/") && path.endsWith("/inspection")) {
            return MOST_INSPECTION_BYTES;
        }
        return path.startsWith("/api/runs/") && path.endsWith("/trace") ? MOST_TRACE_BYTES : MOST_BYTES;
    }

    private static boolean isLoopback(@Nullable String host) {
        if (host == null) {
            return false;
        }
        int colon = host.lastIndexOf(':');
        boolean hasPort = colon > host.lastIndexOf(']');
        return LOOPBACK.contains(hasPort ? host.substring(0, colon) : host);
    }

    private static boolean isOwn(String origin, @Nullable String host) {
        try {
            URI uri = URI.create(origin);
            return "http".equals(uri.getScheme())
                    && uri.getAuthority() != null
                    && uri.getAuthority().equals(host);
        } catch (IllegalArgumentException e) {
            return false;
        }
    }

    /** A body longer than it may be, found while it was read. */
    public static final class TooLarge extends IOException {
        private static final long serialVersionUID = 1L;

        TooLarge(long most) {
            super("more than " + most + " bytes");
        }
    }

    private static final class Bounded extends HttpServletRequestWrapper {
        private final long most;

        Bounded(HttpServletRequest request, long most) {
            super(request);
            this.most = most;
        }

        @Override
        public ServletInputStream getInputStream() throws IOException {
            ServletInputStream source = super.getInputStream();
            return new ServletInputStream() {
                private long read;

                private int count(int bytes) throws TooLarge {
                    read += Math.max(0, bytes);
                    if (read > most) {
                        throw new TooLarge(most);
                    }
                    return bytes;
                }

                @Override
                public int read() throws IOException {
                    int one = source.read();
                    count(one < 0 ? 0 : 1);
                    return one;
                }

                @Override
                public int read(byte[] buffer, int offset, int length) throws IOException {
                    return count(source.read(buffer, offset, length));
                }

                @Override
                public boolean isFinished() {
                    return source.isFinished();
                }

                @Override
                public boolean isReady() {
                    return source.isReady();
                }

                @Override
                public void setReadListener(ReadListener listener) {
                    source.setReadListener(listener);
                }
            };
        }
    }
}
