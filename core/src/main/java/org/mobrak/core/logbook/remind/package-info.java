/**
 * What should be done again with phones that lie in a drawer, and when.
 *
 * <p>In: what is kept of a phone, its copies, a day. Out: {@link org.mobrak.core.logbook.remind.Reminder}s, and a calendar of them.
 * This package never notes that something was done: the next reading or check does that.
 */
package org.mobrak.core.logbook.remind;
