package org.mobrak.core.identity.reader;

import java.time.Instant;
import java.util.LinkedHashMap;
import java.util.Map;

/**
 * Texts that were read, so that each is read once however often its readings are asked for. Those not asked for lately are
 * forgotten. Safe to use from several threads.
 */
public final class ReadTexts {
    private static final int MOST = 512;

    private final Map<RawText, Parsed> read = new LinkedHashMap<>(MOST, 0.75f, true) {
        @Override
        protected boolean removeEldestEntry(Map.Entry<RawText, Parsed> eldest) {
            return size() > MOST;
        }
    };

    /** What a text says, as taken at that time. */
    public synchronized Parsed of(RawText text, Instant at) {
        return read.computeIfAbsent(text, fresh -> ReadingParser.parse(fresh, at))
                .takenAt(at);
    }
}
