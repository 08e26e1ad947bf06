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
CREATE TRIGGER programs_ledger AFTER INSERT OR UPDATE ON programs FOR EACH ROW EXECUTE FUNCTION zh_ledger_access('program');
