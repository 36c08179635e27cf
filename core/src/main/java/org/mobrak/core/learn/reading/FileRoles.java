package org.mobrak.core.learn.reading;

import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.regex.Pattern;

/** What a file is for, where it lies and whether it stays packed: by its name, and by the sentences it stands in. */
final class FileRoles {
    private static final Cue CARD = Cues.of("fileRoles.card");
    private static final Cue COMPUTER = Cues.of("fileRoles.computer");
    private static final Cue CLOSED = Cues.of("fileRoles.closed");
    private static final Cue OPENED =
            Cue.of("un(?:pack|zip)(?:ped|s|ping)?", "extract(?:ed)?", "tar xzf", "inside (?:is|are)");
    private static final Cue FLASHER =
            Cue.of("slot", "field", "box called", "download mode", "dl mode", "flasher", "downloading");

    private final List<Sentence> sentences;
    private final String all;
    private static final int MOST = 60_000;
    private final boolean phoneOnly;
    private final boolean closed;
    private final boolean flasher;
    /** Whether it tells of services beside an OS that is installed anew. */
    private final boolean offersServices;

    private static final Pattern SERVICES = Pattern.compile("\\bservices\\b");
    private static final Pattern WIPE = Pattern.compile("\\b(?:factory reset|wipe)\\b");
    private static final Pattern WRITTEN = Pattern.compile("\\b(?:flash|write|put|boot)\\s+(?:\\w+\\s+)?$");
    private static final Pattern INSTALLED = Pattern.compile("(?s)\\b(?:install|choose|flash|add)\\b.{0,40}$");
    private static final int NEAR = 60;

    FileRoles(List<Sentence> sentences) {
        this.sentences = sentences;
        StringBuilder text = new StringBuilder();
        sentences.forEach(sentence -> text.append(sentence.lower()).append('\n'));
        this.all = text.substring(0, Math.min(text.length(), MOST));
        this.closed =
                all.lines().anyMatch(line -> CLOSED.in(line) && line.matches(".*\\b(?:both|zips?|them|packages)\\b.*"));
        this.flasher = FLASHER.in(all);
        this.offersServices = SERVICES.matcher(all).find() && WIPE.matcher(all).find();
        this.phoneOnly = Cue.of("without (?:any |a )?computer", "no computer", "in the same phone")
                .in(all);
    }

    void tell(FileRead file, String title) {
        String name = file.value().toLowerCase(Locale.ROOT);
        file.role = role(file, name, title);
        file.partition = partition(file.role, name);
        file.slot.ifPresent(slot -> file.partition = file.partition.filter(one -> !one.equals("system")));
        boolean zip = name.matches(".*\\.(?:zip|tgz|tar\\.gz|7z|rar|gz)");
        boolean intoRecovery = file.role.matches(
                        "root package|OS package|services package|update package|pre-rooted package|verity patch|recovery package")
                && zip;
        file.where = Optional.of(where(file, intoRecovery));
        if (zip || name.endsWith(".tar")) {
            packed(file, intoRecovery);
        }
    }

    private void packed(FileRead file, boolean intoRecovery) {
        boolean closed = said(file, CLOSED);
        boolean opened = !closed && saysOpened(file);
        if (opened) {
            file.keepZipped = Optional.of(false);
            file.where = Optional.of("computer");
        } else if (closed || intoRecovery) {
            file.keepZipped = Optional.of(true);
        }
    }

    private boolean saysOpened(FileRead file) {
        return near(file).stream().anyMatch(sentence -> {
            int at = OPENED.at(sentence.lower());
            return at >= 0
                    && !sentence.lower()
                            .substring(Math.max(0, at - 24), at)
                            .matches(".*\\b(?:not|don't|dont|never|got|helpfully)\\b.*")
                    && !CLOSED.in(sentence.lower());
        });
    }

    private boolean said(FileRead file, Cue cue) {
        return near(file).stream().anyMatch(sentence -> cue.in(sentence.lower()))
                || cue == CLOSED
                        && closed
                        && file.value().toLowerCase(Locale.ROOT).endsWith(".zip");
    }

    /** Whether such words stand right before the name of a file, somewhere. */
    private boolean isBehind(Pattern words, String name) {
        for (int at = all.indexOf(name); at >= 0; at = all.indexOf(name, at + name.length())) {
            if (words.matcher(all.substring(Math.max(0, at - NEAR), at)).find()) {
                return true;
            }
        }
        return false;
    }

    /** The sentences that name a file, and the next of the same block. */
    private List<Sentence> near(FileRead file) {
        return file.sentences.stream()
                .flatMap(sentence ->
                        sentences.subList(sentence.index(), Math.min(sentences.size(), sentence.index() + 3)).stream()
                                .filter(next -> next == sentence
                                        || next.block() == sentence.block()
                                        || next.index() == sentence.index() + 1
                                                && FileNames.names(next.value()).isEmpty()))
                .toList();
    }

