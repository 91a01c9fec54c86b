package org.tubrin.server.run;

import java.util.List;

/** A page of the log, newest runs first: its number from 1, how many there are, how many runs are asked for and in all. */
public record LogPage(
        List<RunSummary> runs, int page, int pages, int perPage, int asked, int all, LogChoices choices) {}
