-- What was signed off stays as it was signed: every way in meets this last.
CREATE FUNCTION zh_job_is_signed(job uuid) RETURNS boolean LANGUAGE sql STABLE AS $$
  SELECT EXISTS (SELECT 1 FROM jobs WHERE id = job AND closed_at IS NOT NULL)
$$;
--> statement-breakpoint
CREATE FUNCTION zh_refuse_signed() RETURNS trigger LANGUAGE plpgsql AS $$
DECLARE
  job uuid;
BEGIN
  job := CASE WHEN TG_OP = 'DELETE' THEN OLD.job_id ELSE NEW.job_id END;
  IF zh_job_is_signed(job) OR (TG_OP = 'UPDATE' AND zh_job_is_signed(OLD.job_id)) THEN
    RAISE EXCEPTION 'This job is signed off: its record is closed.' USING ERRCODE = 'ZH001';
  END IF;
  IF TG_OP = 'DELETE' THEN
    RETURN OLD;
  END IF;
  RETURN NEW;
END
$$;
--> statement-breakpoint
CREATE FUNCTION zh_refuse_signed_reading() RETURNS trigger LANGUAGE plpgsql AS $$
DECLARE
  job uuid;
BEGIN
  SELECT job_id INTO job FROM reading_sets
    WHERE id = CASE WHEN TG_OP = 'DELETE' THEN OLD.set_id ELSE NEW.set_id END;
  IF zh_job_is_signed(job) THEN
    RAISE EXCEPTION 'This job is signed off: its record is closed.' USING ERRCODE = 'ZH001';
  END IF;
  IF TG_OP = 'DELETE' THEN
    RETURN OLD;
  END IF;
  RETURN NEW;
END
$$;
--> statement-breakpoint
CREATE FUNCTION zh_refuse_signed_job() RETURNS trigger LANGUAGE plpgsql AS $$
BEGIN
  IF OLD.closed_at IS NOT NULL AND NEW IS DISTINCT FROM OLD THEN
    RAISE EXCEPTION 'This job is signed off: its record is closed.' USING ERRCODE = 'ZH001';
  END IF;
  RETURN NEW;
END
$$;
--> statement-breakpoint
CREATE TRIGGER jobs_signed BEFORE UPDATE ON jobs FOR EACH ROW EXECUTE FUNCTION zh_refuse_signed_job();
--> statement-breakpoint
CREATE TRIGGER job_corners_signed BEFORE INSERT OR UPDATE OR DELETE ON job_corners FOR EACH ROW EXECUTE FUNCTION zh_refuse_signed();
--> statement-breakpoint
CREATE TRIGGER checks_signed BEFORE INSERT OR UPDATE OR DELETE ON checks FOR EACH ROW EXECUTE FUNCTION zh_refuse_signed();
--> statement-breakpoint
CREATE TRIGGER reading_sets_signed BEFORE INSERT OR UPDATE OR DELETE ON reading_sets FOR EACH ROW EXECUTE FUNCTION zh_refuse_signed();
--> statement-breakpoint
CREATE TRIGGER readings_signed BEFORE INSERT OR UPDATE OR DELETE ON readings FOR EACH ROW EXECUTE FUNCTION zh_refuse_signed_reading();
--> statement-breakpoint
CREATE TRIGGER decisions_signed BEFORE INSERT OR UPDATE OR DELETE ON decisions FOR EACH ROW EXECUTE FUNCTION zh_refuse_signed();
--> statement-breakpoint
CREATE TRIGGER findings_signed BEFORE INSERT OR UPDATE OR DELETE ON findings FOR EACH ROW EXECUTE FUNCTION zh_refuse_signed();
--> statement-breakpoint
CREATE TRIGGER findings_aside_signed BEFORE INSERT OR UPDATE OR DELETE ON findings_aside FOR EACH ROW EXECUTE FUNCTION zh_refuse_signed();
--> statement-breakpoint
CREATE TRIGGER road_tests_signed BEFORE INSERT OR UPDATE OR DELETE ON road_tests FOR EACH ROW EXECUTE FUNCTION zh_refuse_signed();
--> statement-breakpoint
CREATE TRIGGER tray_parts_signed BEFORE INSERT OR UPDATE OR DELETE ON tray_parts FOR EACH ROW EXECUTE FUNCTION zh_refuse_signed();
--> statement-breakpoint
CREATE TRIGGER photos_signed BEFORE INSERT OR UPDATE OR DELETE ON photos FOR EACH ROW EXECUTE FUNCTION zh_refuse_signed();
