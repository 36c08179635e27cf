package org.mobrak.app.rehearsal;

import java.util.EnumMap;
import java.util.Map;
import java.util.Optional;
import org.mobrak.core.catalogue.PartitionClass;
import org.mobrak.core.catalogue.ToolSetting;
import org.mobrak.core.identity.Fact;
import org.mobrak.core.job.Card;
import org.mobrak.core.job.Step;
import org.mobrak.link.Mode;
import org.mobrak.link.bench.Stimulus;

/**
 * What a program does as its boxes are ticked. What the card does not say stays as such programs are when they are opened: they
 * restart the phone and wipe it, and keep nothing (common practice, no published source).
 *
 * @param meant as the author of the route has it
 * @param ticked as the hand has left them
 */
record Chosen(Map<ToolSetting, Boolean> meant, Map<ToolSetting, Boolean> ticked) {
    private static final Map<ToolSetting, Boolean> AT_FIRST = Map.of(
            ToolSetting.WIPE, true,
            ToolSetting.KEEP_ROOT, false,
            ToolSetting.RESTART, true,
            ToolSetting.PARTITION_TABLE, false);

    static Chosen of(Card.Work work, Step box) {
        Map<ToolSetting, Boolean> meant =
                box instanceof Step.Act act ? act.with().settings() : Map.of();
        Map<ToolSetting, Boolean> ticked = new EnumMap<>(ToolSetting.class);
        meant.keySet().forEach(one -> ticked.put(one, work.settings().getOrDefault(one, isAtFirst(one))));
        return new Chosen(meant, ticked);
    }

    /** Whether a program has this ticked when it is opened. */
    static boolean isAtFirst(ToolSetting setting) {
        return AT_FIRST.getOrDefault(setting, false);
    }

    /** The work as it is then done. */
    Stimulus.Task on(Stimulus.Task right) {
        Map<PartitionClass, Stimulus.Image> images = new EnumMap<>(PartitionClass.class);
        images.putAll(right.images());
        if (isTicked(ToolSetting.PARTITION_TABLE)) {
            // No package of one part holds the table that fits this storage.
            images.put(PartitionClass.PARTITION_TABLE, Stimulus.Image.FOREIGN);
        }
        Map<Fact, String> effects = new EnumMap<>(Fact.class);
        effects.putAll(right.effects());
        if (meant.getOrDefault(ToolSetting.KEEP_ROOT, false) && !isTicked(ToolSetting.KEEP_ROOT)) {
            effects.put(Fact.ROOT, "none");
            effects.put(Fact.ROOT_MANAGER, "none");
        }
        return new Stimulus.Task(
                right.needs(),
                right.byComputer(),
                images,
                effects,
                right.wipes() || isTicked(ToolSetting.WIPE),
                right.suits(),
                right.seconds(),
                right.broken(),
                right.rightPlace());
    }

    /** The start that nobody asked for. */
    Optional<Stimulus> restarts() {
        return isTicked(ToolSetting.RESTART) && !meant.getOrDefault(ToolSetting.RESTART, true)
                ? Optional.of(new Stimulus.Restart(Mode.OS))
                : Optional.empty();
    }

    /** Whether the phone is left where it is although a start was meant. */
    boolean stays() {
        return meant.getOrDefault(ToolSetting.RESTART, false) && !isTicked(ToolSetting.RESTART);
    }

    private boolean isTicked(ToolSetting setting) {
        return ticked.getOrDefault(setting, false);
    }
}
