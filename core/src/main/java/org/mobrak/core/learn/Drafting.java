package org.mobrak.core.learn;

import com.fasterxml.jackson.databind.node.ArrayNode;
import com.fasterxml.jackson.databind.node.JsonNodeFactory;
import com.fasterxml.jackson.databind.node.ObjectNode;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Collection;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import org.mobrak.core.learn.reading.Read;
import org.mobrak.core.learn.reading.Understood;

/** Makes drafts in the catalogue's form of what a guide says, with the evidence for each value. */
final class Drafting {
    private static final int LONGEST_NAME = 200;
    private static final int LONGEST_ID = 60;
    private static final int MOST_HAZARDS = 20;
    private static final int MOST_DRAFTS = 200;

    private final Understood guide;
    private final String source;
    private final LocalDate day;
    private final List<ObjectNode> routes = new ArrayList<>();
    private final List<ObjectNode> phones = new ArrayList<>();
    private final Evident evident = new Evident();
    private final ScopeDraft scope;
    private final WorkDraft work;
    private final List<Lesson.Missing> missing = new ArrayList<>();
    private final List<Lesson.Warning> warnings;

    Drafting(Understood guide, String source, LocalDate day, List<Lesson.Warning> warnings) {
        this.guide = guide;
        this.source = source;
        this.day = day;
        this.warnings = new ArrayList<>(warnings);
        this.scope = new ScopeDraft(guide, evident);
        this.work = new WorkDraft(guide, evident);
    }

    /** Phones alone, of a list that teaches no way. */
    Lesson handsets() {
        families(guide.listed());
        return new Lesson(List.of(), phones, evident.all(), missing, warnings, List.of());
    }

    Lesson lesson() {
        List<Groups.Group> groups = Groups.of(guide);
        groups = groups.subList(0, Math.min(MOST_DRAFTS, groups.size()));
        for (Groups.Group group : groups) {
            draft(group, groups.size());
        }
        families(guide.phones().values());
        guide.excluded().values().forEach(read -> warn("excluded", read, "The guide excludes " + read.value() + "."));
        guide.doubtful()
                .values()
                .forEach(
                        read -> warn(
                                "excluded",
                                read,
                                read.value()
                                        + " is named, but nothing says that this is for it; it was left out. Add it if you know better."));
        guide.odd().forEach(odd -> warnings.add(new Lesson.Warning(odd.code(), odd.line(), odd.text())));
        return new Lesson(routes, phones, evident.all(), missing, warnings, List.of());
    }

    private void warn(String code, Read<String> read, String text) {
        warnings.add(new Lesson.Warning(code, read.line(), text));
    }

    private void draft(Groups.Group group, int count) {
        String base = "/routes/" + routes.size();
        ObjectNode route = JsonNodeFactory.instance.objectNode();
        String title = guide.title().map(Read::value).orElse("Learnt route");
        String suffix = count > 1 && !group.phones().isEmpty()
                ? ", "
                        + Optional.ofNullable(guide.phones().get(group.phones().get(0)))
                                .map(phone -> phone.model().value())
                                .orElse("")
                : "";
        route.put("id", slug(title + suffix) + (count > 1 ? "-" + (routes.size() + 1) : ""));
        route.put("name", Evident.cut(title + suffix, LONGEST_NAME));
        guide.title().ifPresent(read -> evident.at(base + "/name", read));
        route.put("draft", true);
        route.put("family", family(group, count));
        route.put("summary", "Learnt from " + source + ".");
        scope.draft(group, route.putObject("fits"), base + "/fits");
        changes(route.putObject("changes"), base + "/changes");
        guide.price().ifPresent(read -> {
            route.putObject("costs")
                    .putObject("money")
                    .put("amount", read.value())
                    .put("currency", guide.currency());
            evident.at(base + "/costs/money/amount", read);
        });
        work.draft(group, route.putObject("work"), base + "/work");
        notes(route.putObject("notes"), base + "/notes");
        routes.add(route);
        Questions.of(route).forEach(asked -> missing.add(new Lesson.Missing(base + asked.path(), asked.ask())));
    }