    private String where(FileRead file, boolean intoRecovery) {
        String name = file.value().toLowerCase(Locale.ROOT);
        if (name.endsWith(".apk") || phoneOnly && !name.endsWith(".exe")) {
            return "phone";
        }
        boolean packed = name.matches(".*\\.(?:tar|tar\\.md5)") && flasher;
        if (name.matches(".*\\.(?:exe|bat|sh|command|dmg|tgz|msi|py|jar)") || file.slot.isPresent() || packed) {
            return "computer";
        }
        boolean card = said(file, CARD) && !file.role.contains("firmware");
        if (intoRecovery) {
            return "phone";
        }
        boolean console = isBehind(WRITTEN, name);
        return console
                        || said(file, COMPUTER)
                        || file.role.matches("recovery image|kernel package|firmware package|toolkit|boot image")
                                && !(card && phoneOnly)
                ? "computer"
                : "phone";
    }

    private String role(FileRead file, String name, String title) {
        StringBuilder said = new StringBuilder();
        near(file).forEach(sentence -> said.append(sentence.lower()).append(' '));
        String about = said.toString();
        if (name.endsWith(".apk")) {
            return about.matches("(?s).*\\b(?:manager|superuser)\\b.*")
                            && !name.contains("root")
                            && all.split("\\.apk").length > 2
                    ? "manager app"
                    : "exploit app";
        }
        if (name.matches(".*\\.(?:bat|sh|command|exe|dmg|tgz|msi|py|jar)")) {
            return "toolkit";
        }
        boolean image = name.matches(".*\\.(?:img|img\\.md5|tar|tar\\.md5|bin)");
        if (name.contains("stock") && name.contains("rec")) {
            return "stock recovery";
        }
        if (image
                && (name.matches(".*(?:recov|rcv|(?<![a-z])rec(?![a-z])).*")
                        || about.matches(
                                "(?s).*\\b(?:recovery image|flash recovery|write recovery|put recovery|the recovery[: ]|recovery\\W{1,3}\\Q"
                                        + name + "\\E).*")
                        || title.contains("recover") && !title.contains("root from"))) {
            return "recovery image";
        }
        if (name.matches(".*(?:kern|zimage|insecure|boot).*") && image
                || image && about.matches("(?s).*\\bkernel\\b.*") && FLASHER.in(all)) {
            return "kernel package";
        }
        if (name.matches(".*(?:modem|radio|baseband).*")) {
            return "modem package";
        }
        if (name.matches(".*(?:verity|noforce|force).*")) {
            return "verity patch";
        }
        if (name.matches(".*\\.zip")) {
            return zip(name, about, title);
        }
        if (name.matches(".*(?:full|stock|firmware|code|_eu_|global|generic|phone|reg).*") || !image) {
            return about.matches("(?s).*\\b(?:pre-?rooted|comes already with root)\\b.*")
                    ? "pre-rooted package"
                    : "firmware package";
        }
        if (name.contains("root") || about.contains("already with root")) {
            return about.contains("with root") ? "pre-rooted package" : "root package";
        }
        return title.matches(".*\\b(?:stock|factory|original|firmware)\\b.*")
                ? "firmware package"
                : name.endsWith(".img") ? "recovery image" : "kernel package";
    }

    private String zip(String name, String about, String title) {
        if (name.matches(".*(?:services|store|shop|tradepost|market).*")
                || about.matches("(?s).*\\b(?:store and account|the store|shop and the mail|services)\\b.*")
                        && !name.matches(".*(?:root|su[-_.]).*")) {
            return "services package";
        }
        if (name.matches(".*(?:^|[-_])(?:ota|update)(?:[-_.]).*")
                && !name.matches(".*(?:su|root|overseer|manager).*")) {
            return "update package";
        }
        if (name.matches(".*(?:prf|prerooted|pre-rooted|rooted).*")) {
            return "pre-rooted package";
        }
        boolean script = about.matches(
                        "(?s).*(?:\\.bat|\\.sh\\b|\\.command|script|menu|unpack it|\\bunzip\\b|folder without blanks).*")
                && !about.matches("(?s).*install (?:the )?zip.*");
        if (script && !isBehind(INSTALLED, name)) {
            return "toolkit";
        }
        if (name.matches(".*(?:full|firmware|stock).*")) {
            return "firmware package";
        }
        if (name.matches(".*(?:recov|dualrec).*")) {
            return "recovery package";
        }
        boolean os = title.matches(".*\\b(?:custom (?:os|rom)|os|rom|community)\\b.*") || offersServices;
        boolean root = name.matches(".*(?:root|su[-_.\\d]|superuser|beadle|manager).*")
                || about.matches("(?s).*\\b(?:root|superuser|manager)\\b.*");
        return root || !os ? "root package" : "OS package";
    }

    private static Optional<String> partition(String role, String name) {
        if (role.equals("recovery image") || role.equals("stock recovery")) {
            return Optional.of("recovery");
        }
        if (role.equals("kernel package") || role.equals("boot image")) {
            return Optional.of("kernel");
        }
        return role.equals("modem package") ? Optional.of("radio") : Optional.empty();
    }
}
