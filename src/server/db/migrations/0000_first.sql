CREATE TABLE "account" (
	"id" text PRIMARY KEY NOT NULL,
	"account_id" text NOT NULL,
	"provider_id" text NOT NULL,
	"user_id" text NOT NULL,
	"access_token" text,
	"refresh_token" text,
	"id_token" text,
	"access_token_expires_at" timestamp with time zone,
	"refresh_token_expires_at" timestamp with time zone,
	"scope" text,
	"password" text,
	"created_at" timestamp with time zone DEFAULT now() NOT NULL,
	"updated_at" timestamp with time zone DEFAULT now() NOT NULL
);
--> statement-breakpoint
CREATE TABLE "rate_limit" (
	"id" text PRIMARY KEY NOT NULL,
	"key" text NOT NULL,
	"count" integer NOT NULL,
	"last_request" bigint NOT NULL,
	CONSTRAINT "rate_limit_key_unique" UNIQUE("key")
);
--> statement-breakpoint
CREATE TABLE "session" (
	"id" text PRIMARY KEY NOT NULL,
	"expires_at" timestamp with time zone NOT NULL,
	"token" text NOT NULL,
	"created_at" timestamp with time zone DEFAULT now() NOT NULL,
	"updated_at" timestamp with time zone DEFAULT now() NOT NULL,
	"ip_address" text,
	"user_agent" text,
	"user_id" text NOT NULL,
	CONSTRAINT "session_token_unique" UNIQUE("token")
);
--> statement-breakpoint
CREATE TABLE "user" (
	"id" text PRIMARY KEY NOT NULL,
	"name" text NOT NULL,
	"email" text NOT NULL,
	"email_verified" boolean DEFAULT false NOT NULL,
	"image" text,
	"role" text DEFAULT 'viewer' NOT NULL,
	"created_at" timestamp with time zone DEFAULT now() NOT NULL,
	"updated_at" timestamp with time zone DEFAULT now() NOT NULL,
	CONSTRAINT "user_email_unique" UNIQUE("email")
);
--> statement-breakpoint
CREATE TABLE "verification" (
	"id" text PRIMARY KEY NOT NULL,
	"identifier" text NOT NULL,
	"value" text NOT NULL,
	"expires_at" timestamp with time zone NOT NULL,
	"created_at" timestamp with time zone DEFAULT now() NOT NULL,
	"updated_at" timestamp with time zone DEFAULT now() NOT NULL
);
--> statement-breakpoint
CREATE TABLE "files" (
	"id" serial PRIMARY KEY NOT NULL,
	"site_id" integer NOT NULL,
	"path" text NOT NULL,
	"sha256" text,
	"size_bytes" bigint,
	"width_px" integer,
	"height_px" integer,
	"format" text,
	"problem" text,
	"modified_ms" bigint,
	"seen_in" integer NOT NULL,
	"gone_in" integer
);
--> statement-breakpoint
CREATE TABLE "pages" (
	"id" serial PRIMARY KEY NOT NULL,
	"site_id" integer NOT NULL,
	"path" text NOT NULL,
	"section" text NOT NULL,
	"title" text NOT NULL,
	"language" text,
	"encoding" text NOT NULL,
	"sha256" text NOT NULL,
	"size_bytes" integer NOT NULL,
	"sheets_key" text NOT NULL,
	"modified_at" timestamp with time zone,
	"read_in" integer NOT NULL,
	"gone_in" integer
);
--> statement-breakpoint
CREATE TABLE "placements" (
	"id" bigserial PRIMARY KEY NOT NULL,
	"site_id" integer NOT NULL,
	"page_path" text NOT NULL,
	"source_path" text NOT NULL,
	"file_path" text,
	"url" text,
	"kind" text NOT NULL,
	"ordinal" integer NOT NULL,
	"raw" text NOT NULL,
	"start" integer NOT NULL,
	"end" integer NOT NULL,
	"line" integer NOT NULL,
	"column" integer NOT NULL,
	"thread" text NOT NULL,
	"alt" text,
	"name" text NOT NULL,
	"caption" text,
	"link" jsonb,
	"decorative" boolean NOT NULL,
	"hidden" boolean NOT NULL,
	"dormant" boolean NOT NULL,
	"context" jsonb NOT NULL,
	"declared" jsonb NOT NULL,
	"words" jsonb NOT NULL,
	"since_survey" integer NOT NULL,
	"until_survey" integer
);
--> statement-breakpoint
CREATE TABLE "changes" (
	"id" serial PRIMARY KEY NOT NULL,
	"edition_id" integer NOT NULL,
	"from_path" text NOT NULL,
	"intake_id" integer NOT NULL,
	"words" jsonb NOT NULL,
	"placement_ids" jsonb NOT NULL,
	"state" text DEFAULT 'preparing' NOT NULL,
	"places" jsonb DEFAULT '[]'::jsonb NOT NULL,
	"problem" jsonb,
	"created_by" text NOT NULL,
	"created_at" timestamp with time zone DEFAULT now() NOT NULL
);
--> statement-breakpoint
CREATE TABLE "editions" (
	"id" serial PRIMARY KEY NOT NULL,
	"site_id" integer NOT NULL,
	"number" integer NOT NULL,
	"state" text DEFAULT 'draft' NOT NULL,
	"created_by" text NOT NULL,
	"created_at" timestamp with time zone DEFAULT now() NOT NULL,
	"published_at" timestamp with time zone,
	"withdrawn_at" timestamp with time zone
);
--> statement-breakpoint
CREATE TABLE "edits" (
	"id" serial PRIMARY KEY NOT NULL,
	"change_id" integer NOT NULL,
	"page_path" text NOT NULL,
	"source_path" text NOT NULL,
	"subject" text NOT NULL,
	"place_start" integer NOT NULL,
	"start" integer NOT NULL,
	"end" integer NOT NULL,
	"was" text NOT NULL,
	"becomes" text NOT NULL,
	"expects" text NOT NULL
);
--> statement-breakpoint
CREATE TABLE "intake" (
	"id" serial PRIMARY KEY NOT NULL,
	"site_id" integer NOT NULL,
	"sha256" text NOT NULL,
	"file_name" text NOT NULL,
	"title" text NOT NULL,
	"size_bytes" integer NOT NULL,
	"width_px" integer NOT NULL,
	"height_px" integer NOT NULL,
	"format" text NOT NULL,
	"is_animated" boolean NOT NULL,
	"focal_x" double precision DEFAULT 0.5 NOT NULL,
	"focal_y" double precision DEFAULT 0.5 NOT NULL,
	"received_by" text NOT NULL,
	"received_at" timestamp with time zone DEFAULT now() NOT NULL
);
--> statement-breakpoint
CREATE TABLE "new_files" (
	"id" serial PRIMARY KEY NOT NULL,
	"change_id" integer NOT NULL,
	"path" text NOT NULL,
	"sha256" text NOT NULL,
	"size_bytes" integer NOT NULL,
	"rendition" jsonb NOT NULL
);
--> statement-breakpoint
CREATE TABLE "publications" (
	"id" serial PRIMARY KEY NOT NULL,
	"edition_id" integer NOT NULL,
	"direction" text NOT NULL,
	"state" text DEFAULT 'waiting' NOT NULL,
	"problem" jsonb,
	"proven" boolean,
	"started_by" text NOT NULL,
	"started_at" timestamp with time zone DEFAULT now() NOT NULL,
	"finished_at" timestamp with time zone
);
--> statement-breakpoint
CREATE TABLE "steps" (
	"id" serial PRIMARY KEY NOT NULL,
	"publication_id" integer NOT NULL,
	"ordinal" integer NOT NULL,
	"action" text NOT NULL,
	"path" text NOT NULL,
	"was_sha" text,
	"becomes_sha" text,
	"edits" jsonb,
	"state" text DEFAULT 'planned' NOT NULL,
	"problem" jsonb
);
--> statement-breakpoint
CREATE TABLE "events" (
	"id" serial PRIMARY KEY NOT NULL,
	"site_id" integer,
	"actor" text NOT NULL,
	"verb" text NOT NULL,
	"details" text NOT NULL,
	"at" timestamp with time zone DEFAULT now() NOT NULL
);
--> statement-breakpoint
CREATE TABLE "sites" (
	"id" serial PRIMARY KEY NOT NULL,
	"slug" text NOT NULL,
	"name" text NOT NULL,
	"connection" jsonb NOT NULL,
	"live_url" text,
	"hosts" jsonb DEFAULT '[]'::jsonb NOT NULL,
	"created_at" timestamp with time zone DEFAULT now() NOT NULL,
	CONSTRAINT "sites_slug_unique" UNIQUE("slug")
);
--> statement-breakpoint
CREATE TABLE "surveys" (
	"id" serial PRIMARY KEY NOT NULL,
	"site_id" integer NOT NULL,
	"number" integer NOT NULL,
	"state" text DEFAULT 'waiting' NOT NULL,
	"reason" text NOT NULL,
	"pages_done" integer DEFAULT 0 NOT NULL,
	"pages_total" integer DEFAULT 0 NOT NULL,
	"counts" jsonb,
	"problem" jsonb,
	"started_at" timestamp with time zone,
	"finished_at" timestamp with time zone
);
--> statement-breakpoint
ALTER TABLE "account" ADD CONSTRAINT "account_user_id_user_id_fk" FOREIGN KEY ("user_id") REFERENCES "public"."user"("id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "session" ADD CONSTRAINT "session_user_id_user_id_fk" FOREIGN KEY ("user_id") REFERENCES "public"."user"("id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "files" ADD CONSTRAINT "files_site_id_sites_id_fk" FOREIGN KEY ("site_id") REFERENCES "public"."sites"("id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "pages" ADD CONSTRAINT "pages_site_id_sites_id_fk" FOREIGN KEY ("site_id") REFERENCES "public"."sites"("id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "placements" ADD CONSTRAINT "placements_site_id_sites_id_fk" FOREIGN KEY ("site_id") REFERENCES "public"."sites"("id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "changes" ADD CONSTRAINT "changes_edition_id_editions_id_fk" FOREIGN KEY ("edition_id") REFERENCES "public"."editions"("id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "changes" ADD CONSTRAINT "changes_intake_id_intake_id_fk" FOREIGN KEY ("intake_id") REFERENCES "public"."intake"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "editions" ADD CONSTRAINT "editions_site_id_sites_id_fk" FOREIGN KEY ("site_id") REFERENCES "public"."sites"("id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "edits" ADD CONSTRAINT "edits_change_id_changes_id_fk" FOREIGN KEY ("change_id") REFERENCES "public"."changes"("id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "intake" ADD CONSTRAINT "intake_site_id_sites_id_fk" FOREIGN KEY ("site_id") REFERENCES "public"."sites"("id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "new_files" ADD CONSTRAINT "new_files_change_id_changes_id_fk" FOREIGN KEY ("change_id") REFERENCES "public"."changes"("id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "publications" ADD CONSTRAINT "publications_edition_id_editions_id_fk" FOREIGN KEY ("edition_id") REFERENCES "public"."editions"("id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "steps" ADD CONSTRAINT "steps_publication_id_publications_id_fk" FOREIGN KEY ("publication_id") REFERENCES "public"."publications"("id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "surveys" ADD CONSTRAINT "surveys_site_id_sites_id_fk" FOREIGN KEY ("site_id") REFERENCES "public"."sites"("id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
CREATE UNIQUE INDEX "files_path" ON "files" USING btree ("site_id","path");--> statement-breakpoint
CREATE INDEX "files_sha256" ON "files" USING btree ("sha256");--> statement-breakpoint
CREATE UNIQUE INDEX "pages_path" ON "pages" USING btree ("site_id","path");--> statement-breakpoint
CREATE INDEX "pages_section" ON "pages" USING btree ("site_id","section","path");--> statement-breakpoint
CREATE INDEX "placements_file" ON "placements" USING btree ("site_id","file_path") WHERE until_survey is null;--> statement-breakpoint
CREATE INDEX "placements_page" ON "placements" USING btree ("site_id","page_path","ordinal") WHERE until_survey is null;--> statement-breakpoint
CREATE UNIQUE INDEX "editions_number" ON "editions" USING btree ("site_id","number");--> statement-breakpoint
CREATE INDEX "edits_change" ON "edits" USING btree ("change_id");--> statement-breakpoint
CREATE UNIQUE INDEX "steps_ordinal" ON "steps" USING btree ("publication_id","ordinal");--> statement-breakpoint
CREATE INDEX "events_site" ON "events" USING btree ("site_id","at");--> statement-breakpoint
CREATE UNIQUE INDEX "surveys_number" ON "surveys" USING btree ("site_id","number");