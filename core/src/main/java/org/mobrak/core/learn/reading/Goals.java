package org.mobrak.core.learn.reading;

import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.mobrak.core.learn.page.Block;

/** What a guide is for, and by which kind of way: the title says most, what is done and with which files the rest. */
final class Goals {
    /** So much of a text says what it is about. */
    private static final int MOST = 60_000;

    private static final int TITLE = 4;
    private static final Cue NOT = Cues.of("goals.not");

    private final Map<String, Double> weight = new HashMap<>();
    private final String title;
    private final String all;
    private final List<FileRead> files;

    Goals(List<Sentence> sentences, Phrases phrases, List<FileRead> files, String title) {
        this.title = title;
        this.files = files;
        StringBuilder text = new StringBuilder();
        phrases.goals().forEach((goal, cue) -> {
            double sum = cue.in(title) ? TITLE : 0;
            double body = 0;
            for (Sentence sentence : sentences) {
                if (sentence.section() != Sentence.Section.TALK && !sentence.quoted() && cue.in(sentence.lower())) {
                    int at = cue.at(sentence.lower());
                    boolean no = NOT.in(sentence.lower().substring(Math.max(0, at - 22), at));
                    body += no ? -.3 : sentence.is(Block.Kind.HEADING) || sentence.index() < 4 ? 1.2 : .4;
                }
            }
            weight.put(goal, sum + Math.min(3, body));
        });
        sentences.stream()
                .filter(sentence -> !sentence.quoted())
                .forEach(sentence -> text.append(sentence.lower()).append('\n'));
        this.all = text.substring(0, Math.min(text.length(), MOST));
    }

    private double of(String goal) {
        return weight.getOrDefault(goal, 0.0);
    }

    private boolean titled(Cue cue) {
        return cue.in(title);
    }

    private boolean has(String... words) {
        return Cue.of(words).in(all);
    }

    private boolean hasFile(String pattern) {
        return files.stream().anyMatch(file -> file.value().matches("(?i)" + pattern));
    }

    private boolean hasRole(String role) {
        return files.stream().anyMatch(file -> file.role.contains(role));
    }

