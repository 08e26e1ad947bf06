-- The words that a job is found by: number, plate whole and in parts, vehicle, complaint, cause, corners.
CREATE FUNCTION zh_words(said text) RETURNS text LANGUAGE sql IMMUTABLE AS $$
  SELECT regexp_replace(coalesce(said, ''), '[^[:alnum:]]+', ' ', 'g')
$$;
--> statement-breakpoint
CREATE FUNCTION zh_job_document(job uuid) RETURNS tsvector LANGUAGE sql STABLE AS $$
  SELECT to_tsvector('simple', concat_ws(' ',
    jobs.number::text,
    zh_words(vehicles.plate), regexp_replace(vehicles.plate, '[^[:alnum:]]+', '', 'g'),
    zh_words(vehicles.make), zh_words(vehicles.model),
    zh_words(jobs.complaint), zh_words(jobs.confirmed_cause),
    (SELECT string_agg(corner::text, ' ') FROM job_corners WHERE job_corners.job_id = jobs.id)))
  FROM jobs JOIN vehicles ON vehicles.id = jobs.vehicle_id WHERE jobs.id = job
$$;
--> statement-breakpoint
CREATE FUNCTION zh_index_job(job uuid) RETURNS void LANGUAGE sql AS $$
  INSERT INTO job_search (job_id, document)
  SELECT id, zh_job_document(id) FROM jobs WHERE id = job
  ON CONFLICT (job_id) DO UPDATE SET document = excluded.document
$$;
--> statement-breakpoint
CREATE FUNCTION zh_index_own_job() RETURNS trigger LANGUAGE plpgsql AS $$
BEGIN
  PERFORM zh_index_job(NEW.id);
  RETURN NULL;
END
$$;
--> statement-breakpoint
CREATE FUNCTION zh_index_corner_job() RETURNS trigger LANGUAGE plpgsql AS $$
BEGIN
  IF TG_OP = 'DELETE' THEN
    PERFORM zh_index_job(OLD.job_id);
  ELSE
    PERFORM zh_index_job(NEW.job_id);
  END IF;
  RETURN NULL;
END
$$;
--> statement-breakpoint
CREATE FUNCTION zh_index_vehicle_jobs() RETURNS trigger LANGUAGE plpgsql AS $$
BEGIN
  PERFORM zh_index_job(jobs.id) FROM jobs WHERE jobs.vehicle_id = NEW.id;
  RETURN NULL;
END
$$;
--> statement-breakpoint
CREATE TRIGGER jobs_search AFTER INSERT OR UPDATE OF complaint, confirmed_cause, vehicle_id ON jobs FOR EACH ROW EXECUTE FUNCTION zh_index_own_job();
--> statement-breakpoint
CREATE TRIGGER job_corners_search AFTER INSERT OR DELETE ON job_corners FOR EACH ROW EXECUTE FUNCTION zh_index_corner_job();
--> statement-breakpoint
CREATE TRIGGER vehicles_search AFTER UPDATE OF plate, make, model ON vehicles FOR EACH ROW EXECUTE FUNCTION zh_index_vehicle_jobs();
--> statement-breakpoint
INSERT INTO job_search (job_id, document) SELECT id, zh_job_document(id) FROM jobs;
