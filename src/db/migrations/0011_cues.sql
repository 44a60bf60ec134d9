CREATE TABLE "cues" (
	"id" text PRIMARY KEY NOT NULL,
	"project_id" text NOT NULL,
	"track_id" text NOT NULL,
	"start_frame" integer NOT NULL,
	"length_frames" integer NOT NULL,
	"words" text NOT NULL,
	"speaker" text NOT NULL,
	"place" text NOT NULL,
	"align" text NOT NULL,
	"forced" boolean NOT NULL,
	"guessed" boolean NOT NULL,
	"revision" integer NOT NULL
);
--> statement-breakpoint
ALTER TABLE "cues" ADD CONSTRAINT "cues_project_id_projects_id_fk" FOREIGN KEY ("project_id") REFERENCES "public"."projects"("id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
CREATE INDEX "cues_project" ON "cues" USING btree ("project_id","start_frame");