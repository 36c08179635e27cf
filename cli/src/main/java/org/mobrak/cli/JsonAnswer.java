package org.mobrak.cli;

import com.fasterxml.jackson.core.JsonProcessingException;
import com.fasterxml.jackson.databind.json.JsonMapper;
import com.fasterxml.jackson.databind.node.ArrayNode;
import com.fasterxml.jackson.databind.node.JsonNodeFactory;
import com.fasterxml.jackson.databind.node.ObjectNode;
import java.io.PrintWriter;
import java.util.List;
import org.mobrak.app.Outlook;
import org.mobrak.core.catalogue.match.Candidates;
import org.mobrak.core.catalogue.match.Identity;
import org.mobrak.core.catalogue.match.Recognition;
import org.mobrak.core.fit.NextReading;
import org.mobrak.core.fit.RouteFit;
import org.mobrak.core.identity.Belief;
import org.mobrak.core.identity.Fact;
import org.mobrak.core.identity.Finding;
import org.mobrak.core.identity.Reading;
import org.mobrak.core.identity.build.Ruler;
import org.mobrak.core.plan.Figure;
import org.mobrak.core.plan.Plan;

/** The JSON of the command line: names here are a promise to other programs. */
final class JsonAnswer {
    private static final JsonNodeFactory JSON = JsonNodeFactory.instance;

    private JsonAnswer() {}

    static void write(ObjectNode answer, PrintWriter out) {
        try {
            out.print(JsonMapper.builder()
                    .build()
                    .writerWithDefaultPrettyPrinter()
                    .writeValueAsString(answer));
            out.println();
        } catch (JsonProcessingException impossible) {
            throw new IllegalStateException(impossible);
        }
    }

    static ObjectNode identity(Identity identity) {
        ObjectNode answer = JSON.objectNode();
        ObjectNode facts = answer.putObject("facts");
        identity.facts().values().forEach((fact, value) -> facts.put(fact.key(), value));
        identity.ledger()
                .readings()
                .forEach(reading ->
                        reading(reading, answer.withArray("/readings").addObject()));
        ArrayNode conflicts = answer.putArray("conflicts");
        for (Fact fact : Fact.values()) {
            if (identity.facts().belief(fact) instanceof Belief.Conflicting split) {
                conflict(fact, split, conflicts.addObject());
            }
        }
        findings(identity.findings(), answer.putArray("findings"));
        variants(identity.candidates(), answer);
        ArrayNode rulers = answer.putArray("rulers");
        identity.rulers().forEach(ruler -> ruler(ruler, rulers.addObject()));
        return answer;
    }

    private static void reading(Reading reading, ObjectNode node) {
        node.put("fact", reading.fact().key())
                .put("value", reading.value())
                .put("source", reading.source().word())
                .put("file", reading.file())
                .put("line", reading.line());
    }

    private static void conflict(Fact fact, Belief.Conflicting split, ObjectNode node) {
        ArrayNode values = node.put("fact", fact.key()).putArray("values");
        split.readings()
                .forEach(reading -> values.addObject()
                        .put("value", reading.value())
                        .put("source", reading.source().word()));
    }

    static void findings(List<Finding> findings, ArrayNode nodes) {
        findings.forEach(finding -> nodes.addObject()
                .put("severity", finding.severity().word())
                .put("code", finding.code())
                .put("message", finding.message())
                .put("sure", finding.sure().word()));
    }

    private static void variants(Candidates candidates, ObjectNode answer) {
        ArrayNode variants = answer.putArray("variants");
        for (Candidates.Candidate candidate : candidates.variants()) {
            ArrayNode agrees =
                    variants.addObject().put("model", candidate.phone().model()).putArray("agrees");
            candidate.agrees().forEach(fact -> agrees.add(fact.key()));
        }
        ArrayNode separators = answer.putArray("separators");
        for (Candidates.Separator separator : candidates.separators()) {
            ObjectNode answers = separators
                    .addObject()
                    .put("fact", separator.fact().key())
                    .put("how", separator.fact().whereToRead())
                    .put("bits", rounded(separator.bits()))
                    .putObject("answers");
            separator.answers().forEach((value, models) -> models.forEach(answers.putArray(value)::add));
        }
    }

    private static void ruler(Ruler ruler, ObjectNode node) {
        ArrayNode segments =
                node.put("kind", ruler.kind()).put("text", ruler.text()).putArray("segments");
        ruler.segments().stream()
                .filter(Ruler.Segment::isPart)
                .forEach(segment -> segments.addObject()
                        .put("text", segment.text())
                        .put("label", segment.label())
                        .put("meaning", segment.meaning()));
    }

