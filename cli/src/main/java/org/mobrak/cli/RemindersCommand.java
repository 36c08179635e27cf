package org.mobrak.cli;

import com.fasterxml.jackson.databind.node.ArrayNode;
import com.fasterxml.jackson.databind.node.JsonNodeFactory;
import com.fasterxml.jackson.databind.node.ObjectNode;
import java.io.IOException;
import java.io.PrintWriter;
import java.nio.file.Path;
import java.time.LocalDate;
import java.util.List;
import java.util.Optional;
import java.util.concurrent.Callable;
import org.mobrak.core.logbook.remind.Reminder;
import picocli.CommandLine.Command;
import picocli.CommandLine.Model.CommandSpec;
import picocli.CommandLine.Option;
import picocli.CommandLine.Parameters;
import picocli.CommandLine.ParentCommand;
import picocli.CommandLine.Spec;

/** What is to be done again. */
@Command(
        name = "reminders",
        mixinStandardHelpOptions = true,
        description = "What is due today: batteries to be looked at, copies to be verified, patch levels that are old.")
final class RemindersCommand implements Callable<Integer> {
    @ParentCommand
    private Mobrak mobrak;

    @Spec
    private CommandSpec spec;

    @Parameters(paramLabel = "WORKSPACE", description = "The folder of the workspace.")
    private Path workspace;

    @Option(names = "--all", description = "Also what comes later.")
    private boolean all;

    @Option(
            names = "--ics",
            paramLabel = "FILE",
            description = "Writes everything, later ones too, as an iCalendar file.")
    private Optional<Path> calendar = Optional.empty();

    @Option(names = "--json", description = "One JSON object on standard output.")
    private boolean json;

    @Override
    public Integer call() throws IOException {
        List<Reminder> known = mobrak.transfers().reminders(workspace);
        LocalDate today = LocalDate.now(mobrak.clock());
        if (calendar.isPresent()) {
            mobrak.transfers().writeCalendar(workspace, known, calendar.get());
        }
        List<Reminder> told =
                known.stream().filter(one -> all || one.isDue(today)).toList();
        PrintWriter out = spec.commandLine().getOut();
        if (json) {
            JsonAnswer.write(answer(today, told), out);
        } else if (told.isEmpty()) {
            out.println("Nothing is due.");
        } else {
            told.forEach(one -> out.printf("%s  %s: %s (%s)%n", one.due(), one.phone(), one.what(), one.why()));
        }
        return Mobrak.DONE;
    }

    private static ObjectNode answer(LocalDate today, List<Reminder> told) {
        ObjectNode answer = JsonNodeFactory.instance.objectNode().put("today", today.toString());
        ArrayNode list = answer.putArray("reminders");
        told.forEach(one -> list.addObject()
                .put("due", one.due().toString())
                .put("phone", one.phone())
                .put("kind", one.kind().word())
                .put("what", one.what())
                .put("why", one.why()));
        return answer;
    }
}
