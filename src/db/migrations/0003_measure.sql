CREATE TYPE "public"."gauge_kind" AS ENUM('dial', 'micrometer');--> statement-breakpoint
CREATE TYPE "public"."set_circle" AS ENUM('outer', 'inner');--> statement-breakpoint
CREATE TABLE "gauges" (
	"id" uuid PRIMARY KEY DEFAULT gen_random_uuid() NOT NULL,
	"name" text NOT NULL,
	"kind" "gauge_kind" NOT NULL,
	"resolution_um" double precision NOT NULL,
	"repeatability_um" double precision NOT NULL,
	"mpe_um" double precision,
	"due" date,
	"unit" text,
	"turned" boolean DEFAULT false NOT NULL,
	"line_format" jsonb,
	"is_usual" boolean DEFAULT false NOT NULL,
	"created_at" timestamp with time zone DEFAULT now() NOT NULL,
	"retired_at" timestamp with time zone
);
--> statement-breakpoint
CREATE TABLE "reading_changes" (
	"id" uuid PRIMARY KEY DEFAULT gen_random_uuid() NOT NULL,
	"set_id" uuid NOT NULL,
	"lap" integer NOT NULL,
	"position" integer NOT NULL,
	"value_um" double precision NOT NULL,
	"text" text NOT NULL,
	"unit" text NOT NULL,
	"taken_at" timestamp with time zone NOT NULL,
	"replaced_at" timestamp with time zone DEFAULT now() NOT NULL
);
--> statement-breakpoint
ALTER TABLE "reading_sets" ADD COLUMN "angles" jsonb;--> statement-breakpoint
ALTER TABLE "reading_sets" ADD COLUMN "circle" "set_circle" DEFAULT 'outer' NOT NULL;--> statement-breakpoint
ALTER TABLE "reading_sets" ADD COLUMN "left_out" jsonb;--> statement-breakpoint
ALTER TABLE "reading_sets" ADD COLUMN "torque_nm" double precision;--> statement-breakpoint
ALTER TABLE "reading_sets" ADD COLUMN "gauge_id" uuid;--> statement-breakpoint
ALTER TABLE "reading_sets" ADD COLUMN "gauge_name" text;--> statement-breakpoint
ALTER TABLE "reading_sets" ADD COLUMN "gauge_due" date;--> statement-breakpoint
ALTER TABLE "reading_sets" ADD COLUMN "turned" boolean DEFAULT false NOT NULL;--> statement-breakpoint
ALTER TABLE "reading_sets" ADD COLUMN "is_virtual" boolean DEFAULT false NOT NULL;--> statement-breakpoint
ALTER TABLE "reading_changes" ADD CONSTRAINT "reading_changes_set_id_reading_sets_id_fk" FOREIGN KEY ("set_id") REFERENCES "public"."reading_sets"("id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
CREATE INDEX "reading_changes_set" ON "reading_changes" USING btree ("set_id");--> statement-breakpoint
ALTER TABLE "reading_sets" ADD CONSTRAINT "reading_sets_gauge_id_gauges_id_fk" FOREIGN KEY ("gauge_id") REFERENCES "public"."gauges"("id") ON DELETE no action ON UPDATE no action;