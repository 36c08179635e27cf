/**
 * Whether a file is right for this phone and this route.
 *
 * <p>In: what was found in a file, what is known of the phone, what the route asks for. Out: findings, the gravest first. Never:
 * opens a file, or lets a name decide where bytes can. Nothing here is null.
 */
package org.mobrak.core.material.check;
