package org.mobrak.cli;

import com.fasterxml.jackson.databind.node.ArrayNode;
import com.fasterxml.jackson.databind.node.JsonNodeFactory;
import com.fasterxml.jackson.databind.node.ObjectNode;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Stream;
import org.mobrak.core.catalogue.Gate;
import org.mobrak.core.catalogue.KeyChord;
import org.mobrak.core.catalogue.Otherwise;
import org.mobrak.core.catalogue.Route;
import org.mobrak.core.fit.GateJudge;
import org.mobrak.core.identity.Fact;
import org.mobrak.core.identity.Facts;
import org.mobrak.core.job.Card;
import org.mobrak.core.job.RunSheet;
import org.mobrak.core.job.Step;
import org.mobrak.core.plan.Plan;
import org.mobrak.core.plan.Planner;

/** A run sheet as JSON; names here are a promise to other programs. */
final class SheetJson {
    private static final JsonNodeFactory JSON = JsonNodeFactory.instance;

    private final Plan plan;
    private final RunSheet sheet;
    private final Facts facts;

    private SheetJson(Plan plan, RunSheet sheet, Facts facts) {
        this.plan = plan;
        this.sheet = sheet;
        this.facts = facts;
    }

    static ObjectNode none(Planner.Answer answer) {
        ObjectNode node = JSON.objectNode().put("goal", answer.goal().key());
        node.putArray("routes");
        node.putArray("steps");
        node.putNull("pointOfNoReturn");
        answer.blockers().forEach(node.putArray("blockers")::add);
        return node;
    }

    static ObjectNode of(Plan plan, RunSheet sheet, Facts facts) {
        ObjectNode node = JSON.objectNode().put("goal", plan.goal().key());
        ArrayNode routes = node.putArray("routes");
        plan.routes().forEach(route -> routes.add(route.id()));
        ArrayNode steps = node.putArray("steps");
        SheetJson writer = new SheetJson(plan, sheet, facts);
        sheet.steps().forEach(step -> writer.step(step, steps.addObject()));
        predictions(sheet, node.putArray("predictions"));
        node.put("pointOfNoReturn", sheet.pointOfNoReturn().map(Step::id).orElse(null));
        return node;
    }

    /** What each screen must read, and after which step: what was written there, or what must have stayed. */
    private static void predictions(RunSheet sheet, ArrayNode all) {
        Optional<Step> work = Optional.empty();
        for (Step step : sheet.steps()) {
            if (step instanceof Step.Act) {
                work = Optional.of(step);
            }
            for (Map.Entry<Fact, String> one : step.expected().entrySet()) {
                ObjectNode node = all.addObject();
                work.ifPresent(before -> node.put("after", before.id()));
                node.put("screen", step.how().flatMap(Step.Doing::mode).orElse("os"))
                        .put("fact", one.getKey().key())
                        .put("value", one.getValue())
                        .put("because", isBrought(sheet, step, one.getKey()) ? "written" : "stays");
            }
        }
    }

    private static boolean isBrought(RunSheet sheet, Step proof, Fact fact) {
        return sheet.steps().stream()
                .takeWhile(step -> !step.equals(proof))
                .anyMatch(step -> step.changes().effects().containsKey(fact));
    }

    private void step(Step step, ObjectNode node) {
        node.put("id", step.id())
                .put("phase", step.phase().name().toLowerCase(Locale.ROOT))
                .put("kind", kind(step))
                .put("route", route(step.route()))
                .put("title", step.title())
                .put("text", step.text());
        ArrayNode keys = node.putArray("keys");
        ArrayNode remedies = node.putArray("remedies");
        step.how().ifPresent(how -> {
            doing(how, node);
            how.keys().ifPresent(chord -> chord.strokes().forEach(stroke -> stroke(stroke, keys.addObject())));
            ways(how, node);
            how.remedies()
                    .forEach(remedy ->
                            remedies.addObject().put("if", remedy.seen()).put("do", remedy.what()));
        });
        if (step instanceof Step.Act act) {
            ArrayNode writes = node.putArray("writes");
            act.writes().forEach(written -> writes.add(written.word()));
        }
        takes(step, node);
        if (step instanceof Step.Copy copy) {
            node.put("file", copy.what().name()).put("to", copy.to().name().toLowerCase(Locale.ROOT));
        }
        if (step instanceof Step.Move move) {
            ArrayNode first = node.putArray("first");
            move.first()
                    .forEach(
                            one -> first.add(one.name().toLowerCase(Locale.ROOT).replace('_', '-')));
        }
        if (step instanceof Step.Prove prove) {
            prove.rung().ifPresent(rung -> node.put("rung", rung));
        }
        hazards(step).forEach(node.putArray("hazards")::add);
        marks(step).forEach(node.putArray("marks")::add);
        ObjectNode expects = node.putObject("expects");
        step.expected().forEach((fact, value) -> expects.put(fact.key(), value));
        node.put("noReturn", step.hasNoReturn());
        ObjectNode effects = node.putObject("effects");
        step.changes().effects().forEach((fact, value) -> effects.put(fact.key(), value));
        step.gate().ifPresent(gate -> gate(step, gate, node.putObject("gate")));
    }

