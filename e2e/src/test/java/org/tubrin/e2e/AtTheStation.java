package org.tubrin.e2e;

import static org.testng.Assert.assertEquals;

import java.util.List;
import org.testng.ITestResult;
import org.testng.Reporter;
import org.testng.annotations.AfterClass;
import org.testng.annotations.AfterMethod;
import org.testng.annotations.BeforeClass;
import org.testng.annotations.BeforeMethod;

/** An application with the demo data for a class of tests, and an operator who sits down at it for each. */
public abstract class AtTheStation {
    private final String name;
    App app;
    Operator operator;

    /** The name tells the directories of applications apart. */
    AtTheStation(String name) {
        this.name = name;
    }

    @BeforeClass
    public void startTheApplication() {
        app = App.fresh(name, true);
    }

    @AfterClass(alwaysRun = true)
    public void stopTheApplication() {
        if (app != null) {
            app.close();
        }
    }

    @BeforeMethod
    public void sitDown() {
        operator = new Operator(app.url());
    }

    @AfterMethod(alwaysRun = true)
    public void nothingStumbled(ITestResult result) {
        try {
            if (!result.isSuccess()) {
                // What was there instead of what was waited for.
                Reporter.log(operator.shown(), true);
            }
        } finally {
            operator.close();
        }
        assertEquals(operator.stumbles, List.of());
    }
}
