package org.mobrak.app;

import org.mobrak.core.identity.Refusal;

/** Something of the phone on the desk, asked anew each time; a refusal where none lies there. */
interface OnDesk<T> {
    T get() throws Refusal;
}
