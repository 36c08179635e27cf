/**
 * What can go wrong, as the catalogue tells it: symptoms in the words of people, causes and how they show, questions that tell
 * causes apart, and which app relies on which.
 *
 * <p>Values only; {@link org.mobrak.core.catalogue.file.TroubleLoader} reads them, {@code core.mend} weighs them.
 *
 * <p>Nothing here is ever {@code null}; what is absent is an {@link java.util.Optional} or an empty list.
 */
package org.mobrak.core.catalogue.trouble;
