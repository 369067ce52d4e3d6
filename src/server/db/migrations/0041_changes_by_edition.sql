CREATE INDEX "changes_edition" ON "changes" USING btree ("edition_id");--> statement-breakpoint
CREATE INDEX "publications_edition" ON "publications" USING btree ("edition_id");