/**
 * From a guide to a route. In: guides, and what a person answers. Out: drafts as a person fills them, what the catalogue says of
 * them, how they would do on the phones of the drawer; saved, an entry of the workspace's catalogue. A draft is never planned with
 * before a person has confirmed it. Everything is on disk after each change.
 */
package org.mobrak.app.workshop;
