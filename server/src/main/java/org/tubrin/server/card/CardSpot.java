package org.tubrin.server.card;

import java.util.UUID;

/** The rows of a place at one frequency: how many, the newest and the first of them. */
public record CardSpot(int times, UUID newest, UUID first) {}
