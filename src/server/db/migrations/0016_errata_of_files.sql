ALTER TABLE "errata" ALTER COLUMN "placement_id" DROP NOT NULL;--> statement-breakpoint
ALTER TABLE "errata" ADD COLUMN "section" text;