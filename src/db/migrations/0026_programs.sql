CREATE TABLE "programs" (
	"id" uuid PRIMARY KEY DEFAULT gen_random_uuid() NOT NULL,
	"name" text NOT NULL,
	"key_hash" text NOT NULL,
	"role" text NOT NULL,
	"made_at" timestamp with time zone DEFAULT now() NOT NULL,
	"made_by" text NOT NULL,
	"expires_at" timestamp with time zone NOT NULL,
	"used_at" timestamp with time zone,
	"revoked_at" timestamp with time zone,
	"revoked_by" text,
	CONSTRAINT "programs_key_hash_unique" UNIQUE("key_hash")
);
--> statement-breakpoint
CREATE OR REPLACE FUNCTION zh_ledger_access() RETURNS trigger LANGUAGE plpgsql AS $$
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
CREATE TRIGGER programs_ledger AFTER INSERT OR UPDATE ON programs FOR EACH ROW EXECUTE FUNCTION zh_ledger_access('program');
