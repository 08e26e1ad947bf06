CREATE TYPE "public"."drive" AS ENUM('front', 'rear', 'all');--> statement-breakpoint
CREATE TYPE "public"."recheck_what" AS ENUM('wheel-nuts', 'thickness', 'runout');--> statement-breakpoint
ALTER TYPE "public"."check_kind" ADD VALUE 'rebuild';--> statement-breakpoint
ALTER TYPE "public"."check_kind" ADD VALUE 'torque';--> statement-breakpoint
ALTER TYPE "public"."check_kind" ADD VALUE 'hydraulics';--> statement-breakpoint
ALTER TYPE "public"."check_kind" ADD VALUE 'pedal';--> statement-breakpoint
ALTER TYPE "public"."check_kind" ADD VALUE 'bedding';--> statement-breakpoint
ALTER TYPE "public"."check_kind" ADD VALUE 'prove';--> statement-breakpoint
CREATE TABLE "torque_figures" (
	"id" uuid PRIMARY KEY DEFAULT gen_random_uuid() NOT NULL,
	"make" text NOT NULL,
	"model" text NOT NULL,
	"year" integer NOT NULL,
	"drive" text NOT NULL,
	"variant" text NOT NULL,
	"axle" "axle_position" NOT NULL,
	"fastener" text NOT NULL,
	"value_nm" double precision NOT NULL,
	"text" text NOT NULL,
	"unit" text NOT NULL,
	"stages" jsonb NOT NULL,
	"angle" integer DEFAULT 0 NOT NULL,
	"treatment" text DEFAULT '' NOT NULL,
	"one_use" boolean DEFAULT false NOT NULL,
	"source" "limit_source" NOT NULL,
	"by" text,
	"at" timestamp with time zone DEFAULT now() NOT NULL,
	CONSTRAINT "torque_figures_key" UNIQUE("make","model","year","drive","variant","axle","fastener")
);
--> statement-breakpoint
CREATE TABLE "additions" (
	"id" uuid PRIMARY KEY DEFAULT gen_random_uuid() NOT NULL,
	"job_id" uuid NOT NULL,
	"text" text NOT NULL,
	"by" text NOT NULL,
	"at" timestamp with time zone DEFAULT now() NOT NULL
);
--> statement-breakpoint
CREATE TABLE "rechecks" (
	"id" uuid PRIMARY KEY DEFAULT gen_random_uuid() NOT NULL,
	"job_id" uuid NOT NULL,
	"what" "recheck_what" NOT NULL,
	"due_km" integer,
	"due_on" date,
	"by" text,
	"at" timestamp with time zone DEFAULT now() NOT NULL,
	"done_at" timestamp with time zone,
	"done_by" text
);
--> statement-breakpoint
ALTER TABLE "axles" ADD COLUMN "rotor_kg" double precision;--> statement-breakpoint
ALTER TABLE "vehicles" ADD COLUMN "year" integer;--> statement-breakpoint
ALTER TABLE "vehicles" ADD COLUMN "drive" "drive";--> statement-breakpoint
ALTER TABLE "vehicles" ADD COLUMN "variant" text DEFAULT '' NOT NULL;--> statement-breakpoint
ALTER TABLE "vehicles" ADD COLUMN "mass_kg" double precision;--> statement-breakpoint
ALTER TABLE "vehicles" ADD COLUMN "bleed_order" text[];--> statement-breakpoint
ALTER TABLE "vehicles" ADD COLUMN "bleed_source" "limit_source";--> statement-breakpoint
ALTER TABLE "jobs" ADD COLUMN "signed_by" text;--> statement-breakpoint
ALTER TABLE "jobs" ADD COLUMN "signed_with" jsonb;--> statement-breakpoint
ALTER TABLE "jobs" ADD COLUMN "comeback_of" uuid;--> statement-breakpoint
ALTER TABLE "additions" ADD CONSTRAINT "additions_job_id_jobs_id_fk" FOREIGN KEY ("job_id") REFERENCES "public"."jobs"("id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "rechecks" ADD CONSTRAINT "rechecks_job_id_jobs_id_fk" FOREIGN KEY ("job_id") REFERENCES "public"."jobs"("id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
CREATE INDEX "additions_job" ON "additions" USING btree ("job_id");--> statement-breakpoint
CREATE INDEX "rechecks_job" ON "rechecks" USING btree ("job_id");--> statement-breakpoint
CREATE INDEX "rechecks_due" ON "rechecks" USING btree ("done_at","due_on");--> statement-breakpoint
ALTER TABLE "jobs" ADD CONSTRAINT "jobs_comeback_of_jobs_id_fk" FOREIGN KEY ("comeback_of") REFERENCES "public"."jobs"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
CREATE INDEX "jobs_comeback" ON "jobs" USING btree ("comeback_of");