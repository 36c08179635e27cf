-- Times are ISO 8601 in UTC. Nothing is ever overwritten: an intake that was taken back keeps its row.
CREATE TABLE phone (
    id       INTEGER PRIMARY KEY,
    nickname TEXT NOT NULL CHECK (length(nickname) > 0),
    added_at TEXT NOT NULL
);

-- Raw texts as they came; readings are worked out from them anew each time.
CREATE TABLE intake (
    id           INTEGER PRIMARY KEY,
    phone_id     INTEGER NOT NULL REFERENCES phone (id),
    name         TEXT NOT NULL,
    kind         TEXT NOT NULL CHECK (kind IN ('TEXT', 'TYPED')),
    text         TEXT NOT NULL,
    -- What was wrong with the bytes, as JSON; the text alone no longer shows it.
    findings     TEXT NOT NULL,
    taken_at     TEXT NOT NULL,
    withdrawn_at TEXT
);
CREATE INDEX intake_of_phone ON intake (phone_id);

CREATE TABLE job (
    id         INTEGER PRIMARY KEY,
    phone_id   INTEGER NOT NULL REFERENCES phone (id),
    sheet      TEXT NOT NULL,
    started_at TEXT NOT NULL
);
CREATE INDEX job_of_phone ON job (phone_id);

CREATE TABLE journal (
    id      INTEGER PRIMARY KEY,
    job_id  INTEGER NOT NULL REFERENCES job (id),
    at      TEXT NOT NULL,
    kind    TEXT NOT NULL CHECK (kind IN ('TICKED', 'UNTICKED', 'WORKED', 'FAILED', 'STOPPED')),
    step_id TEXT,
    note    TEXT NOT NULL
);
CREATE INDEX journal_of_job ON journal (job_id);

-- How the desk was left: which phone, which page, light or dark, text size.
CREATE TABLE setting (
    name  TEXT PRIMARY KEY,
    value TEXT NOT NULL
);
