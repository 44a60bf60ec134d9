CREATE TABLE "handed_files" (
	"path" text PRIMARY KEY NOT NULL,
	"sha256" text NOT NULL,
	"origin" text NOT NULL
);
--> statement-breakpoint
ALTER TABLE "jobs" ADD COLUMN "handover" jsonb;