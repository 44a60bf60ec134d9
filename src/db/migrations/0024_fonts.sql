CREATE TABLE "fonts" (
	"id" text PRIMARY KEY NOT NULL,
	"file_name" text NOT NULL,
	"byte_count" integer NOT NULL,
	"facts" jsonb NOT NULL,
	"in_use" boolean NOT NULL,
	"created_at" timestamp with time zone DEFAULT now() NOT NULL
);
