package org.mobrak.core.learn.form;

import com.fasterxml.jackson.databind.JsonNode;
import com.fasterxml.jackson.databind.node.ArrayNode;
import com.fasterxml.jackson.databind.node.ObjectNode;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.mobrak.core.identity.Refusal;
import org.mobrak.core.learn.Lesson;
import org.mobrak.core.learn.Questions;

/**
 * The form of a draft.
 *
 * @param fields in the order of their groups
 */
public record Form(List<Field> fields) {
    private static final int MOST_STEPS = 100;
    private static final int MOST_FILES = 40;

    public Form {
        fields = List.copyOf(fields);
    }

    /**
     * The form of a route.
     *
     * @param evidence where its values were read, by their JSON pointer into the route
     */
    public static Form of(JsonNode route, Map<String, Lesson.Evidence> evidence) {
        Map<String, String> questions = new HashMap<>();
        Questions.of(route).forEach(open -> questions.putIfAbsent(open.field(), open.ask()));
        return new Form(slots(route).stream()
                .map(slot -> field(slot, route, evidence, questions))
                .toList());
    }

    /** The same with more questions, each at its field. */
    public Form asking(List<Questions.Question> more) {
        Map<String, String> asked = new HashMap<>();
        more.forEach(open -> asked.putIfAbsent(open.field(), open.ask()));
        return new Form(fields.stream()
                .map(field -> field.asking(Optional.ofNullable(asked.get(field.id()))))
                .toList());
    }

    private static Field field(
            Slot slot, JsonNode route, Map<String, Lesson.Evidence> evidence, Map<String, String> questions) {
        String value = slot.reads().apply(route);
        Optional<Lesson.Evidence> read = value.isEmpty() ? Optional.empty() : read(slot, value, evidence);
        return new Field(
                slot.id(),
                slot.group(),
                slot.label(),
                slot.kind(),
                slot.path(),
                slot.choices(),
                value,
                read,
                Optional.ofNullable(questions.get(slot.id())));
    }

    /** Where the value that stands there now was read; one that a person changed was not. */
    private static Optional<Lesson.Evidence> read(Slot slot, String value, Map<String, Lesson.Evidence> evidence) {
        String first = value.lines().findFirst().orElse(value);
        return evidence.entrySet().stream()
                .filter(entry -> entry.getKey().startsWith(slot.path()))
                .map(Map.Entry::getValue)
                .filter(said -> said.value().equals(first) || said.value().equals(value) || isYes(said, value))
                .findFirst();
    }

    private static boolean isYes(Lesson.Evidence said, String value) {
        return said.value().equals("true") && value.equals("yes")
                || said.value().equals("false") && value.equals("no");
    }

    private static List<Slot> slots(JsonNode route) {
        List<Slot> slots = new ArrayList<>(PhoneSlots.all());
        slots.addAll(NeedSlots.needs());
        slots.addAll(NeedSlots.gates());
        slots.addAll(WorkSlots.files(route));
        slots.addAll(NeedSlots.changes());
        slots.addAll(WorkSlots.keys());
        slots.addAll(WorkSlots.steps(route));
        slots.addAll(WorkSlots.costs());
        slots.addAll(WorkSlots.notes());
        return slots;
    }

    /** The draft with another value in one field; the one that is given stays as it is. */
    public static ObjectNode with(ObjectNode route, String field, String typed) throws Refusal {
        Slot slot = slots(route).stream()
                .filter(one -> one.id().equals(field))
                .findFirst()
                .orElseThrow(() -> new Refusal("The draft has no field “" + field + "”."));
        boolean wrong = slot.kind() == Field.Kind.CHOICE
                && !typed.isBlank()
                && !slot.choices().contains(typed.strip());
        if (wrong) {
            throw new Refusal(
                    "%s: “%s” is none of %s.".formatted(slot.label(), typed, String.join(", ", slot.choices())));
        }
        ObjectNode changed = route.deepCopy();
        slot.writer().write(changed, typed);
        return changed;
    }

    /** The draft with one step more at its end. */
    public static ObjectNode withStep(ObjectNode route, String text) throws Refusal {
        ObjectNode changed = route.deepCopy();
        ArrayNode steps = changed.withObject("/work").withArray("/steps");
        if (steps.size() >= MOST_STEPS) {
            throw new Refusal("A route has at most " + MOST_STEPS + " steps.");
        }
        steps.addObject().put("phase", "do").put("title", "New step").put("text", "New step.");
        return text.isBlank() ? changed : with(changed, "step:" + (steps.size() - 1) + ":text", text);
    }

    /** The draft with one file more. */
    public static ObjectNode withFile(ObjectNode route, String name) throws Refusal {
        ObjectNode changed = route.deepCopy();
        ArrayNode files = changed.withObject("/work").withArray("/files");
        if (files.size() >= MOST_FILES) {
            throw new Refusal("A route has at most " + MOST_FILES + " files.");
        }
        files.addObject()
                .put("name", name.isBlank() ? "new-file" : name.strip())
                .put("role", "file");
        return changed;
    }

    /**
     * The draft without a step or a file.
     *
     * @param field any field of it, such as {@code step:2:sign}
     */
    public static ObjectNode without(ObjectNode route, String field) throws Refusal {
        String[] parts = field.split(":");
        boolean known = parts.length > 1 && (parts[0].equals("step") || parts[0].equals("file"));
        if (!known) {
            throw new Refusal("Only steps and files are taken out; empty the field instead.");
        }
        ObjectNode changed = route.deepCopy();
        int index = Integer.parseInt(parts[1]);
        changed.withObject("/work").withArray("/" + parts[0] + "s").remove(index);
        return changed;
    }

    /** One field, by its id. */
    public Optional<Field> field(String id) {
        return fields.stream().filter(field -> field.id().equals(id)).findFirst();
    }
}
