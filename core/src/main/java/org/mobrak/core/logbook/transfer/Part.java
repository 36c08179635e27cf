package org.mobrak.core.logbook.transfer;

import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import java.util.Optional;

/**
 * The kinds of rows of an export, in the order in which they are written and read: what a row belongs to comes before it.
 *
 * <p>Columns are named as in the database; in JSON {@code taken_at} is {@code takenAt}. A column that names another row holds that
 * row's key.
 */
enum Part {
    PHONES("phone", List.of(), List.of("nickname", "added_at", "withdrawn_at"), List.of("nickname", "added_at")),
    JOBS("job", List.of("phone_id"), List.of("sheet", "started_at"), List.of("started_at", "sheet")),
    TEXTS(
            "intake",
            List.of("phone_id", "proved_by"),
            List.of("name", "kind", "text", "findings", "taken_at", "withdrawn_at"),
            List.of("taken_at", "name", "kind", "text")),
    ASIDE(
            "set_aside",
            List.of("intake_id"),
            List.of("fact", "value", "reason", "at", "withdrawn_at"),
            List.of("fact", "value", "at")),
    EVENTS("event", List.of("job_id"), List.of("at", "event"), List.of("at", "event")),
    JOURNAL("journal", List.of("job_id"), List.of("at", "kind", "step_id", "note"), List.of("at", "kind", "step_id")),
    FILES(
            "material",
            List.of(),
            List.of("path", "modified", "found", "seen_at", "withdrawn_at"),
            List.of("path", "seen_at")),
    COPIES(
            "stock_copy",
            List.of("phone_id", "material_id"),
            List.of("covers", "model", "build", "at", "withdrawn_at"),
            List.of("covers", "at")),
    CHECKS("stock_check", List.of("copy_id"), List.of("at", "whole"), List.of("at"));

    private final String table;
    private final List<String> references;
    private final List<String> columns;
    private final List<String> identity;

    Part(String table, List<String> references, List<String> columns, List<String> identity) {
        this.table = table;
        this.references = references;
        this.columns = columns;
        this.identity = identity;
    }

    String table() {
        return table;
    }

    /** Columns that name other rows without which a row says nothing. */
    List<String> needed() {
        return references.stream()
                .filter(reference -> !reference.equals("proved_by"))
                .toList();
    }

    /** Columns that name other rows. */
    List<String> references() {
        return references;
    }

    List<String> columns() {
        return columns;
    }

    /** Columns that tell a row from the others of what it belongs to. */
    List<String> identity() {
        return identity;
    }

    /** The file of the export. */
    String file() {
        return name().toLowerCase(Locale.ROOT) + ".jsonl";
    }

    /** What a reference leads to. */
    static Part target(String reference) {
        return switch (reference) {
            case "phone_id" -> PHONES;
            case "job_id", "proved_by" -> JOBS;
            case "intake_id" -> TEXTS;
            case "material_id" -> FILES;
            case "copy_id" -> COPIES;
            default -> throw new IllegalArgumentException(reference);
        };
    }

    /** The reference by which a row belongs to another; empty for rows that belong to none. */
    Optional<String> owner() {
        return references.stream().findFirst();
    }

    static Optional<Part> ofFile(String name) {
        return Arrays.stream(values()).filter(part -> part.file().equals(name)).findFirst();
    }

    /** The name of a column in JSON. */
    static String field(String column) {
        String bare = column.replaceFirst("(?<!^step)_id$", "");
        int line = bare.indexOf('_');
        return line < 0 || line + 1 >= bare.length()
                ? bare
                : bare.substring(0, line) + Character.toUpperCase(bare.charAt(line + 1)) + bare.substring(line + 2);
    }

    /** Columns that hold JSON themselves. */
    static boolean isJson(String column) {
        return column.equals("sheet") || column.equals("event") || column.equals("findings") || column.equals("found");
    }
}
