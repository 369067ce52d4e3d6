CREATE TABLE "addresses" (
	"site_id" integer NOT NULL,
	"url" text NOT NULL,
	"final_url" text,
	"path" text,
	"role" text,
	"sha256" text,
	"size_bytes" bigint,
	"charset" text,
	"etag" text,
	"last_modified" text,
	"links" jsonb DEFAULT '[]'::jsonb NOT NULL,
	"sheets" jsonb DEFAULT '[]'::jsonb NOT NULL,
	"from_url" text,
	"depth" integer DEFAULT 0 NOT NULL,
	"queued_in" integer NOT NULL,
	"read_in" integer,
	"problem" text,
	CONSTRAINT "addresses_site_id_url_pk" PRIMARY KEY("site_id","url")
);
--> statement-breakpoint
CREATE TABLE "page_views" (
	"site_id" integer NOT NULL,
	"path" text NOT NULL,
	"views" double precision NOT NULL,
	CONSTRAINT "page_views_site_id_path_pk" PRIMARY KEY("site_id","path")
);
--> statement-breakpoint
CREATE TABLE "sections" (
	"id" serial PRIMARY KEY NOT NULL,
	"site_id" integer NOT NULL,
	"name" text NOT NULL,
	"pattern" text NOT NULL,
	"owner_id" text
);
--> statement-breakpoint
CREATE TABLE "slots" (
	"id" bigserial PRIMARY KEY NOT NULL,
	"site_id" integer NOT NULL,
	"page_path" text NOT NULL,
	"sha256" text NOT NULL,
	"source_path" text NOT NULL,
	"start" integer NOT NULL,
	"width" text NOT NULL,
	"x" double precision NOT NULL,
	"y" double precision NOT NULL,
	"width_px" double precision NOT NULL,
	"height_px" double precision NOT NULL,
	"fit" text NOT NULL
);
--> statement-breakpoint
ALTER TABLE "files" ADD COLUMN "near_path" text;--> statement-breakpoint
ALTER TABLE "files" ADD COLUMN "near_kind" text;--> statement-breakpoint
ALTER TABLE "pages" ADD COLUMN "since_in" integer;--> statement-breakpoint
UPDATE "pages" SET "since_in" = "read_in";--> statement-breakpoint
ALTER TABLE "pages" ALTER COLUMN "since_in" SET NOT NULL;--> statement-breakpoint
ALTER TABLE "pages" ADD COLUMN "changed_in" integer;--> statement-breakpoint
UPDATE "pages" SET "changed_in" = "read_in";--> statement-breakpoint
ALTER TABLE "pages" ALTER COLUMN "changed_in" SET NOT NULL;--> statement-breakpoint
ALTER TABLE "pages" ADD COLUMN "moved_from" text;--> statement-breakpoint
ALTER TABLE "pages" ADD COLUMN "leads_to" jsonb DEFAULT '[]'::jsonb NOT NULL;--> statement-breakpoint
ALTER TABLE "pages" ADD COLUMN "reach" double precision DEFAULT 0 NOT NULL;--> statement-breakpoint
ALTER TABLE "pages" ADD COLUMN "words" text DEFAULT '' NOT NULL;--> statement-breakpoint
ALTER TABLE "pages" ADD COLUMN "search" "tsvector" GENERATED ALWAYS AS (setweight(to_tsvector('simple', coalesce(title, '')), 'A') || setweight(to_tsvector('simple', translate(path, '/-_.?=&', '       ')), 'B') || setweight(to_tsvector('simple', words), 'C')) STORED;--> statement-breakpoint
ALTER TABLE "placements" ADD COLUMN "spot" text;--> statement-breakpoint
UPDATE "placements" SET "spot" = "thread";--> statement-breakpoint
ALTER TABLE "placements" ALTER COLUMN "spot" SET NOT NULL;--> statement-breakpoint
ALTER TABLE "sites" ADD COLUMN "cache_busters" jsonb DEFAULT '[]'::jsonb NOT NULL;--> statement-breakpoint
ALTER TABLE "sites" ADD COLUMN "survey_every" text;--> statement-breakpoint
ALTER TABLE "sites" ADD COLUMN "reach_from" text;--> statement-breakpoint
ALTER TABLE "surveys" ADD COLUMN "stop_wanted" boolean DEFAULT false NOT NULL;--> statement-breakpoint
ALTER TABLE "surveys" ADD COLUMN "phase" text DEFAULT '' NOT NULL;--> statement-breakpoint
ALTER TABLE "addresses" ADD CONSTRAINT "addresses_site_id_sites_id_fk" FOREIGN KEY ("site_id") REFERENCES "public"."sites"("id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "page_views" ADD CONSTRAINT "page_views_site_id_sites_id_fk" FOREIGN KEY ("site_id") REFERENCES "public"."sites"("id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "sections" ADD CONSTRAINT "sections_site_id_sites_id_fk" FOREIGN KEY ("site_id") REFERENCES "public"."sites"("id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "sections" ADD CONSTRAINT "sections_owner_id_user_id_fk" FOREIGN KEY ("owner_id") REFERENCES "public"."user"("id") ON DELETE set null ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "slots" ADD CONSTRAINT "slots_site_id_sites_id_fk" FOREIGN KEY ("site_id") REFERENCES "public"."sites"("id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
CREATE UNIQUE INDEX "sections_pattern" ON "sections" USING btree ("site_id","pattern");--> statement-breakpoint
CREATE UNIQUE INDEX "slots_place" ON "slots" USING btree ("site_id","page_path","width","source_path","start");--> statement-breakpoint
CREATE INDEX "pages_search" ON "pages" USING gin ("search");--> statement-breakpoint
CREATE INDEX "pages_reach" ON "pages" USING btree ("site_id","reach");--> statement-breakpoint
CREATE INDEX "placements_since" ON "placements" USING btree ("site_id","since_survey");--> statement-breakpoint
CREATE INDEX "placements_until" ON "placements" USING btree ("site_id","until_survey") WHERE until_survey is not null;