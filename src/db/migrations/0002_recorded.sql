ALTER TABLE "clips" ADD COLUMN "place" text DEFAULT '' NOT NULL;--> statement-breakpoint
ALTER TABLE "clips" ADD COLUMN "recorded_at" text DEFAULT '' NOT NULL;