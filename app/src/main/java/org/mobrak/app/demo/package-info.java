/**
 * The demo workspace: the beekeepers' drawer, laid out afresh in a folder of its own.
 *
 * <p>In: the files under {@code demo/} and the shipped catalogue, which are only read. Out: a workspace like any other, and
 * the simulated bench that goes with it.
 *
 * <p>Nothing here is ever {@code null}; what is absent is an {@link java.util.Optional} or an empty list.
 */
package org.mobrak.app.demo;
