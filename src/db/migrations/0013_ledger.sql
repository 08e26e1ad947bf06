CREATE TYPE "public"."ledger_op" AS ENUM('write', 'change', 'take-back', 'sign', 'answer', 'import');--> statement-breakpoint
CREATE TABLE "ledger" (
	"seq" bigint PRIMARY KEY GENERATED ALWAYS AS IDENTITY (sequence name "ledger_seq_seq" INCREMENT BY 1 MINVALUE 1 MAXVALUE 9223372036854775807 START WITH 1 CACHE 1),
	"job_id" uuid,
	"vehicle_id" uuid,
	"at" timestamp with time zone DEFAULT clock_timestamp() NOT NULL,
	"who" text,
	"role" text,
	"what" text NOT NULL,
	"op" "ledger_op" NOT NULL,
	"place" text NOT NULL,
	"before" jsonb,
	"after" jsonb,
	"reason" text,
	"is_grave" boolean DEFAULT false NOT NULL
);
--> statement-breakpoint
CREATE SEQUENCE "checks_seq";
--> statement-breakpoint
ALTER TABLE "checks" ADD COLUMN "seq" bigint DEFAULT nextval('checks_seq') NOT NULL;
--> statement-breakpoint
-- What was written before there was a sequence goes by its clock, once.
ALTER TABLE "checks" DISABLE TRIGGER USER;
--> statement-breakpoint
UPDATE "checks" SET "seq" = ordered.place FROM (
  SELECT job_id, kind, place AS spot, item, row_number() OVER (ORDER BY at, job_id, kind, item) AS place FROM "checks"
) ordered WHERE "checks".job_id = ordered.job_id AND "checks".kind = ordered.kind
  AND "checks".place = ordered.spot AND "checks".item = ordered.item;
--> statement-breakpoint
ALTER TABLE "checks" ENABLE TRIGGER USER;
--> statement-breakpoint
SELECT setval('checks_seq', greatest((SELECT count(*) FROM "checks"), 1));
--> statement-breakpoint
CREATE FUNCTION zh_next_check() RETURNS trigger LANGUAGE plpgsql AS $$
BEGIN
  NEW.seq := nextval('checks_seq');
  RETURN NEW;
END
$$;
--> statement-breakpoint
CREATE TRIGGER checks_in_order BEFORE INSERT OR UPDATE ON checks FOR EACH ROW EXECUTE FUNCTION zh_next_check();
--> statement-breakpoint
CREATE INDEX "ledger_job" ON "ledger" USING btree ("job_id","seq");--> statement-breakpoint
CREATE INDEX "ledger_vehicle" ON "ledger" USING btree ("vehicle_id","seq");--> statement-breakpoint
CREATE INDEX "ledger_grave" ON "ledger" USING btree ("job_id","seq") WHERE is_grave;--> statement-breakpoint
CREATE INDEX "ledger_grave_vehicle" ON "ledger" USING btree ("vehicle_id","seq") WHERE is_grave;
--> statement-breakpoint
-- Nothing of the ledger is changed or deleted.
CREATE FUNCTION zh_refuse_ledger() RETURNS trigger LANGUAGE plpgsql AS $$
BEGIN
  RAISE EXCEPTION 'The ledger is only added to.' USING ERRCODE = 'ZH002';
END
$$;
--> statement-breakpoint
CREATE TRIGGER ledger_kept BEFORE UPDATE OR DELETE ON ledger FOR EACH ROW EXECUTE FUNCTION zh_refuse_ledger();
--> statement-breakpoint
CREATE TRIGGER ledger_kept_whole BEFORE TRUNCATE ON ledger FOR EACH STATEMENT EXECUTE FUNCTION zh_refuse_ledger();
--> statement-breakpoint
-- What was said at the screen for the transaction that is under way: who, role, reason, op.
CREATE FUNCTION zh_said(name text) RETURNS text LANGUAGE sql STABLE AS $$
  SELECT nullif(current_setting('zh.' || name, true), '')
$$;
--> statement-breakpoint
CREATE FUNCTION zh_ledger() RETURNS trigger LANGUAGE plpgsql AS $$
DECLARE
  was jsonb := CASE WHEN TG_OP = 'INSERT' THEN NULL ELSE to_jsonb(OLD) - 'job_id' - 'seq' - 'stamp' - 'signed_as' END;
  has jsonb := CASE WHEN TG_OP = 'DELETE' THEN NULL ELSE to_jsonb(NEW) - 'job_id' - 'seq' - 'stamp' - 'signed_as' END;
  quiet text[] := ARRAY['by', 'at', 'taken_at', 'found_at', 'decided_at'];
  own jsonb := CASE WHEN TG_OP = 'DELETE' THEN to_jsonb(OLD) ELSE to_jsonb(NEW) END;
  op ledger_op := CASE TG_OP WHEN 'UPDATE' THEN 'change' WHEN 'DELETE' THEN 'take-back' ELSE 'write' END;
  job uuid := (own ->> 'job_id')::uuid;
  vehicle uuid;
  spot text;
  grave boolean := false;
