/** Speed of the core, measured with JMH; not part of the normal build. Figures go to docs/performance.md. */
package org.mobrak.benchmarks;
