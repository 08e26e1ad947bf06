CREATE TYPE "public"."wheel_kind" AS ENUM('steel', 'alloy');--> statement-breakpoint
ALTER TYPE "public"."caliper" ADD VALUE 'drum';--> statement-breakpoint
ALTER TYPE "public"."limit_kind" ADD VALUE 'drumNominal';--> statement-breakpoint
ALTER TYPE "public"."limit_kind" ADD VALUE 'drumMachineTo';--> statement-breakpoint
ALTER TYPE "public"."limit_kind" ADD VALUE 'drumDiscard';--> statement-breakpoint
ALTER TYPE "public"."limit_kind" ADD VALUE 'drumRound';--> statement-breakpoint
ALTER TYPE "public"."check_kind" ADD VALUE 'drum';--> statement-breakpoint
ALTER TABLE "torque_figures" DROP CONSTRAINT "torque_figures_key";--> statement-breakpoint
ALTER TABLE "axles" ADD COLUMN "thread" text;--> statement-breakpoint
ALTER TABLE "vehicles" ADD COLUMN "wheel" "wheel_kind";--> statement-breakpoint
ALTER TABLE "torque_figures" ADD COLUMN "wheel" text DEFAULT '' NOT NULL;--> statement-breakpoint
ALTER TABLE "torque_figures" ADD CONSTRAINT "torque_figures_key" UNIQUE("make","model","year","drive","variant","axle","fastener","wheel");
--> statement-breakpoint
-- A drum that was measured and is said to be smaller since, or not measured at all, is told to a lead.
CREATE OR REPLACE FUNCTION zh_ledger() RETURNS trigger LANGUAGE plpgsql AS $$
DECLARE
  was jsonb := CASE WHEN TG_OP = 'INSERT' THEN NULL ELSE to_jsonb(OLD) - 'job_id' - 'seq' - 'stamp' - 'signed_as' END;
  has jsonb := CASE WHEN TG_OP = 'DELETE' THEN NULL ELSE to_jsonb(NEW) - 'job_id' - 'seq' - 'stamp' - 'signed_as' END;
  quiet text[] := ARRAY['by', 'at', 'taken_at', 'found_at', 'decided_at'];
  own jsonb := CASE WHEN TG_OP = 'DELETE' THEN to_jsonb(OLD) ELSE to_jsonb(NEW) END;
  op ledger_op := CASE TG_OP WHEN 'UPDATE' THEN 'change' WHEN 'DELETE' THEN 'take-back' ELSE 'write' END;
  job uuid := (own ->> 'job_id')::uuid;
  vehicle uuid;
  -- Where a tick stood in the order of writing outlives it: what was done after it is still after it.
  was_at jsonb := CASE WHEN TG_OP = 'INSERT' THEN NULL ELSE to_jsonb(OLD) -> 'seq' END;
  spot text;
  grave boolean := false;
BEGIN
  -- What comes back from an archive of this shop brings its own history.
  IF zh_said('op') = 'return' THEN
    RETURN NULL;
  END IF;
  IF TG_OP = 'UPDATE' AND was - quiet = has - quiet THEN
    RETURN NULL;
  END IF;
  -- Whose word an estimate has is a name that may be erased: the history says only what was agreed.
  IF TG_ARGV[0] = 'check' AND own ->> 'kind' = 'estimate' THEN
    was := was #- '{value,name}';
    has := has #- '{value,name}';
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
        WHEN 'figure' THEN (own ->> 'item' LIKE 'drum-%' AND (TG_OP = 'DELETE' OR (has -> 'value' ->> 'um')::float8 < (was -> 'value' ->> 'um')::float8))
          OR (own ->> 'item' = 'stamped-drum' AND (TG_OP = 'DELETE' OR (has -> 'value' ->> 'um')::float8 > (was -> 'value' ->> 'um')::float8))
        WHEN 'drum' THEN TG_OP = 'DELETE' AND own ->> 'item' = 'done'
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
      spot := coalesce(own ->> 'code', own ->> 'name', '');
  END CASE;
  INSERT INTO ledger (job_id, vehicle_id, who, role, what, op, place, before, after, reason, is_grave) VALUES (
    job, vehicle, coalesce(zh_said('who'), own ->> 'by'), zh_said('role'), TG_ARGV[0],
    CASE WHEN TG_OP = 'INSERT' AND zh_said('op') = 'import' THEN 'import' ELSE op END,
    spot, CASE WHEN TG_ARGV[0] = 'check' AND was_at IS NOT NULL THEN was || jsonb_build_object('seq', was_at) ELSE was END, has, coalesce(zh_said('reason'), has ->> 'note', has ->> 'set_aside_reason'), grave);
  RETURN NULL;
END
$$;
--> statement-breakpoint
-- What a sheet is of is history too, and a figure is named with its sheet.
CREATE OR REPLACE FUNCTION zh_ledger_sheet() RETURNS trigger LANGUAGE plpgsql AS $$
DECLARE
  own jsonb := CASE WHEN TG_OP = 'DELETE' THEN to_jsonb(OLD) ELSE to_jsonb(NEW) END;
  was jsonb := CASE WHEN TG_OP = 'INSERT' THEN NULL ELSE to_jsonb(OLD) - 'id' - 'at' - 'by' END;
  has jsonb := CASE WHEN TG_OP = 'DELETE' THEN NULL ELSE to_jsonb(NEW) - 'id' - 'at' - 'by' END;
  spot text;
BEGIN
  IF TG_OP = 'UPDATE' AND was = has THEN
    RETURN NULL;
  END IF;
  IF TG_TABLE_NAME = 'model_sheets' THEN
    was := was - 'key' || jsonb_build_object('sheet_id', own -> 'id');
    has := has - 'key' || jsonb_build_object('sheet_id', own -> 'id');
    spot := (own ->> 'make') || ' ' || (own ->> 'model') || ', ' || (own ->> 'axle');
  ELSE
    SELECT sheet.make || ' ' || sheet.model || ', ' || sheet.axle || ' ' || (own ->> 'code') INTO spot
      FROM model_sheets sheet WHERE sheet.id = (own ->> 'sheet_id')::uuid;
  END IF;
  INSERT INTO ledger (who, role, what, op, place, before, after, reason) VALUES (
    coalesce(zh_said('who'), own ->> 'by'), zh_said('role'), 'sheet',
    CASE TG_OP WHEN 'UPDATE' THEN 'change' WHEN 'DELETE' THEN 'take-back' ELSE 'write' END::ledger_op,
    coalesce(spot, own ->> 'code'), was, has, zh_said('reason'));
  RETURN NULL;
END
$$;
--> statement-breakpoint
DROP TRIGGER IF EXISTS model_sheets_ledger ON model_sheets;
--> statement-breakpoint
CREATE TRIGGER model_sheets_ledger AFTER INSERT OR UPDATE OR DELETE ON model_sheets FOR EACH ROW EXECUTE FUNCTION zh_ledger_sheet();
