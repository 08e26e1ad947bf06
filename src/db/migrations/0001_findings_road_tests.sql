CREATE TABLE "findings" (
	"job_id" uuid NOT NULL,
	"code" text NOT NULL,
	"corner" text NOT NULL,
	"value" text NOT NULL,
	"found_at" timestamp with time zone DEFAULT now() NOT NULL,
	CONSTRAINT "findings_job_id_code_corner_pk" PRIMARY KEY("job_id","code","corner")
);
--> statement-breakpoint
CREATE TABLE "findings_aside" (
	"job_id" uuid NOT NULL,
	"code" text NOT NULL,
	CONSTRAINT "findings_aside_job_id_code_pk" PRIMARY KEY("job_id","code")
);
--> statement-breakpoint
CREATE TABLE "road_tests" (
	"id" uuid PRIMARY KEY DEFAULT gen_random_uuid() NOT NULL,
	"job_id" uuid NOT NULL,
	"phase" "set_phase" NOT NULL,
	"diameter" double precision NOT NULL,
	"summary" jsonb NOT NULL,
	"raw" "bytea",
	"raw_bytes" integer,
	"taken_at" timestamp with time zone DEFAULT now() NOT NULL
);
--> statement-breakpoint
ALTER TABLE "vehicles" ADD COLUMN "tyre" text;--> statement-breakpoint
ALTER TABLE "vehicles" ADD COLUMN "final_drive" double precision;--> statement-breakpoint
ALTER TABLE "jobs" ADD COLUMN "confirmed_cause" text;--> statement-breakpoint
ALTER TABLE "findings" ADD CONSTRAINT "findings_job_id_jobs_id_fk" FOREIGN KEY ("job_id") REFERENCES "public"."jobs"("id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "findings_aside" ADD CONSTRAINT "findings_aside_job_id_jobs_id_fk" FOREIGN KEY ("job_id") REFERENCES "public"."jobs"("id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "road_tests" ADD CONSTRAINT "road_tests_job_id_jobs_id_fk" FOREIGN KEY ("job_id") REFERENCES "public"."jobs"("id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
CREATE INDEX "road_tests_job" ON "road_tests" USING btree ("job_id");