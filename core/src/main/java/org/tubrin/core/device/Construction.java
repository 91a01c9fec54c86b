package org.tubrin.core.device;

/** How many grids a tube has. */
public enum Construction {
    TRIODE,
    TETRODE
}
