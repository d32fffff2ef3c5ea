CREATE TABLE "questions" (
	"id" bigserial PRIMARY KEY NOT NULL,
	"job_id" text NOT NULL,
	"opening_id" text,
	"token_id" uuid NOT NULL,
	"to_whom" text NOT NULL,
	"question" text NOT NULL,
	"at" timestamp (3) with time zone DEFAULT now() NOT NULL,
	"answer" text,
	"answered_by" uuid,
	"answered_at" timestamp (3) with time zone
);
--> statement-breakpoint
ALTER TABLE "questions" ADD CONSTRAINT "questions_job_id_jobs_id_fk" FOREIGN KEY ("job_id") REFERENCES "public"."jobs"("id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
CREATE INDEX "questions_job" ON "questions" USING btree ("job_id");