package org.mobrak.app;

import java.io.IOException;
import java.nio.file.Path;
import java.util.Locale;
import org.mobrak.core.identity.UnreadableInput;
import org.mobrak.core.logbook.CaseReport;
import org.mobrak.core.logbook.Output;

/** A phone's case as a file; what kind of file its name says. */
final class CaseFile {
    private CaseFile() {}

    static void write(CaseReport report, Path file) throws IOException {
        String name = file.toString().toLowerCase(Locale.ROOT);
        String text;
        if (name.endsWith(".md")) {
            text = report.markdown();
        } else if (name.endsWith(".csv")) {
            text = report.csv();
        } else if (name.endsWith(".html") || name.endsWith(".htm")) {
            text = report.html();
        } else {
            throw new UnreadableInput(file + " is none of .html, .md and .csv; end its name so.");
        }
        Output.write(file, text);
    }
}
