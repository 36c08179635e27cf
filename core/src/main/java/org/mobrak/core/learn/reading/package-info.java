/**
 * What a guide's blocks say. In come pages ({@link org.mobrak.core.learn.page}); out comes one {@code Understood}: for which phones it
 * is and is not, files, tools, conditions, steps, each with the sentence it was read from. Roles come before values: a sentence is
 * first taken for what it is (a step, a requirement, talk), then for what it says.
 */
@NullMarked
package org.mobrak.core.learn.reading;

import org.jspecify.annotations.NullMarked;
