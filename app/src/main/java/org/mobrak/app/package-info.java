/**
 * What the window shows and what it can do, without a single control.
 *
 * <p>In: what the user wants, as a method call on {@link org.mobrak.app.Session}. Out: a new immutable {@link
 * org.mobrak.app.Snapshot}, set on the thread that draws after it is on disk. All reading, computing and writing
 * happens on one worker thread; pages only look at the snapshot.
 *
 * <p>When a workspace is opened, {@link org.mobrak.app.Glance} tells who is there before the ways are looked for.
 *
 * <p>Nothing here is ever {@code null} but the glance and the snapshot before the first ones came.
 */
package org.mobrak.app;
