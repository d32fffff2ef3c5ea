CREATE TABLE "acknowledgements" (
	"id" bigserial PRIMARY KEY NOT NULL,
	"job_id" text NOT NULL,
	"token_id" uuid NOT NULL,
	"to_whom" text NOT NULL,
	"said" text NOT NULL,
	"at" timestamp (3) with time zone DEFAULT now() NOT NULL
);
--> statement-breakpoint
ALTER TABLE "tokens" ADD COLUMN "tells" jsonb;--> statement-breakpoint
ALTER TABLE "acknowledgements" ADD CONSTRAINT "acknowledgements_job_id_jobs_id_fk" FOREIGN KEY ("job_id") REFERENCES "public"."jobs"("id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
CREATE INDEX "acknowledgements_job" ON "acknowledgements" USING btree ("job_id");--> statement-breakpoint
CREATE TRIGGER acknowledgements_append_only BEFORE UPDATE OR DELETE ON "acknowledgements"
  FOR EACH ROW EXECUTE FUNCTION refuse_record_change();
