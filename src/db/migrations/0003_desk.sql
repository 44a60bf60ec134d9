ALTER TABLE "clips" ADD COLUMN "source_length_frames" integer;--> statement-breakpoint
ALTER TABLE "clips" ADD COLUMN "revision" integer DEFAULT 1 NOT NULL;--> statement-breakpoint
ALTER TABLE "projects" ADD COLUMN "plan" jsonb;--> statement-breakpoint
ALTER TABLE "projects" ADD COLUMN "plan_revision" integer DEFAULT 0 NOT NULL;--> statement-breakpoint
ALTER TABLE "titles" ADD COLUMN "keeps_edition" boolean DEFAULT false NOT NULL;--> statement-breakpoint
ALTER TABLE "titles" ADD COLUMN "held_to" text DEFAULT 'clip' NOT NULL;--> statement-breakpoint
ALTER TABLE "titles" ADD COLUMN "fade_in_frames" integer DEFAULT 0 NOT NULL;--> statement-breakpoint
ALTER TABLE "titles" ADD COLUMN "fade_out_frames" integer DEFAULT 0 NOT NULL;--> statement-breakpoint
ALTER TABLE "titles" ADD COLUMN "shift" jsonb;--> statement-breakpoint
ALTER TABLE "titles" ADD COLUMN "scrim" jsonb;--> statement-breakpoint
ALTER TABLE "titles" ADD COLUMN "per_delivery" jsonb DEFAULT '{}'::jsonb NOT NULL;--> statement-breakpoint
ALTER TABLE "titles" ADD COLUMN "kept" jsonb DEFAULT '[]'::jsonb NOT NULL;