package org.mobrak.core.learn;

import com.fasterxml.jackson.databind.node.ArrayNode;
import com.fasterxml.jackson.databind.node.JsonNodeFactory;
import com.fasterxml.jackson.databind.node.ObjectNode;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import org.mobrak.core.identity.Fact;
import org.mobrak.core.identity.Facts;
import org.mobrak.core.identity.reader.PartitionListing;
import org.mobrak.core.material.PartitionNames;

/** A phone as a catalogue would know it, by what its readings say: a family of one variant. */
public final class PhoneDraft {
    private static final List<Fact> KNOWN = List.of(Fact.CARRIER, Fact.REGION, Fact.CHIPSET, Fact.DEVICE);
    private static final int MOST_PARTITIONS = 200;
    private static final int LONGEST_ID = 80;

    private PhoneDraft() {}

    /**
     * The family in the catalogue's form; empty where the model number is not known. Maker and shop name stand in it where the
     * phone tells them.
     *
     * @param texts what was read of the phone, for the partitions in it
     */
    public static Optional<ObjectNode> of(Facts facts, List<String> texts) {
        return facts.value(Fact.MODEL).map(model -> family(model, facts, texts));
    }

    private static ObjectNode family(String model, Facts facts, List<String> texts) {
        ObjectNode family = JsonNodeFactory.instance.objectNode();
        String id = ("phone-" + model)
                .toLowerCase(Locale.ROOT)
                .replaceAll("[^a-z0-9]{1,80}", "-")
                .replaceAll("-$", "");
        family.put("id", id.substring(0, Math.min(LONGEST_ID, id.length())));
        facts.value(Fact.MAKER).ifPresent(maker -> family.put("maker", maker));
        facts.value(Fact.SHOP_NAME).ifPresent(name -> family.put("shopName", name));
        ObjectNode variant = family.putArray("variants").addObject().put("model", model);
        KNOWN.forEach(fact -> facts.value(fact).ifPresent(value -> variant.put(fact.key(), value)));
        partitions(family, texts);
        return family;
    }

    private static void partitions(ObjectNode family, List<String> texts) {
        List<PartitionListing.Named> named = PartitionListing.in(String.join("\n", texts)).stream()
                .limit(MOST_PARTITIONS)
                .toList();
        if (named.isEmpty()) {
            return;
        }
        ArrayNode partitions = family.putArray("partitions");
        for (PartitionListing.Named one : named) {
            PartitionNames names = PartitionNames.usual();
            ObjectNode partition = partitions
                    .addObject()
                    .put("name", one.name())
                    .put("class", names.classOf(names.partition(one.name())).word());
            one.bytes().filter(bytes -> bytes > 0).ifPresent(bytes -> partition.put("bytes", bytes));
        }
    }
}
