CREATE TABLE "deliveries" (
	"id" serial PRIMARY KEY NOT NULL,
	"site_id" integer NOT NULL,
	"number" integer NOT NULL,
	"opened_by" text NOT NULL,
	"opened_at" timestamp with time zone DEFAULT now() NOT NULL,
	"closed_at" timestamp with time zone
);
--> statement-breakpoint
CREATE TABLE "uploads" (
	"id" text PRIMARY KEY NOT NULL,
	"site_id" integer NOT NULL,
	"delivery_id" integer NOT NULL,
	"file_name" text NOT NULL,
	"path" text DEFAULT '' NOT NULL,
	"fingerprint" text NOT NULL,
	"size_bytes" bigint NOT NULL,
	"state" text DEFAULT 'arriving' NOT NULL,
	"problem" jsonb,
	"sent_by" text NOT NULL,
	"started_at" timestamp with time zone DEFAULT now() NOT NULL
);
--> statement-breakpoint
ALTER TABLE "intake" ADD COLUMN "focal_because" jsonb DEFAULT '["middle"]'::jsonb;--> statement-breakpoint
ALTER TABLE "intake" ADD COLUMN "delivery_id" integer;--> statement-breakpoint
ALTER TABLE "intake" ADD COLUMN "upload_id" text;--> statement-breakpoint
ALTER TABLE "intake" ADD COLUMN "entry" text DEFAULT '' NOT NULL;--> statement-breakpoint
ALTER TABLE "intake" ADD COLUMN "source" jsonb;--> statement-breakpoint
ALTER TABLE "intake" ADD COLUMN "alt" text DEFAULT '' NOT NULL;--> statement-breakpoint
ALTER TABLE "intake" ADD COLUMN "caption" text DEFAULT '' NOT NULL;--> statement-breakpoint
ALTER TABLE "intake" ADD COLUMN "credit" text DEFAULT '' NOT NULL;--> statement-breakpoint
ALTER TABLE "intake" ADD COLUMN "folder" text DEFAULT '' NOT NULL;--> statement-breakpoint
ALTER TABLE "intake" ADD COLUMN "tags" jsonb DEFAULT '[]'::jsonb NOT NULL;--> statement-breakpoint
ALTER TABLE "intake" ADD COLUMN "findings" jsonb;--> statement-breakpoint
ALTER TABLE "intake" ADD COLUMN "taken_year" integer;--> statement-breakpoint
ALTER TABLE "intake" ADD COLUMN "checked_at" timestamp with time zone;--> statement-breakpoint
ALTER TABLE "intake" ADD COLUMN "struck_at" timestamp with time zone;--> statement-breakpoint
ALTER TABLE "deliveries" ADD CONSTRAINT "deliveries_site_id_sites_id_fk" FOREIGN KEY ("site_id") REFERENCES "public"."sites"("id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "uploads" ADD CONSTRAINT "uploads_site_id_sites_id_fk" FOREIGN KEY ("site_id") REFERENCES "public"."sites"("id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "uploads" ADD CONSTRAINT "uploads_delivery_id_deliveries_id_fk" FOREIGN KEY ("delivery_id") REFERENCES "public"."deliveries"("id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
CREATE UNIQUE INDEX "deliveries_number" ON "deliveries" USING btree ("site_id","number");--> statement-breakpoint
CREATE UNIQUE INDEX "uploads_file" ON "uploads" USING btree ("delivery_id","fingerprint");--> statement-breakpoint
ALTER TABLE "intake" ADD CONSTRAINT "intake_delivery_id_deliveries_id_fk" FOREIGN KEY ("delivery_id") REFERENCES "public"."deliveries"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
CREATE UNIQUE INDEX "intake_upload" ON "intake" USING btree ("upload_id","entry");--> statement-breakpoint
CREATE INDEX "intake_delivery" ON "intake" USING btree ("delivery_id");