CREATE TABLE "renders" (
	"key" text PRIMARY KEY NOT NULL,
	"job_id" text NOT NULL,
	"facts" jsonb NOT NULL
);
