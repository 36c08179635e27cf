package org.mobrak.core.learn.reading;

import java.util.HashSet;
import java.util.Set;

/** Whether a sentence can tell anything at all; most of a long thread cannot, and looking closer at each takes its time. */
final class Telling {
    private static final int STEM = 4;
    private static final int LONGEST_WORD = 24;
    private static final Set<String> STEMS = stems();

    private Telling() {}

    private static Set<String> stems() {
        Set<String> stems = new HashSet<>();
        for (String word :
                ("accept activate allow answer apply attention author back balance batt battery backup bank below between beware black blue bluetooth boot brand break brick build button bytes cable cache cancel cannot card careful carrier charge charger check chip chipset choose clear click close code compare computer confirm connect console contact copy corrected cost count counter custom damage danger data dead debug delete detach developer device disable disconnect don't done double download downgrade drag drive driver edit empty enable enter erase error every except exclude exploit extract factory fail field file finally finish firm first fit flash folder follow for format free freeze from full fuse get give gone good grant green guarantee hang hardware hold home icon image inside install instead internal internet kernel keep keys kill kind label latest leave let light line linux list loader lock log logo long loop lose lost made maker make manager mark memory menu method minute mode model modem money mount move must need never newer next nobody no not now off official older only open option other over owner pack page partition password paste patch permission phone photo pick plug power press price program protect prove pull push put radio read ready reboot recover recovery red release remove repair replace report requires require reset restart restore return risk rom root run safe same save screen script second seconds see select send serial series service set settings sd shop should show sign sim size skip slide slot software sold solution some start stay step stock stop store su sum superuser support sure swipe switch system table tablet take tap temporary test then thread tick tool touch transfer tree trouble turn type unit unknown unlock unmount unplug unpack unroot unsupported until unzip update usb use useless used usual variant verify version vibrate volume void wait wake warn warning warranty wipe with without work works wrong write written yellow yes you your zip official opening opened guard protection chord half percent quarter thirds minimum memo charged loaded power orange triangle picture penguin done finished okay answer says shows appears comes")
                        .split(" ")) {
            stems.add(word.length() <= STEM ? word : word.substring(0, STEM));
        }
        return Set.copyOf(stems);
    }

    static boolean isIn(String lower) {
        int start = -1;
        boolean digit = false;
        for (int i = 0; i <= lower.length(); i++) {
            char one = i < lower.length() ? lower.charAt(i) : ' ';
            digit |= one >= '0' && one <= '9';
            boolean word = one >= 'a' && one <= 'z' || one == '\'';
            if (one == '%' && digit) {
                return true;
            }
            if (word && start < 0) {
                start = i;
            } else if (!word && start >= 0) {
                String stem = lower.substring(start, Math.min(i, start + STEM));
                if (STEMS.contains(stem)) {
                    return true;
                }
                start = -1;
            }
        }
        return digit
                && (hasModel(lower)
                        || hasLongWord(lower)
                        || lower.indexOf('.') > 0 && lower.matches("(?s).*\\d\\.\\d.*|.*\\w\\.[a-z]{2,4}\\b.*"));
    }

    /** A word of letters and digits. */
    private static boolean hasModel(String lower) {
        boolean letter = false;
        boolean digit = false;
        for (int i = 0; i < lower.length(); i++) {
            char one = lower.charAt(i);
            boolean isLetter = one >= 'a' && one <= 'z';
            boolean isDigit = one >= '0' && one <= '9';
            if (isLetter || isDigit || one == '-' || one == '_') {
                letter |= isLetter;
                digit |= isDigit;
                if (letter && digit) {
                    return true;
                }
            } else {
                letter = false;
                digit = false;
            }
        }
        return false;
    }

    private static boolean hasLongWord(String lower) {
        int start = 0;
        for (int end = 0; end <= lower.length(); end++) {
            if (end == lower.length() || lower.charAt(end) == ' ') {
                if (end - start >= LONGEST_WORD) {
                    return true;
                }
                start = end + 1;
            }
        }
        return false;
    }
}
