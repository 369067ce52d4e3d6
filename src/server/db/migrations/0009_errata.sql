CREATE TABLE "errata" (
	"id" bigserial PRIMARY KEY NOT NULL,
	"site_id" integer NOT NULL,
	"page_path" text NOT NULL,
	"placement_id" bigint NOT NULL,
	"rule" text NOT NULL,
	"degree" text NOT NULL,
	"level" text NOT NULL,
	"evidence" text NOT NULL,
	"branch" text,
	"fix" jsonb,
	"key" text NOT NULL
);
--> statement-breakpoint
CREATE TABLE "rule_levels" (
	"site_id" integer NOT NULL,
	"section" text NOT NULL,
	"rule" text NOT NULL,
	"level" text NOT NULL,
	"reason" text NOT NULL,
	"said_by" text NOT NULL,
	CONSTRAINT "rule_levels_site_id_section_rule_pk" PRIMARY KEY("site_id","section","rule")
);
--> statement-breakpoint
CREATE TABLE "stets" (
	"id" serial PRIMARY KEY NOT NULL,
	"site_id" integer NOT NULL,
	"page_path" text NOT NULL,
	"key" text NOT NULL,
	"rule" text NOT NULL,
	"reason" text NOT NULL,
	"said_by" text NOT NULL,
	"said_at" timestamp with time zone DEFAULT now() NOT NULL,
	"until" date
);
--> statement-breakpoint
ALTER TABLE "files" ADD COLUMN "facts_key" text;--> statement-breakpoint
ALTER TABLE "pages" ADD COLUMN "checked_in" integer;--> statement-breakpoint
ALTER TABLE "pictures" ADD COLUMN "alt_texts" jsonb DEFAULT '{}'::jsonb NOT NULL;--> statement-breakpoint
ALTER TABLE "errata" ADD CONSTRAINT "errata_site_id_sites_id_fk" FOREIGN KEY ("site_id") REFERENCES "public"."sites"("id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "rule_levels" ADD CONSTRAINT "rule_levels_site_id_sites_id_fk" FOREIGN KEY ("site_id") REFERENCES "public"."sites"("id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "stets" ADD CONSTRAINT "stets_site_id_sites_id_fk" FOREIGN KEY ("site_id") REFERENCES "public"."sites"("id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
CREATE UNIQUE INDEX "errata_key" ON "errata" USING btree ("site_id","page_path","key");--> statement-breakpoint
CREATE INDEX "errata_rule" ON "errata" USING btree ("site_id","rule");--> statement-breakpoint
CREATE UNIQUE INDEX "stets_key" ON "stets" USING btree ("site_id","page_path","key");