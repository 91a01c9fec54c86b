package org.tubrin.server.web;

/** There is no such record. */
public final class NotThere extends RuntimeException {
    private static final long serialVersionUID = 1L;

    public NotThere(String what) {
        super(what);
    }
}
