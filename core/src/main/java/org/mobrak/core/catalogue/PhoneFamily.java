package org.mobrak.core.catalogue;

import com.fasterxml.jackson.annotation.JsonIgnoreProperties;
import com.fasterxml.jackson.annotation.JsonProperty;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.mobrak.core.identity.Fact;

/**
 * One shop name and the variants sold under it.
 *
 * @param keys how it is brought into its modes; empty where nobody has written it down
 * @param partitions how the storage is divided, from its start to its end; empty where nobody has written it down
 */
@JsonIgnoreProperties("origin")
public record PhoneFamily(
        String id,
        String maker,
        String shopName,
        List<Variant> variants,
        List<Partition> partitions,
        List<ModeKeys> keys) {
    public PhoneFamily {
        partitions = partitions == null ? List.of() : List.copyOf(partitions);
        keys = keys == null ? List.of() : List.copyOf(keys);
    }

    /**
     * How the phone is brought into a mode. It belongs to the phone and not to what is done in the mode.
     *
     * @param mode where it leads: {@code recovery}, {@code download}, {@code flash-console} or {@code off} where it hangs
     * @param cable {@code out} where the cable must be pulled first, else it would start into charging
     * @param sign what shows that it is there
     * @param models the variants that it holds for; all of them where none is named
     */
    public record ModeKeys(
            String mode, KeyChord keys, Optional<String> cable, Optional<String> sign, List<String> models) {
        public ModeKeys {
            models = models == null ? List.of() : List.copyOf(models);
        }

        /** Whether the cable is pulled before. */
        public boolean isUnplugged() {
            return cable.filter("out"::equals).isPresent();
        }

        private boolean isFor(String model) {
            return models.isEmpty() || models.contains(model);
        }
    }

    /** How one of its variants is brought into a mode; what names the variant goes before what names none. */
    public Optional<ModeKeys> keys(String model, String mode) {
        return keys.stream()
                .filter(one -> one.mode().equals(mode) && one.isFor(model))
                .min(Comparator.comparing(one -> one.models().isEmpty()));
    }

    /**
     * A stretch of the storage.
     *
     * @param name as flashers and scripts call it
     * @param kind what is on it
     * @param bytes its size, where it is known
     */
    public record Partition(
            String name, @JsonProperty("class") PartitionClass kind, Optional<Long> bytes) {}

    /**
     * One model number, exactly as the phone reports it, and by what else it is known.
     *
     * @param baseband what its baseband version begins with
     * @param rollbackFuse {@code present} if it will not start with something older than it has run, else {@code absent}
     */
    public record Variant(
            String model,
            Optional<String> carrier,
            Optional<String> region,
            Optional<String> chipset,
            Optional<String> device,
            Optional<String> baseband,
            Optional<String> rollbackFuse) {

        /** What tells this variant from its sisters, by fact; the baseband only by its beginning. */
        public Map<Fact, String> marks() {
            Map<Fact, String> marks = new LinkedHashMap<>();
            marks.put(Fact.MODEL, model);
            carrier.ifPresent(value -> marks.put(Fact.CARRIER, value));
            region.ifPresent(value -> marks.put(Fact.REGION, value));
            chipset.ifPresent(value -> marks.put(Fact.CHIPSET, value));
            device.ifPresent(value -> marks.put(Fact.DEVICE, value));
            baseband.ifPresent(value -> marks.put(Fact.BASEBAND, value));
            return marks;
        }
    }
}
