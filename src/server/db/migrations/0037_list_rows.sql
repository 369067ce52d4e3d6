DROP FUNCTION "errata_changed" CASCADE;
--> statement-breakpoint
DROP FUNCTION "pages_of_errata_changed" CASCADE;
--> statement-breakpoint
CREATE TABLE "list_changes" (
	"id" bigserial PRIMARY KEY NOT NULL,
	"site_id" integer NOT NULL,
	"list" text NOT NULL
);
--> statement-breakpoint
CREATE TABLE "picture_rows" (
	"site_id" integer NOT NULL,
	"key" integer NOT NULL,
	"file_id" integer NOT NULL,
	"picture_id" integer,
	"path" text NOT NULL,
	"title" text,
	"is_there" boolean NOT NULL,
	"size_bytes" bigint,
	"files" integer NOT NULL,
	"places" integer NOT NULL,
	"uses" integer NOT NULL,
	"undescribed" integer NOT NULL,
	"reach" double precision NOT NULL,
	"overdue" double precision NOT NULL,
	"taken_until" integer,
	"is_placeholder" boolean NOT NULL,
	"belief" double precision NOT NULL,
	"is_changed" boolean NOT NULL,
	CONSTRAINT "picture_rows_site_id_key_pk" PRIMARY KEY("site_id","key")
);
--> statement-breakpoint
DROP TABLE "errata_changes" CASCADE;--> statement-breakpoint
DROP INDEX "pages_standing";--> statement-breakpoint
ALTER TABLE "errata" ADD COLUMN "takes_words" boolean DEFAULT false NOT NULL;--> statement-breakpoint
ALTER TABLE "errata_groups" ADD COLUMN "takes_words" boolean DEFAULT false NOT NULL;--> statement-breakpoint
ALTER TABLE "errata_groups" ADD COLUMN "whole" bigint DEFAULT 0 NOT NULL;--> statement-breakpoint
ALTER TABLE "picture_rows" ADD CONSTRAINT "picture_rows_site_id_sites_id_fk" FOREIGN KEY ("site_id") REFERENCES "public"."sites"("id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
CREATE INDEX "list_changes_site" ON "list_changes" USING btree ("site_id","list");--> statement-breakpoint
CREATE INDEX "files_same" ON "files" USING btree ("site_id","sha256","size_bytes") WHERE gone_in is null and sha256 is not null;--> statement-breakpoint
CREATE INDEX "errata_place" ON "errata" USING btree ("placement_id");--> statement-breakpoint
CREATE INDEX "pages_standing" ON "pages" USING btree ("site_id","path","section","id","reach","places","missing","undescribed","since_in","changed_in","modified_at") WHERE gone_in is null;
--> statement-breakpoint
UPDATE "errata" e SET "takes_words" = true FROM "placements" x WHERE x.id = e.placement_id
	AND (x.words -> 'alt' <> 'null' OR x.words -> 'addAttribute' <> 'null' OR x.words -> 'caption' <> 'null');
--> statement-breakpoint
INSERT INTO "list_changes" ("site_id", "list") SELECT s.id, l.list FROM "sites" s, unnest(ARRAY['errata', 'pictures']) AS l(list);
--> statement-breakpoint
CREATE FUNCTION "list_changed"() RETURNS trigger LANGUAGE plpgsql AS $$
BEGIN
	INSERT INTO list_changes (site_id, list) SELECT DISTINCT site_id, TG_ARGV[0] FROM touched;
	RETURN NULL;
END $$;
--> statement-breakpoint
CREATE FUNCTION "pages_of_errata_changed"() RETURNS trigger LANGUAGE plpgsql AS $$
BEGIN
	INSERT INTO list_changes (site_id, list) SELECT DISTINCT n.site_id, 'errata' FROM touched n JOIN before o ON o.id = n.id
		WHERE (o.reach, o.section, o.path, o.gone_in) IS DISTINCT FROM (n.reach, n.section, n.path, n.gone_in);
	RETURN NULL;
END $$;
--> statement-breakpoint
CREATE FUNCTION "files_of_pictures_changed"() RETURNS trigger LANGUAGE plpgsql AS $$
BEGIN
	INSERT INTO list_changes (site_id, list) SELECT DISTINCT n.site_id, 'pictures' FROM touched n JOIN before o ON o.id = n.id
		WHERE (o.path, o.gone_in, o.picture_id, o.is_master, o.sha256, o.size_bytes, o.places, o.uses, o.undescribed, o.reach)
			IS DISTINCT FROM (n.path, n.gone_in, n.picture_id, n.is_master, n.sha256, n.size_bytes, n.places, n.uses, n.undescribed, n.reach);
	RETURN NULL;
END $$;
--> statement-breakpoint
CREATE FUNCTION "pictures_changed"() RETURNS trigger LANGUAGE plpgsql AS $$
BEGIN
	INSERT INTO list_changes (site_id, list) SELECT DISTINCT n.site_id, 'pictures' FROM touched n JOIN before o ON o.id = n.id
		WHERE (o.title, o.overdue, o.taken_until, o.is_placeholder, o.placeholder_belief, o.changed IS NULL)
			IS DISTINCT FROM (n.title, n.overdue, n.taken_until, n.is_placeholder, n.placeholder_belief, n.changed IS NULL);
	RETURN NULL;
END $$;
--> statement-breakpoint
CREATE TRIGGER "errata_added" AFTER INSERT ON "errata" REFERENCING NEW TABLE AS touched FOR EACH STATEMENT EXECUTE FUNCTION list_changed('errata');
--> statement-breakpoint
CREATE TRIGGER "errata_altered" AFTER UPDATE ON "errata" REFERENCING NEW TABLE AS touched FOR EACH STATEMENT EXECUTE FUNCTION list_changed('errata');
--> statement-breakpoint
CREATE TRIGGER "errata_removed" AFTER DELETE ON "errata" REFERENCING OLD TABLE AS touched FOR EACH STATEMENT EXECUTE FUNCTION list_changed('errata');
--> statement-breakpoint
CREATE TRIGGER "stets_added" AFTER INSERT ON "stets" REFERENCING NEW TABLE AS touched FOR EACH STATEMENT EXECUTE FUNCTION list_changed('errata');
--> statement-breakpoint
CREATE TRIGGER "stets_altered" AFTER UPDATE ON "stets" REFERENCING NEW TABLE AS touched FOR EACH STATEMENT EXECUTE FUNCTION list_changed('errata');
--> statement-breakpoint
CREATE TRIGGER "stets_removed" AFTER DELETE ON "stets" REFERENCING OLD TABLE AS touched FOR EACH STATEMENT EXECUTE FUNCTION list_changed('errata');
--> statement-breakpoint
CREATE TRIGGER "files_of_pictures_added" AFTER INSERT ON "files" REFERENCING NEW TABLE AS touched FOR EACH STATEMENT EXECUTE FUNCTION list_changed('pictures');
--> statement-breakpoint
CREATE TRIGGER "files_of_pictures_removed" AFTER DELETE ON "files" REFERENCING OLD TABLE AS touched FOR EACH STATEMENT EXECUTE FUNCTION list_changed('pictures');
--> statement-breakpoint
CREATE TRIGGER "pages_of_errata_altered" AFTER UPDATE ON "pages" REFERENCING OLD TABLE AS before NEW TABLE AS touched FOR EACH STATEMENT EXECUTE FUNCTION pages_of_errata_changed();
--> statement-breakpoint
CREATE TRIGGER "files_of_pictures_altered" AFTER UPDATE ON "files" REFERENCING OLD TABLE AS before NEW TABLE AS touched FOR EACH STATEMENT EXECUTE FUNCTION files_of_pictures_changed();
--> statement-breakpoint
CREATE TRIGGER "pictures_altered" AFTER UPDATE ON "pictures" REFERENCING OLD TABLE AS before NEW TABLE AS touched FOR EACH STATEMENT EXECUTE FUNCTION pictures_changed();
--> statement-breakpoint
-- Pages, or files, with some words. Always by the index: reading what is searched from beside its rows costs more than the
-- planner knows, and seven times as much where all rows have the words.
CREATE FUNCTION "pages_with"(site integer, asked tsquery) RETURNS SETOF integer LANGUAGE sql STABLE SET enable_seqscan = off AS $$
	SELECT id FROM pages WHERE site_id = site AND gone_in IS NULL AND search @@ asked
$$;
--> statement-breakpoint
CREATE FUNCTION "files_with"(site integer, asked tsquery) RETURNS SETOF integer LANGUAGE sql STABLE SET enable_seqscan = off AS $$
	SELECT id FROM files WHERE site_id = site AND gone_in IS NULL AND search @@ asked
$$;
