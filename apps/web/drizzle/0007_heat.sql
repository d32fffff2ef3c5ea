CREATE TABLE "heat_results" (
	"content" text PRIMARY KEY NOT NULL,
	"side" jsonb,
	"problem" text,
	"worker" text NOT NULL,
	"solved_at" timestamp (3) with time zone DEFAULT now() NOT NULL
);
--> statement-breakpoint
CREATE TABLE "heat_runs" (
	"id" uuid PRIMARY KEY DEFAULT gen_random_uuid() NOT NULL,
	"job_id" text NOT NULL,
	"state" text DEFAULT 'planning' NOT NULL,
	"person" text NOT NULL,
	"at" timestamp (3) with time zone DEFAULT now() NOT NULL
);
--> statement-breakpoint
CREATE TABLE "heat_sides" (
	"run_id" uuid NOT NULL,
	"opening_id" text NOT NULL,
	"cut" text NOT NULL,
	"opening" text NOT NULL,
	"content" text,
	"left_out" jsonb DEFAULT '[]'::jsonb NOT NULL,
	"problem" text,
	CONSTRAINT "heat_sides_run_id_opening_id_cut_pk" PRIMARY KEY("run_id","opening_id","cut")
);
--> statement-breakpoint
ALTER TABLE "heat_runs" ADD CONSTRAINT "heat_runs_job_id_jobs_id_fk" FOREIGN KEY ("job_id") REFERENCES "public"."jobs"("id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "heat_sides" ADD CONSTRAINT "heat_sides_run_id_heat_runs_id_fk" FOREIGN KEY ("run_id") REFERENCES "public"."heat_runs"("id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
CREATE INDEX "heat_runs_job" ON "heat_runs" USING btree ("job_id","at");--> statement-breakpoint
CREATE INDEX "heat_sides_content" ON "heat_sides" USING btree ("content");