ALTER TABLE "reading_sets" ADD COLUMN "pressed" boolean DEFAULT false NOT NULL;--> statement-breakpoint
ALTER TABLE "reading_sets" ADD COLUMN "settle" boolean DEFAULT false NOT NULL;