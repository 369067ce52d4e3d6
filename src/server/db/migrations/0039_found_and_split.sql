ALTER TABLE "errata_groups" ADD COLUMN "is_split" boolean DEFAULT false NOT NULL;--> statement-breakpoint
CREATE INDEX "pages_title_words" ON "pages" USING gin (to_tsvector('simple', "title"));--> statement-breakpoint
CREATE INDEX "pages_path_words" ON "pages" USING gin (to_tsvector('simple', translate("path", '/-_.?=&', '       ')));--> statement-breakpoint
CREATE INDEX "errata_groups_split" ON "errata_groups" USING btree ("site_id","whole") WHERE is_split;
--> statement-breakpoint
UPDATE "errata_groups" g SET "is_split" = true WHERE EXISTS (
	SELECT FROM errata_groups o WHERE o.site_id = g.site_id AND o.whole = g.whole AND o.id <> g.id);
--> statement-breakpoint
-- Pages with some words in their title, or in their address; by the index, always, as those with them anywhere.
CREATE FUNCTION "pages_titled"(site integer, asked tsquery) RETURNS SETOF integer LANGUAGE sql STABLE SET enable_seqscan = off AS $$
	SELECT id FROM pages WHERE site_id = site AND gone_in IS NULL AND to_tsvector('simple', title) @@ asked
$$;
--> statement-breakpoint
CREATE FUNCTION "pages_called"(site integer, asked tsquery) RETURNS SETOF integer LANGUAGE sql STABLE SET enable_seqscan = off AS $$
	SELECT id FROM pages WHERE site_id = site AND gone_in IS NULL AND to_tsvector('simple', translate(path, '/-_.?=&', '       ')) @@ asked
$$;
--> statement-breakpoint
-- Files with some words, and where they say them: in alt texts and captions, in their names, on the pages they stand on, or some
-- of the words here and the others there. Told where the rows are at hand: to fetch them again takes longer than to look.
CREATE FUNCTION "files_saying"(site integer, asked tsquery, said tsquery, named tsquery, paged tsquery)
	RETURNS TABLE ("key" integer, "found_in" text) LANGUAGE sql STABLE SET enable_seqscan = off AS $$
	SELECT coalesce(picture_id, -id), CASE WHEN search @@ said THEN 'words' WHEN search @@ named THEN 'name' WHEN search @@ paged THEN 'page' ELSE 'parts' END
	FROM files WHERE site_id = site AND gone_in IS NULL AND search @@ asked
$$;
