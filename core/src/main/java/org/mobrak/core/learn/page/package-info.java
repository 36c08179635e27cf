/**
 * A guide's bytes as blocks: headings, paragraphs, list items, steps, rows of tables, code. In come bytes in any encoding and markup
 * (plain, Markdown, BBCode, HTML, captions, tables); out come blocks whose every character knows its physical line. Nothing here
 * knows what the words mean.
 */
@NullMarked
package org.mobrak.core.learn.page;

import org.jspecify.annotations.NullMarked;
