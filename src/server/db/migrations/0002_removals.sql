CREATE TABLE "removals" (
	"id" serial PRIMARY KEY NOT NULL,
	"edition_id" integer NOT NULL,
	"path" text NOT NULL,
	"sha256" text NOT NULL,
	"size_bytes" integer NOT NULL,
	"state" text DEFAULT 'preparing' NOT NULL,
	"searched" jsonb,
	"problem" jsonb,
	"created_by" text NOT NULL
);
--> statement-breakpoint
ALTER TABLE "removals" ADD CONSTRAINT "removals_edition_id_editions_id_fk" FOREIGN KEY ("edition_id") REFERENCES "public"."editions"("id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
CREATE UNIQUE INDEX "removals_path" ON "removals" USING btree ("edition_id","path");