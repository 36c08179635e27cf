package org.mobrak.core.learn.page;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/** Captions of a recording (WebVTT, W3C 2019; SubRip, common practice): the words of each cue with the second at which it begins. */
final class Captions {
    private static final Pattern TIMES = Pattern.compile(
            "(?:(\\d{1,2}):)?(\\d{1,2}):(\\d{2})[.,](\\d{3}) --> (?:(\\d{1,2}):)?(\\d{1,2}):(\\d{2})[.,](\\d{3}).*");
    private static final Pattern TAG = Pattern.compile("<[^<>]{0,80}>");
    private static final int A_LOOK = 12;
    /** In written language a full stop comes more often than once in so many characters. */
    private static final int LONGEST_WITHOUT_STOP = 250;
    /** So many milliseconds of silence part two acts; our own choice. */
    private static final int SILENCE = 1_500;

    private final String file;
    private final List<Page.Oddity> oddities;
    private final List<Block> blocks = new ArrayList<>();

    Captions(String file, List<Page.Oddity> oddities) {
        this.file = file;
        this.oddities = oddities;
    }

    /** “00:12 so this is the …”: words typed out with the minute and second at which they were said. */
    private static final Pattern STAMP =
            Pattern.compile("^\\s*[\\[(]?(?:(\\d):)?(\\d{1,2}):(\\d{2})[\\])]?(?: ?[-–:])?\\s+(?=\\S)");

    private static final int FEWEST_STAMPS = 4;
    /** Who begins later reads a clock. */
    private static final int LATEST_BEGIN = 180;

    private static final int LONGEST_PAUSE = 600;

    static boolean are(String[] lines) {
        if (areStamped(lines)) {
            return true;
        }
        for (int i = 0; i < Math.min(lines.length, A_LOOK); i++) {
            if (TIMES.matcher(lines[i].strip()).matches()) {
                return true;
            }
        }
        return false;
    }

    private static boolean areStamped(String[] lines) {
        int last = -1;
        int stamps = 0;
        int filled = 0;
        for (String line : lines) {
            Matcher stamp = STAMP.matcher(line);
            filled += line.isBlank() ? 0 : 1;
            if (stamp.find()) {
                int second = second(stamp);
                boolean goesOn = last < 0 ? second <= LATEST_BEGIN : second >= last && second - last <= LONGEST_PAUSE;
                if (!goesOn) {
                    return false;
                }
                last = second;
                stamps++;
            }
        }
        return stamps >= FEWEST_STAMPS && stamps * 2 > filled;
    }

    private static int second(Matcher stamp) {
        int hours = stamp.group(1) == null ? 0 : Integer.parseInt(stamp.group(1));
        return (hours * 60 + Integer.parseInt(stamp.group(2))) * 60 + Integer.parseInt(stamp.group(3));
    }

    /** The lines of such a text; each lasts until the next begins. */
    private List<Cue> stamped(String[] lines) {
        List<Cue> cues = new ArrayList<>();
        for (int i = 0; i < lines.length; i++) {
            Matcher stamp = STAMP.matcher(lines[i]);
            boolean begins = stamp.find();
            String bare = Decoded.seen(begins ? lines[i].substring(stamp.end()) : lines[i])
                    .strip();
            if (bare.isEmpty()) {
                continue;
            }
            long at = begins
                    ? second(stamp) * 1_000L
                    : cues.isEmpty() ? 0 : cues.get(cues.size() - 1).from();
            cues.add(new Cue(at, at, Text.of(file, i + 1, bare)));
        }
        return cues;
    }

    /** A cue. */
    private record Cue(long from, long to, Text text) {}

    Page read(String[] lines) {
        boolean stamped = areStamped(lines);
        List<Cue> cues = stamped ? stamped(lines) : cues(lines);
        int letters = cues.stream().mapToInt(cue -> cue.text().value().length()).sum();
        long stops = cues.stream()
                .flatMapToInt(cue -> cue.text().value().chars())
                .filter(one -> one == '.' || one == '?' || one == '!')
                .count();
        boolean written = stops * LONGEST_WITHOUT_STOP > letters;
        boolean capitals = cues.stream()
                .allMatch(cue -> cue.text().value().equals(cue.text().value().toUpperCase(Locale.ROOT)));
        Map<Integer, Integer> seconds = new HashMap<>();
        cues.forEach(cue -> {
            Text words = cue.text();
            for (int line = words.firstLine();
                    line <= words.lineAt(words.value().length() - 1);
                    line++) {
                seconds.put(line, (int) (cue.from() / 1_000));
            }
        });
        Text.Builder act = new Text.Builder(file);
        long end = 0;
        for (Cue cue : cues) {
            boolean silence = stamped || cue.from() - end > SILENCE;
            if (!act.isEmpty() && (!written || silence)) {
                blocks.add(Block.of(Block.Kind.CAPTION, act.build()));
                act = new Text.Builder(file);
            }
            append(act, cue.text());
            end = cue.to();
        }
        if (!act.isEmpty()) {
            blocks.add(Block.of(Block.Kind.CAPTION, act.build()));
        }
        return new Page(file, blocks, List.of(), List.of(), !written || capitals, oddities, seconds);
    }

    private static void append(Text.Builder act, Text words) {
        String value = words.value();
        int from = 0;
        for (int i = 1; i <= value.length(); i++) {
            if (i == value.length() || words.lineAt(i) != words.lineAt(from)) {
                act.wrap(value.substring(from, i).strip(), words.lineAt(from));
                from = i;
            }
        }
    }

    private List<Cue> cues(String[] lines) {
        List<Cue> cues = new ArrayList<>();
        for (int i = 0; i < lines.length; i++) {
            Matcher times = TIMES.matcher(lines[i].strip());
            if (!times.matches()) {
                continue;
            }
            Text.Builder words = new Text.Builder(file);
            for (i++; i < lines.length && !lines[i].isBlank(); i++) {
                String bare = Decoded.seen(TAG.matcher(lines[i]).replaceAll("")).strip();
                if (!bare.isEmpty() && !bare.matches("\\[[^\\]]*\\]|\\([^)]*\\)|♪.*")) {
                    words.wrap(bare, i + 1);
                }
            }
            if (!words.isEmpty()) {
                cues.add(new Cue(millis(times, 1), millis(times, 5), words.build()));
            }
        }
        return cues;
    }

    private static long millis(Matcher times, int group) {
        String hours = times.group(group);
        return ((hours == null ? 0 : Long.parseLong(hours)) * 3_600
                                + Long.parseLong(times.group(group + 1)) * 60
                                + Long.parseLong(times.group(group + 2)))
                        * 1_000
                + Long.parseLong(times.group(group + 3));
    }
}
