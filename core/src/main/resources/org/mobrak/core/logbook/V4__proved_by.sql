-- What a job brought about says so in a column; what a text is called decides nothing.
ALTER TABLE intake ADD COLUMN proved_by INTEGER REFERENCES job (id);
UPDATE intake SET proved_by = CAST(substr(name, length('proof of job ') + 1) AS INTEGER)
 WHERE kind = 'TYPED'
   AND name GLOB 'proof of job [0-9]*'
   AND EXISTS (SELECT 1 FROM job WHERE job.id = CAST(substr(name, length('proof of job ') + 1) AS INTEGER));
