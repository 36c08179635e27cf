/**
 * Facts held against each other.
 *
 * <p>In: a ledger, the facts it adds up to, and the ways to take build strings apart. Out: findings, each with its reason and how
 * sure it is ({@link org.mobrak.core.identity.check.CrossChecks}). One class for each check. Nothing here changes a fact or knows
 * a route.
 *
 * <p>Nothing here is ever {@code null}; what is absent is an {@link java.util.Optional} or an empty list.
 */
package org.mobrak.core.identity.check;
