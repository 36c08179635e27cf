package org.mobrak.core.logbook.transfer;

import java.util.Optional;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/**
 * The name of a setting.
 *
 * @param phone the number of the phone it is of
 */
record SettingName(String name, Optional<Long> phone) {
    private static final Pattern OF_A_PHONE = Pattern.compile("(.{1,80}?[. -])([0-9]{1,15})");
    private static final String LAST_PHONE = "phone";

    static SettingName of(String text) {
        Matcher found = OF_A_PHONE.matcher(text);
        return found.matches()
                ? new SettingName(found.group(1), Optional.of(Long.parseLong(found.group(2))))
                : new SettingName(text, Optional.empty());
    }

    /** Which phone lies on the desk is of this desk alone. */
    boolean isLocal() {
        return name.equals(LAST_PHONE);
    }
}
