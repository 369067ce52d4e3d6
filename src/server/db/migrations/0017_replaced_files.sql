ALTER TABLE "files" ADD COLUMN "replaced_in" integer;--> statement-breakpoint
ALTER TABLE "files" ADD COLUMN "replaced_sha" text;--> statement-breakpoint
ALTER TABLE "files" ADD COLUMN "replaced_alike" boolean;--> statement-breakpoint
CREATE INDEX "files_replaced" ON "files" USING btree ("site_id") WHERE replaced_alike = false;