CREATE TABLE "rights_answers" (
	"placement_id" bigint PRIMARY KEY NOT NULL,
	"site_id" integer NOT NULL,
	"page_path" text NOT NULL,
	"file_path" text NOT NULL,
	"may" text NOT NULL,
	"because" jsonb NOT NULL,
	"until" integer,
	"credit" jsonb NOT NULL,
	"chain" jsonb NOT NULL
);
--> statement-breakpoint
CREATE TABLE "rights_records" (
	"id" serial PRIMARY KEY NOT NULL,
	"site_id" integer NOT NULL,
	"kind" text NOT NULL,
	"for_file" text,
	"body" jsonb NOT NULL,
	"said_by" text NOT NULL,
	"said_at" timestamp with time zone DEFAULT now() NOT NULL
);
--> statement-breakpoint
CREATE TABLE "rights_states" (
	"site_id" integer PRIMARY KEY NOT NULL,
	"asked_on" integer NOT NULL,
	"answered_at" timestamp with time zone DEFAULT now() NOT NULL
);
--> statement-breakpoint
ALTER TABLE "rights_answers" ADD CONSTRAINT "rights_answers_site_id_sites_id_fk" FOREIGN KEY ("site_id") REFERENCES "public"."sites"("id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "rights_records" ADD CONSTRAINT "rights_records_site_id_sites_id_fk" FOREIGN KEY ("site_id") REFERENCES "public"."sites"("id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "rights_states" ADD CONSTRAINT "rights_states_site_id_sites_id_fk" FOREIGN KEY ("site_id") REFERENCES "public"."sites"("id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
CREATE INDEX "rights_answers_file" ON "rights_answers" USING btree ("site_id","file_path");--> statement-breakpoint
CREATE INDEX "rights_answers_until" ON "rights_answers" USING btree ("site_id","until");--> statement-breakpoint
CREATE INDEX "rights_records_site" ON "rights_records" USING btree ("site_id","id");