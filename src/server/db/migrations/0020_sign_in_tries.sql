CREATE TABLE "sign_in_tries" (
	"key" text PRIMARY KEY NOT NULL,
	"failures" integer NOT NULL,
	"until" timestamp with time zone NOT NULL,
	"last_at" timestamp with time zone NOT NULL
);
