CREATE TABLE "picture_subjects" (
	"site_id" integer NOT NULL,
	"sha256" text NOT NULL,
	"subject_id" integer NOT NULL,
	"said_by" text NOT NULL,
	"said_at" timestamp with time zone DEFAULT now() NOT NULL,
	CONSTRAINT "picture_subjects_site_id_sha256_subject_id_pk" PRIMARY KEY("site_id","sha256","subject_id")
);
--> statement-breakpoint
CREATE TABLE "subjects" (
	"id" serial PRIMARY KEY NOT NULL,
	"site_id" integer NOT NULL,
	"name" text NOT NULL,
	"kind" text NOT NULL,
	"changed_on" integer,
	"changed_how" text DEFAULT '' NOT NULL
);
--> statement-breakpoint
CREATE TABLE "titles" (
	"site_id" integer NOT NULL,
	"sha256" text NOT NULL,
	"title" text NOT NULL,
	"said_by" text NOT NULL,
	"said_at" timestamp with time zone DEFAULT now() NOT NULL,
	CONSTRAINT "titles_site_id_sha256_pk" PRIMARY KEY("site_id","sha256")
);
--> statement-breakpoint
ALTER TABLE "pictures" ADD COLUMN "title" text;--> statement-breakpoint
ALTER TABLE "pictures" ADD COLUMN "owner_id" text;--> statement-breakpoint
ALTER TABLE "pictures" ADD COLUMN "is_credited" boolean DEFAULT false NOT NULL;--> statement-breakpoint
ALTER TABLE "pictures" ADD COLUMN "changed" jsonb;--> statement-breakpoint
ALTER TABLE "picture_subjects" ADD CONSTRAINT "picture_subjects_site_id_sites_id_fk" FOREIGN KEY ("site_id") REFERENCES "public"."sites"("id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "picture_subjects" ADD CONSTRAINT "picture_subjects_subject_id_subjects_id_fk" FOREIGN KEY ("subject_id") REFERENCES "public"."subjects"("id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "subjects" ADD CONSTRAINT "subjects_site_id_sites_id_fk" FOREIGN KEY ("site_id") REFERENCES "public"."sites"("id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "titles" ADD CONSTRAINT "titles_site_id_sites_id_fk" FOREIGN KEY ("site_id") REFERENCES "public"."sites"("id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
CREATE INDEX "picture_subjects_subject" ON "picture_subjects" USING btree ("subject_id");--> statement-breakpoint
CREATE UNIQUE INDEX "subjects_name" ON "subjects" USING btree ("site_id","name");