CREATE TABLE "facts" (
	"id" text PRIMARY KEY NOT NULL,
	"at" timestamp with time zone DEFAULT now() NOT NULL
);
--> statement-breakpoint
CREATE TABLE "media" (
	"id" text PRIMARY KEY NOT NULL,
	"name" text NOT NULL,
	"byte_count" bigint NOT NULL,
	"hash" text NOT NULL,
	"created_at" timestamp with time zone DEFAULT now() NOT NULL,
	"away" text,
	"away_at" timestamp with time zone
);
--> statement-breakpoint
ALTER TABLE "assets" ALTER COLUMN "bytes" DROP NOT NULL;--> statement-breakpoint
ALTER TABLE "assets" ADD COLUMN "own_width" double precision;--> statement-breakpoint
UPDATE "assets" SET "own_width" = "width_px";--> statement-breakpoint
ALTER TABLE "assets" ALTER COLUMN "own_width" SET NOT NULL;--> statement-breakpoint
ALTER TABLE "assets" ADD COLUMN "own_height" double precision;--> statement-breakpoint
UPDATE "assets" SET "own_height" = "height_px";--> statement-breakpoint
ALTER TABLE "assets" ALTER COLUMN "own_height" SET NOT NULL;--> statement-breakpoint
ALTER TABLE "assets" ADD COLUMN "byte_count" integer;--> statement-breakpoint
UPDATE "assets" SET "byte_count" = octet_length("bytes");--> statement-breakpoint
ALTER TABLE "assets" ALTER COLUMN "byte_count" SET NOT NULL;--> statement-breakpoint
ALTER TABLE "assets" ADD COLUMN "away" text;--> statement-breakpoint
ALTER TABLE "assets" ADD COLUMN "away_at" timestamp with time zone;--> statement-breakpoint
ALTER TABLE "editions" ADD COLUMN "listed" jsonb;--> statement-breakpoint
ALTER TABLE "jobs" ADD COLUMN "name" text;--> statement-breakpoint
UPDATE "jobs" SET "name" = "payload"->>'name';--> statement-breakpoint
ALTER TABLE "jobs" ALTER COLUMN "name" SET NOT NULL;--> statement-breakpoint
ALTER TABLE "jobs" ADD COLUMN "output" text;--> statement-breakpoint
UPDATE "jobs" SET "output" = "payload"->>'output';--> statement-breakpoint
ALTER TABLE "jobs" ALTER COLUMN "output" SET NOT NULL;--> statement-breakpoint
ALTER TABLE "jobs" ADD COLUMN "format" text;--> statement-breakpoint
UPDATE "jobs" SET "format" = "payload"->>'format';--> statement-breakpoint
ALTER TABLE "jobs" ALTER COLUMN "format" SET NOT NULL;--> statement-breakpoint
ALTER TABLE "jobs" ADD COLUMN "rate" text;--> statement-breakpoint
UPDATE "jobs" SET "rate" = "payload"->>'rate';--> statement-breakpoint
ALTER TABLE "jobs" ALTER COLUMN "rate" SET NOT NULL;--> statement-breakpoint
ALTER TABLE "jobs" ADD COLUMN "title_count" integer;--> statement-breakpoint
UPDATE "jobs" SET "title_count" = jsonb_array_length("payload"->'titles');--> statement-breakpoint
ALTER TABLE "jobs" ALTER COLUMN "title_count" SET NOT NULL;--> statement-breakpoint
ALTER TABLE "jobs" ADD COLUMN "away" text;--> statement-breakpoint
ALTER TABLE "jobs" ADD COLUMN "away_at" timestamp with time zone;--> statement-breakpoint
ALTER TABLE "projects" ADD COLUMN "away" text;--> statement-breakpoint
ALTER TABLE "projects" ADD COLUMN "away_at" timestamp with time zone;--> statement-breakpoint
ALTER TABLE "templates" ADD COLUMN "listed" jsonb;--> statement-breakpoint
ALTER TABLE "templates" ADD COLUMN "away" text;--> statement-breakpoint
ALTER TABLE "templates" ADD COLUMN "away_at" timestamp with time zone;--> statement-breakpoint
CREATE INDEX "jobs_newest" ON "jobs" USING btree ("created_at","id");--> statement-breakpoint
CREATE INDEX "titles_edition" ON "titles" USING btree ("edition_id");--> statement-breakpoint
INSERT INTO "facts" ("id") SELECT 'demo' WHERE EXISTS (SELECT 1 FROM "projects");
