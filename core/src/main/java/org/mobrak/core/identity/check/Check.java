package org.mobrak.core.identity.check;

import java.util.stream.Stream;
import org.mobrak.core.identity.Finding;

/** Holds some facts of a phone against each other and tells what cannot be, or is odd. */
interface Check {
    Stream<Finding> of(Case phone);
}
