/**
 * A draft as a person fills it. In: a draft of a route and what was read of it. Out: its fields, grouped as the trade asks, each
 * with its value, the line it was read from and the question it answers; a change gives another draft and never touches the first.
 */
package org.mobrak.core.learn.form;
