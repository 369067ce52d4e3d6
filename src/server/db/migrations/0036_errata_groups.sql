CREATE TABLE "errata_changes" (
	"id" bigserial PRIMARY KEY NOT NULL,
	"site_id" integer NOT NULL
);
--> statement-breakpoint
CREATE TABLE "errata_groups" (
	"id" bigserial PRIMARY KEY NOT NULL,
	"site_id" integer NOT NULL,
	"rule" text NOT NULL,
	"degree" text NOT NULL,
	"subject" text NOT NULL,
	"only_id" bigint,
	"stands" boolean NOT NULL,
	"section" text,
	"places" integer NOT NULL,
	"pages" integer NOT NULL,
	"fixes" integer NOT NULL,
	"weight" double precision NOT NULL,
	"top_weight" double precision NOT NULL,
	"reach" double precision NOT NULL,
	"ids" bigint[] NOT NULL,
	"first_id" bigint NOT NULL,
	"grouped_on" date DEFAULT now() NOT NULL
);
--> statement-breakpoint
ALTER TABLE "errata_groups" ADD CONSTRAINT "errata_groups_site_id_sites_id_fk" FOREIGN KEY ("site_id") REFERENCES "public"."sites"("id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
CREATE INDEX "errata_changes_site" ON "errata_changes" USING btree ("site_id");--> statement-breakpoint
CREATE INDEX "errata_groups_site" ON "errata_groups" USING btree ("site_id");--> statement-breakpoint
CREATE INDEX "files_standing" ON "files" USING btree ("site_id","picture_id","id") WHERE gone_in is null;--> statement-breakpoint
CREATE INDEX "pages_standing" ON "pages" USING btree ("site_id","path","section","id","reach") WHERE gone_in is null;--> statement-breakpoint
CREATE INDEX "placements_sheets" ON "placements" USING btree ("site_id","source_path") WHERE until_survey is null and source_path <> page_path;--> statement-breakpoint
INSERT INTO "errata_changes" ("site_id") SELECT "id" FROM "sites";
--> statement-breakpoint
CREATE FUNCTION "errata_changed"() RETURNS trigger LANGUAGE plpgsql AS $$
BEGIN
	INSERT INTO errata_changes (site_id) SELECT DISTINCT site_id FROM touched;
	RETURN NULL;
END $$;
--> statement-breakpoint
CREATE FUNCTION "pages_of_errata_changed"() RETURNS trigger LANGUAGE plpgsql AS $$
BEGIN
	INSERT INTO errata_changes (site_id) SELECT DISTINCT n.site_id FROM touched n JOIN before o ON o.id = n.id
		WHERE (o.reach, o.section, o.path, o.gone_in) IS DISTINCT FROM (n.reach, n.section, n.path, n.gone_in);
	RETURN NULL;
END $$;
--> statement-breakpoint
CREATE TRIGGER "errata_added" AFTER INSERT ON "errata" REFERENCING NEW TABLE AS touched FOR EACH STATEMENT EXECUTE FUNCTION errata_changed();
--> statement-breakpoint
CREATE TRIGGER "errata_altered" AFTER UPDATE ON "errata" REFERENCING NEW TABLE AS touched FOR EACH STATEMENT EXECUTE FUNCTION errata_changed();
--> statement-breakpoint
CREATE TRIGGER "errata_removed" AFTER DELETE ON "errata" REFERENCING OLD TABLE AS touched FOR EACH STATEMENT EXECUTE FUNCTION errata_changed();
--> statement-breakpoint
CREATE TRIGGER "stets_added" AFTER INSERT ON "stets" REFERENCING NEW TABLE AS touched FOR EACH STATEMENT EXECUTE FUNCTION errata_changed();
--> statement-breakpoint
CREATE TRIGGER "stets_altered" AFTER UPDATE ON "stets" REFERENCING NEW TABLE AS touched FOR EACH STATEMENT EXECUTE FUNCTION errata_changed();
--> statement-breakpoint
CREATE TRIGGER "stets_removed" AFTER DELETE ON "stets" REFERENCING OLD TABLE AS touched FOR EACH STATEMENT EXECUTE FUNCTION errata_changed();
--> statement-breakpoint
CREATE TRIGGER "pages_of_errata_altered" AFTER UPDATE ON "pages" REFERENCING OLD TABLE AS before NEW TABLE AS touched FOR EACH STATEMENT EXECUTE FUNCTION pages_of_errata_changed();
