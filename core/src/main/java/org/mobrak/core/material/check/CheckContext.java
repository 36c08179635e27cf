package org.mobrak.core.material.check;

import java.util.Optional;
import org.mobrak.core.catalogue.Catalogue;
import org.mobrak.core.fit.School;
import org.mobrak.core.identity.Facts;

/**
 * What files are held against.
 *
 * @param facts what is believed of the phone
 * @param school how exactly a route must match, where the user chose; else what is written decides
 */
public record CheckContext(Facts facts, Catalogue catalogue, Optional<School> school) {}
