package org.mobrak.core.identity.reader;

import java.math.BigDecimal;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.jspecify.annotations.Nullable;
import org.mobrak.core.identity.Fact;
import org.mobrak.core.identity.Finding;
import org.mobrak.core.identity.Source;

/**
 * The battery's status as the running system dumps it: lines such as {@code level: 87}, with the level out of a scale, the
 * temperature in tenths of a degree Celsius, the voltage in millivolts and the health as a number.
 *
 * <p>The numbers of health are the platform's published constants for it (1 unknown … 7 cold), written down from memory and
 * held against the platform's interface file in the test.
 */
final class BatteryReader implements FormReader {
    private static final Pattern LINE =
            Pattern.compile("(level|scale|temperature|voltage|health|present|technology|status): *(\\S.*)");
    private static final List<String> HEALTH =
            List.of("", "", "good", "overheated", "dead", "over-voltage", "failing", "cold");

    /** One name alone could be anything. */
    private static final int ENOUGH = 3;

    private record Entry(String value, int index) {}

    @Override
    public void read(Page page) {
        Map<String, Entry> entries = new HashMap<>();
        page.open().forEach(index -> {
            Matcher line = LINE.matcher(page.line(index));
            if (line.matches()) {
                entries.putIfAbsent(line.group(1), new Entry(line.group(2), index));
            }
        });
        if (entries.size() >= ENOUGH) {
            entries.values().forEach(entry -> page.take(entry.index()));
            say(page, entries);
        }
    }

    private static void say(Page page, Map<String, Entry> entries) {
        Optional.ofNullable(entries.get("level")).ifPresent(level -> {
            String scale =
                    Optional.ofNullable(entries.get("scale")).map(Entry::value).orElse("100");
            page.say(Fact.BATTERY_PERCENT, percent(level.value(), scale), Source.BATTERY_STATUS, level.index());
        });
        scaled(page, entries.get("temperature"), Fact.BATTERY_TEMPERATURE, 1);
        scaled(page, entries.get("voltage"), Fact.BATTERY_VOLTAGE, 3);
        Optional.ofNullable(entries.get("health")).ifPresent(health -> sayHealth(page, health));
    }

    /** What is no number is handed on as it is, to be refused where it is taken. */
    private static String percent(String level, String scale) {
        if (!level.matches("-?\\d{1,6}") || !scale.matches("[1-9]\\d{0,5}")) {
            return level;
        }
        return String.valueOf(Math.round(100.0 * Integer.parseInt(level) / Integer.parseInt(scale)));
    }

    private static void scaled(Page page, @Nullable Entry entry, Fact fact, int decimals) {
        if (entry != null) {
            boolean number = entry.value().matches("-?\\d{1,9}");
            String value = number
                    ? new BigDecimal(entry.value()).movePointLeft(decimals).toPlainString()
                    : entry.value();
            page.say(fact, value, Source.BATTERY_STATUS, entry.index());
        }
    }

    private static void sayHealth(Page page, Entry health) {
        int number = health.value().matches("[1-7]") ? Integer.parseInt(health.value()) : 0;
        if (number > 1) {
            page.say(Fact.BATTERY_HEALTH, HEALTH.get(number), Source.BATTERY_STATUS, health.index());
        } else if (number == 0) {
            page.tell(Finding.caution(
                    "impossible-value",
                    "%s: battery health must be a number from 1 to 7, not “%s”; not used."
                            .formatted(page.place(health.index()), health.value())));
        }
    }
}
