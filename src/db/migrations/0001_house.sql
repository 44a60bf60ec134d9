CREATE TABLE "house" (
	"id" text PRIMARY KEY NOT NULL,
	"document" jsonb NOT NULL,
	"revision" integer NOT NULL
);
