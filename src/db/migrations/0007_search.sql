CREATE TABLE "job_search" (
	"job_id" uuid PRIMARY KEY NOT NULL,
	"document" "tsvector" NOT NULL
);
--> statement-breakpoint
DROP INDEX "rechecks_due";--> statement-breakpoint
ALTER TABLE "job_search" ADD CONSTRAINT "job_search_job_id_jobs_id_fk" FOREIGN KEY ("job_id") REFERENCES "public"."jobs"("id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
CREATE INDEX "job_search_document" ON "job_search" USING gin ("document");--> statement-breakpoint
CREATE INDEX "jobs_created" ON "jobs" USING btree ("created_at","number");--> statement-breakpoint
CREATE INDEX "jobs_cause" ON "jobs" USING btree ("confirmed_cause","created_at");--> statement-breakpoint
CREATE INDEX "rechecks_due" ON "rechecks" USING btree ("done_at","due_on","job_id");