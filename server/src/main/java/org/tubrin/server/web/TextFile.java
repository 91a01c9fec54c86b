package org.tubrin.server.web;

/** A file that the page read, as text. */
public record TextFile(String text) {}
