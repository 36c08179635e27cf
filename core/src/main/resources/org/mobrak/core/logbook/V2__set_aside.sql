-- A reading that the user does not let count. It is found again by its fact and value in the text it stands in.
CREATE TABLE set_aside (
  id INTEGER PRIMARY KEY,
  intake_id INTEGER NOT NULL REFERENCES intake (id),
  fact TEXT NOT NULL,
  value TEXT NOT NULL,
  reason TEXT NOT NULL,
  at TEXT NOT NULL,
  withdrawn_at TEXT
);
CREATE INDEX set_aside_of_intake ON set_aside (intake_id);

-- A phone whose adding was undone.
ALTER TABLE phone ADD COLUMN withdrawn_at TEXT;
