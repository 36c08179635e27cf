package org.mobrak.core.learn.reading;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;

/** What a guide's way comes to: its kind, what is otherwise afterwards, and what therefore must be so before. */
final class Outcome {
    private final Optional<String> family;
    private final Map<String, Read<String>> effects = new LinkedHashMap<>();
    private final Map<String, Map<String, Read<String>>> needs;
    private final List<Read<String>> writes = new ArrayList<>();
    private final Optional<Read<Boolean>> wipes;
    private final List<Sentence> sentences;
    private final List<FileRead> files;
    private final Goals goals;

    Outcome(Goals goals, StatesReading states, List<FileRead> files, List<Sentence> sentences, String title) {
        this.goals = goals;
        this.files = files;
        this.sentences = sentences;
        this.family = goals.family();
        this.needs = new LinkedHashMap<>(states.needs());
        this.wipes = states.wipes();
        effects(family.orElse(""));
        written();
        settle(family.orElse(""));
    }

    Optional<String> family() {
        return family;
    }

    Map<String, Read<String>> effects() {
        return effects;
    }

    Map<String, Map<String, Read<String>>> needs() {
        return needs;
    }

    List<Read<String>> writes() {
        return writes;
    }

    Optional<Read<Boolean>> wipes() {
        return wipes;
    }

    private Optional<Sentence> telling(Cue cue) {
        return sentences.stream()
                .filter(sentence -> sentence.section() != Sentence.Section.TALK && cue.in(sentence.lower()))
                .findFirst();
    }

    private void effect(String fact, String value, Cue cue) {
        telling(cue)
                .or(() -> sentences.stream().findFirst())
                .ifPresent(sentence -> effects.putIfAbsent(
                        fact, Read.of(value, sentence, Math.max(0, cue.at(sentence.lower())), Sure.LIKELY)));
    }

    private static final Cue ROOT = Cues.of("outcome.root");

    private void effects(String kind) {
        boolean rootFile =
                files.stream().anyMatch(file -> file.role.matches("root package|exploit app|pre-rooted package"));
        boolean rooted = goals.isRoot() && !says(NOT_ROOT) || says(ROOTED) || rootFile;
        switch (kind) {
            case "mend" ->
                effect(
                        "trouble",
                        "none",
                        Cue.of("solved", "stuck", "loop", "fix(?:ed)?", "that did it", "gets past", "solution"));
            case "write protection" -> effect("writeProtection", "off", Cue.of("write.?protect(?:ion)?", "s-lock"));
            case "back to stock" -> stock();
            case "unlock" -> unlock();
            case "custom OS" -> effect("osKind", "custom", Cue.of("custom os", "rom", "system", "os"));
            default -> {
                if (rooted || goals.says("root", 1.6) && !says(NOT_ROOT)) {
                    effect("root", "permanent", ROOT);
                }
            }
        }
        boolean recovery = files.stream()
                .anyMatch(file -> file.role.equals("recovery image") || file.role.equals("recovery package"));
        if (recovery
                && !kind.equals("back to stock")
                && !kind.equals("mend")
                && !says(Cue.of(
                        "only boot it", "boot it only", "i don't write it", "is only started", "do not write it"))) {
            effect("recovery", "custom", Cue.of("recovery"));
        }
        if (kind.matches("unlock|flash console") && rooted && rootFile) {
            effect("root", "permanent", ROOT);
        }
        if (files.stream().anyMatch(file -> file.role.equals("kernel package"))
                && !kind.equals("mend")
                && !kind.equals("back to stock")) {
            effect("kernelKind", "custom", Cue.of("kernel"));
        }
        if (says(MANAGER) && effects.containsKey("root") && !kind.equals("back to stock")) {
            effect("rootManager", "present", MANAGER);
        }
        if (goals.says("temporary", 1.5) && !says(LASTING) && effects.containsKey("root")) {
            effects.put("root", effects.get("root").as("temporary"));
        }
        if (says(FUSE) && !kind.equals("mend")) {
            effect("warrantyFuse", "blown", FUSE);
        }
        later(kind);
        if (says(COUNTER)) {
            effect("customWrites", "+1", COUNTER);
        }
    }

