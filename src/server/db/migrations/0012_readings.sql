CREATE TABLE "readings" (
	"sha256" text PRIMARY KEY NOT NULL,
	"languages" text NOT NULL,
	"text" text NOT NULL,
	"problem" text
);
