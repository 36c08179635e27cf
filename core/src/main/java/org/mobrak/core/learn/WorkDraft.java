package org.mobrak.core.learn;

import com.fasterxml.jackson.databind.node.ArrayNode;
import com.fasterxml.jackson.databind.node.ObjectNode;
import java.util.HashSet;
import java.util.IdentityHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.regex.Pattern;
import org.mobrak.core.learn.reading.Read;
import org.mobrak.core.learn.reading.StepRead;
import org.mobrak.core.learn.reading.Sure;
import org.mobrak.core.learn.reading.ToolRead;
import org.mobrak.core.learn.reading.Understood;

/** What a draft is done with, and its steps. */
final class WorkDraft {
    private static final int MOST_TOOLS = 20;
    private static final int MOST_GATES = 20;
    private static final int MOST_STEPS = 100;
    private static final int MOST_REMEDIES = 10;
    private static final int LONGEST_LINE = 200;
    private static final int LONGEST_TEXT = 2_000;
    private static final int LONGEST_TITLE = 80;
    private static final Pattern TITLE_END = Pattern.compile("[.!?;](?:\\s|$)");

    private final Understood guide;
    private final Evident evident;
    private final Map<Understood.Step, Set<String>> phones;

    WorkDraft(Understood guide, Evident evident) {
        this.guide = guide;
        this.evident = evident;
        this.phones = named(guide);
    }

    void draft(Groups.Group group, ObjectNode work, String path) {
        ArrayNode files = work.putArray("files");
        group.files().forEach(file -> file(file, files.addObject(), path + "/files/" + (files.size() - 1)));
        if (!guide.tools().isEmpty()) {
            ArrayNode tools = work.putArray("tools");
            guide.tools().stream()
                    .limit(MOST_TOOLS)
                    .forEach(tool -> tool(tool, tools.addObject(), path + "/tools/" + (tools.size() - 1)));
        }
        gates(group, work.putArray("gates"), path + "/gates");
        ArrayNode steps = work.putArray("steps");
        guide.steps().stream()
                .filter(step -> !isOfOthers(step, group))
                .limit(MOST_STEPS)
                .forEach(step -> step(step, group, steps.addObject(), path + "/steps/" + (steps.size() - 1)));
    }

    /** A step that names phones of other drafts, and none of this one. */
    private boolean isOfOthers(Understood.Step step, Groups.Group group) {
        Set<String> named = phones.getOrDefault(step, Set.of());
        return !named.isEmpty() && group.phones().stream().noneMatch(named::contains);
    }

    /** By step the keys of the phones it names; looked for once for all drafts. */
    private static Map<Understood.Step, Set<String>> named(Understood guide) {
        Map<Understood.Step, Set<String>> named = new IdentityHashMap<>();
        for (Understood.Step step : guide.steps()) {
            String text = step.text().value();
            guide.phones().forEach((key, phone) -> {
                if (names(text, phone.model().value())) {
                    named.computeIfAbsent(step, none -> new HashSet<>()).add(key);
                }
            });
        }
        return named;
    }

    /** Whether a model number stands there as a word of its own. */
    private static boolean names(String text, String model) {
        for (int at = text.indexOf(model); at >= 0; at = text.indexOf(model, at + 1)) {
            int end = at + model.length();
            if ((at == 0 || !isPart(text.charAt(at - 1))) && (end == text.length() || !isPart(text.charAt(end)))) {
                return true;
            }
        }
        return false;
    }

    private static boolean isPart(char one) {
        return Character.isLetterOrDigit(one) || one == '-' || one == '_';
    }

    private void file(Understood.File file, ObjectNode node, String path) {
        node.put("name", Evident.cut(file.name().value(), LONGEST_LINE)).put("role", file.role());
        evident.at(path + "/name", file.name());
        file.bytes().ifPresent(read -> {
            node.put("bytes", read.value());
            evident.at(path + "/bytes", read);
        });
        file.sums().forEach((kind, read) -> {
            node.put(kind, read.value());
            evident.at(path + "/" + kind, read);
        });
        file.slot().ifPresent(read -> {
            node.put("slot", read.value());
            evident.at(path + "/slot", read);
        });
        file.partition().ifPresent(partition -> node.put("partition", partition));
        file.keepZipped().ifPresent(keep -> node.put("keepZipped", keep));
        file.where().ifPresent(where -> node.put("where", where));
    }

    private void tool(ToolRead tool, ObjectNode node, String path) {
        node.put("name", Evident.cut(tool.name().value(), LONGEST_LINE)).put("kind", tool.kind());
        evident.at(path + "/name", tool.name());
        tool.atLeast().ifPresent(read -> {
            node.put("atLeast", read.value());
            evident.at(path + "/atLeast", read);
        });
        tool.atMost().ifPresent(read -> {
            node.put("atMost", read.value());
            evident.at(path + "/atMost", read);
        });
    }

