package org.mobrak.core.catalogue.match;

import java.util.List;
import java.util.Locale;
import org.mobrak.core.catalogue.KnownPhone;

/**
 * Model numbers that a person may take for each other: 0 and O, 1 and I and l, 5 and S, 8 and B, a dash more or less (common
 * practice, no published source). It only ever proposes.
 */
final class LookAlike {
    private static final String TAKEN = "OILSB";
    private static final String FOR = "01158";

    private LookAlike() {}

    /** The catalogue's model numbers that look like this one but are not it. */
    static List<String> of(String model, List<KnownPhone> phones) {
        String shape = shape(model);
        return phones.stream()
                .map(KnownPhone::model)
                .filter(known -> !known.equals(model) && shape(known).equals(shape))
                .toList();
    }

    private static String shape(String model) {
        StringBuilder shape = new StringBuilder();
        for (char c : model.toUpperCase(Locale.ROOT).toCharArray()) {
            int taken = TAKEN.indexOf(c);
            if (Character.isLetterOrDigit(c)) {
                shape.append(taken < 0 ? c : FOR.charAt(taken));
            }
        }
        return shape.toString();
    }
}
