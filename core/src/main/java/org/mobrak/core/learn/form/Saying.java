package org.mobrak.core.learn.form;

import com.fasterxml.jackson.databind.JsonNode;
import com.fasterxml.jackson.databind.node.ObjectNode;
import java.util.Arrays;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.mobrak.core.identity.Refusal;

/** What a person can say of a piece of a guide that was not understood, or was understood wrongly. */
public enum Saying {
    MODEL("A model number it is for", "models"),
    NOT_MODEL("A model number it is not for", "excludedModels"),
    OS_VERSION("The OS version", "osVersion"),
    BUILD("A build it is for", "builds"),
    NOT_BUILD("A build it is not for", "excludedBuilds"),
    FILE("A file", ""),
    CHECKSUM("The checksum of the last file", ""),
    STEP("Something to do", ""),
    SIGN("The sign of the last step", ""),
    DANGER("A danger", "hazards");

    private final String label;
    private final String field;

    Saying(String label, String field) {
        this.label = label;
        this.field = field;
    }

    public String label() {
        return label;
    }

    /** What a piece of the guide is that fills a field of the form; empty where none does. */
    public static Optional<Saying> of(String field) {
        return Arrays.stream(values())
                .filter(saying -> saying.field.equals(field))
                .findFirst();
    }

    /** The draft in which a piece of the guide counts as this. */
    public ObjectNode in(ObjectNode route, String piece) throws Refusal {
        String said = piece.strip();
        return switch (this) {
            case OS_VERSION -> Form.with(route, field, said);
            case MODEL, NOT_MODEL, BUILD, NOT_BUILD, DANGER -> added(route, said);
            case FILE -> Form.withFile(route, said);
            case STEP -> Form.withStep(route, said);
            case CHECKSUM -> checksum(route, said.toLowerCase(Locale.ROOT));
            case SIGN -> Form.with(route, last(route, "steps", "step") + ":sign", said);
        };
    }

    private ObjectNode added(ObjectNode route, String said) throws Refusal {
        String before = Form.of(route, Map.of()).field(field).map(Field::value).orElse("");
        String all = Stream.concat(before.lines(), Stream.of(said.replaceAll("\\R", " ")))
                .distinct()
                .collect(Collectors.joining("\n"));
        return Form.with(route, field, all);
    }

    /** By its length: 32, 40 and 64 hexadecimal digits are MD5 (RFC 1321), SHA-1 and SHA-256 (FIPS 180-4). */
    private static ObjectNode checksum(ObjectNode route, String said) throws Refusal {
        if (!said.matches("[0-9a-f]{1,64}")) {
            throw new Refusal("A checksum has the digits 0 to 9 and a to f, and nothing else.");
        }
        String kind = switch (said.length()) {
            case 32 -> "md5";
            case 40 -> "sha1";
            case 64 -> "sha256";
            default -> throw new Refusal("A checksum has 32, 40 or 64 digits; this has " + said.length() + ".");
        };
        return Form.with(route, last(route, "files", "file") + ":" + kind, said);
    }

    private static String last(ObjectNode route, String list, String word) throws Refusal {
        JsonNode all = route.at("/work/" + list);
        if (all.isEmpty()) {
            throw new Refusal("The draft has no " + word + " yet.");
        }
        return word + ":" + (all.size() - 1);
    }
}
