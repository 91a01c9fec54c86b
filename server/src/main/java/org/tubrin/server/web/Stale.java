package org.tubrin.server.web;

/** Somebody else was faster: the record has moved on since it was read. */
public final class Stale extends RuntimeException {
    private static final long serialVersionUID = 1L;

    public Stale(String what) {
        super(what);
    }

    /** Returns the revision after the one that was read; stale where there can be no such one. */
    public static int next(int readRevision, String what) {
        if (readRevision < 0 || readRevision == Integer.MAX_VALUE) {
            throw new Stale(what);
        }
        return readRevision + 1;
    }
}
