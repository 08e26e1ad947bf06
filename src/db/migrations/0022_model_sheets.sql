CREATE TABLE "model_sheets" (
	"id" uuid PRIMARY KEY DEFAULT gen_random_uuid() NOT NULL,
	"make" text NOT NULL,
	"model" text NOT NULL,
	"year_from" integer DEFAULT 0 NOT NULL,
	"year_to" integer DEFAULT 0 NOT NULL,
	"axle" "axle_position" NOT NULL,
	"variant" text DEFAULT '' NOT NULL,
	"wheel" text DEFAULT '' NOT NULL,
	"key" text NOT NULL,
	CONSTRAINT "model_sheets_key" UNIQUE("key")
);
--> statement-breakpoint
CREATE TABLE "sheet_figures" (
	"id" uuid PRIMARY KEY DEFAULT gen_random_uuid() NOT NULL,
	"sheet_id" uuid NOT NULL,
	"code" text NOT NULL,
	"text" text NOT NULL,
	"unit" text NOT NULL,
	"value" double precision,
	"source" "limit_source" NOT NULL,
	"by" text,
	"at" timestamp with time zone DEFAULT now() NOT NULL,
	CONSTRAINT "sheet_figures_code" UNIQUE("sheet_id","code")
);
--> statement-breakpoint
ALTER TABLE "sheet_figures" ADD CONSTRAINT "sheet_figures_sheet_id_model_sheets_id_fk" FOREIGN KEY ("sheet_id") REFERENCES "public"."model_sheets"("id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
-- What a model's sheet says is history like a vehicle's figures: who wrote what over what.
CREATE FUNCTION zh_ledger_sheet() RETURNS trigger LANGUAGE plpgsql AS $$
DECLARE
  own jsonb := CASE WHEN TG_OP = 'DELETE' THEN to_jsonb(OLD) ELSE to_jsonb(NEW) END;
  was jsonb := CASE WHEN TG_OP = 'INSERT' THEN NULL ELSE to_jsonb(OLD) - 'id' - 'at' - 'by' END;
  has jsonb := CASE WHEN TG_OP = 'DELETE' THEN NULL ELSE to_jsonb(NEW) - 'id' - 'at' - 'by' END;
  spot text;
BEGIN
  IF TG_OP = 'UPDATE' AND was = has THEN
    RETURN NULL;
  END IF;
  SELECT sheet.make || ' ' || sheet.model || ', ' || sheet.axle INTO spot
    FROM model_sheets sheet WHERE sheet.id = (own ->> 'sheet_id')::uuid;
  INSERT INTO ledger (who, role, what, op, place, before, after, reason) VALUES (
    coalesce(zh_said('who'), own ->> 'by'), zh_said('role'), 'sheet',
    CASE TG_OP WHEN 'UPDATE' THEN 'change' WHEN 'DELETE' THEN 'take-back' ELSE 'write' END::ledger_op,
    coalesce(spot || ' ', '') || (own ->> 'code'), was, has, zh_said('reason'));
  RETURN NULL;
END
$$;
--> statement-breakpoint
CREATE TRIGGER sheet_figures_ledger AFTER INSERT OR UPDATE OR DELETE ON sheet_figures FOR EACH ROW EXECUTE FUNCTION zh_ledger_sheet();