    /** Files with the slot that each goes into, and what is chosen in the program. */
    private void takes(Step step, ObjectNode node) {
        ArrayNode takes = node.putArray("takes");
        Card.files(step, sheet).forEach(file -> {
            ObjectNode one = takes.addObject().put("file", file.name());
            file.slot().ifPresent(slot -> one.put("slot", slot));
        });
        if (step instanceof Step.Act act) {
            ObjectNode settings = node.putObject("settings");
            act.with().settings().forEach((setting, on) -> settings.put(setting.key(), on));
        }
    }

    /** What the author of its route warns of, on the first step that writes. */
    private List<String> hazards(Step step) {
        boolean first = step instanceof Step.Act act
                && !act.writes().isEmpty()
                && sheet.steps().stream()
                        .filter(other -> other.route().equals(step.route()))
                        .filter(other ->
                                other instanceof Step.Act one && !one.writes().isEmpty())
                        .findFirst()
                        .filter(step::equals)
                        .isPresent();
        return plan.routes().stream()
                .filter(route -> first && route.name().equals(step.route()))
                .flatMap(route -> route.notes().hazards().stream())
                .toList();
    }

    /** What stays for good. */
    private static List<String> marks(Step step) {
        return Stream.of(Fact.WARRANTY_FUSE, Fact.CUSTOM_WRITES)
                .filter(step.changes().effects()::containsKey)
                .map(fact -> fact.key() + "=" + step.changes().effects().get(fact))
                .toList();
    }

    private static String kind(Step step) {
        if (step instanceof Step.Fetch) {
            return "fetch";
        }
        if (step instanceof Step.Ready) {
            return "ready";
        }
        if (step instanceof Step.Copy) {
            return "copy";
        }
        if (step instanceof Step.Plug) {
            return "plug";
        }
        if (step instanceof Step.Move) {
            return "mode";
        }
        return step instanceof Step.Act ? "act" : "prove";
    }

    private String route(String name) {
        return plan.routes().stream()
                .filter(route -> route.name().equals(name))
                .map(Route::id)
                .findFirst()
                .orElse(name);
    }

    private static void doing(Step.Doing how, ObjectNode node) {
        how.from().ifPresent(from -> node.put("from", from));
        how.mode().ifPresent(mode -> node.put("mode", mode));
        how.sign().ifPresent(sign -> node.put("sign", sign));
        how.normalMinutes().ifPresent(minutes -> node.put("normalMinutes", minutes));
        how.worryMinutes().ifPresent(minutes -> node.put("worryMinutes", minutes));
    }

    private static void ways(Step.Doing how, ObjectNode node) {
        how.by().ifPresent(by -> node.put("by", by.word()));
        for (Otherwise other : how.or()) {
            ObjectNode one = node.withArray("/or")
                    .addObject()
                    .put("by", other.by().word())
                    .put("text", other.text());
            other.from().ifPresent(from -> one.put("from", from));
            other.sign().ifPresent(sign -> one.put("sign", sign));
            ArrayNode keys = one.putArray("keys");
            other.keys().ifPresent(chord -> chord.strokes().forEach(stroke -> stroke(stroke, keys.addObject())));
        }
    }

    private static void stroke(KeyChord.Stroke stroke, ObjectNode node) {
        ArrayNode keys = node.putArray(stroke.pressed() ? "press" : "hold");
        stroke.keys().forEach(key -> keys.add(key.word()));
        stroke.until().ifPresent(cue -> node.put("until", cue));
        stroke.seconds().ifPresent(seconds -> node.put("seconds", seconds));
    }

    private void gate(Step step, Gate gate, ObjectNode node) {
        String wanted = gate.atLeast().map(least -> "at least " + least).orElse(String.join(" or ", gate.is()));
        String state = switch (GateJudge.result(gate, facts)) {
            case YES -> "open";
            case NO -> "shut";
            case UNKNOWN -> "unknown";
        };
        node.put("fact", gate.fact().key())
                .put("wanted", wanted)
                .put("state", state)
                .put("overridable", step instanceof Step.Ready ready && ready.overridable());
    }
}
