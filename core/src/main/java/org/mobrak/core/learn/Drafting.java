package org.mobrak.core.learn;

import com.fasterxml.jackson.databind.node.ArrayNode;
import com.fasterxml.jackson.databind.node.JsonNodeFactory;
import com.fasterxml.jackson.databind.node.ObjectNode;
import java.math.BigDecimal;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.Set;
import java.util.regex.Pattern;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import org.mobrak.core.learn.Lesson.Sure;

/** Makes drafts in the catalogue's form of what was heard, with the evidence for each value. */
final class Drafting {
    private static final int MOST_PHONES = 500;
    private static final Pattern TITLE_END = Pattern.compile("[.!?](?:\\s|$)");

    private final Heard heard;
    private final String source;
    private final LocalDate day;
    private final List<ObjectNode> routes = new ArrayList<>();
    private final Evident evident = new Evident();
    private final List<Lesson.Missing> missing = new ArrayList<>();

    Drafting(Heard heard, String source, LocalDate day) {
        this.heard = heard;
        this.source = source;
        this.day = day;
    }

    Lesson lesson() {
        List<Part> parts = parts().stream().flatMap(Part::bounded).toList();
        for (Part part : parts) {
            draft(part, parts.size());
        }
        return new Lesson(routes, List.of(), evident.all(), missing, heard.warnings);
    }

    /** Phones and files that make a draft of their own. */
    private record Part(List<Said<String>> models, List<Heard.NamedFile> files) {
        /** A route may name so many phones; a longer list becomes several. */
        Stream<Part> bounded() {
            if (models.size() <= MOST_PHONES) {
                return Stream.of(this);
            }
            return IntStream.range(0, (models.size() + MOST_PHONES - 1) / MOST_PHONES)
                    .mapToObj(part -> new Part(
                            models.subList(part * MOST_PHONES, Math.min(models.size(), (part + 1) * MOST_PHONES)),
                            files));
        }
    }

    /** Different files for different phones make one draft each; else all is one. */
    private List<Part> parts() {
        List<Said<String>> all = List.copyOf(heard.models.values());
        Set<String> paired = heard.pairs.keySet();
        if (paired.size() < 2) {
            return List.of(new Part(all, List.copyOf(heard.files.values())));
        }
        List<Heard.NamedFile> shared = heard.files.values().stream()
                .filter(file -> !paired.contains(file.name.value()))
                .toList();
        Map<List<Said<String>>, List<Heard.NamedFile>> together = new LinkedHashMap<>();
        for (String file : paired) {
            List<Said<String>> own = Objects.requireNonNull(heard.pairs.get(file)).stream()
                    .flatMap(model -> Optional.ofNullable(heard.models.get(model)).stream())
                    .toList();
            if (!own.isEmpty()) {
                together.computeIfAbsent(own, none -> new ArrayList<>()).add(heard.files.get(file));
            }
        }
        List<Part> parts = new ArrayList<>();
        together.forEach((models, own) -> {
            List<Heard.NamedFile> files = new ArrayList<>(own);
            files.addAll(shared);
            parts.add(new Part(models, files));
        });
        return parts.isEmpty() ? List.of(new Part(all, List.copyOf(heard.files.values()))) : parts;
    }

    private void draft(Part part, int count) {
        int index = routes.size();
        String base = "/routes/" + index;
        ObjectNode route = JsonNodeFactory.instance.objectNode();
        String title = heard.title.map(Said::value).orElse("Learnt route");
        String suffix = count > 1 ? ", " + part.models().get(0).value() : "";
        route.put("id", slug(title + suffix) + (count > 1 ? "-" + (index + 1) : ""));
        route.put("name", Listening.shortened(title + suffix, 200));
        heard.title.ifPresent(said -> evidence(base + "/name", said));
        route.put("draft", true);
        route.put("family", heard.family.orElse("not known"));
        route.put("summary", "Learnt from " + source + ".");
        new ScopeDraft(heard, evident).draft(part.models(), route.putObject("fits"), base + "/fits");
        changes(part, route.putObject("changes"), base + "/changes");
        price(route, base);
        work(part, route.putObject("work"), base + "/work");
        notes(route.putObject("notes"), base + "/notes");
        reports(part, route, base);
        routes.add(route);
        ask(route, base);
    }

