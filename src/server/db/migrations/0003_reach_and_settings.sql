ALTER TABLE "files" ADD COLUMN "reach" double precision DEFAULT 0 NOT NULL;--> statement-breakpoint
ALTER TABLE "sites" ADD COLUMN "lazy_attributes" jsonb DEFAULT '[]'::jsonb NOT NULL;