package org.tubrin.bench;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertTrue;

import java.util.Random;
import org.testng.annotations.Test;

public class PointerTest {
    private static final double CLASS = 0.05;

    private static Pointer pointer(long seed) {
        return new Pointer(1500, CLASS, 0.12, new Random(seed));
    }

    @Test
    public void errsByNoMoreThanItsClassAndByNoTwoMetersTheSame() {
        double least = Double.POSITIVE_INFINITY;
        double most = 0;
        for (long seed = 0; seed < 300; seed++) {
            Pointer pointer = pointer(seed);
            pointer.follow(900, 10);
            double shown = pointer.shows(false);
            assertEquals(shown, 900, CLASS * 1500, "seed " + seed);
            least = Math.min(least, shown);
            most = Math.max(most, shown);
        }
        assertTrue(most - least > 30, "meters differ: " + least + " to " + most);
    }

    @Test
    public void followsInItsTime() {
        Pointer pointer = pointer(1);
        double zero = pointer.shows(false);
        pointer.follow(1000, 0.12);
        assertEquals(pointer.shows(false) - zero, 632, 30);
        pointer.follow(1000, 1);
        assertEquals(pointer.shows(false) - zero, 1000, 40);
    }

    @Test
    public void stopsAtTheEndOfItsRangeAndBelowZero() {
        Pointer pointer = pointer(2);
        pointer.range(150);
        pointer.follow(900, 10);
        assertEquals(pointer.shows(false), 153, 1e-9);
        pointer.follow(-900, 10);
        assertEquals(pointer.shows(false), -7.5, 1e-9);
    }

    @Test
    public void holdsAPeakForTwoSeconds() {
        Pointer pointer = pointer(3);
        for (int i = 0; i < 5; i++) {
            pointer.follow(1000, 0.02);
        }
        pointer.follow(0, 0.5);
        assertTrue(pointer.shows(true) > 900, "held");
        assertTrue(pointer.shows(false) < 60, "the average has fallen");
        pointer.follow(0, 2);
        assertTrue(pointer.shows(true) < 60, "let go");
    }
}
