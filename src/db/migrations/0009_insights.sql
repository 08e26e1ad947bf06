CREATE TABLE "job_tallies" (
	"job_id" uuid NOT NULL,
	"measure" text NOT NULL,
	"key" text NOT NULL,
	"item" text NOT NULL,
	"value" double precision NOT NULL,
	"year" integer NOT NULL,
	CONSTRAINT "job_tallies_job_id_measure_key_item_pk" PRIMARY KEY("job_id","measure","key","item")
);
--> statement-breakpoint
CREATE TABLE "tally_cells" (
	"measure" text NOT NULL,
	"key" text NOT NULL,
	"year" integer NOT NULL,
	"count" integer NOT NULL,
	"sum" double precision NOT NULL,
	"squares" double precision NOT NULL,
	CONSTRAINT "tally_cells_measure_key_year_pk" PRIMARY KEY("measure","key","year")
);
--> statement-breakpoint
ALTER TABLE "axle_limits" ADD COLUMN "by" text;--> statement-breakpoint
ALTER TABLE "axle_limits" ADD COLUMN "at" timestamp with time zone;--> statement-breakpoint
ALTER TABLE "jobs" ADD COLUMN "signed_as" jsonb;--> statement-breakpoint
ALTER TABLE "people" ADD COLUMN "initials" text DEFAULT '' NOT NULL;--> statement-breakpoint
ALTER TABLE "job_tallies" ADD CONSTRAINT "job_tallies_job_id_jobs_id_fk" FOREIGN KEY ("job_id") REFERENCES "public"."jobs"("id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
CREATE INDEX "tally_cells_year" ON "tally_cells" USING btree ("year");--> statement-breakpoint
CREATE INDEX "vehicles_model" ON "vehicles" USING btree ("make","model");