    /** The kind of way for which most speaks; empty where nothing does. */
    Optional<String> family() {
        Map<String, Double> score = new LinkedHashMap<>();
        boolean console = has(
                "(?:flash|write|put|boot) (?:recovery|boot)",
                "reboot (?:boot)?loader",
                "restart loader",
                "flash console",
                "console mode",
                "reboot-loader",
                "oem unlock",
                "unlock-loader",
                "to-loader");
        boolean program = has("program", "tool")
                && has("cable", "plug in", "plug it in")
                && has("(?:button|press|click) [^.]{0,24}(?:root|go|start)\\b.{0,2}");
        boolean scripts = hasFile(".*\\.(?:bat|sh|command|dmg)");
        boolean image = hasFile(".*\\.(?:img|img\\.md5)") || hasRole("recovery image");
        boolean zipped =
                has("recovery", "recov", "(?:update|install|zip) from (?:the )?(?:sd ?)?card") && hasFile(".*\\.zip");
        boolean alone = has(
                "without (?:any |a )?computer",
                "no computer",
                "in the same phone",
                "all on the phone",
                "flash(?:ed|ing)? on the phone itself");
        boolean kept = has(
                "keep(?:s|ing)? (?:the )?root",
                "root (?:remained|kept|stays|is there|works|still there)",
                "lose root",
                "returns root",
                "root's back",
                "root gone");
        boolean download = has(
                "download mode", "dl mode", "download-mode", "downloading", "flasher", "slot", "bootloader-flasher");
        boolean tar = hasFile(".*\\.(?:tar|tar\\.md5|bin|img\\.md5)");
        score.put(
                "mend",
                of("mend") * .8
                        + (titled(MEND) ? 3 : 0)
                        + (has(
                                        "that did it",
                                        "solved",
                                        "mended",
                                        "gets past the check",
                                        "not dead",
                                        "it is not dead",
                                        "bars\\.",
                                        "loops?",
                                        "boot loop")
                                ? 1
                                : 0)
                        - (hasRole("root package") ? 1 : 0));
        score.put("write protection", of("protection") * 1.3);
        score.put(
                "back to stock",
                of("stock") * 1.1
                        + (hasRole("firmware") ? 1.6 : 0)
                        + (has(
                                        "wants it as new",
                                        "as new",
                                        "like new",
                                        "welcome screen",
                                        "official",
                                        "keep user data",
                                        "setup screen")
                                ? .8
                                : 0)
                        - (hasRole("root package") || has("pre-?rooted") ? 2 : 0));
        score.put(
                "downgrade and update",
                of("down") + (of("root") > 2 && of("down") >= 2 ? 1.5 : 0) + (has("then up", "up again") ? 1 : 0));
        score.put("pre-rooted update", of("prerooted") * 1.4 + (hasRole("pre-rooted") ? 1.5 : 0));
        score.put(
                "on-phone flasher",
                (alone ? 1.5 : 0)
                        + (alone && (image || tar || hasRole("pre-rooted")) ? 2.5 : 0)
                        - (download && !alone ? 2 : 0));
        score.put("custom OS", of("os") * 1.2 + (hasRole("OS package") ? 1.5 : 0) + (hasRole("services") ? 2 : 0));
        score.put(
                "unlock",
                of("unlock")
                        + (has(
                                        "ask-id",
                                        "read-id",
                                        "unlock code",
                                        "unlock-loader",
                                        "code from the maker",
                                        "allow unlock",
                                        "they send you a code",
                                        "oem unlock")
                                ? 1.5
                                : 0)
                        - (hasRole("root package") ? 2.5 : 0)
                        - (hasRole("recovery image") ? 2 : 0));
        score.put("old-bootloader chain", of("chain") * .9 + (hasRole("bootloader") ? 2 : 0));
        score.put(
                "update behind a recovery",
                of("update") * .7
                        + (hasRole("update package") ? 1.5 : 0)
                        + (kept ? 1.2 : -1)
                        + (of("update") > 2 && kept ? 1 : 0));
        score.put("temporary root", of("temporary") * 1.5);
        score.put(
                "toolkit script",
                (scripts ? 2.5 : 0)
                        + (has("the menu", "script", "toolkit", "batch file") ? 1.2 : 0)
                        + (hasRole("toolkit") ? 1.5 : 0)
                        + (files.isEmpty() && program ? 2.2 : 0)
                        - (image ? 1.5 : 0));
        score.put(
                "exploit app",
                (hasFile(".*\\.apk") ? 3 : 0)
                        + (has(
                                        "one.?tap",
                                        "one.?click",
                                        "one button",
                                        "press the (?:grey |big |red )?button",
                                        "tap root")
                                ? .8
                                : 0)
                        + (has("exploit", "hole") ? .8 : 0)
                        - (console ? 1.5 : 0)
                        - (image ? 2 : 0)
                        - (tar ? 2 : 0));
        score.put(
                "download-mode package",
                (download ? 1.8 : 0) + (tar ? 1.6 : 0) + (hasRole("kernel") ? 1 : 0) + (has("download mode") ? 1 : 0));
        score.put("flash console", (console ? 2 : 0) + (image ? 1.5 : 0) + (console && image ? 1 : 0));
        score.put(
                "recovery package",
                (zipped ? 2.4 : 0)
                        + (hasRole("root package") && zipped ? .6 : 0)
                        - (image ? .5 : 0)
                        + (hasFile(".*\\.zip") ? .3 : 0));
        List<Map.Entry<String, Double>> best = score.entrySet().stream()
                .sorted(Map.Entry.<String, Double>comparingByValue().reversed())
                .limit(2)
                .toList();
        // Where two kinds are as likely, and neither by much, nothing is said.
        boolean told = best.get(0).getValue() >= LEAST
                && (best.get(0).getValue() - best.get(1).getValue() > CLOSE
                        || best.get(0).getValue() > SURE);
        return told ? Optional.of(best.get(0).getKey()) : Optional.empty();
    }

    private static final double LEAST = 2;
    private static final double CLOSE = .15;
    private static final double SURE = 3.4;
    private static final Cue MEND = Cues.of("goals.mend");

    boolean isRoot() {
        return of("root") >= 3.5;
    }

    boolean says(String goal, double least) {
        return of(goal) >= least;
    }
}
