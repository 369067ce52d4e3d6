CREATE TABLE "family_corrections" (
	"id" serial PRIMARY KEY NOT NULL,
	"site_id" integer NOT NULL,
	"kind" text NOT NULL,
	"a" text NOT NULL,
	"b" text NOT NULL,
	"said_by" text NOT NULL,
	"said_at" timestamp with time zone DEFAULT now() NOT NULL
);
--> statement-breakpoint
CREATE TABLE "family_states" (
	"site_id" integer PRIMARY KEY NOT NULL,
	"state" jsonb NOT NULL
);
--> statement-breakpoint
CREATE TABLE "looks" (
	"sha256" text PRIMARY KEY NOT NULL,
	"width_px" integer NOT NULL,
	"height_px" integer NOT NULL,
	"quality" integer,
	"emptiness" double precision NOT NULL,
	"metadata" jsonb DEFAULT '{}'::jsonb NOT NULL,
	"problem" text
);
--> statement-breakpoint
CREATE TABLE "pictures" (
	"id" serial PRIMARY KEY NOT NULL,
	"site_id" integer NOT NULL,
	"master_sha" text NOT NULL,
	"kind" text,
	"kind_reason" text DEFAULT '' NOT NULL,
	"is_kind_settled" boolean DEFAULT false NOT NULL,
	"taken_from" integer,
	"taken_until" integer,
	"because" jsonb DEFAULT '[]'::jsonb NOT NULL,
	"against" jsonb DEFAULT '[]'::jsonb NOT NULL,
	"current_until" integer,
	"overdue" double precision DEFAULT 0 NOT NULL,
	"placeholder_belief" double precision DEFAULT 0 NOT NULL,
	"is_placeholder" boolean DEFAULT false NOT NULL,
	"clues" jsonb DEFAULT '[]'::jsonb NOT NULL,
	"pages" integer DEFAULT 0 NOT NULL,
	"first_pages" jsonb DEFAULT '[]'::jsonb NOT NULL,
	"words" text
);
--> statement-breakpoint
CREATE TABLE "teachings" (
	"site_id" integer NOT NULL,
	"sha256" text NOT NULL,
	"teaching" text NOT NULL,
	"said_by" text NOT NULL,
	"said_at" timestamp with time zone DEFAULT now() NOT NULL,
	CONSTRAINT "teachings_site_id_sha256_pk" PRIMARY KEY("site_id","sha256")
);
--> statement-breakpoint
ALTER TABLE "files" ADD COLUMN "picture_id" integer;--> statement-breakpoint
ALTER TABLE "files" ADD COLUMN "is_master" boolean DEFAULT false NOT NULL;--> statement-breakpoint
ALTER TABLE "files" ADD COLUMN "link" jsonb;--> statement-breakpoint
ALTER TABLE "family_corrections" ADD CONSTRAINT "family_corrections_site_id_sites_id_fk" FOREIGN KEY ("site_id") REFERENCES "public"."sites"("id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "family_states" ADD CONSTRAINT "family_states_site_id_sites_id_fk" FOREIGN KEY ("site_id") REFERENCES "public"."sites"("id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "pictures" ADD CONSTRAINT "pictures_site_id_sites_id_fk" FOREIGN KEY ("site_id") REFERENCES "public"."sites"("id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "teachings" ADD CONSTRAINT "teachings_site_id_sites_id_fk" FOREIGN KEY ("site_id") REFERENCES "public"."sites"("id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
CREATE UNIQUE INDEX "family_corrections_pair" ON "family_corrections" USING btree ("site_id","a","b");--> statement-breakpoint
CREATE INDEX "pictures_site" ON "pictures" USING btree ("site_id","overdue");--> statement-breakpoint
ALTER TABLE "files" ADD CONSTRAINT "files_picture_id_pictures_id_fk" FOREIGN KEY ("picture_id") REFERENCES "public"."pictures"("id") ON DELETE set null ON UPDATE no action;--> statement-breakpoint
CREATE INDEX "files_picture" ON "files" USING btree ("picture_id");