    /** Of several drafts each has the kind of way that its own files are for. */
    private String family(Groups.Group group, int count) {
        String all = guide.family().orElse("not known");
        boolean apps = holds(group, ".apk");
        boolean zips = holds(group, ".zip");
        if (count > 1 && all.equals("exploit app") && zips && !apps) {
            return "recovery package";
        }
        return count > 1 && all.equals("recovery package") && apps && !zips ? "exploit app" : all;
    }

    private static boolean holds(Groups.Group group, String ending) {
        return group.files().stream()
                .anyMatch(file -> file.name().value().toLowerCase(Locale.ROOT).endsWith(ending));
    }

    private static String slug(String title) {
        String plain = title.toLowerCase(Locale.ROOT)
                .replaceAll("[^a-z0-9]{1,200}", "-")
                .replaceAll("^-|-$", "");
        String cut = plain.substring(0, Math.min(plain.length(), LONGEST_ID)).replaceAll("-$", "");
        return cut.isEmpty() ? "learnt-route" : cut;
    }

    private void changes(ObjectNode changes, String path) {
        ObjectNode effects = changes.putObject("effects");
        guide.effects().forEach((fact, read) -> {
            effects.put(fact, read.value());
            evident.at(path + "/effects/" + fact, read);
        });
        ArrayNode writes = changes.putArray("writes");
        guide.writes().forEach(read -> {
            evident.at(path + "/writes/" + writes.size(), read);
            writes.add(read.value());
        });
        guide.wipes().ifPresent(read -> {
            changes.put("wipesData", read.value());
            evident.at(path + "/wipesData", read);
        });
    }

    private void notes(ObjectNode notes, String path) {
        ArrayNode hazards = notes.putArray("hazards");
        guide.dangers().stream().limit(MOST_HAZARDS).forEach(read -> {
            evident.at(path + "/hazards/" + hazards.size(), read);
            hazards.add(read.value());
        });
        ObjectNode learnt = notes.putObject("learnt").put("from", source).put("checked", day.toString());
        guide.written().filter(read -> !read.value().isAfter(day)).ifPresent(read -> {
            learnt.put("written", read.value().toString());
            evident.at(path + "/learnt/written", read);
        });
        guide.updated().filter(read -> !read.value().isAfter(day)).ifPresent(read -> {
            learnt.put("updated", read.value().toString());
            evident.at(path + "/learnt/updated", read);
        });
    }

    /** Phones under the names they were sold by. */
    private void families(Collection<Understood.Phone> all) {
        Map<String, List<Understood.Phone>> named = new LinkedHashMap<>();
        all.stream()
                .filter(phone -> phone.maker().isPresent()
                        || phone.shop().isPresent()
                        || phone.chipset().isPresent())
                .forEach(phone -> named.computeIfAbsent(name(phone), none -> new ArrayList<>())
                        .add(phone));
        named.forEach((name, some) -> {
            String base = "/phones/" + phones.size();
            Understood.Phone first = some.get(0);
            ObjectNode family = JsonNodeFactory.instance.objectNode();
            family.put("id", slug("phone-" + (name.isBlank() ? first.model().value() : name)));
            first.maker().ifPresent(read -> {
                family.put("maker", read.value());
                evident.at(base + "/maker", read);
            });
            first.shop().ifPresent(read -> {
                family.put("shopName", read.value());
                evident.at(base + "/shopName", read);
            });
            ArrayNode variants = family.putArray("variants");
            some.forEach(phone -> {
                String here = base + "/variants/" + variants.size();
                ObjectNode variant =
                        variants.addObject().put("model", phone.model().value());
                evident.at(here + "/model", phone.model());
                phone.carrier().ifPresent(read -> {
                    variant.put("carrier", read.value());
                    evident.at(here + "/carrier", read);
                });
                phone.chipset().ifPresent(read -> {
                    variant.put("chipset", read.value());
                    evident.at(here + "/chipset", read);
                });
            });
            phones.add(family);
        });
    }

    private static String name(Understood.Phone phone) {
        return phone.maker().map(Read::value).orElse("") + " "
                + phone.shop().map(Read::value).orElse("");
    }
}
