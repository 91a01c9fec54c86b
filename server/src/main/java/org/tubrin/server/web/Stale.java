package org.tubrin.server.web;

/** Somebody else was faster: the record has moved on since it was read. */
public final class Stale extends RuntimeException {
    private static final long serialVersionUID = 1L;

    public Stale(String what) {
        super(what);
    }
}
