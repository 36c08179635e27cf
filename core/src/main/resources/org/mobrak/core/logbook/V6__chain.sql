-- When which row was written down here, and what it said then. Each line bears a checksum over itself and the one before, so that
-- a row that says something else by now is noticed. The clock is that of this computer.
CREATE TABLE entry (
  seq INTEGER PRIMARY KEY,
  kind TEXT NOT NULL,
  row INTEGER NOT NULL,
  clock TEXT NOT NULL,
  content TEXT NOT NULL,
  sum TEXT NOT NULL
);
CREATE INDEX entry_of_row ON entry (kind, row);

-- Settings are written over, so each bears its own.
ALTER TABLE setting ADD COLUMN sum TEXT;
