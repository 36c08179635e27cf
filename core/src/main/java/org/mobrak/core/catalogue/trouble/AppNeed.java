package org.mobrak.core.catalogue.trouble;

import com.fasterxml.jackson.annotation.JsonIgnoreProperties;
import java.util.List;

/**
 * An app and what it relies on.
 *
 * @param id its package
 * @param name as people know it
 * @param reliesOn packages without which it does not work
 */
@JsonIgnoreProperties("origin")
public record AppNeed(String id, String name, List<String> reliesOn) {
    public AppNeed {
        reliesOn = reliesOn == null ? List.of() : List.copyOf(reliesOn);
    }
}