    private void gates(Groups.Group group, ArrayNode gates, String path) {
        Optional<Read<Integer>> own = group.phones().stream()
                .flatMap(key -> Optional.ofNullable(guide.phones().get(key)).stream())
                .flatMap(phone -> phone.battery().stream())
                .max((one, two) -> Integer.compare(one.value(), two.value()));
        own.or(guide::battery).ifPresent(read -> {
            evident.at(path + "/" + gates.size() + "/atLeast", read);
            gates.addObject()
                    .put("fact", "batteryPercent")
                    .put("atLeast", read.value())
                    .put("why", "The guide says so.");
        });
        for (Map.Entry<String, Map<String, Read<String>>> need : guide.needs().entrySet()) {
            if (!ScopeDraft.STATES.contains(need.getKey()) && gates.size() < MOST_GATES) {
                Read<String> read = need.getValue().values().iterator().next();
                evident.at(path + "/" + gates.size() + "/is/0", read);
                ObjectNode gate = gates.addObject().put("fact", need.getKey());
                gate.putArray("is").add(read.value());
                gate.put("why", "The guide says so.");
            }
        }
    }

    private void step(Understood.Step step, Groups.Group group, ObjectNode node, String path) {
        String text = Evident.cut(step.text().value(), LONGEST_TEXT);
        node.put("phase", step.phase())
                .put("title", Evident.cut(TITLE_END.split(text, 2)[0].strip(), LONGEST_TITLE))
                .put("text", text);
        if (node.get("title").asText().isBlank()) {
            node.put("title", Evident.cut(text, LONGEST_TITLE));
        }
        evident.at(path + "/text", text, step.text(), Sure.LIKELY);
        step.mode().ifPresent(mode -> {
            node.put("mode", mode);
            evident.at(path + "/mode", mode, step.text(), Sure.GUESS);
        });
        step.keys().ifPresent(read -> {
            node.put("keys", read.value());
            evident.at(path + "/keys", read);
        });
        step.sign().ifPresent(sign -> {
            node.put("sign", Evident.cut(sign, LONGEST_TEXT));
            evident.at(path + "/sign", Evident.cut(sign, LONGEST_TEXT), step.text(), Sure.LIKELY);
        });
        step.normal().ifPresent(read -> {
            node.put("normalUntil", read.value());
            evident.at(path + "/normalUntil", read);
        });
        step.worry().ifPresent(read -> {
            node.put("worryAfter", read.value());
            evident.at(path + "/worryAfter", read);
        });
        if (!step.remedies().isEmpty()) {
            ArrayNode remedies = node.putArray("remedies");
            for (StepRead.Remedy remedy : step.remedies()
                    .subList(0, Math.min(MOST_REMEDIES, step.remedies().size()))) {
                remedies.addObject()
                        .put("if", Evident.cut(remedy.when(), LONGEST_TEXT))
                        .put("do", Evident.cut(remedy.then(), LONGEST_TEXT));
            }
        }
        if (step.noReturn()) {
            node.put("noReturn", true);
        }
        if (step.wipes() && guide.wipes().filter(Read::value).isPresent()) {
            node.put("wipe", "full");
            evident.at(path + "/wipe", "full", step.text(), Sure.LIKELY);
        }
        List<Understood.File> taken = group.files().stream()
                .filter(file -> step.takes().contains(file.name().value()))
                .toList();
        written(step, taken, node, path);
        if (!taken.isEmpty() || step.byItself()) {
            ObjectNode with = node.putObject("with");
            if (!taken.isEmpty()) {
                ArrayNode names = with.putArray("files");
                taken.forEach(file -> names.add(Evident.cut(file.name().value(), LONGEST_LINE)));
            }
            if (step.byItself()) {
                with.put("byItself", true);
            }
        }
    }

    /** What a step writes: what its files are for. */
    private void written(Understood.Step step, List<Understood.File> taken, ObjectNode node, String path) {
        List<String> partitions = taken.stream()
                .flatMap(file -> file.partition().stream())
                .filter(partition ->
                        guide.writes().stream().anyMatch(read -> read.value().equals(partition)))
                .distinct()
                .toList();
        if (!partitions.isEmpty()) {
            ArrayNode writes = node.putArray("writes");
            partitions.forEach(partition -> {
                evident.at(path + "/writes/" + writes.size(), partition, step.text(), Sure.GUESS);
                writes.add(partition);
            });
        }
    }
}
