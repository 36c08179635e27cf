/**
 * The page on which a guide becomes a route. In: what lies on the workshop's table. Out: calls on the session. It learns nothing,
 * judges nothing and writes nothing itself.
 */
package org.mobrak.desktop.workshop;