    static ObjectNode plan(Outlook said) {
        ObjectNode answer = JSON.objectNode();
        answer.put("goal", said.answer().goal().key());
        recognition(said.answer().recognition(), answer.putObject("phone"));
        ArrayNode plans = answer.putArray("plans");
        said.answer().plans().forEach(plan -> {
            ObjectNode node = plans.addObject();
            plan(plan, node);
            figures(said.account(plan), node.putArray("figures"));
        });
        said.answer().blockers().forEach(answer.putArray("blockers")::add);
        ArrayNode routes = answer.putArray("routes");
        said.fits().forEach(fit -> route(fit, routes.addObject()));
        ArrayNode next = answer.putArray("nextReadings");
        said.next().forEach(reading -> next(reading, next.addObject()));
        answer.put("more", said.answer().rest().size());
        ArrayNode assuming = answer.putArray("assuming");
        said.answer().assuming().forEach(plan -> plan(plan, assuming.addObject()));
        ArrayNode rest = answer.putArray("rest");
        said.answer().rest().forEach(plan -> plan(plan, rest.addObject()));
        ArrayNode reachable = answer.putArray("reachable");
        said.answer().reachable().forEach(goal -> reachable.add(goal.key()));
        said.answer().lost().ifPresent(why -> answer.put("lost", why));
        return answer;
    }

    private static void recognition(Recognition recognition, ObjectNode node) {
        recognition.sentence().ifPresent(sentence -> node.put("message", sentence));
        if (recognition instanceof Recognition.Named named) {
            node.put("state", "named").put("model", named.model());
        } else if (recognition instanceof Recognition.Torn torn) {
            torn.models().forEach(node.put("state", "in conflict").putArray("models")::add);
        } else if (recognition instanceof Recognition.Unnamed unnamed) {
            node.put("state", "unnamed").put("model", unnamed.model());
            unnamed.alike().forEach(node.putArray("lookAlikes")::add);
            unnamed.nearest().forEach(node.putArray("nearest")::add);
        } else {
            node.put("state", "not read");
        }
    }

    private static void plan(Plan plan, ObjectNode node) {
        ArrayNode routes = node.putArray("routes");
        plan.routes().forEach(route -> routes.add(route.id()));
        ArrayNode marks = node.putArray("marks");
        plan.cost().marks().stream().sorted().forEach(marks::add);
        node.put("dataLoss", plan.cost().dataLoss())
                .put("riskPoints", rounded(plan.cost().riskPoints()));
        ObjectNode money = node.putObject("money").put("amount", plan.cost().money());
        plan.money().ifPresent(price -> money.put("currency", price.currency()));
        node.putObject("minutes")
                .put("low", rounded(plan.cost().minutesLow()))
                .put("typical", rounded(plan.cost().minutes()))
                .put("high", rounded(plan.cost().minutesHigh()));
        node.put("doubt", plan.cost().doubt());
        plan.warnings().forEach(node.putArray("warnings")::add);
        plan.supposition().ifPresent(sentence -> {
            node.put("supposition", sentence);
            ObjectNode supposes = node.putObject("supposes");
            plan.supposes().forEach((fact, value) -> supposes.put(fact.key(), value));
        });
        if (!plan.assumptions().isEmpty()) {
            ArrayNode assumed = node.putArray("assumptions");
            plan.assumptions().forEach(one -> assumed.add(one.sentence()));
        }
    }

    private static void figures(List<Figure> figures, ArrayNode nodes) {
        for (Figure figure : figures) {
            ObjectNode node = nodes.addObject()
                    .put("name", figure.name())
                    .put("total", figure.total())
                    .put("enough", figure.enough().word())
                    .put("source", figure.source());
            ArrayNode lines = node.putArray("lines");
            figure.lines()
                    .forEach(line -> lines.addObject().put("what", line.what()).put("sum", line.sum()));
        }
    }

    private static void route(RouteFit fit, ObjectNode node) {
        ArrayNode clauses = node.put("id", fit.route().id())
                .put("verdict", fit.verdict().word())
                .putArray("clauses");
        fit.clauses()
                .forEach(clause -> clauses.addObject()
                        .put("clause", clause.name())
                        .put("result", clause.result().word())
                        .put("reason", PlanCommand.sentence(clause)));
    }

    private static void next(NextReading next, ObjectNode node) {
        node.put("fact", next.fact().key())
                .put("how", next.how())
                .put("settles", rounded(next.settles()))
                .put("bits", rounded(next.bits()));
    }

    /** To two decimals: more would only look exact. */
    private static double rounded(double value) {
        return Math.round(value * 100) / 100.0;
    }
}
