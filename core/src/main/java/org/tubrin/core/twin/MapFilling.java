package org.tubrin.core.twin;

import java.util.Arrays;

/** Fills a map that is solved at every second point of every second row, and says where that is not good enough. */
final class MapFilling {
    /** A curve that departs from a straight line, or whose two parabolas depart from each other, by more than this share is not smooth. */
    private static final double SMOOTH_SHARE = 0.005;

    private final GroundMap map;
    private final int columns;
    private final int rows;
    private final boolean[] settled;
    private final boolean[] wanted;

    MapFilling(GroundMap map) {
        this.map = map;
        columns = map.plates().length;
        rows = map.loads().length;
        settled = map.settled();
        wanted = new boolean[columns * rows];
    }

    /** Fills the rows that are solved at every second point; returns which points are to be solved all the same. */
    boolean[] alongRows() {
        boolean[] known = settled.clone();
        for (GroundMap.Figure figure : GroundMap.Figure.values()) {
            double[] grid = map.grid(figure);
            double rough = rough(grid);
            for (int r = 0; r < rows && rough > 0; r += 2) {
                for (int c = 1; c < columns; c += 2) {
                    fill(grid, known, r * columns + c, 1, c, columns, rough);
                }
            }
        }
        return wanted;
    }

    /** Fills the rows between those; returns which points are to be solved all the same. */
    boolean[] acrossRows() {
        for (GroundMap.Figure figure : GroundMap.Figure.values()) {
            double[] grid = map.grid(figure);
            double rough = rough(grid);
            for (int r = 1; r < rows && rough > 0; r += 2) {
                for (int c = 0; c < columns; c++) {
                    fill(grid, settled, r * columns + c, columns, r, rows, rough);
                }
            }
        }
        return wanted;
    }

    private static double rough(double[] grid) {
        return SMOOTH_SHARE * Arrays.stream(grid).map(Math::abs).max().orElse(0);
    }

    /** Fills one point from its neighbours along a line: two on each side, or at the ends of the line two and one. */
    private void fill(double[] grid, boolean[] known, int at, int step, int place, int length, double rough) {
        double before = grid[at - step];
        double after = grid[at + step];
        double straight = (before + after) / 2;
        boolean hasBefore = place >= 3;
        boolean hasAfter = place + 3 < length;
        double bent = straight;
        double third = 0;
        if (hasBefore && hasAfter) {
            double first = grid[at - 3 * step];
            double last = grid[at + 3 * step];
            bent = (9 * (before + after) - first - last) / 16;
            third = (last - first + 3 * (before - after)) / 8;
        } else if (hasAfter) {
            bent = (3 * before + 6 * after - grid[at + 3 * step]) / 8;
        } else if (hasBefore) {
            bent = (3 * after + 6 * before - grid[at - 3 * step]) / 8;
        }
        boolean all = known[at - step]
                && known[at + step]
                && (!hasBefore || known[at - 3 * step])
                && (!hasAfter || known[at + 3 * step]);
        grid[at] = bent;
        settled[at] = all;
        wanted[at] |= !all || Math.max(Math.abs(bent - straight), Math.abs(third)) > rough;
    }
}
