CREATE TABLE "shelf_lives" (
	"site_id" integer NOT NULL,
	"section" text NOT NULL,
	"kind" text NOT NULL,
	"life" jsonb NOT NULL,
	CONSTRAINT "shelf_lives_site_id_section_kind_pk" PRIMARY KEY("site_id","section","kind")
);
--> statement-breakpoint
ALTER TABLE "sites" ADD COLUMN "school_year_month" integer DEFAULT 9 NOT NULL;--> statement-breakpoint
ALTER TABLE "shelf_lives" ADD CONSTRAINT "shelf_lives_site_id_sites_id_fk" FOREIGN KEY ("site_id") REFERENCES "public"."sites"("id") ON DELETE cascade ON UPDATE no action;