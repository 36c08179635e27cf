package org.mobrak.app.workshop;

import com.fasterxml.jackson.annotation.JsonIgnoreProperties;
import com.fasterxml.jackson.core.JsonProcessingException;
import com.fasterxml.jackson.core.type.TypeReference;
import com.fasterxml.jackson.databind.json.JsonMapper;
import com.fasterxml.jackson.databind.node.ObjectNode;
import com.fasterxml.jackson.datatype.jdk8.Jdk8Module;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Collection;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.stream.StreamSupport;
import org.mobrak.core.identity.Refusal;
import org.mobrak.core.learn.Learner;
import org.mobrak.core.learn.Lesson;
import org.mobrak.core.learn.reading.Understood.Role;

/**
 * What lies on the workshop's table.
 *
 * @param sources the guides; empty where an entry of the catalogue was opened
 * @param lesson what was learnt of them
 * @param chosen which draft is looked at
 * @param settled lines of the guides that a person placed or waved off
 * @param since what is otherwise than in the guide that lay here before
 */
record Table(
        List<Learner.Source> sources, Lesson lesson, int chosen, List<Draft> drafts, Set<Place> settled, Since since) {
    private static final JsonMapper MAPPER =
            JsonMapper.builder().addModule(new Jdk8Module()).build();

    Table {
        sources = List.copyOf(sources);
        drafts = List.copyOf(drafts);
        settled = Set.copyOf(settled);
    }

    /** A line of a guide. */
    record Place(String file, int line) {}

    static Table of(List<Learner.Source> sources, Lesson lesson) {
        return new Table(
                sources,
                lesson,
                0,
                lesson.routes().stream().map(route -> named(route, lesson)).toList(),
                Set.of(),
                Since.NOTHING);
    }

    /** A draft whose phones are called as the guide calls them. */
    private static Draft named(ObjectNode route, Lesson lesson) {
        String model = route.at("/fits/phones/0/model").asText();
        Draft draft = Draft.of(route);
        return lesson.phones().stream()
                .filter(phone -> StreamSupport.stream(phone.path("variants").spliterator(), false)
                        .anyMatch(variant -> variant.path("model").asText().equals(model)))
                .findFirst()
                .map(phone -> draft.called(
                        phone.path("maker").asText(), phone.path("shopName").asText()))
                .orElse(draft);
    }

    /** An entry of the catalogue, without a guide. */
    static Table of(Draft opened) {
        return new Table(List.of(), Lesson.empty(), 0, List.of(opened), Set.of(), Since.NOTHING);
    }

    Draft draft() throws Refusal {
        if (drafts.isEmpty()) {
            throw new Refusal("There is no draft on the table; paste a guide first.");
        }
        return drafts.get(chosen);
    }

    Table choosing(int index) throws Refusal {
        if (index < 0 || index >= drafts.size()) {
            throw new Refusal("There is no such draft.");
        }
        return new Table(sources, lesson, index, drafts, settled, since);
    }

    Table with(Draft changed) {
        return with(chosen, changed);
    }

    Table with(int index, Draft changed) {
        List<Draft> all = new ArrayList<>(drafts);
        all.set(index, changed);
        return new Table(sources, lesson, chosen, all, settled, since);
    }

    Table settling(Collection<Place> places) {
        Set<Place> all = new HashSet<>(settled);
        all.addAll(places);
        return new Table(sources, lesson, chosen, drafts, all, since);
    }

    Table since(Since other) {
        return new Table(sources, lesson, chosen, drafts, settled, other);
    }

    /** Lines that look like orders or conditions, were not understood, and nobody has placed or waved off yet. */
    List<Place> unplaced() {
        return lesson.account().stream()
                .filter(line -> line.role() == Role.UNPLACED)
                .map(line -> new Place(line.file(), line.line()))
                .filter(place -> !settled.contains(place))
                .toList();
    }

    /** As it is kept on disk. What was learnt is learnt anew: the same guide always teaches the same. */
    @JsonIgnoreProperties(ignoreUnknown = true)
    private record Kept(
            Optional<List<KeptSource>> sources,
            String day,
            int chosen,
            List<KeptDraft> drafts,
            Optional<Set<Place>> settled) {}

    private record KeptSource(String name, byte[] bytes) {}

    @JsonIgnoreProperties(ignoreUnknown = true)
    private record KeptDraft(
            ObjectNode route, String maker, String shopName, Set<String> left, Optional<String> file) {}

    /** The drafts as they are kept, without the guides. */
    String text(LocalDate day) {
        return written(new Kept(
                Optional.empty(),
                day.toString(),
                chosen,
                drafts.stream()
                        .map(one -> new KeptDraft(one.route(), one.maker(), one.shopName(), one.left(), one.file()))
                        .toList(),
                Optional.of(settled)));
    }

    /** Guides as they are kept. */
    static String guides(List<Learner.Source> sources) {
        return sources.isEmpty()
                ? ""
                : written(sources.stream()
                        .map(one -> new KeptSource(one.name(), one.bytes()))
                        .toList());
    }

    private static String written(Object kept) {
        try {
            return MAPPER.writeValueAsString(kept);
        } catch (JsonProcessingException impossible) {
            throw new IllegalStateException(impossible);
        }
    }

    /** What was kept; nothing where that cannot be read. Once the guides stood among the drafts. */
    static Optional<Table> parse(String text, String guides) {
        if (text.isBlank()) {
            return Optional.empty();
        }
        try {
            Kept kept = MAPPER.readValue(text, Kept.class);
            List<KeptSource> beside =
                    guides.isBlank() ? List.of() : MAPPER.readValue(guides, new TypeReference<List<KeptSource>>() {});
            List<Learner.Source> sources = kept.sources().orElse(beside).stream()
                    .map(one -> new Learner.Source(one.name(), one.bytes()))
                    .toList();
            List<Draft> drafts = kept.drafts().stream()
                    .map(one -> new Draft(one.route(), one.maker(), one.shopName(), one.left(), one.file()))
                    .toList();
            Lesson lesson =
                    sources.isEmpty() ? Lesson.empty() : new Learner().learn(sources, LocalDate.parse(kept.day()));
            return Optional.of(new Table(
                    sources,
                    lesson,
                    Math.min(kept.chosen(), Math.max(0, drafts.size() - 1)),
                    drafts,
                    kept.settled().orElse(Set.of()),
                    Since.NOTHING));
        } catch (JsonProcessingException | RuntimeException notOurs) {
            return Optional.empty();
        }
    }
}
