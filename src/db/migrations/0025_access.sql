CREATE TABLE "devices" (
	"id" uuid PRIMARY KEY DEFAULT gen_random_uuid() NOT NULL,
	"name" text NOT NULL,
	"key_hash" text NOT NULL,
	"paired_at" timestamp with time zone DEFAULT now() NOT NULL,
	"paired_by" text NOT NULL,
	"seen_at" timestamp with time zone DEFAULT now() NOT NULL,
	"revoked_at" timestamp with time zone,
	"revoked_by" text
);
--> statement-breakpoint
CREATE TABLE "pairing_codes" (
	"hash" text PRIMARY KEY NOT NULL,
	"made_at" timestamp with time zone DEFAULT now() NOT NULL,
	"made_by" text NOT NULL,
	"used_at" timestamp with time zone
);
--> statement-breakpoint
CREATE TABLE "person_secrets" (
	"person_id" uuid PRIMARY KEY NOT NULL,
	"pin_hash" text,
	"password_hash" text,
	"changed_at" timestamp with time zone DEFAULT now() NOT NULL
);
--> statement-breakpoint
CREATE TABLE "sessions" (
	"hash" text PRIMARY KEY NOT NULL,
	"person_id" uuid NOT NULL,
	"device_id" uuid NOT NULL,
	"began_at" timestamp with time zone DEFAULT now() NOT NULL,
	"used_at" timestamp with time zone DEFAULT now() NOT NULL,
	"sure_until" timestamp with time zone,
	"ended_at" timestamp with time zone
);
--> statement-breakpoint
CREATE TABLE "sign_in_tries" (
	"key" text PRIMARY KEY NOT NULL,
	"failed" integer DEFAULT 0 NOT NULL,
	"last_at" timestamp with time zone DEFAULT now() NOT NULL
);
--> statement-breakpoint
ALTER TABLE "person_secrets" ADD CONSTRAINT "person_secrets_person_id_people_id_fk" FOREIGN KEY ("person_id") REFERENCES "public"."people"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "sessions" ADD CONSTRAINT "sessions_person_id_people_id_fk" FOREIGN KEY ("person_id") REFERENCES "public"."people"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "sessions" ADD CONSTRAINT "sessions_device_id_devices_id_fk" FOREIGN KEY ("device_id") REFERENCES "public"."devices"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
CREATE INDEX "sessions_device" ON "sessions" USING btree ("device_id","person_id");--> statement-breakpoint
CREATE INDEX "sessions_person" ON "sessions" USING btree ("person_id");--> statement-breakpoint
-- What became of a screen or of what somebody signs in with; never a key, a hash or when it was seen.
CREATE FUNCTION zh_ledger_access() RETURNS trigger LANGUAGE plpgsql AS $$
DECLARE
  hidden text[] := ARRAY['key_hash', 'seen_at', 'used_at', 'pin_hash', 'password_hash', 'changed_at', 'person_id'];
  was jsonb := CASE WHEN TG_OP = 'INSERT' THEN NULL ELSE to_jsonb(OLD) END;
  own jsonb := to_jsonb(NEW);
  place text := own ->> 'name';
BEGIN
  IF TG_ARGV[0] = 'secret' THEN
    SELECT name INTO place FROM people WHERE id = NEW.person_id;
    was := was || jsonb_build_object('pin', was ->> 'pin_hash' IS NOT NULL, 'password', was ->> 'password_hash' IS NOT NULL);
    own := own || jsonb_build_object('pin', NEW.pin_hash IS NOT NULL, 'password', NEW.password_hash IS NOT NULL);
  ELSIF was - hidden = own - hidden THEN
    RETURN NULL;
  END IF;
  INSERT INTO ledger (who, role, what, op, place, before, after, reason)
  VALUES (zh_said('who'), zh_said('role'), TG_ARGV[0], CASE WHEN was IS NULL THEN 'write' ELSE 'change' END::ledger_op,
    place, was - hidden, own - hidden, zh_said('reason'));
  RETURN NULL;
END $$;
--> statement-breakpoint
CREATE TRIGGER devices_ledger AFTER INSERT OR UPDATE ON devices FOR EACH ROW EXECUTE FUNCTION zh_ledger_access('device');
--> statement-breakpoint
CREATE TRIGGER person_secrets_ledger AFTER INSERT OR UPDATE ON person_secrets FOR EACH ROW EXECUTE FUNCTION zh_ledger_access('secret');
--> statement-breakpoint
-- Whoever shows a job hears that it was written to: which job, and which screen wrote; nothing of what.
CREATE FUNCTION zh_say_written() RETURNS trigger LANGUAGE plpgsql AS $$
BEGIN
  PERFORM pg_notify('zh_written', coalesce(NEW.job_id::text, '') || ' ' || coalesce(zh_said('sender'), ''));
  RETURN NULL;
END $$;
--> statement-breakpoint
CREATE TRIGGER ledger_heard AFTER INSERT ON ledger FOR EACH ROW EXECUTE FUNCTION zh_say_written();
