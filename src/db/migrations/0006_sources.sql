ALTER TABLE "clips" ADD COLUMN "source" jsonb;--> statement-breakpoint
ALTER TABLE "media" ADD COLUMN "seconds" double precision DEFAULT 0 NOT NULL;--> statement-breakpoint
ALTER TABLE "media" ADD COLUMN "start_timecode" text DEFAULT '' NOT NULL;