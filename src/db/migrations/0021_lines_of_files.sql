ALTER TABLE "renders" ADD COLUMN "line" text;--> statement-breakpoint
CREATE INDEX "renders_line" ON "renders" USING btree ("line","made_at");