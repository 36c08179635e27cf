package org.mobrak.core.catalogue.file;

import static org.assertj.core.api.Assertions.assertThat;

import com.fasterxml.jackson.databind.ObjectMapper;
import com.fasterxml.jackson.databind.node.ObjectNode;
import java.io.IOException;
import java.util.List;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.mobrak.core.Sample;
import org.mobrak.core.catalogue.Catalogue;
import org.mobrak.core.catalogue.Route;

/** A route is tried as if it stood in the catalogue: the same faults, each at its value. */
class TrialTest {
    private static final String ROUTE = """
            {"id": "wren", "name": "Root for the Wren", "draft": true, "family": "exploit app", "summary": "s",
             "fits": {"phones": [{"model": "KQ-W21"}]},
             "changes": {"effects": {"root": "permanent"}, "writes": ["app"], "wipesData": false},
             "costs": {"handsOn": [1, 2, 3], "waiting": [1, 2, 3]},
             "work": {"steps": [{"phase": "do", "title": "Open it", "text": "Open it.", "sign": "It says so."}]}}
            """;

    private Catalogue catalogue;

    @BeforeEach
    void load() throws IOException {
        catalogue = CatalogueLoader.load(Sample.HOME.resolve("catalogue")).catalogue();
    }

    private static ObjectNode json(String text) throws IOException {
        return (ObjectNode) new ObjectMapper().readTree(text);
    }

    private static ObjectNode family() throws IOException {
        return json(
                "{\"id\": \"wrens\", \"maker\": \"Kestrin\", \"shopName\": \"Wren 2\", \"variants\": [{\"model\": \"KQ-W21\"}]}");
    }

    @Test
    void aPhoneThatNobodyKnowsIsAFaultUntilItsFamilyComesAlong() throws IOException {
        Trial alone = Trial.of(json(ROUTE), List.of(), catalogue);
        assertThat(alone.catalogue()).isEmpty();
        assertThat(alone.found())
                .filteredOn(found -> !found.fault().isWarning())
                .extracting(Trial.Found::pointer)
                .containsExactly("/fits/phones/0/model");
        Trial together = Trial.of(json(ROUTE), List.of(family()), catalogue);
        Catalogue with = together.catalogue().orElseThrow();
        assertThat(with.route("wren")).isEqualTo(together.route());
        assertThat(with.phone("KQ-W21")).isPresent();
        assertThat(with.routes()).hasSize(catalogue.routes().size() + 1);
        assertThat(catalogue.route("wren")).as("the catalogue stays as it is").isEmpty();
    }

    @Test
    void everyFaultIsToldAtTheValueItIsAbout() throws IOException {
        ObjectNode route = json(ROUTE);
        route.withObject("/changes").withArray("/writes").add("kettle");
        assertThat(Trial.of(route, List.of(family()), catalogue).found())
                .extracting(Trial.Found::pointer)
                .contains("/changes/writes/1");
        ObjectNode sum = json(ROUTE);
        sum.withObject("/work")
                .withArray("/files")
                .addObject()
                .put("name", "x.apk")
                .put("role", "app")
                .put("md5", "abc");
        assertThat(Trial.of(sum, List.of(family()), catalogue).found())
                .extracting(Trial.Found::pointer)
                .contains("/work/files/0/md5");
        ObjectNode effect = json(ROUTE);
        effect.withObject("/changes/effects").put("root", "forever");
        assertThat(Trial.of(effect, List.of(family()), catalogue).found())
                .filteredOn(found -> !found.fault().isWarning())
                .extracting(Trial.Found::pointer)
                .allMatch(pointer -> pointer.startsWith("/changes"));
        ObjectNode family = family();
        family.remove("maker");
        assertThat(Trial.of(json(ROUTE), List.of(family), catalogue).catalogue())
                .isEmpty();
    }

    @Test
    void anEntryOfTheSameIdMakesWay() throws IOException {
        Route first = catalogue.routes().get(0);
        ObjectNode route = json(ROUTE).put("id", first.id());
        Catalogue with =
                Trial.of(route, List.of(family()), catalogue).catalogue().orElseThrow();
        assertThat(with.routes()).hasSize(catalogue.routes().size());
        assertThat(with.route(first.id()).orElseThrow().name()).isEqualTo("Root for the Wren");
    }
}
