package org.mobrak.desktop.parts;

import java.time.LocalDate;
import java.time.format.DateTimeFormatter;
import java.time.format.DateTimeParseException;
import javafx.scene.control.DatePicker;
import javafx.util.StringConverter;

/** A field for a day, written as everywhere here: year, month, day (ISO 8601). */
public final class Days {
    private Days() {}

    /** @param prompt also what is read out */
    public static DatePicker field(String id, String prompt) {
        DatePicker field = new DatePicker();
        field.setId(id);
        field.setPromptText(prompt);
        Texts.aloud(field, prompt);
        field.setConverter(new StringConverter<>() {
            @Override
            public String toString(LocalDate day) {
                return day == null ? "" : DateTimeFormatter.ISO_LOCAL_DATE.format(day);
            }

            @Override
            public LocalDate fromString(String text) {
                return read(text, field.getValue());
            }
        });
        return field;
    }

    /** What is no day changes nothing. */
    @SuppressWarnings("NullAway")
    private static LocalDate read(String text, LocalDate before) {
        try {
            return text.isBlank() ? null : LocalDate.parse(text.strip());
        } catch (DateTimeParseException noDay) {
            return before;
        }
    }
}
