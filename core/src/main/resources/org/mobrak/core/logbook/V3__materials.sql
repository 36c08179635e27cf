-- A file that was looked into, and what was found. Where it lies now is asked of the disk.
CREATE TABLE material (
  id INTEGER PRIMARY KEY,
  path TEXT NOT NULL,
  modified TEXT NOT NULL,
  found TEXT NOT NULL,
  seen_at TEXT NOT NULL,
  withdrawn_at TEXT
);
CREATE INDEX material_of_path ON material (path);

-- A copy that can bring a phone back. Looks at it are rows of their own; none is overwritten.
CREATE TABLE stock_copy (
  id INTEGER PRIMARY KEY,
  phone_id INTEGER NOT NULL REFERENCES phone (id),
  material_id INTEGER NOT NULL REFERENCES material (id),
  covers TEXT NOT NULL,
  model TEXT NOT NULL,
  build TEXT NOT NULL,
  at TEXT NOT NULL,
  withdrawn_at TEXT
);
CREATE INDEX stock_copy_of_phone ON stock_copy (phone_id);

CREATE TABLE stock_check (
  id INTEGER PRIMARY KEY,
  copy_id INTEGER NOT NULL REFERENCES stock_copy (id),
  at TEXT NOT NULL,
  whole INTEGER NOT NULL CHECK (whole IN (0, 1))
);
CREATE INDEX stock_check_of_copy ON stock_check (copy_id);
