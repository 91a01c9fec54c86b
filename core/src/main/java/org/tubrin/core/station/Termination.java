package org.tubrin.core.station;

/** Where the power goes: a dummy load or an antenna. */
public sealed interface Termination extends Equipment permits Load, Antenna {}
