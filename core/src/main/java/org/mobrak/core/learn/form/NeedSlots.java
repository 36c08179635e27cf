package org.mobrak.core.learn.form;

import com.fasterxml.jackson.databind.JsonNode;
import com.fasterxml.jackson.databind.node.ArrayNode;
import com.fasterxml.jackson.databind.node.ObjectNode;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.stream.StreamSupport;
import org.mobrak.core.catalogue.PartitionClass;
import org.mobrak.core.identity.Domain;
import org.mobrak.core.identity.Fact;

/** States that a route needs, gates of the day, and what it changes. */
final class NeedSlots {
    private static final String REQUIRES = "/fits/requires";
    private static final String GATES = "/work/gates";
    private static final String PERSON = "Whoever drafted it says so.";

    private static final List<Fact> NEEDED = List.of(Fact.LOCK, Fact.ROOT, Fact.RECOVERY, Fact.WRITE_PROTECTION);
    private static final List<Fact> READY = List.of(
            Fact.USB_DEBUGGING,
            Fact.UNKNOWN_SOURCES,
            Fact.OEM_UNLOCK,
            Fact.CABLE,
            Fact.INTERNET,
            Fact.CARD,
            Fact.APP_BACKUP,
            Fact.IMAGE_BACKUP,
            Fact.HOST_OS);
    private static final List<Fact> CHANGED = List.of(
            Fact.ROOT,
            Fact.ROOT_MANAGER,
            Fact.RECOVERY,
            Fact.LOCK,
            Fact.OS_KIND,
            Fact.KERNEL_KIND,
            Fact.WRITE_PROTECTION,
            Fact.WARRANTY_FUSE,
            Fact.OTA_PATH);
    private static final List<Fact> BECOMES =
            List.of(Fact.OS_VERSION, Fact.BUILD_NUMBER, Fact.KERNEL_RELEASE, Fact.BASEBAND);

    private NeedSlots() {}

    static List<Slot> needs() {
        return NEEDED.stream()
                .map(fact -> ofFact("require:" + fact.key(), Group.NEEDS, fact, REQUIRES, "because"))
                .toList();
    }

    static List<Slot> gates() {
        List<Slot> slots = new ArrayList<>();
        slots.add(new Slot(
                "gate:batteryPercent",
                Group.READY,
                "Battery, percent at least",
                Field.Kind.NUMBER,
                GATES,
                List.of(),
                route -> StreamSupport.stream(route.at(GATES).spliterator(), false)
                        .filter(gate -> Places.isFact(gate, "batteryPercent") && gate.has("atLeast"))
                        .map(gate -> gate.get("atLeast").asText())
                        .findFirst()
                        .orElse(""),
                (route, typed) -> {
                    ArrayNode gates = Places.list(route, GATES);
                    dropFact(gates, "batteryPercent");
                    if (!typed.isBlank()) {
                        gates.addObject()
                                .put("fact", "batteryPercent")
                                .put("atLeast", Places.number("Battery", typed))
                                .put("why", PERSON);
                    }
                }));
        READY.forEach(fact -> slots.add(ofFact("gate:" + fact.key(), Group.READY, fact, GATES, "why")));
        return slots;
    }

    static List<Slot> changes() {
        List<Slot> slots = new ArrayList<>();
        for (Fact fact : CHANGED) {
            slots.add(Slot.choice(
                    "effect:" + fact.key(),
                    Group.CHANGES,
                    fact.label() + ", afterwards",
                    Field.Kind.CHOICE,
                    "/changes/effects/" + fact.key(),
                    words(fact)));
        }
        slots.add(Slot.text(
                "effect:customWrites",
                Group.CHANGES,
                "Custom writes counted (+1 for one more)",
                Field.Kind.LINE,
                "/changes/effects/customWrites"));
        BECOMES.forEach(fact -> slots.add(Slot.text(
                "effect:" + fact.key(),
                Group.CHANGES,
                fact.label() + ", afterwards",
                Field.Kind.LINE,
                "/changes/effects/" + fact.key())));
        List<String> classes =
                Arrays.stream(PartitionClass.values()).map(PartitionClass::word).toList();
        slots.add(0, Slot.list("writes", Group.CHANGES, "It writes", "/changes/writes", Field.Kind.SEVERAL, classes));
        slots.add(
                1,
                Slot.list(
                        "keeps",
                        Group.CHANGES,
                        "Of these it only adds to",
                        "/changes/keeps",
                        Field.Kind.SEVERAL,
                        classes));
        slots.add(2, wipes());
        return slots;
    }

    private static Slot wipes() {
        String path = "/changes/wipesData";
        return new Slot(
                "wipesData",
                Group.CHANGES,
                "Data is lost",
                Field.Kind.CHOICE,
                path,
                List.of("yes", "no"),
                route -> route.at(path).isMissingNode() ? "" : route.at(path).asBoolean() ? "yes" : "no",
                (route, typed) -> {
                    if (typed.isBlank()) {
                        Places.remove(route, path);
                    } else {
                        Places.parent(route, path)
                                .put("wipesData", typed.strip().equals("yes"));
                    }
                });
    }

    private static List<String> words(Fact fact) {
        return fact.domain() instanceof Domain.OneOf some ? some.words() : List.of();
    }

    /** The word that a fact must have, one entry of a list of conditions. */
    private static Slot ofFact(String id, Group group, Fact fact, String path, String reason) {
        return new Slot(
                id,
                group,
                fact.label(),
                Field.Kind.CHOICE,
                path,
                words(fact),
                route -> StreamSupport.stream(route.at(path).spliterator(), false)
                        .filter(one -> isWord(one, fact))
                        .map(one -> one.get("is").get(0).asText())
                        .findFirst()
                        .orElse(""),
                (route, typed) -> {
                    ArrayNode list = Places.list(route, path);
                    StreamSupport.stream(list.spliterator(), false)
                            .filter(one -> isWord(one, fact))
                            .toList()
                            .forEach(one -> drop(list, one));
                    if (!typed.isBlank()) {
                        ObjectNode entry = list.addObject().put("fact", fact.key());
                        entry.putArray("is").add(typed.strip());
                        entry.put(reason, PERSON);
                    }
                });
    }

    /** Only what the form can show whole is changed by it. */
    private static boolean isWord(JsonNode one, Fact fact) {
        return Places.isFact(one, fact.key()) && one.path("is").size() == 1;
    }

    private static void dropFact(ArrayNode list, String key) {
        StreamSupport.stream(list.spliterator(), false)
                .filter(one -> Places.isFact(one, key))
                .toList()
                .forEach(one -> drop(list, one));
    }

    /** Takes this very entry out, and none that is only equal to it. */
    static void drop(ArrayNode list, JsonNode entry) {
        for (int i = list.size() - 1; i >= 0; i--) {
            if (list.get(i) == entry) {
                list.remove(i);
            }
        }
    }
}
