CREATE TABLE "clients" (
	"id" text PRIMARY KEY NOT NULL,
	"name" text NOT NULL,
	"key_hash" text NOT NULL,
	"key_start" text NOT NULL,
	"created_at" timestamp with time zone DEFAULT now() NOT NULL,
	"used_at" timestamp with time zone,
	"withdrawn_at" timestamp with time zone
);
--> statement-breakpoint
ALTER TABLE "jobs" ADD COLUMN "client_id" text;--> statement-breakpoint
ALTER TABLE "jobs" ADD COLUMN "client_key" text;--> statement-breakpoint
ALTER TABLE "jobs" ADD COLUMN "order_hash" text;--> statement-breakpoint
CREATE UNIQUE INDEX "clients_key" ON "clients" USING btree ("key_hash");--> statement-breakpoint
CREATE UNIQUE INDEX "jobs_client_key" ON "jobs" USING btree ("client_id","client_key");