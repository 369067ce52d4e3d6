-- A trigger's plan is made once in a connection, from how many rows its first statement touched; where they were few, each row
-- before was looked for among all rows after, and thousands of pages took ten seconds. Never so, however few there were.
ALTER FUNCTION "pages_of_errata_changed"() SET enable_nestloop = off;
--> statement-breakpoint
-- A file that can't be read is another thing than one that is not there.
CREATE OR REPLACE FUNCTION "files_of_pictures_changed"() RETURNS trigger LANGUAGE plpgsql SET enable_nestloop = off AS $$
BEGIN
	INSERT INTO list_changes (site_id, list) SELECT DISTINCT n.site_id, 'pictures' FROM touched n JOIN before o ON o.id = n.id
		WHERE (o.path, o.gone_in, o.picture_id, o.is_master, o.sha256, o.problem IS NULL, o.size_bytes, o.places, o.uses, o.undescribed, o.reach)
			IS DISTINCT FROM (n.path, n.gone_in, n.picture_id, n.is_master, n.sha256, n.problem IS NULL, n.size_bytes, n.places, n.uses, n.undescribed, n.reach);
	RETURN NULL;
END $$;
--> statement-breakpoint
ALTER FUNCTION "pictures_changed"() SET enable_nestloop = off;
