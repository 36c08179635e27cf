package org.mobrak.core.learn;

/** A value, the line it was read on, and how sure it is. */
record Said<T>(T value, GuideLine line, Lesson.Sure sure) {}
