package org.tubrin.e2e;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;

/** Measures in a real browser how long the page takes from a key to what it is for, and prints one table. */
final class Pace {
    /** Notes each change of the sentence after Enter, and of the room left after R, with the time to the frame that shows it. */
    private static final String WATCH = """
            (() => {
              const paced = (window.paced = { sentence: [], room: [] });
              let from = 0;
              let key = '';
              const text = (part) => document.querySelector(`[data-part=${part}]`)?.textContent ?? '';
              const shown = { sentence: '', room: '' };
              document.addEventListener('keydown', (event) => {
                from = performance.now();
                key = event.key;
                shown.sentence = text('sentence');
                shown.room = text('room');
              }, true);
              const note = (part, wanted) => {
                const before = shown[part];
                if (from === 0 || key !== wanted || before === '' || text(part) === '' || text(part) === before) return;
                const pressed = from;
                from = 0;
                requestAnimationFrame(() => paced[part].push(performance.now() - pressed));
              };
              new MutationObserver(() => {
                note('sentence', 'Enter');
                note('room', 'r');
              }).observe(document, { subtree: true, childList: true, characterData: true });
            })()""";

    /** So many fit into the time that the key may be down: a reading wants a second to settle. */
    private static final int READINGS = 6;

    private Pace() {}

    /** Arguments: how many climbs. */
    public static void main(String[] args) {
        int climbs = args.length > 0 ? Integer.parseInt(args[0]) : 5;
        List<Double> sentences = new ArrayList<>();
        List<Double> rooms = new ArrayList<>();
        int code = 0;
        try (App app = App.fresh("pace", true)) {
            for (int i = 0; i < climbs; i++) {
                try (Operator operator = new Operator(app.url())) {
                    operator.page.addInitScript(WATCH);
                    operator.abandonsWhatIsGoing();
                    climbs(operator);
                    sentences.addAll(noted(operator, "sentence"));
                    rooms.addAll(noted(operator, "room"));
                }
            }
            System.out.println("| from | to | median ms | 95 % ms | times |\n|---|---|---|---|---|");
            print("Enter", "the next sentence", sentences);
            print("R", "the judgement", rooms);
        } catch (RuntimeException e) {
            e.printStackTrace();
            code = 1;
        }
        // The browser's own threads would keep this process.
        System.exit(code);
    }

    private static void climbs(Operator operator) {
        operator.startsClimb("Simulated bench", "Maker’s chart");
        operator.getsReadyOnTheBench();
        int keyed = 0;
        for (String said = operator.sentence(); keyed < 2; said = operator.sentence()) {
            if (said.startsWith("Rest")) {
                operator.awaits("^(?!Rest)");
            } else if (said.startsWith("Key at")) {
                keyed++;
                operator.presses("Space");
                operator.awaits("Peak, read");
                for (int i = 0; i < READINGS; i++) {
                    operator.settles("now-OUTPUT");
                    operator.presses("r");
                }
                operator.settles("now-OUTPUT");
                operator.presses("Space");
                operator.page.locator("[data-part=clock]").getByText("Resting").waitFor();
            } else {
                operator.follows(said);
            }
        }
    }

    @SuppressWarnings("unchecked") // a list of numbers, by what WATCH notes
    private static List<Double> noted(Operator operator, String part) {
        List<Object> noted = (List<Object>) operator.page.evaluate("part => window.paced[part]", part);
        return noted.stream().map(one -> ((Number) one).doubleValue()).toList();
    }

    private static void print(String from, String to, List<Double> found) {
        List<Double> sorted = found.stream().sorted().toList();
        if (sorted.isEmpty()) {
            throw new IllegalStateException("nothing was measured from " + from + " to " + to);
        }
        System.out.printf(
                Locale.ROOT,
                "| %s | %s | %.0f | %.0f | %d |%n",
                from,
                to,
                sorted.get(sorted.size() / 2),
                sorted.get((int) Math.ceil(0.95 * sorted.size()) - 1),
                sorted.size());
    }
}
