CREATE TABLE "practice_cases" (
	"id" uuid PRIMARY KEY NOT NULL,
	"person_id" uuid NOT NULL,
	"code" text NOT NULL,
	"ended_at" timestamp with time zone NOT NULL,
	"kept_at" timestamp with time zone DEFAULT now() NOT NULL,
	"outcome" jsonb NOT NULL,
	"steps" jsonb NOT NULL
);
--> statement-breakpoint
CREATE TABLE "practice_tasks" (
	"id" uuid PRIMARY KEY NOT NULL,
	"person_id" uuid NOT NULL,
	"code" text NOT NULL,
	"by" text NOT NULL,
	"note" text DEFAULT '' NOT NULL,
	"set_at" timestamp with time zone DEFAULT now() NOT NULL,
	"taken_back_by" text,
	"taken_back_at" timestamp with time zone
);
--> statement-breakpoint
ALTER TABLE "practice_cases" ADD CONSTRAINT "practice_cases_person_id_people_id_fk" FOREIGN KEY ("person_id") REFERENCES "public"."people"("id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "practice_tasks" ADD CONSTRAINT "practice_tasks_person_id_people_id_fk" FOREIGN KEY ("person_id") REFERENCES "public"."people"("id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
CREATE INDEX "practice_cases_person" ON "practice_cases" USING btree ("person_id","ended_at");--> statement-breakpoint
CREATE INDEX "practice_tasks_person" ON "practice_tasks" USING btree ("person_id");