BEGIN
  IF TG_OP = 'UPDATE' AND was - quiet = has - quiet THEN
    RETURN NULL;
  END IF;
  CASE TG_ARGV[0]
    WHEN 'check' THEN
      spot := trim(own ->> 'place' || ' ') || CASE WHEN own ->> 'place' = '' THEN '' ELSE ' ' END || (own ->> 'kind') || ' ' || (own ->> 'item');
      grave := TG_OP <> 'INSERT' AND CASE own ->> 'kind'
        WHEN 'look' THEN was -> 'value' <> '[]'::jsonb
        WHEN 'step' THEN was -> 'value' = '"done"'::jsonb
        WHEN 'method' THEN true
        WHEN 'pedal' THEN was -> 'value' = '"sank"'::jsonb
        WHEN 'hydraulics' THEN own ->> 'item' IN ('opened', 'hose-off')
        ELSE false
      END;
    WHEN 'finding' THEN
      spot := trim((own ->> 'corner') || ' ' || (own ->> 'code'));
      grave := TG_OP <> 'INSERT';
    WHEN 'set' THEN
      spot := (own ->> 'corner') || ' ' || (own ->> 'kind') || ' ' || (own ->> 'phase');
      grave := TG_OP = 'DELETE' OR (TG_OP = 'UPDATE' AND OLD.set_aside_at IS NULL AND NEW.set_aside_at IS NOT NULL);
    WHEN 'reading' THEN
      SELECT sets.job_id, sets.corner || ' ' || sets.kind || ' ' || sets.phase INTO job, spot
        FROM reading_sets sets WHERE sets.id = (own ->> 'set_id')::uuid;
      grave := TG_OP <> 'INSERT' AND spot LIKE '% thickness %'
        AND (TG_OP = 'DELETE' OR (has ->> 'value_um')::float8 > (was ->> 'value_um')::float8);
      spot := coalesce(spot, '') || ', lap ' || ((own ->> 'lap')::int + 1) || ', position ' || ((own ->> 'position')::int + 1);
    WHEN 'limit' THEN
      SELECT axle.vehicle_id, axle.position || ' ' || (own ->> 'kind') INTO vehicle, spot
        FROM axles axle WHERE axle.id = (own ->> 'axle_id')::uuid;
      spot := coalesce(spot, own ->> 'kind');
      grave := TG_OP <> 'INSERT';
    WHEN 'axle' THEN
      vehicle := (own ->> 'vehicle_id')::uuid;
      spot := own ->> 'position';
      grave := TG_OP <> 'INSERT' AND (was -> 'studs' IS DISTINCT FROM has -> 'studs' OR was -> 'traits' IS DISTINCT FROM has -> 'traits');
    WHEN 'vehicle' THEN
      vehicle := (own ->> 'id')::uuid;
      spot := own ->> 'plate';
    WHEN 'job' THEN
      job := (own ->> 'id')::uuid;
      spot := 'job ' || (own ->> 'number');
      IF TG_OP = 'UPDATE' AND OLD.closed_at IS NULL AND NEW.closed_at IS NOT NULL THEN
        op := 'sign';
        grave := true;
      END IF;
    WHEN 'corner' THEN
      spot := own ->> 'corner';
    WHEN 'decision' THEN
      spot := (own ->> 'corner') || ' ' || (own ->> 'correction');
    WHEN 'part' THEN
      spot := (own ->> 'corner') || ' ' || (own ->> 'name');
      grave := TG_OP = 'DELETE' AND was -> 'back_at' = 'null'::jsonb;
    WHEN 'photo' THEN
      spot := own ->> 'corner';
    WHEN 'recheck' THEN
      spot := own ->> 'what';
    WHEN 'setting' THEN
      spot := own ->> 'key';
    WHEN 'person' THEN
      spot := own ->> 'name';
    WHEN 'torque' THEN
      spot := (own ->> 'make') || ' ' || (own ->> 'model') || ', ' || (own ->> 'axle') || ' ' || (own ->> 'fastener');
    ELSE
      spot := coalesce(own ->> 'code', '');
  END CASE;
  INSERT INTO ledger (job_id, vehicle_id, who, role, what, op, place, before, after, reason, is_grave) VALUES (
    job, vehicle, coalesce(zh_said('who'), own ->> 'by'), zh_said('role'), TG_ARGV[0],
    CASE WHEN TG_OP = 'INSERT' AND zh_said('op') = 'import' THEN 'import' ELSE op END,
    spot, was, has, coalesce(zh_said('reason'), has ->> 'note', has ->> 'set_aside_reason'), grave);
  RETURN NULL;
