ALTER TYPE "public"."correction" ADD VALUE 'clean';--> statement-breakpoint
ALTER TYPE "public"."correction" ADD VALUE 'plate';--> statement-breakpoint
ALTER TYPE "public"."correction" ADD VALUE 'hub-replace';--> statement-breakpoint
ALTER TYPE "public"."check_kind" ADD VALUE 'decide';--> statement-breakpoint
ALTER TYPE "public"."check_kind" ADD VALUE 'correct';--> statement-breakpoint
ALTER TABLE "decisions" ADD COLUMN "action" text;--> statement-breakpoint
ALTER TABLE "decisions" ADD COLUMN "detail" jsonb;