ALTER TABLE "axles" ADD COLUMN "is_fastening_said" boolean DEFAULT true NOT NULL;--> statement-breakpoint
ALTER TABLE "vehicles" ADD COLUMN "is_check" boolean DEFAULT false NOT NULL;--> statement-breakpoint
CREATE INDEX "vehicles_check" ON "vehicles" USING btree ("id") WHERE "vehicles"."is_check";