END
$$;
--> statement-breakpoint
-- A recording itself is large and stays out; that there is one, or is no more, does not.
CREATE FUNCTION zh_ledger_recording() RETURNS trigger LANGUAGE plpgsql AS $$
DECLARE
  job uuid;
  phase text;
BEGIN
  IF TG_OP = 'DELETE' THEN
    job := OLD.job_id; phase := OLD.phase;
  ELSE
    job := NEW.job_id; phase := NEW.phase;
  END IF;
  INSERT INTO ledger (job_id, who, role, what, op, place, reason) VALUES (
    job, zh_said('who'), zh_said('role'), 'road test',
    CASE TG_OP WHEN 'UPDATE' THEN 'change' WHEN 'DELETE' THEN 'take-back' ELSE 'write' END::ledger_op,
    phase, zh_said('reason'));
  RETURN NULL;
END
$$;
--> statement-breakpoint
CREATE TRIGGER jobs_ledger AFTER INSERT OR UPDATE OR DELETE ON jobs FOR EACH ROW EXECUTE FUNCTION zh_ledger('job');
--> statement-breakpoint
CREATE TRIGGER job_corners_ledger AFTER INSERT OR UPDATE OR DELETE ON job_corners FOR EACH ROW EXECUTE FUNCTION zh_ledger('corner');
--> statement-breakpoint
CREATE TRIGGER checks_ledger AFTER INSERT OR UPDATE OR DELETE ON checks FOR EACH ROW EXECUTE FUNCTION zh_ledger('check');
--> statement-breakpoint
CREATE TRIGGER findings_ledger AFTER INSERT OR UPDATE OR DELETE ON findings FOR EACH ROW EXECUTE FUNCTION zh_ledger('finding');
--> statement-breakpoint
CREATE TRIGGER findings_aside_ledger AFTER INSERT OR UPDATE OR DELETE ON findings_aside FOR EACH ROW EXECUTE FUNCTION zh_ledger('finding aside');
--> statement-breakpoint
CREATE TRIGGER reading_sets_ledger AFTER INSERT OR UPDATE OR DELETE ON reading_sets FOR EACH ROW EXECUTE FUNCTION zh_ledger('set');
--> statement-breakpoint
CREATE TRIGGER readings_ledger AFTER INSERT OR UPDATE OR DELETE ON readings FOR EACH ROW EXECUTE FUNCTION zh_ledger('reading');
--> statement-breakpoint
CREATE TRIGGER decisions_ledger AFTER INSERT OR UPDATE OR DELETE ON decisions FOR EACH ROW EXECUTE FUNCTION zh_ledger('decision');
--> statement-breakpoint
CREATE TRIGGER tray_parts_ledger AFTER INSERT OR UPDATE OR DELETE ON tray_parts FOR EACH ROW EXECUTE FUNCTION zh_ledger('part');
--> statement-breakpoint
CREATE TRIGGER photos_ledger AFTER INSERT OR UPDATE OR DELETE ON photos FOR EACH ROW EXECUTE FUNCTION zh_ledger('photo');
--> statement-breakpoint
CREATE TRIGGER rechecks_ledger AFTER INSERT OR UPDATE OR DELETE ON rechecks FOR EACH ROW EXECUTE FUNCTION zh_ledger('recheck');
--> statement-breakpoint
CREATE TRIGGER additions_ledger AFTER INSERT OR UPDATE OR DELETE ON additions FOR EACH ROW EXECUTE FUNCTION zh_ledger('addition');
--> statement-breakpoint
CREATE TRIGGER vehicles_ledger AFTER INSERT OR UPDATE OR DELETE ON vehicles FOR EACH ROW EXECUTE FUNCTION zh_ledger('vehicle');
--> statement-breakpoint
CREATE TRIGGER axles_ledger AFTER INSERT OR UPDATE OR DELETE ON axles FOR EACH ROW EXECUTE FUNCTION zh_ledger('axle');
--> statement-breakpoint
CREATE TRIGGER axle_limits_ledger AFTER INSERT OR UPDATE OR DELETE ON axle_limits FOR EACH ROW EXECUTE FUNCTION zh_ledger('limit');
--> statement-breakpoint
CREATE TRIGGER torque_figures_ledger AFTER INSERT OR UPDATE OR DELETE ON torque_figures FOR EACH ROW EXECUTE FUNCTION zh_ledger('torque');
--> statement-breakpoint
CREATE TRIGGER settings_ledger AFTER INSERT OR UPDATE OR DELETE ON settings FOR EACH ROW EXECUTE FUNCTION zh_ledger('setting');
--> statement-breakpoint
CREATE TRIGGER people_ledger AFTER INSERT OR UPDATE OR DELETE ON people FOR EACH ROW EXECUTE FUNCTION zh_ledger('person');
--> statement-breakpoint
CREATE TRIGGER road_tests_ledger AFTER INSERT OR UPDATE OR DELETE ON road_tests FOR EACH ROW EXECUTE FUNCTION zh_ledger_recording();
