package org.tubrin.e2e;

import static org.testng.Assert.assertEquals;

import com.deque.html.axecore.args.AxeRunOptions;
import com.deque.html.axecore.playwright.AxeBuilder;
import com.deque.html.axecore.results.Rule;
import com.microsoft.playwright.Page;
import java.util.List;

/** Finds what keeps people from using a view. */
final class Axe {
    private Axe() {}

    /** Every rule in the day's colours, then the contrast once more by the lamp's: nothing else differs between the two. */
    static void check(Page page, String view) {
        check(axe(page), view);
        page.evaluate("document.documentElement.dataset.theme = 'lamp'");
        check(axe(page).withRules(List.of("color-contrast")), view + ", by the lamp");
        page.evaluate("document.documentElement.dataset.theme = 'day'");
    }

    /**
     * Only what is wrong leaves the page: most of the time goes into telling the nodes that are well, and a run by parts, for frames
     * that this page has none of, tells them twice.
     */
    private static AxeBuilder axe(Page page) {
        AxeRunOptions violationsAlone = new AxeRunOptions();
        violationsAlone.setResultTypes(List.of("violations"));
        return new AxeBuilder(page).options(violationsAlone).setLegacyMode(true);
    }

    private static void check(AxeBuilder axe, String view) {
        List<String> found = axe.analyze().getViolations().stream()
                .map(rule -> view + ": " + describe(rule))
                .toList();
        assertEquals(String.join("\n", found), "");
    }

    private static String describe(Rule rule) {
        return rule.getId() + " "
                + rule.getNodes().stream().map(node -> node.getHtml()).limit(3).toList();
    }
}
