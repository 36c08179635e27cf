package org.mobrak.cli;

import java.io.IOException;
import java.io.PrintWriter;
import java.nio.file.Path;
import java.time.LocalDate;
import java.util.List;
import java.util.Optional;
import java.util.concurrent.Callable;
import org.mobrak.app.Outlook;
import org.mobrak.app.SavedText;
import org.mobrak.core.identity.Fact;
import org.mobrak.core.identity.Facts;
import org.mobrak.core.identity.UnreadableInput;
import org.mobrak.core.job.JobCard;
import org.mobrak.core.job.RunSheet;
import org.mobrak.core.plan.Plan;
import org.mobrak.core.plan.Planner;
import picocli.CommandLine;
import picocli.CommandLine.Command;
import picocli.CommandLine.Mixin;
import picocli.CommandLine.Model.CommandSpec;
import picocli.CommandLine.Option;
import picocli.CommandLine.ParentCommand;
import picocli.CommandLine.Spec;

/** What is to be done, step by step? */
@Command(name = "sheet", mixinStandardHelpOptions = true, description = "Writes the run sheet of a plan.")
final class SheetCommand implements Callable<Integer> {
    @ParentCommand
    private Mobrak mobrak;

    @Spec
    private CommandSpec spec;

    @Mixin
    private Inputs inputs;

    @Mixin
    private Wanted wanted;

    @Option(names = "--plan", paramLabel = "N", description = "Which of the plans, from 1; the first without it.")
    private int number = 1;

    @Option(names = "--html", paramLabel = "FILE", description = "Writes the job card as a page to print.")
    private Optional<Path> html = Optional.empty();

    @Option(names = "--markdown", paramLabel = "FILE", description = "Writes the job card as Markdown.")
    private Optional<Path> markdown = Optional.empty();

    @Override
    public Integer call() throws IOException {
        wanted.check();
        Outlook outlook = inputs.outlook(mobrak, wanted);
        Optional<Plan> plan = chosen(outlook.answer().plans());
        if (plan.isEmpty()) {
            tellNone(outlook.answer());
            return Mobrak.ANSWER_IS_NO;
        }
        tell(plan.get(), outlook.sheet(plan.get()), outlook.facts());
        return Mobrak.DONE;
    }

    private Optional<Plan> chosen(List<Plan> plans) {
        if (number < 1 || !plans.isEmpty() && number > plans.size()) {
            throw new CommandLine.ParameterException(
                    spec.commandLine(), "There is no plan %d; the plans are 1 to %d.".formatted(number, plans.size()));
        }
        return plans.stream().skip(number - 1L).findFirst();
    }

    private void tellNone(Planner.Answer answer) {
        PrintWriter out = spec.commandLine().getOut();
        if (inputs.json()) {
            JsonAnswer.write(SheetJson.none(answer), out);
        } else {
            answer.blockers().forEach(out::println);
            out.println("There is no plan, so there is no sheet. Why, tells: mobrak plan --goal "
                    + answer.goal().key());
        }
    }

    private void tell(Plan plan, RunSheet sheet, Facts facts) throws IOException {
        String phone = facts.value(Fact.MODEL).orElse("Model not known");
        JobCard card = new JobCard(phone, sheet, LocalDate.now(mobrak.clock()));
        if (html.isPresent()) {
            write(html.get(), card.html());
        }
        if (markdown.isPresent()) {
            write(markdown.get(), card.markdown());
        }
        PrintWriter out = spec.commandLine().getOut();
        if (inputs.json()) {
            JsonAnswer.write(SheetJson.of(plan, sheet, facts), out);
        } else if (html.isEmpty() && markdown.isEmpty()) {
            card.markdown().lines().forEach(out::println);
        }
    }

    private static void write(Path file, String text) throws IOException {
        try {
            SavedText.write(file, text);
        } catch (UnreadableInput told) {
            throw told;
        } catch (IOException refused) {
            throw new UnreadableInput(file + " cannot be written; check the folder, its permissions and its room.");
        }
    }
}