    private static final Cue NOT_ROOT = Cues.of("outcome.notRoot");
    private static final Cue ROOTED = Cues.of("outcome.rooted");
    private static final Cue MANAGER = Cues.of("outcome.manager");
    private static final Cue COUNTER = Cues.of("outcome.counter");

    private static final Cue LASTING = Cues.of("outcome.lasting");
    private static final Cue FUSE = Cues.of("outcome.fuse");

    private boolean says(Cue cue) {
        return sentences.stream().anyMatch(sentence -> cue.in(sentence.lower()));
    }

    private void stock() {
        Cue all = Cue.of("stock", "factory", "firmware", "original", "unroot", "remove", "root");
        boolean unrootOnly = files.isEmpty();
        effect("root", "none", all);
        if (unrootOnly) {
            effect("rootManager", "none", Cue.of("manager", "remove", "uninstall"));
        } else {
            effect("osKind", "stock", all);
            if (says(Cue.of(
                    "recovery.{0,40}(?:gone|off)",
                    "takes off.{0,40}recovery",
                    "foreign recovery",
                    "custom recovery.{0,20}(?:off|gone|removed)"))) {
                effect("recovery", "stock", Cue.of("recovery"));
            }
            if (says(Cue.of(
                    "no (?:root )?manager", "manager (?:icon )?(?:is )?gone", "no manager icon", "no \\w+man"))) {
                effect("rootManager", "none", Cue.of("manager", "no \\w+man"));
            }
        }
    }

    private void unlock() {
        effect("lock", "unlocked", Cue.of("unlock(?:ing|ed|s)?", "open(?:ing)?"));
        boolean rootPackage = files.stream().anyMatch(file -> file.role.equals("root package"));
        if (rootPackage || says(Cue.of("and that's root", "that is root"))) {
            effect("root", "permanent", ROOT);
        }
    }

    /** The version that is there afterwards. */
    private void later(String kind) {
        if (!kind.matches(
                "downgrade and update|update behind a recovery|pre-rooted update|custom OS|on-phone flasher")) {
            return;
        }
        VersionsReading read = new VersionsReading(sentences, java.util.Set.of()).read();
        List<VersionsReading.OsRead> to = read.versions().stream()
                .filter(one -> one.to() && one.versions().exact().isPresent() && one.stance() != Stance.AGAINST)
                .toList();
        Optional<VersionsReading.OsRead> last = kind.equals("downgrade and update")
                ? to.stream().reduce((one, two) -> two)
                : to.stream().findFirst();
        last.ifPresent(one -> effects.putIfAbsent(
                "osVersion", one.read().as(one.versions().exact().orElseThrow())));
    }

    private static final Cue ONLY_STARTED = Cues.of("outcome.onlyStarted");

    private void written() {
        boolean started = says(ONLY_STARTED);
        java.util.Set<String> seen = new java.util.LinkedHashSet<>();
        for (FileRead file : files) {
            file.partition
                    .filter(partition -> !started || !partition.equals("recovery"))
                    .filter(seen::add)
                    .ifPresent(partition -> writes.add(file.name.as(partition).as(Sure.GUESS)));
            if (file.role.matches("OS package|firmware package|pre-rooted package|update package|root package")
                    && seen.add("system")) {
                writes.add(file.name.as("system").as(Sure.GUESS));
            }
        }
    }

    /** What the way itself brings is no need of it. */
    private void settle(String kind) {
        if (effects.containsKey("lock")) {
            needs.remove("lock");
        }
        if (effects.containsKey("recovery")) {
            needs.remove("recovery");
        }
        boolean keeps = !effects.containsKey("root")
                || kind.matches(
                        "update behind a recovery|on-phone flasher|write protection|mend|pre-rooted update|back to stock|housekeeping");
        if (!keeps) {
            needs.remove("root");
        }
        if (kind.matches("back to stock|mend|custom OS") && needs.containsKey("lock") && kind.equals("back to stock")) {
            needs.remove("lock");
        }
        if (!kind.matches("unlock|flash console")) {
            needs.remove("oemUnlock");
        }
        if (kind.equals("exploit app")) {
            needs.remove("lock");
            needs.remove("recovery");
        }
    }
}
