CREATE TABLE "practice_answers" (
	"id" uuid PRIMARY KEY NOT NULL,
	"user_id" uuid NOT NULL,
	"kind" text NOT NULL,
	"level" integer NOT NULL,
	"seed" integer NOT NULL,
	"is_right" boolean NOT NULL,
	"at" timestamp (3) with time zone NOT NULL
);
--> statement-breakpoint
CREATE TABLE "practice_rounds" (
	"id" uuid PRIMARY KEY DEFAULT gen_random_uuid() NOT NULL,
	"job_id" text NOT NULL,
	"made_by" uuid,
	"title" text NOT NULL,
	"tasks" jsonb NOT NULL,
	"made_at" timestamp (3) with time zone DEFAULT now() NOT NULL
);
--> statement-breakpoint
CREATE TABLE "practice_sharing" (
	"job_id" text NOT NULL,
	"user_id" uuid NOT NULL,
	CONSTRAINT "practice_sharing_job_id_user_id_pk" PRIMARY KEY("job_id","user_id")
);
--> statement-breakpoint
ALTER TABLE "practice_answers" ADD CONSTRAINT "practice_answers_user_id_users_id_fk" FOREIGN KEY ("user_id") REFERENCES "public"."users"("id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "practice_rounds" ADD CONSTRAINT "practice_rounds_job_id_jobs_id_fk" FOREIGN KEY ("job_id") REFERENCES "public"."jobs"("id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "practice_rounds" ADD CONSTRAINT "practice_rounds_made_by_users_id_fk" FOREIGN KEY ("made_by") REFERENCES "public"."users"("id") ON DELETE set null ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "practice_sharing" ADD CONSTRAINT "practice_sharing_job_id_user_id_members_job_id_user_id_fk" FOREIGN KEY ("job_id","user_id") REFERENCES "public"."members"("job_id","user_id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
CREATE INDEX "practice_answers_user" ON "practice_answers" USING btree ("user_id","at");--> statement-breakpoint
CREATE INDEX "practice_rounds_job" ON "practice_rounds" USING btree ("job_id");