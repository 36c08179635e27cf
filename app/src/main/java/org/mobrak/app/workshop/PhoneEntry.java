package org.mobrak.app.workshop;

import com.fasterxml.jackson.databind.node.JsonNodeFactory;
import com.fasterxml.jackson.databind.node.ObjectNode;
import java.util.List;
import java.util.Locale;
import org.mobrak.core.identity.Fact;
import org.mobrak.core.identity.Facts;
import org.mobrak.core.identity.Refusal;

/** A phone as the catalogue would know it, by what its readings say. */
final class PhoneEntry {
    private static final List<Fact> KNOWN = List.of(Fact.CARRIER, Fact.REGION, Fact.CHIPSET, Fact.DEVICE);

    private PhoneEntry() {}

    /**
     * A family of one variant.
     *
     * @param maker as the person says; where that is empty, as the phone says
     */
    static ObjectNode of(Facts facts, String maker, String shopName) throws Refusal {
        String model = facts.value(Fact.MODEL)
                .orElseThrow(() -> new Refusal("The phone's model number is not known; read it first."));
        ObjectNode family = JsonNodeFactory.instance.objectNode();
        String id = ("phone-" + model)
                .toLowerCase(Locale.ROOT)
                .replaceAll("[^a-z0-9]{1,80}", "-")
                .replaceAll("-$", "");
        family.put("id", id.substring(0, Math.min(80, id.length())));
        family.put("maker", said(maker, facts.value(Fact.MAKER).orElse(""), "maker"));
        family.put("shopName", said(shopName, facts.value(Fact.SHOP_NAME).orElse(""), "shop name"));
        ObjectNode variant = family.putArray("variants").addObject().put("model", model);
        KNOWN.forEach(fact -> facts.value(fact).ifPresent(value -> variant.put(fact.key(), value)));
        return family;
    }

    private static String said(String typed, String read, String what) throws Refusal {
        String value = typed.isBlank() ? read : typed.strip();
        if (value.isBlank()) {
            throw new Refusal("Say the phone's " + what + "; nothing that was read names it.");
        }
        return value;
    }
}