    private void price(ObjectNode route, String base) {
        heard.price.ifPresent(said -> {
            ObjectNode money = route.putObject("costs").putObject("money");
            money.put("amount", new BigDecimal(said.value().amount()));
            money.put("currency", said.value().currency());
            evidence(base + "/costs/money/amount", said.value().amount(), said.line(), said.sure());
        });
    }

    private static String slug(String title) {
        String plain = title.toLowerCase(Locale.ROOT)
                .replaceAll("[^a-z0-9]{1,200}", "-")
                .replaceAll("^-|-$", "");
        String cut = plain.substring(0, Math.min(plain.length(), 60)).replaceAll("-$", "");
        return cut.isEmpty() ? "learnt-route" : cut;
    }

    private <T> void evidence(String path, Said<T> said) {
        evident.at(path, said);
    }

    private void evidence(String path, String value, GuideLine line, Sure sure) {
        evident.at(path, value, line, sure);
    }

    private void changes(Part part, ObjectNode changes, String path) {
        ObjectNode effects = changes.putObject("effects");
        heard.effects.forEach((fact, said) -> {
            effects.put(fact.key(), said.value());
            evidence(path + "/effects/" + fact.key(), said);
        });
        ArrayNode writes = changes.putArray("writes");
        heard.writes.values().forEach(said -> {
            evidence(path + "/writes/" + writes.size(), said);
            writes.add(said.value());
        });
        heard.wipes.ifPresent(said -> {
            changes.put("wipesData", said.value());
            evidence(path + "/wipesData", said);
        });
    }

    private void work(Part part, ObjectNode work, String path) {
        ArrayNode files = work.putArray("files");
        part.files().forEach(file -> file(file, files.addObject(), path + "/files/" + (files.size() - 1)));
        tools(work, path);
        ArrayNode gates = work.putArray("gates");
        heard.battery.ifPresent(said -> {
            evidence(path + "/gates/" + gates.size() + "/atLeast", said);
            gates.addObject()
                    .put("fact", "batteryPercent")
                    .put("atLeast", said.value())
                    .put("why", "The guide says so.");
        });
        heard.gates.forEach((fact, said) -> {
            evidence(path + "/gates/" + gates.size() + "/is/0", said);
            ObjectNode gate = gates.addObject().put("fact", fact.key());
            gate.putArray("is").add(said.value());
            gate.put("why", "The guide says so.");
        });
        ArrayNode steps = work.putArray("steps");
        for (Heard.Task task : heard.steps) {
            String here = path + "/steps/" + steps.size();
            ObjectNode node = steps.addObject();
            step(task, node, here);
            written(part, task, node, here);
        }
        new ModesOfKeys(heard.steps).forEach((index, mode) -> {
            ((ObjectNode) steps.get(index)).put("mode", mode);
            evidence(
                    path + "/steps/" + index + "/mode",
                    mode,
                    heard.steps.get(index).text.line(),
                    Sure.GUESS);
        });
    }

    private void tools(ObjectNode work, String path) {
        if (heard.tools.isEmpty()) {
            return;
        }
        ArrayNode tools = work.putArray("tools");
        heard.tools.values().forEach(tool -> {
            String here = path + "/tools/" + tools.size();
            ObjectNode node = tools.addObject()
                    .put("name", Listening.shortened(tool.name().value(), 200))
                    .put("kind", tool.kind());
            evidence(here + "/name", tool.name());
            tool.atLeast().ifPresent(version -> {
                node.put("atLeast", version);
                evidence(here + "/atLeast", version, tool.name().line(), Sure.LIKELY);
            });
            tool.atMost().ifPresent(version -> {
                node.put("atMost", version);
                evidence(here + "/atMost", version, tool.name().line(), Sure.LIKELY);
            });
        });
    }

    /** What a step writes: what its file is for, or what is said so in the same line. */
    private void written(Part part, Heard.Task task, ObjectNode node, String path) {
        if (!task.phase.equals("do")) {
            return;
        }
        String text = task.text.value();
        Set<String> written = new LinkedHashSet<>();
        part.files().stream()
                .filter(file -> text.contains(file.name.value()))
                .flatMap(file -> file.partition.stream())
                .forEach(written::add);
        heard.writes.values().stream()
                .filter(said -> said.line().equals(task.text.line()))
                .map(Said::value)
                .forEach(written::add);
        written.retainAll(heard.writes.keySet());
        if (!written.isEmpty()) {
            ArrayNode writes = node.putArray("writes");
            written.forEach(partition -> {
                evidence(path + "/writes/" + writes.size(), partition, task.text.line(), Sure.GUESS);
                writes.add(partition);
            });
        }
    }

