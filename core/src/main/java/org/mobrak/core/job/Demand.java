package org.mobrak.core.job;

import org.mobrak.core.catalogue.Gate;

/**
 * Something a sheet must make sure of besides.
 *
 * @param because what asks for it: a file's name
 */
public record Demand(Gate gate, String because) {}
