package org.tubrin.core.twin;

import java.util.LinkedHashMap;
import java.util.Map;
import java.util.Optional;
import java.util.function.Function;

/**
 * The last answers to a question that takes long and whose answer depends on nothing but what is asked: what was asked last is
 * answered at once. May be shared by threads; two that ask the same at once may both look for it.
 *
 * @param <K> what is asked, compared by its value
 * @param <V> the answer, which must not change
 */
public final class Remembered<K, V> {
    private final int most;
    private final Function<K, V> find;
    private final Map<K, V> found = new LinkedHashMap<>(16, 0.75f, true);

    /** So many answers are remembered. */
    public Remembered(int most, Function<K, V> find) {
        this.most = most;
        this.find = find;
    }

    /** Returns the answer. */
    public V of(K asked) {
        Optional<V> known;
        synchronized (found) {
            known = Optional.ofNullable(found.get(asked));
        }
        return known.orElseGet(() -> keep(asked, find.apply(asked)));
    }

    private V keep(K asked, V answer) {
        synchronized (found) {
            found.put(asked, answer);
            if (found.size() > most) {
                found.remove(found.keySet().iterator().next());
            }
        }
        return answer;
    }
}
