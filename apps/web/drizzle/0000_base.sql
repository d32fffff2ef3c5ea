CREATE TABLE "entries" (
	"id" uuid PRIMARY KEY NOT NULL,
	"job_id" text NOT NULL,
	"opening_id" text NOT NULL,
	"issue" integer NOT NULL,
	"kind" text NOT NULL,
	"step" text NOT NULL,
	"undoes" uuid,
	"person" text NOT NULL,
	"at" timestamp (3) with time zone NOT NULL,
	"received_at" timestamp (3) with time zone DEFAULT now() NOT NULL,
	"note" text NOT NULL
);
--> statement-breakpoint
CREATE TABLE "jobs" (
	"id" text PRIMARY KEY NOT NULL,
	"document" jsonb NOT NULL,
	"walls" jsonb NOT NULL,
	"units" jsonb NOT NULL,
	"methods" jsonb NOT NULL,
	"created_at" timestamp (3) with time zone DEFAULT now() NOT NULL
);
--> statement-breakpoint
CREATE TABLE "openings" (
	"job_id" text NOT NULL,
	"id" text NOT NULL,
	"position" integer NOT NULL,
	"version" integer DEFAULT 1 NOT NULL,
	"document" jsonb NOT NULL,
	CONSTRAINT "openings_job_id_id_pk" PRIMARY KEY("job_id","id")
);
--> statement-breakpoint
CREATE TABLE "plan_issues" (
	"job_id" text NOT NULL,
	"opening_id" text NOT NULL,
	"version" integer NOT NULL,
	"document" jsonb NOT NULL,
	CONSTRAINT "plan_issues_job_id_opening_id_version_pk" PRIMARY KEY("job_id","opening_id","version")
);
--> statement-breakpoint
CREATE TABLE "sessions" (
	"token_hash" text PRIMARY KEY NOT NULL,
	"user_id" uuid NOT NULL,
	"expires_at" timestamp (3) with time zone NOT NULL
);
--> statement-breakpoint
CREATE TABLE "users" (
	"id" uuid PRIMARY KEY DEFAULT gen_random_uuid() NOT NULL,
	"email" text NOT NULL,
	"name" text NOT NULL,
	"password_hash" text NOT NULL,
	"created_at" timestamp (3) with time zone DEFAULT now() NOT NULL,
	CONSTRAINT "users_email_unique" UNIQUE("email")
);
--> statement-breakpoint
ALTER TABLE "entries" ADD CONSTRAINT "entries_job_id_opening_id_issue_plan_issues_job_id_opening_id_version_fk" FOREIGN KEY ("job_id","opening_id","issue") REFERENCES "public"."plan_issues"("job_id","opening_id","version") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "openings" ADD CONSTRAINT "openings_job_id_jobs_id_fk" FOREIGN KEY ("job_id") REFERENCES "public"."jobs"("id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "plan_issues" ADD CONSTRAINT "plan_issues_job_id_opening_id_openings_job_id_id_fk" FOREIGN KEY ("job_id","opening_id") REFERENCES "public"."openings"("job_id","id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "sessions" ADD CONSTRAINT "sessions_user_id_users_id_fk" FOREIGN KEY ("user_id") REFERENCES "public"."users"("id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
CREATE INDEX "entries_opening" ON "entries" USING btree ("job_id","opening_id");--> statement-breakpoint
CREATE INDEX "sessions_user" ON "sessions" USING btree ("user_id");