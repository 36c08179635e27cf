package org.mobrak.core.learn.reading;

import java.util.Map;

/** Numbers as they are spelled out. */
final class NumberWords {
    static final Map<String, Integer> ONES = Map.ofEntries(
            Map.entry("oh", 0),
            Map.entry("zero", 0),
            Map.entry("one", 1),
            Map.entry("two", 2),
            Map.entry("three", 3),
            Map.entry("four", 4),
            Map.entry("five", 5),
            Map.entry("six", 6),
            Map.entry("seven", 7),
            Map.entry("eight", 8),
            Map.entry("nine", 9));
    static final Map<String, Integer> TENS = Map.of(
            "twenty", 20, "thirty", 30, "forty", 40, "fifty", 50, "sixty", 60, "seventy", 70, "eighty", 80, "ninety",
            90);
    private static final Map<String, Integer> TEENS = Map.of(
            "ten",
            10,
            "eleven",
            11,
            "twelve",
            12,
            "thirteen",
            13,
            "fourteen",
            14,
            "fifteen",
            15,
            "sixteen",
            16,
            "seventeen",
            17,
            "eighteen",
            18,
            "nineteen",
            19);

    private NumberWords() {}

    /** The number a word stands for, “forty-five” too; below zero where it stands for none. */
    static int of(String lower) {
        int dash = lower.indexOf('-');
        if (dash > 0) {
            int tens = TENS.getOrDefault(lower.substring(0, dash), -1);
            int ones = ONES.getOrDefault(lower.substring(dash + 1), -1);
            return tens > 0 && ones > 0 ? tens + ones : -1;
        }
        return ONES.getOrDefault(lower, TEENS.getOrDefault(lower, TENS.getOrDefault(lower, -1)));
    }
}
