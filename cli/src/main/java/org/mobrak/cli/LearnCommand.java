package org.mobrak.cli;

import com.fasterxml.jackson.databind.node.ArrayNode;
import com.fasterxml.jackson.databind.node.JsonNodeFactory;
import com.fasterxml.jackson.databind.node.ObjectNode;
import java.io.IOException;
import java.io.PrintWriter;
import java.nio.file.Path;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.concurrent.Callable;
import java.util.stream.Stream;
import org.mobrak.app.Learning;
import org.mobrak.app.NamedFiles;
import org.mobrak.app.workshop.Alike;
import org.mobrak.core.catalogue.Catalogue;
import org.mobrak.core.learn.Learner;
import org.mobrak.core.learn.Lesson;
import picocli.CommandLine.Command;
import picocli.CommandLine.Model.CommandSpec;
import picocli.CommandLine.Option;
import picocli.CommandLine.Parameters;
import picocli.CommandLine.ParentCommand;
import picocli.CommandLine.Spec;

/** What does a guide say? */
@Command(
        name = "learn",
        mixinStandardHelpOptions = true,
        description =
                "Reads a guide and makes drafts of routes, each value with its line; status 1 where nothing was learnt.")
final class LearnCommand implements Callable<Integer> {
    @ParentCommand
    private Mobrak mobrak;

    @Spec
    private CommandSpec spec;

    @Parameters(
            paramLabel = "FILE",
            arity = "1..*",
            description = "The guide: text, Markdown, HTML, BBCode or tables; - is standard input.")
    private List<Path> files = new ArrayList<>();

    @Option(names = "--catalogue", paramLabel = "DIR", description = "Routes that are there already are told.")
    private List<Path> folders = new ArrayList<>();

    @Option(names = "--out", paramLabel = "DIR", description = "A catalogue's folder into which the drafts go.")
    private Optional<Path> out = Optional.empty();

    @Option(names = "--json", description = "One JSON object on standard output.")
    private boolean json;

    @Override
    public Integer call() throws IOException {
        List<Learner.Source> sources = new ArrayList<>();
        for (Path file : files) {
            sources.add(
                    file.toString().equals(NamedFiles.STANDARD_INPUT)
                            ? Learning.source("standard input", mobrak.standardInput())
                            : Learning.source(file));
        }
        Lesson lesson = new Learner().learn(sources, LocalDate.now(mobrak.clock()));
        tellKnown(lesson);
        if (out.isPresent() && (!lesson.routes().isEmpty() || !lesson.phones().isEmpty())) {
            for (Path written : Learning.write(lesson, out.get())) {
                spec.commandLine().getErr().println("mobrak: written: " + written);
            }
        }
        PrintWriter to = spec.commandLine().getOut();
        if (json) {
            JsonAnswer.write(answer(lesson), to);
        } else {
            print(lesson, to);
        }
        return lesson.routes().isEmpty() && lesson.phones().isEmpty() ? Mobrak.ANSWER_IS_NO : Mobrak.DONE;
    }

    private void tellKnown(Lesson lesson) throws IOException {
        if (folders.isEmpty()) {
            return;
        }
        Catalogue catalogue = Inputs.catalogue(spec.commandLine(), mobrak, folders);
        Stream<String> same = lesson.routes().stream()
                .map(route -> route.get("id").asText())
                .filter(id -> catalogue.route(id).isPresent())
                .map(id -> "The catalogue has this route already: " + id);
        Stream<String> alike = lesson.routes().stream().flatMap(route -> Alike.of(route, catalogue).stream());
        Stream.concat(same, alike)
                .distinct()
                .forEach(told -> spec.commandLine().getErr().println("mobrak: " + told));
    }

    private static ObjectNode answer(Lesson lesson) {
        ObjectNode answer = JsonNodeFactory.instance.objectNode();
        lesson.routes().forEach(answer.putArray("routes")::add);
        lesson.phones().forEach(answer.putArray("phones")::add);
        ArrayNode evidence = answer.putArray("evidence");
        lesson.evidence().forEach(one -> {
            ObjectNode said = evidence.addObject()
                    .put("path", one.path())
                    .put("value", one.value())
                    .put("file", one.file())
                    .put("line", one.line())
                    .put("text", one.text())
                    .put("sure", one.sure().word());
            one.second().ifPresent(second -> said.put("second", second));
        });
        ArrayNode missing = answer.putArray("missing");
        lesson.missing()
                .forEach(one -> missing.addObject().put("path", one.path()).put("ask", one.ask()));
        ArrayNode warnings = answer.putArray("warnings");
        lesson.warnings()
                .forEach(one -> warnings.addObject()
                        .put("code", one.code())
                        .put("line", one.line())
                        .put("text", one.text()));
        ArrayNode account = answer.putArray("account");
        lesson.account().forEach(line -> {
            ObjectNode node = account.addObject()
                    .put("file", line.file())
                    .put("line", line.line())
                    .put("role", line.role().word());
            line.fields().forEach(node.putArray("fields")::add);
        });
        return answer;
    }

    private static void print(Lesson lesson, PrintWriter out) {
        lesson.routes()
                .forEach(route -> out.println("draft: " + route.get("name").asText()));
        lesson.phones()
                .forEach(phone ->
                        out.println("phone: " + phone.at("/variants/0/model").asText()));
        lesson.evidence()
                .forEach(one -> out.printf(
                        "  %s:%d  %-8s %s = %s%n",
                        one.file(), one.line(), one.sure().word(), one.path(), one.value()));
        lesson.missing().forEach(one -> out.printf("ask: %s%n", one.ask()));
        lesson.warnings().forEach(one -> out.printf("%s (line %d): %s%n", one.code(), one.line(), one.text()));
    }
}
