CREATE TABLE "assets" (
	"id" text PRIMARY KEY NOT NULL,
	"name" text NOT NULL,
	"media_type" text NOT NULL,
	"hash" text NOT NULL,
	"width_px" integer NOT NULL,
	"height_px" integer NOT NULL,
	"bytes" "bytea" NOT NULL,
	"created_at" timestamp with time zone DEFAULT now() NOT NULL
);
--> statement-breakpoint
CREATE TABLE "clips" (
	"id" text PRIMARY KEY NOT NULL,
	"project_id" text NOT NULL,
	"scene" text NOT NULL,
	"label" text NOT NULL,
	"start_frame" integer NOT NULL,
	"length_frames" integer NOT NULL,
	"source_start_frame" integer NOT NULL
);
--> statement-breakpoint
CREATE TABLE "editions" (
	"id" text PRIMARY KEY NOT NULL,
	"template_id" text NOT NULL,
	"number" integer NOT NULL,
	"document" jsonb NOT NULL,
	"released_at" timestamp with time zone DEFAULT now() NOT NULL
);
--> statement-breakpoint
CREATE TABLE "jobs" (
	"id" text PRIMARY KEY NOT NULL,
	"status" text NOT NULL,
	"payload" jsonb NOT NULL,
	"progress" jsonb NOT NULL,
	"files" jsonb NOT NULL,
	"error" text,
	"created_at" timestamp with time zone DEFAULT now() NOT NULL,
	"started_at" timestamp with time zone,
	"ended_at" timestamp with time zone
);
--> statement-breakpoint
CREATE TABLE "projects" (
	"id" text PRIMARY KEY NOT NULL,
	"name" text NOT NULL,
	"production" text NOT NULL,
	"format" text NOT NULL,
	"rate" text NOT NULL,
	"created_at" timestamp with time zone DEFAULT now() NOT NULL
);
--> statement-breakpoint
CREATE TABLE "templates" (
	"id" text PRIMARY KEY NOT NULL,
	"name" text NOT NULL,
	"kind" text NOT NULL,
	"production" text NOT NULL,
	"document" jsonb NOT NULL,
	"revision" integer NOT NULL,
	"released_revision" integer,
	"updated_at" timestamp with time zone DEFAULT now() NOT NULL
);
--> statement-breakpoint
CREATE TABLE "titles" (
	"id" text PRIMARY KEY NOT NULL,
	"project_id" text NOT NULL,
	"edition_id" text NOT NULL,
	"start_frame" integer NOT NULL,
	"length_frames" integer NOT NULL,
	"lane" integer NOT NULL,
	"values" jsonb NOT NULL,
	"revision" integer NOT NULL
);
--> statement-breakpoint
ALTER TABLE "clips" ADD CONSTRAINT "clips_project_id_projects_id_fk" FOREIGN KEY ("project_id") REFERENCES "public"."projects"("id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "editions" ADD CONSTRAINT "editions_template_id_templates_id_fk" FOREIGN KEY ("template_id") REFERENCES "public"."templates"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "titles" ADD CONSTRAINT "titles_project_id_projects_id_fk" FOREIGN KEY ("project_id") REFERENCES "public"."projects"("id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "titles" ADD CONSTRAINT "titles_edition_id_editions_id_fk" FOREIGN KEY ("edition_id") REFERENCES "public"."editions"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
CREATE UNIQUE INDEX "assets_hash" ON "assets" USING btree ("hash");--> statement-breakpoint
CREATE INDEX "clips_project" ON "clips" USING btree ("project_id","start_frame");--> statement-breakpoint
CREATE UNIQUE INDEX "editions_template_number" ON "editions" USING btree ("template_id","number");--> statement-breakpoint
CREATE INDEX "jobs_status" ON "jobs" USING btree ("status","created_at");--> statement-breakpoint
CREATE INDEX "titles_project" ON "titles" USING btree ("project_id","start_frame");