package org.mobrak.core.material;

import com.fasterxml.jackson.core.type.TypeReference;
import com.fasterxml.jackson.databind.ObjectMapper;
import com.fasterxml.jackson.dataformat.yaml.YAMLFactory;
import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.regex.Pattern;
import org.mobrak.core.catalogue.KnownPhone;
import org.mobrak.core.catalogue.PartitionClass;

/** What partitions are called, and of which class each is. A name that is not here is of the class unknown. */
public final class PartitionNames {
    private static final Pattern ENDINGS =
            Pattern.compile("(\\.(img|bin|mbn|elf|raw|ext4|lz4|gz|xz|new|dat|br|patch|transfer|list|p|md5)){1,8}$");
    private static final Pattern SLOT = Pattern.compile("_[ab]$");
    private static final PartitionNames USUAL = new PartitionNames(table());

    private final Map<String, PartitionClass> classes;

    private PartitionNames(Map<String, PartitionClass> classes) {
        this.classes = Map.copyOf(classes);
    }

    /** What partitions are called on a phone: the usual names and its own. */
    public static PartitionNames of(Optional<KnownPhone> phone) {
        return phone.map(known -> USUAL.with(known.partitionClasses())).orElse(USUAL);
    }

    /** The names in general use, from {@code partitions.yaml}. */
    public static PartitionNames usual() {
        return USUAL;
    }

    private static Map<String, PartitionClass> table() {
        try (InputStream table = PartitionNames.class.getResourceAsStream("partitions.yaml")) {
            Map<PartitionClass, List<String>> names =
                    new ObjectMapper(new YAMLFactory()).readValue(table, new TypeReference<>() {});
            Map<String, PartitionClass> classes = new HashMap<>();
            names.forEach((kind, ofKind) -> ofKind.forEach(name -> classes.put(name, kind)));
            return classes;
        } catch (IOException ofOurOwn) {
            throw new UncheckedIOException(ofOurOwn);
        }
    }

    /** These names and a phone's own, which win. */
    public PartitionNames with(Map<String, PartitionClass> own) {
        Map<String, PartitionClass> both = new HashMap<>(classes);
        own.forEach((name, kind) -> both.put(name.toLowerCase(Locale.ROOT), kind));
        return new PartitionNames(both);
    }

    public boolean knows(String partition) {
        return classes.containsKey(partition);
    }

    /** The class of a partition by its lower-case name. */
    public PartitionClass classOf(String partition) {
        return classes.getOrDefault(partition, PartitionClass.UNKNOWN);
    }

    /**
     * The partition that a member of an archive, a block device or a folder stands for: {@code recovery} for {@code
     * images/recovery.img}, {@code /dev/block/by-name/recovery} and {@code recovery_a}.
     */
    public String partition(String place) {
        String path = place.endsWith("/") ? place.substring(0, place.length() - 1) : place;
        String last = path.substring(path.lastIndexOf('/') + 1).toLowerCase(Locale.ROOT);
        String stem = ENDINGS.matcher(last).replaceFirst("");
        String withoutSlot = SLOT.matcher(stem).replaceFirst("");
        return classes.containsKey(stem) ? stem : withoutSlot;
    }
}
