package org.mobrak.cli;

import com.fasterxml.jackson.databind.node.JsonNodeFactory;
import com.fasterxml.jackson.databind.node.ObjectNode;
import java.io.PrintWriter;
import java.util.OptionalInt;
import java.util.concurrent.Callable;
import org.mobrak.core.identity.build.VersionOrder;
import picocli.CommandLine.Command;
import picocli.CommandLine.Model.CommandSpec;
import picocli.CommandLine.Option;
import picocli.CommandLine.Parameters;
import picocli.CommandLine.Spec;

/** Which of two OS versions or kernel releases is the older, as routes order them? */
@Command(
        name = "compare-versions",
        mixinStandardHelpOptions = true,
        description = "Orders two OS versions or kernel releases; status 1 where no order can be told.")
final class CompareVersionsCommand implements Callable<Integer> {
    @Spec
    private CommandSpec spec;

    @Parameters(index = "0", paramLabel = "A", description = "A version, such as 4.1.2 or 3.4.0-g12ab.")
    private String first;

    @Parameters(index = "1", paramLabel = "B", description = "Another.")
    private String second;

    @Option(names = "--json", description = "One JSON object on standard output.")
    private boolean json;

    @Override
    public Integer call() {
        OptionalInt order = VersionOrder.ofOneSystem(first, second);
        PrintWriter out = spec.commandLine().getOut();
        if (json) {
            ObjectNode answer = JsonNodeFactory.instance.objectNode();
            order.ifPresentOrElse(sign -> answer.put("order", Integer.signum(sign)), () -> answer.putNull("order"));
            JsonAnswer.write(answer, out);
        } else {
            out.println(sentence(order));
        }
        return order.isPresent() ? Mobrak.DONE : Mobrak.ANSWER_IS_NO;
    }

    private String sentence(OptionalInt order) {
        if (order.isEmpty()) {
            return "No order can be told between %s and %s.".formatted(first, second);
        }
        String word = order.getAsInt() < 0
                ? "older than"
                : order.getAsInt() > 0
                        ? "newer than"
                        : first.equals(second) ? "the same as" : "by its numbers the same as";
        return "%s is %s %s.".formatted(first, word, second);
    }
}
