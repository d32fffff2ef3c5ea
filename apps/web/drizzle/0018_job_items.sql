CREATE TABLE "job_item_versions" (
	"job_id" text NOT NULL,
	"kind" text NOT NULL,
	"id" text NOT NULL,
	"version" integer NOT NULL,
	"document" jsonb,
	"user_id" uuid,
	"at" timestamp (3) with time zone DEFAULT now() NOT NULL,
	CONSTRAINT "job_item_versions_job_id_kind_id_version_pk" PRIMARY KEY("job_id","kind","id","version")
);
--> statement-breakpoint
ALTER TABLE "job_item_versions" ADD CONSTRAINT "job_item_versions_job_id_jobs_id_fk" FOREIGN KEY ("job_id") REFERENCES "public"."jobs"("id") ON DELETE cascade ON UPDATE no action;