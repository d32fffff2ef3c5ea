CREATE TABLE "receipts" (
	"job_id" text NOT NULL,
	"seq" integer NOT NULL,
	"entry_id" uuid,
	"key" text,
	"digest" text NOT NULL,
	"received" timestamp (3) with time zone NOT NULL,
	"by" text NOT NULL,
	"head" text NOT NULL,
	"salts" jsonb NOT NULL,
	"first_block" boolean DEFAULT false NOT NULL,
	CONSTRAINT "receipts_job_id_seq_pk" PRIMARY KEY("job_id","seq")
);
--> statement-breakpoint
ALTER TABLE "receipts" ADD CONSTRAINT "receipts_job_id_jobs_id_fk" FOREIGN KEY ("job_id") REFERENCES "public"."jobs"("id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "receipts" ADD CONSTRAINT "receipts_entry_id_entries_id_fk" FOREIGN KEY ("entry_id") REFERENCES "public"."entries"("id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
CREATE UNIQUE INDEX "receipts_entry" ON "receipts" USING btree ("entry_id");--> statement-breakpoint
CREATE TRIGGER receipts_append_only BEFORE UPDATE OR DELETE ON "receipts"
  FOR EACH ROW EXECUTE FUNCTION refuse_record_change();
