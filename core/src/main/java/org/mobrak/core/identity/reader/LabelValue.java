package org.mobrak.core.identity.reader;

import java.time.DateTimeException;
import java.time.LocalDate;
import java.time.format.DateTimeFormatter;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/** How the text beside a label is read; empty where it says nothing of the kind. */
enum LabelValue {
    TEXT {
        @Override
        Optional<String> read(String text) {
            return Optional.of(text);
        }
    },
    /** A version number; whatever follows it is left out. */
    VERSION {
        @Override
        Optional<String> read(String text) {
            return first(NUMBERS, text);
        }
    },
    /** The kernel's release; its builder and date follow on further lines. */
    KERNEL {
        @Override
        Optional<String> read(String text) {
            return first(FIRST_WORD, text);
        }
    },
    /** How often: a number, or no for none. */
    COUNT {
        @Override
        Optional<String> read(String text) {
            boolean none = text.toLowerCase(Locale.ROOT).matches("no|none|never");
            return none ? Optional.of("0") : first(WHOLE_NUMBER, text);
        }
    },
    /** A number before a percent sign, or alone. */
    PERCENT {
        @Override
        Optional<String> read(String text) {
            return Optional.of(text.replaceFirst("\\s*%.*", "").strip());
        }
    },
    /** A day in one of the forms that screens show, as ISO 8601. */
    DAY {
        @Override
        Optional<String> read(String text) {
            return DAYS.stream().flatMap(form -> day(form, text).stream()).findFirst();
        }
    };

    private static final Pattern NUMBERS = Pattern.compile("^(\\d{1,9}(?:\\.\\d{1,9}){0,15}+)");
    private static final Pattern FIRST_WORD = Pattern.compile("^(\\d\\S*)");
    private static final Pattern WHOLE_NUMBER = Pattern.compile("(\\d+)");
    private static final List<DateTimeFormatter> DAYS = List.of(
            DateTimeFormatter.ISO_LOCAL_DATE,
            DateTimeFormatter.ofPattern("d MMMM uuuu", Locale.ENGLISH),
            DateTimeFormatter.ofPattern("MMMM d, uuuu", Locale.ENGLISH),
            DateTimeFormatter.ofPattern("d. MMMM uuuu", Locale.GERMAN));

    abstract Optional<String> read(String text);

    private static Optional<String> first(Pattern pattern, String text) {
        Matcher found = pattern.matcher(text);
        return found.find() ? Optional.of(found.group(1)) : Optional.empty();
    }

    private static Optional<String> day(DateTimeFormatter form, String text) {
        try {
            return Optional.of(LocalDate.parse(text, form).toString());
        } catch (DateTimeException otherForm) {
            return Optional.empty();
        }
    }
}
