-- The tallies of closed jobs are summed up by year as they come and go: a statement at a time.
CREATE FUNCTION zh_add_tallies() RETURNS trigger LANGUAGE plpgsql AS $$
BEGIN
  INSERT INTO tally_cells (measure, key, year, count, sum, squares)
  SELECT measure, key, year, count(*), sum(value), sum(value * value) FROM fresh
  GROUP BY measure, key, year
  ON CONFLICT (measure, key, year) DO UPDATE SET count = tally_cells.count + excluded.count,
    sum = tally_cells.sum + excluded.sum, squares = tally_cells.squares + excluded.squares;
  RETURN NULL;
END
$$;
--> statement-breakpoint
CREATE FUNCTION zh_take_tallies() RETURNS trigger LANGUAGE plpgsql AS $$
BEGIN
  UPDATE tally_cells SET count = tally_cells.count - gone.count, sum = tally_cells.sum - gone.sum,
    squares = tally_cells.squares - gone.squares
  FROM (SELECT measure, key, year, count(*) AS count, sum(value) AS sum, sum(value * value) AS squares
    FROM past GROUP BY measure, key, year) gone
  WHERE tally_cells.measure = gone.measure AND tally_cells.key = gone.key
    AND tally_cells.year = gone.year;
  RETURN NULL;
END
$$;
--> statement-breakpoint
CREATE TRIGGER job_tallies_added AFTER INSERT ON job_tallies REFERENCING NEW TABLE AS fresh FOR EACH STATEMENT EXECUTE FUNCTION zh_add_tallies();
--> statement-breakpoint
CREATE TRIGGER job_tallies_gone AFTER DELETE ON job_tallies REFERENCING OLD TABLE AS past FOR EACH STATEMENT EXECUTE FUNCTION zh_take_tallies();
--> statement-breakpoint
-- What a signed record rests on may be written to it once, and never again.
CREATE OR REPLACE FUNCTION zh_refuse_signed_job() RETURNS trigger LANGUAGE plpgsql AS $$
BEGIN
  IF OLD.closed_at IS NOT NULL AND OLD.signed_as IS NULL AND NEW.signed_as IS NOT NULL
    AND to_jsonb(NEW) - 'signed_as' = to_jsonb(OLD) - 'signed_as' THEN
    RETURN NEW;
  END IF;
  IF OLD.closed_at IS NOT NULL AND NEW IS DISTINCT FROM OLD THEN
    RAISE EXCEPTION 'This job is signed off: its record is closed.' USING ERRCODE = 'ZH001';
  END IF;
  RETURN NEW;
END
$$;
--> statement-breakpoint
-- Words as they are written, signs inside them left out: "SK-042-K" is found as "sk042k" too.
CREATE FUNCTION zh_joined(said text) RETURNS text LANGUAGE sql IMMUTABLE AS $$
  SELECT regexp_replace(coalesce(said, ''), '[^[:alnum:][:space:]]+', '', 'g')
$$;
--> statement-breakpoint
CREATE OR REPLACE FUNCTION zh_job_document(job uuid) RETURNS tsvector LANGUAGE sql STABLE AS $$
  SELECT to_tsvector('simple', concat_ws(' ',
    jobs.number::text,
    zh_words(vehicles.plate), zh_joined(vehicles.plate),
    zh_words(vehicles.make), zh_joined(vehicles.make),
    zh_words(vehicles.model), zh_joined(vehicles.model),
    zh_words(jobs.complaint), zh_joined(jobs.complaint), zh_words(jobs.confirmed_cause),
    (SELECT string_agg(corner::text, ' ') FROM job_corners WHERE job_corners.job_id = jobs.id)))
  FROM jobs JOIN vehicles ON vehicles.id = jobs.vehicle_id WHERE jobs.id = job
$$;
--> statement-breakpoint
UPDATE job_search SET document = zh_job_document(job_id);
--> statement-breakpoint
-- The words that a vehicle is found by: beginnings of its plate, whole or in parts, make and model.
CREATE FUNCTION zh_vehicle_words(plate text, make text, model text) RETURNS tsvector LANGUAGE sql IMMUTABLE AS $$
  SELECT to_tsvector('simple', public.zh_words(plate) || ' ' || public.zh_joined(plate)
    || ' ' || public.zh_words(make) || ' ' || public.zh_joined(make)
    || ' ' || public.zh_words(model) || ' ' || public.zh_joined(model))
$$;
--> statement-breakpoint
CREATE INDEX "vehicles_words" ON "vehicles" USING gin (zh_vehicle_words(plate, make, model));
