CREATE TYPE "public"."axle_position" AS ENUM('front', 'rear');--> statement-breakpoint
CREATE TYPE "public"."fastening" AS ENUM('studs', 'bolts');--> statement-breakpoint
CREATE TYPE "public"."limit_kind" AS ENUM('nominal', 'machineTo', 'discard', 'runout', 'dtv', 'radius');--> statement-breakpoint
CREATE TYPE "public"."limit_source" AS ENUM('maker', 'stamped', 'workshop', 'other');--> statement-breakpoint
CREATE TYPE "public"."corner" AS ENUM('FL', 'FR', 'RL', 'RR');--> statement-breakpoint
CREATE TYPE "public"."correction" AS ENUM('leave', 'index', 'hub', 'machine-on-vehicle', 'machine-bench', 'replace');--> statement-breakpoint
CREATE TYPE "public"."face" AS ENUM('outboard', 'inboard');--> statement-breakpoint
CREATE TYPE "public"."set_kind" AS ENUM('runout', 'thickness');--> statement-breakpoint
CREATE TYPE "public"."set_phase" AS ENUM('before', 'after');--> statement-breakpoint
CREATE TABLE "axle_limits" (
	"id" uuid PRIMARY KEY DEFAULT gen_random_uuid() NOT NULL,
	"axle_id" uuid NOT NULL,
	"kind" "limit_kind" NOT NULL,
	"value_um" double precision NOT NULL,
	"text" text NOT NULL,
	"unit" text NOT NULL,
	"source" "limit_source" NOT NULL,
	CONSTRAINT "axle_limits_axle_id_kind_unique" UNIQUE("axle_id","kind")
);
--> statement-breakpoint
CREATE TABLE "axles" (
	"id" uuid PRIMARY KEY DEFAULT gen_random_uuid() NOT NULL,
	"vehicle_id" uuid NOT NULL,
	"position" "axle_position" NOT NULL,
	"fastening" "fastening" NOT NULL,
	"studs" integer NOT NULL,
	"allowed_shifts" integer[],
	CONSTRAINT "axles_vehicle_id_position_unique" UNIQUE("vehicle_id","position")
);
--> statement-breakpoint
CREATE TABLE "vehicles" (
	"id" uuid PRIMARY KEY DEFAULT gen_random_uuid() NOT NULL,
	"plate" text NOT NULL,
	"make" text NOT NULL,
	"model" text NOT NULL,
	"created_at" timestamp with time zone DEFAULT now() NOT NULL,
	CONSTRAINT "vehicles_plate_unique" UNIQUE("plate")
);
--> statement-breakpoint
CREATE TABLE "decisions" (
	"job_id" uuid NOT NULL,
	"corner" "corner" NOT NULL,
	"correction" "correction" NOT NULL,
	"shift" integer,
	"words" text NOT NULL,
	"decided_at" timestamp with time zone DEFAULT now() NOT NULL,
	CONSTRAINT "decisions_job_id_corner_pk" PRIMARY KEY("job_id","corner")
);
--> statement-breakpoint
CREATE TABLE "job_corners" (
	"job_id" uuid NOT NULL,
	"corner" "corner" NOT NULL,
	CONSTRAINT "job_corners_job_id_corner_pk" PRIMARY KEY("job_id","corner")
);
--> statement-breakpoint
CREATE TABLE "jobs" (
	"id" uuid PRIMARY KEY DEFAULT gen_random_uuid() NOT NULL,
	"number" integer GENERATED ALWAYS AS IDENTITY (sequence name "jobs_number_seq" INCREMENT BY 1 MINVALUE 1 MAXVALUE 2147483647 START WITH 101 CACHE 1),
	"vehicle_id" uuid NOT NULL,
	"complaint" text NOT NULL,
	"odometer_km" integer,
	"created_at" timestamp with time zone DEFAULT now() NOT NULL,
	"closed_at" timestamp with time zone,
	CONSTRAINT "jobs_number_unique" UNIQUE("number")
);
--> statement-breakpoint
CREATE TABLE "reading_sets" (
	"id" uuid PRIMARY KEY DEFAULT gen_random_uuid() NOT NULL,
	"job_id" uuid NOT NULL,
	"corner" "corner" NOT NULL,
	"kind" "set_kind" NOT NULL,
	"phase" "set_phase" NOT NULL,
	"face" "face" NOT NULL,
	"positions" integer NOT NULL,
	"laps" integer DEFAULT 1 NOT NULL,
	"shift" integer NOT NULL,
	"resolution_um" double precision NOT NULL,
	"repeatability_um" double precision NOT NULL,
	"mpe_um" double precision,
	"zero_error_um" double precision,
	"rotor_celsius" double precision,
	"end_play_um" double precision,
	"created_at" timestamp with time zone DEFAULT now() NOT NULL,
	"set_aside_at" timestamp with time zone,
	"set_aside_reason" text
);
--> statement-breakpoint
CREATE TABLE "readings" (
	"set_id" uuid NOT NULL,
	"lap" integer NOT NULL,
	"position" integer NOT NULL,
	"value_um" double precision NOT NULL,
	"text" text NOT NULL,
	"unit" text NOT NULL,
	"taken_at" timestamp with time zone DEFAULT now() NOT NULL,
	CONSTRAINT "readings_set_id_lap_position_pk" PRIMARY KEY("set_id","lap","position")
);
--> statement-breakpoint
CREATE TABLE "settings" (
	"key" text PRIMARY KEY NOT NULL,
	"value" jsonb NOT NULL
);
--> statement-breakpoint
ALTER TABLE "axle_limits" ADD CONSTRAINT "axle_limits_axle_id_axles_id_fk" FOREIGN KEY ("axle_id") REFERENCES "public"."axles"("id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "axles" ADD CONSTRAINT "axles_vehicle_id_vehicles_id_fk" FOREIGN KEY ("vehicle_id") REFERENCES "public"."vehicles"("id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "job_corners" ADD CONSTRAINT "job_corners_job_id_jobs_id_fk" FOREIGN KEY ("job_id") REFERENCES "public"."jobs"("id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "jobs" ADD CONSTRAINT "jobs_vehicle_id_vehicles_id_fk" FOREIGN KEY ("vehicle_id") REFERENCES "public"."vehicles"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "reading_sets" ADD CONSTRAINT "reading_sets_job_id_corner_job_corners_job_id_corner_fk" FOREIGN KEY ("job_id","corner") REFERENCES "public"."job_corners"("job_id","corner") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "readings" ADD CONSTRAINT "readings_set_id_reading_sets_id_fk" FOREIGN KEY ("set_id") REFERENCES "public"."reading_sets"("id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
CREATE INDEX "jobs_open" ON "jobs" USING btree ("closed_at","created_at");--> statement-breakpoint
CREATE INDEX "jobs_vehicle" ON "jobs" USING btree ("vehicle_id");--> statement-breakpoint
CREATE INDEX "reading_sets_job" ON "reading_sets" USING btree ("job_id");