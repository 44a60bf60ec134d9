ALTER TABLE "renders" ADD COLUMN "output" text;--> statement-breakpoint
ALTER TABLE "renders" ADD COLUMN "made_at" timestamp with time zone DEFAULT now() NOT NULL;--> statement-breakpoint
CREATE INDEX "renders_output" ON "renders" USING btree ("output","made_at");