    private void file(Heard.NamedFile file, ObjectNode node, String path) {
        String name = file.name.value();
        String lower = name.toLowerCase(Locale.ROOT);
        node.put("name", Listening.shortened(name, 200)).put("role", file.partition.orElse("file"));
        evidence(path + "/name", file.name);
        file.bytes.ifPresent(said -> {
            node.put("bytes", said.value());
            evidence(path + "/bytes", said);
        });
        file.sums.forEach((kind, said) -> {
            node.put(kind, said.value());
            evidence(path + "/" + kind, said);
        });
        file.partition.ifPresent(partition -> node.put("partition", partition));
        file.slot.ifPresent(said -> {
            node.put("slot", said.value());
            evidence(path + "/slot", said);
        });
        file.keepZipped.ifPresent(keep -> node.put("keepZipped", keep));
        if (lower.endsWith(".exe") || lower.endsWith(".bat") || lower.endsWith(".sh") || lower.endsWith(".command")) {
            node.put("where", "computer");
        }
    }

    private void step(Heard.Task task, ObjectNode node, String path) {
        String text = task.text.value();
        node.put("phase", task.phase)
                .put("title", Listening.shortened(TITLE_END.split(text, 2)[0], 80))
                .put("text", text);
        evidence(path + "/text", task.text);
        GuideLine line = task.text.line();
        task.mode.ifPresent(mode -> {
            node.put("mode", mode);
            evidence(path + "/mode", mode, line, Sure.GUESS);
        });
        task.keys.ifPresent(keys -> {
            node.put("keys", keys);
            evidence(path + "/keys", keys, line, Sure.LIKELY);
        });
        task.sign.ifPresent(sign -> {
            node.put("sign", sign);
            evidence(path + "/sign", sign, line, Sure.LIKELY);
        });
        task.normal.ifPresent(minutes -> {
            node.put("normalUntil", minutes.value());
            evidence(path + "/normalUntil", minutes);
        });
        task.worry.ifPresent(minutes -> {
            node.put("worryAfter", minutes.value());
            evidence(path + "/worryAfter", minutes);
        });
        if (!task.remedies.isEmpty()) {
            ArrayNode remedies = node.putArray("remedies");
            task.remedies.stream()
                    .limit(10)
                    .forEach(one -> remedies.addObject().put("if", one[0]).put("do", one[1]));
        }
        if (task.noReturn) {
            node.put("noReturn", true);
        }
    }

    private void notes(ObjectNode notes, String path) {
        ArrayNode hazards = notes.putArray("hazards");
        heard.hazards.stream().limit(20).forEach(said -> {
            evidence(path + "/hazards/" + hazards.size(), said);
            hazards.add(said.value());
        });
        ObjectNode learnt = notes.putObject("learnt").put("from", source).put("checked", day.toString());
        heard.written.filter(said -> !said.value().isAfter(day)).ifPresent(said -> {
            learnt.put("written", said.value().toString());
            evidence(path + "/learnt/written", said);
        });
        heard.updated.filter(said -> !said.value().isAfter(day)).ifPresent(said -> {
            learnt.put("updated", said.value().toString());
            evidence(path + "/learnt/updated", said);
        });
    }

    private void reports(Part part, ObjectNode route, String base) {
        List<String> own = part.models().stream().map(Said::value).toList();
        List<Heard.Report> reports = heard.reports.stream()
                .filter(report -> own.contains(report.model()))
                .toList();
        if (!reports.isEmpty()) {
            ArrayNode nodes = route.putArray("reports");
            for (Heard.Report report : reports) {
                evidence(base + "/reports/" + nodes.size() + "/model", report.model(), report.line(), Sure.LIKELY);
                ObjectNode node = nodes.addObject().put("model", report.model());
                report.build().ifPresent(build -> node.put("build", build));
                node.put("worked", report.worked());
            }
        }
    }

    /** What a safe route needs and the text does not say. */
    private void ask(ObjectNode route, String base) {
        Questions.of(route).forEach(asked -> missing.add(new Lesson.Missing(base + asked.path(), asked.ask())));
    }
}
