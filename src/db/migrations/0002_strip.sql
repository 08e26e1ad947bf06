CREATE TYPE "public"."caliper" AS ENUM('floating', 'fixed');--> statement-breakpoint
CREATE TYPE "public"."role" AS ENUM('lead', 'technician', 'apprentice');--> statement-breakpoint
CREATE TYPE "public"."check_kind" AS ENUM('lifting', 'step', 'parts', 'look', 'figure', 'method', 'rule', 'waiting', 'fixed');--> statement-breakpoint
CREATE TYPE "public"."fate" AS ENUM('reuse', 'renew', 'exchange');--> statement-breakpoint
ALTER TYPE "public"."limit_kind" ADD VALUE 'piston';--> statement-breakpoint
ALTER TYPE "public"."set_kind" ADD VALUE 'hub';--> statement-breakpoint
ALTER TYPE "public"."set_phase" ADD VALUE 'as-found';--> statement-breakpoint
CREATE TABLE "people" (
	"id" uuid PRIMARY KEY DEFAULT gen_random_uuid() NOT NULL,
	"name" text NOT NULL,
	"role" "role" NOT NULL,
	"is_here" boolean DEFAULT true NOT NULL,
	CONSTRAINT "people_name_unique" UNIQUE("name")
);
--> statement-breakpoint
CREATE TABLE "checks" (
	"job_id" uuid NOT NULL,
	"kind" "check_kind" NOT NULL,
	"place" text NOT NULL,
	"item" text NOT NULL,
	"value" jsonb NOT NULL,
	"note" text,
	"by" text,
	"at" timestamp with time zone DEFAULT now() NOT NULL,
	"stamp" uuid DEFAULT gen_random_uuid() NOT NULL,
	CONSTRAINT "checks_job_id_kind_place_item_pk" PRIMARY KEY("job_id","kind","place","item")
);
--> statement-breakpoint
CREATE TABLE "photo_blobs" (
	"sha256" text PRIMARY KEY NOT NULL,
	"mime" text NOT NULL,
	"width" integer NOT NULL,
	"height" integer NOT NULL,
	"picture" "bytea" NOT NULL,
	"thumb" "bytea" NOT NULL
);
--> statement-breakpoint
CREATE TABLE "photos" (
	"id" uuid PRIMARY KEY DEFAULT gen_random_uuid() NOT NULL,
	"job_id" uuid NOT NULL,
	"corner" "corner" NOT NULL,
	"part_id" uuid,
	"sha256" text NOT NULL,
	"caption" text NOT NULL,
	"by" text,
	"taken_at" timestamp with time zone DEFAULT now() NOT NULL,
	CONSTRAINT "photos_job_id_corner_part_id_sha256_unique" UNIQUE("job_id","corner","part_id","sha256")
);
--> statement-breakpoint
CREATE TABLE "tray_parts" (
	"id" uuid PRIMARY KEY DEFAULT gen_random_uuid() NOT NULL,
	"job_id" uuid NOT NULL,
	"corner" "corner" NOT NULL,
	"kind" text,
	"name" text NOT NULL,
	"place" text NOT NULL,
	"orientation" text NOT NULL,
	"mark" text NOT NULL,
	"fate" "fate" NOT NULL,
	"by" text,
	"taken_at" timestamp with time zone DEFAULT now() NOT NULL,
	"back_at" timestamp with time zone,
	"back_by" text
);
--> statement-breakpoint
ALTER TABLE "axles" ADD COLUMN "caliper" "caliper" DEFAULT 'floating' NOT NULL;--> statement-breakpoint
ALTER TABLE "axles" ADD COLUMN "pistons" integer;--> statement-breakpoint
ALTER TABLE "axles" ADD COLUMN "traits" text[] DEFAULT '{}' NOT NULL;--> statement-breakpoint
ALTER TABLE "vehicles" ADD COLUMN "brake_by_wire" boolean DEFAULT false NOT NULL;--> statement-breakpoint
ALTER TABLE "reading_sets" ADD COLUMN "radius_um" double precision;--> statement-breakpoint
ALTER TABLE "checks" ADD CONSTRAINT "checks_job_id_jobs_id_fk" FOREIGN KEY ("job_id") REFERENCES "public"."jobs"("id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "photos" ADD CONSTRAINT "photos_job_id_jobs_id_fk" FOREIGN KEY ("job_id") REFERENCES "public"."jobs"("id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "photos" ADD CONSTRAINT "photos_part_id_tray_parts_id_fk" FOREIGN KEY ("part_id") REFERENCES "public"."tray_parts"("id") ON DELETE set null ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "photos" ADD CONSTRAINT "photos_sha256_photo_blobs_sha256_fk" FOREIGN KEY ("sha256") REFERENCES "public"."photo_blobs"("sha256") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "tray_parts" ADD CONSTRAINT "tray_parts_job_id_jobs_id_fk" FOREIGN KEY ("job_id") REFERENCES "public"."jobs"("id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
CREATE INDEX "photos_blob" ON "photos" USING btree ("sha256");--> statement-breakpoint
CREATE INDEX "tray_parts_job" ON "tray_parts" USING btree ("job_id");