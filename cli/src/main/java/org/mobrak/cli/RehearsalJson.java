package org.mobrak.cli;

import com.fasterxml.jackson.databind.node.ArrayNode;
import com.fasterxml.jackson.databind.node.JsonNodeFactory;
import com.fasterxml.jackson.databind.node.ObjectNode;
import java.util.List;
import java.util.Map;
import org.mobrak.app.Outlook;
import org.mobrak.app.rehearsal.Report;

/** Rehearsals as JSON; names here are a promise to other programs. */
final class RehearsalJson {
    private static final JsonNodeFactory JSON = JsonNodeFactory.instance;

    private RehearsalJson() {}

    static ObjectNode of(Report report) {
        ObjectNode node = summary(report, JSON.objectNode());
        ArrayNode events = node.putArray("events");
        report.events()
                .forEach(one -> events.addObject()
                        .put("at", rounded(one.seconds()))
                        .put("step", one.step())
                        .put("kind", one.kind())
                        .put("text", one.text()));
        ObjectNode facts = node.putObject("facts");
        report.facts().entrySet().stream()
                .sorted(Map.Entry.comparingByKey())
                .forEach(one -> facts.put(one.getKey().key(), one.getValue()));
        return node;
    }

    private static ObjectNode summary(Report report, ObjectNode node) {
        node.put("rehearsal", true).put("phone", report.phone()).put("goal", report.goal());
        report.routes().forEach(node.putArray("routes")::add);
        report.faults().forEach(node.putArray("faults")::add);
        node.put("end", report.end().word())
                .put("reached", report.reached())
                .put("virtualMinutes", rounded(report.minutes()));
        report.stuck()
                .ifPresent(one -> node.putObject("stuck")
                        .put("step", one.step())
                        .put("kind", one.kind().word())
                        .put("missing", one.missing()));
        report.caught().forEach(node.putArray("wouldHaveCaught")::add);
        return node;
    }

    /** Where there is no plan nothing is rehearsed. */
    static ObjectNode none(String phone, Outlook outlook) {
        ObjectNode node = JSON.objectNode()
                .put("rehearsal", true)
                .put("phone", phone)
                .put("goal", outlook.wish().goal().key())
                .put("reached", false);
        outlook.answer().blockers().forEach(node.putArray("blockers")::add);
        return node;
    }

    static ObjectNode of(List<Report> reports) {
        ObjectNode node = JSON.objectNode();
        ArrayNode runs = node.putArray("runs");
        reports.forEach(report -> summary(report, runs.addObject()));
        for (Report.End end : Report.End.values()) {
            String name = end == Report.End.GOAL ? "reached" : end.word();
            node.put(name, reports.stream().filter(one -> one.end() == end).count());
        }
        return node;
    }

    private static double rounded(double value) {
        return Math.round(value * 10) / 10.0;
    }
}
