-- A trigger's plan is made once in a connection, from how many rows its first statement touched; where they were few, each row
-- before was looked for among all rows after, and thousands of pages took ten seconds. Never so, however few there were.
ALTER FUNCTION "pages_of_errata_changed"() SET enable_nestloop = off;
--> statement-breakpoint
ALTER FUNCTION "files_of_pictures_changed"() SET enable_nestloop = off;
--> statement-breakpoint
ALTER FUNCTION "pictures_changed"() SET enable_nestloop = off;
