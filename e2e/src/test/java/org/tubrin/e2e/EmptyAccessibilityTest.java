package org.tubrin.e2e;

import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import com.microsoft.playwright.options.ColorScheme;
import org.testng.annotations.Test;

/** Holds every view of an empty station free of what axe finds, in both themes. */
public class EmptyAccessibilityTest {
    @Test
    public void emptyViews() {
        try (App empty = App.fresh("axe-empty", false);
                Operator operator = new Operator(empty.url(), ColorScheme.LIGHT)) {
            Page page = operator.page;
            page.navigate("/tune");
            page.getByText("Describe the station first").waitFor();
            Axe.check(page, "empty start");
            page.navigate("/cards");
            page.getByText("No card yet").waitFor();
            Axe.check(page, "empty cards");
            page.navigate("/log");
            page.getByText("No run yet").waitFor();
            Axe.check(page, "empty log");
            page.navigate("/log/trends");
            page.getByText("No trend yet").waitFor();
            Axe.check(page, "empty trends");
            page.navigate("/station/meters");
            page.getByText("No power meter yet").waitFor();
            Axe.check(page, "empty meters");
            page.navigate("/supply");
            page.getByText("What does the station really draw?").waitFor();
            Axe.check(page, "empty supply");
            page.navigate("/supply/plans/new");
            page.getByText("Add another box").click();
            page.getByText("Save", new Page.GetByTextOptions().setExact(true)).click();
            page.getByText("fixing.").waitFor();
            Axe.check(page, "a new plan with errors");
            page.navigate("/station");
            page.getByText("No exciter").waitFor();
            Axe.check(page, "empty station");
            page.navigate("/log/changes");
            page.getByText("no equipment yet").waitFor();
            Axe.check(page, "no changes");
            page.navigate("/faults");
            page.getByText("Find the cause").waitFor();
            Axe.check(page, "faults without a station");
            page.navigate("/practice");
            page.getByText("Exercise of the week").waitFor();
            Axe.check(page, "practice without a station");
            page.navigate("/station/first");
            page.locator("#answer").fill("x");
            page.locator("#answer").press("Enter");
            page.getByRole(AriaRole.ALERT).waitFor();
            Axe.check(page, "a question, refused");
            page.keyboard().press("u");
            page.getByRole(AriaRole.HEADING, new Page.GetByRoleOptions().setName("How much output does your licence"))
                    .waitFor();
            page.keyboard().press("u");
            page.getByRole(AriaRole.HEADING, new Page.GetByRoleOptions().setName("What amplifies?"))
                    .waitFor();
            Axe.check(page, "a choice");
        }
    }
}
