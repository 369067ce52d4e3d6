CREATE TABLE "release_papers" (
	"id" serial PRIMARY KEY NOT NULL,
	"site_id" integer NOT NULL,
	"person" text NOT NULL,
	"file_name" text NOT NULL,
	"content_type" text NOT NULL,
	"size_bytes" integer NOT NULL,
	"sealed" "bytea" NOT NULL,
	"kept_by" text NOT NULL,
	"kept_at" timestamp with time zone DEFAULT now() NOT NULL
);
--> statement-breakpoint
ALTER TABLE "changes" ADD COLUMN "takes_off" boolean DEFAULT false NOT NULL;--> statement-breakpoint
ALTER TABLE "changes" ADD COLUMN "offs" jsonb DEFAULT '[]'::jsonb NOT NULL;--> statement-breakpoint
ALTER TABLE "removals" ADD COLUMN "must_go" boolean DEFAULT false NOT NULL;--> statement-breakpoint
ALTER TABLE "rights_records" ADD COLUMN "for_person" text;--> statement-breakpoint
ALTER TABLE "release_papers" ADD CONSTRAINT "release_papers_site_id_sites_id_fk" FOREIGN KEY ("site_id") REFERENCES "public"."sites"("id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
CREATE INDEX "release_papers_person" ON "release_papers" USING btree ("site_id","person");