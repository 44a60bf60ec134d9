CREATE TABLE "callbacks" (
	"job_id" text PRIMARY KEY NOT NULL,
	"url" text NOT NULL,
	"tries" integer DEFAULT 0 NOT NULL,
	"next_at" timestamp with time zone DEFAULT now(),
	"told_at" timestamp with time zone,
	"error" text
);
--> statement-breakpoint
ALTER TABLE "callbacks" ADD CONSTRAINT "callbacks_job_id_jobs_id_fk" FOREIGN KEY ("job_id") REFERENCES "public"."jobs"("id") ON DELETE cascade ON UPDATE no action;