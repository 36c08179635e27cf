/**
 * What broke, why, and what mends it.
 *
 * <p>In: facts, what people see, what was done to the phone. Out: causes and how likely they are, the next question, routes
 * that mend. A mend is planned, gated and proved like any other route; nothing here changes a phone or a file.
 *
 * <p>Nothing here is ever {@code null}; what is absent is an {@link java.util.Optional} or an empty list.
 */
package org.mobrak.core.mend;
