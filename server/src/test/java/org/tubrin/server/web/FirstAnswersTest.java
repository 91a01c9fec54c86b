package org.tubrin.server.web;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertTrue;

import org.testng.annotations.Test;
import org.tubrin.server.ServerTest;

public class FirstAnswersTest extends ServerTest {
    @Test
    public void eachViewIsAskedForOnceAndNothingIsChanged() throws Exception {
        String before = get("/api/backup").text().replaceFirst("\"madeAt\":\"[^\"]*\"", "");
        int answers = new FirstAnswers(JSON, "127.0.0.1", port).askEach();
        assertTrue(answers >= 2 * 5 + 5, answers + " views of a station with runs, a trend, and papers");
        assertEquals(get("/api/backup").text().replaceFirst("\"madeAt\":\"[^\"]*\"", ""), before);
    }
}
