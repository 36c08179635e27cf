package org.mobrak.cli;

import com.fasterxml.jackson.databind.node.ArrayNode;
import com.fasterxml.jackson.databind.node.JsonNodeFactory;
import com.fasterxml.jackson.databind.node.ObjectNode;
import java.io.IOException;
import java.io.PrintWriter;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.concurrent.Callable;
import org.mobrak.app.BeforeAfter;
import org.mobrak.core.catalogue.Catalogue;
import org.mobrak.core.catalogue.Route;
import org.mobrak.core.catalogue.match.Identity;
import org.mobrak.core.identity.Refusal;
import org.mobrak.core.mend.Complaint;
import org.mobrak.core.mend.Diagnosis;
import org.mobrak.core.mend.Diagnostics;
import org.mobrak.core.proof.Comparison;
import picocli.CommandLine.Command;
import picocli.CommandLine.Mixin;
import picocli.CommandLine.Model.CommandSpec;
import picocli.CommandLine.Option;
import picocli.CommandLine.ParameterException;
import picocli.CommandLine.ParentCommand;
import picocli.CommandLine.Spec;

/** What broke, why, and what mends it? */
@Command(
        name = "diagnose",
        mixinStandardHelpOptions = true,
        description = "Weighs what may be the cause of what is seen, asks the next question, and names what mends it.")
final class DiagnoseCommand implements Callable<Integer> {
    @ParentCommand
    private Mobrak mobrak;

    @Spec
    private CommandSpec spec;

    @Mixin
    private Inputs inputs;

    @Option(names = "--symptom", paramLabel = "ID", description = "What is seen; several at once.")
    private List<String> symptoms = new ArrayList<>();

    @Option(names = "--answer", paramLabel = "ID=VALUE", description = "The answer to a question.")
    private List<String> answers = new ArrayList<>();

    @Option(names = "--did", paramLabel = "ROUTE-OR-FAMILY", description = "What was done to the phone.")
    private List<String> did = new ArrayList<>();

    @Option(
            names = "--before",
            arity = "1..*",
            paramLabel = "FILE",
            description = "Readings from before the work; the others are then from afterwards, and both are compared.")
    private List<Path> before = new ArrayList<>();

    @Override
    public Integer call() throws IOException {
        Map<String, String> answered = answered();
        Catalogue catalogue = inputs.catalogue(mobrak);
        Identity identity =
                symptoms.isEmpty() ? inputs.identity(mobrak, catalogue) : inputs.identityIfAny(mobrak, catalogue);
        Diagnostics diagnostics = new Diagnostics(catalogue, inputs.troubles(mobrak, catalogue));
        Diagnosis diagnosis = diagnostics.diagnose(complete(
                diagnostics, new Complaint(symptoms, answered, did, identity.facts(), compared(catalogue, identity))));
        PrintWriter out = spec.commandLine().getOut();
        if (inputs.json()) {
            JsonAnswer.write(answer(diagnosis), out);
        } else {
            print(diagnosis, out);
        }
        return diagnosis.causes().isEmpty() ? Mobrak.ANSWER_IS_NO : Mobrak.DONE;
    }

    /** How the phone came out of the work, where readings from before it are given. */
    private Optional<Comparison> compared(Catalogue catalogue, Identity after) throws IOException {
        if (before.isEmpty()) {
            return Optional.empty();
        }
        List<Route> done =
                did.stream().flatMap(id -> catalogue.route(id).stream()).toList();
        Identity first = Inputs.identity(spec.commandLine(), mobrak, catalogue, before, List.of());
        return Optional.of(BeforeAfter.compare(first, after, done));
    }

    private Complaint complete(Diagnostics diagnostics, Complaint told) {
        try {
            return diagnostics.complete(told);
        } catch (Refusal unknown) {
            throw wrong(unknown.getMessage());
        }
    }

    private Map<String, String> answered() {
        Map<String, String> answered = new HashMap<>();
        for (String answer : answers) {
            int equals = answer.indexOf('=');
            if (equals < 1) {
                throw wrong("“" + answer + "” must be ID=VALUE, for example manager-asks=no.");
            }
            String id = answer.substring(0, equals);
            String value = answer.substring(equals + 1);
            String before = answered.putIfAbsent(id, value);
            if (before != null && !before.equals(value)) {
                throw wrong("“%s” was answered with both %s and %s; which one is it?".formatted(id, before, value));
            }
        }
        return answered;
    }

    private ParameterException wrong(String message) {
        return new ParameterException(spec.commandLine(), message);
    }

    private static ObjectNode answer(Diagnosis diagnosis) {
        ObjectNode answer = JsonNodeFactory.instance.objectNode();
        ArrayNode symptoms = answer.putArray("symptoms");
        diagnosis
                .symptoms()
                .forEach(symptom -> symptoms.addObject().put("id", symptom.id()).put("words", symptom.name()));
        ArrayNode causes = answer.putArray("causes");
        diagnosis.causes().forEach(likely -> likely(likely, causes.addObject()));
        diagnosis.next().ifPresentOrElse(next -> next(next, answer.putObject("next")), () -> answer.putNull("next"));
        ArrayNode mends = answer.putArray("mends");
        diagnosis
                .mends()
                .forEach(mend -> mends.addObject()
                        .put("route", mend.fit().route().id())
                        .put("verdict", mend.fit().verdict().word())
                        .put("why", mend.why())
                        .put("cause", mend.cause().id()));
        JsonAnswer.findings(diagnosis.findings(), answer.putArray("findings"));
        return answer;
    }

    private static void likely(Diagnosis.Likely likely, ObjectNode node) {
        node.put("id", likely.cause().id())
                .put("name", likely.cause().name())
                .put("probability", Math.round(likely.probability() * 10_000) / 10_000.0);
        likely.because().forEach(node.putArray("because")::add);
        likely.cause().advice().ifPresent(advice -> node.put("advice", advice));
    }

    private static void next(Diagnosis.Next next, ObjectNode node) {
        node.put("id", next.question().id())
                .put("question", next.question().question())
                .put("how", next.question().how())
                .put("bits", Math.round(next.bits() * 1000) / 1000.0);
        next.question().answers().forEach(node.putArray("answers")::add);
    }

    private static void print(Diagnosis diagnosis, PrintWriter out) {
        diagnosis
                .findings()
                .forEach(finding -> out.printf("%s: %s%n", finding.severity().word(), finding.message()));
        if (diagnosis.symptoms().isEmpty()) {
            out.println("Nothing that was told is a symptom; say what you see with --symptom ID.");
            return;
        }
        diagnosis.symptoms().forEach(symptom -> out.println(symptom.name()));
        for (Diagnosis.Likely likely : diagnosis.causes()) {
            out.printf(
                    Locale.ROOT,
                    "%5.1f %%  %s%n",
                    likely.probability() * 100,
                    likely.cause().name());
            likely.because().forEach(reason -> out.printf("         %s%n", reason));
            likely.cause().advice().ifPresent(advice -> out.printf("         do: %s%n", advice));
        }
        diagnosis
                .next()
                .ifPresent(next -> out.printf(
                        Locale.ROOT,
                        "Next question, worth %.2f bits: %s%n  %s%n  --answer %s=%s%n",
                        next.bits(),
                        next.question().question(),
                        next.question().how(),
                        next.question().id(),
                        String.join("|", next.question().answers())));
        diagnosis
                .mends()
                .forEach(mend -> out.printf(
                        "mend: %s (%s): %s%n",
                        mend.fit().route().name(), mend.fit().verdict().word(), mend.why()));
    }
}
