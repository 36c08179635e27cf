-- What happens in a job, one row an event, as JSON; the journal keeps the jobs from before.
CREATE TABLE event (
  id INTEGER PRIMARY KEY,
  job_id INTEGER NOT NULL REFERENCES job (id),
  at TEXT NOT NULL,
  event TEXT NOT NULL
);
CREATE INDEX event_of_job ON event (job_id);
