ALTER TYPE "public"."check_kind" ADD VALUE 'repair';--> statement-breakpoint
ALTER TYPE "public"."check_kind" ADD VALUE 'repaired';