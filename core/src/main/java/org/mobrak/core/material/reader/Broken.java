package org.mobrak.core.material.reader;

import java.io.IOException;

/** A piece that is not as its kind must be. The message says where and what; the code is the finding's. */
final class Broken extends IOException {
    private static final long serialVersionUID = 1L;

    private final String code;

    Broken(String code, String message) {
        super(message);
        this.code = code;
    }

    String code() {
        return code;
    }
}
