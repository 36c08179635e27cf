package org.mobrak.core.material.check;

import java.util.stream.Stream;
import org.mobrak.core.identity.Finding;

/** One thing that can be wrong with a file for a phone and a route. */
@FunctionalInterface
interface Rule {
    Stream<Finding> check(Use use);
}
