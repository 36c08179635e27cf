package org.mobrak.core.job;

import com.fasterxml.jackson.core.JsonProcessingException;
import com.fasterxml.jackson.databind.ObjectMapper;
import com.fasterxml.jackson.databind.SerializationFeature;
import com.fasterxml.jackson.databind.json.JsonMapper;
import com.fasterxml.jackson.datatype.jdk8.Jdk8Module;
import java.security.MessageDigest;
import java.security.NoSuchAlgorithmException;
import java.util.HexFormat;
import org.mobrak.core.catalogue.Route;

/**
 * Tells whether a route is still what it was: the SHA-256 of what it says, in one form whatever its file looks like. What people
 * report of it does not change it.
 */
final class RouteDigest {
    private static final ObjectMapper ONE_FORM = JsonMapper.builder()
            .addModule(new Jdk8Module())
            .enable(SerializationFeature.ORDER_MAP_ENTRIES_BY_KEYS)
            .build();

    private RouteDigest() {}

    static String of(Route route) {
        try {
            byte[] text = ONE_FORM.writeValueAsBytes(route.withoutReports());
            return HexFormat.of().formatHex(MessageDigest.getInstance("SHA-256").digest(text));
        } catch (JsonProcessingException | NoSuchAlgorithmException impossible) {
            throw new IllegalStateException("A route is plain values", impossible);
        }
    }
}
